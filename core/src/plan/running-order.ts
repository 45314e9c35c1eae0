import type { PlanEdit } from './edits';
import type { Block, PlanBody } from './plan';

/** A line of the running order: one block, or the same for several students at the same time. */
export interface OrderRow {
  /** Its number in the plan, from 1. */
  number: number;
  /** The blocks it stands for, by their place in the group; all alike but for that. */
  blocks: [Block, ...Block[]];
}

/**
 * The blocks of a plan in the order in which they are taught: by start, then by place in the group. What several students
 * do alike at the same time is one line.
 */
export function runningOrder(plan: Pick<PlanBody, 'blocks'>): OrderRow[] {
  const rows = new Map<string, [Block, ...Block[]]>();
  for (const block of blocksInOrder(plan.blocks)) {
    const { id, lane, ...alike } = block;
    const key = lane === null ? id : JSON.stringify(alike);
    const row = rows.get(key);
    if (row) row.push(block);
    else rows.set(key, [block]);
  }
  return [...rows.values()].map((blocks, i) => ({ number: i + 1, blocks }));
}

/** Blocks by time, then by place in the group, everybody first. */
export function blocksInOrder(blocks: readonly Block[]): Block[] {
  return [...blocks].sort(
    (a, b) => a.startMin - b.startMin || (a.lane ?? -1) - (b.lane ?? -1) || (a.id < b.id ? -1 : 1),
  );
}

/**
 * An edit of one block as an edit of its whole line: what several students do alike changes for all of them. Giving a block
 * to another student is of that block alone.
 */
export function forWholeRow(order: readonly OrderRow[], edit: PlanEdit): PlanEdit {
  if (!('blockId' in edit)) return edit;
  const row = order.find(({ blocks }) => blocks.some(({ id }) => id === edit.blockId));
  const own = row?.blocks.find(({ id }) => id === edit.blockId);
  if (!row || !own || row.blocks.length === 1 || (edit.kind === 'move' && edit.lane !== own.lane))
    return edit;
  return {
    kind: 'all',
    edits: row.blocks.map(
      ({ id: blockId, lane }) =>
        ({ ...edit, blockId, ...(edit.kind === 'move' ? { lane } : {}) }) as PlanEdit,
    ),
  };
}
