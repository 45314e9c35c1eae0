import type { Block, PlanBody } from './plan';
import { type OrderRow, runningOrder } from './running-order';
import { endOf, resolveOverlaps, shareLane } from './timing';

/** What became of a line of a plan. */
export type RowChange =
  | { kind: 'same' }
  | { kind: 'comes' }
  /** Earlier where below zero. */
  | { kind: 'moves'; byMin: number }
  /** Shorter where below zero. */
  | { kind: 'lasts'; byMin: number }
  /** How many more students do it, fewer where below zero. */
  | { kind: 'joins'; students: number };

interface ChangedRow {
  row: OrderRow;
  change: RowChange;
  /** Blocks of before that are no more of their own: their students do the same with the others of this line. */
  united: Block[];
}

/** A plan beside what it was: its lines, each with what became of it, and what is not there any more. */
export interface PlanChanges {
  rows: ChangedRow[];
  gone: OrderRow[];
}

/** Ids of a line's blocks as one text: what a change is called by. */
export function rowKey({ blocks }: Pick<OrderRow, 'blocks'>): string {
  return blocks
    .map(({ id }) => id)
    .sort()
    .join(' ');
}

/**
 * What becomes of each line of a plan; a block is the same as long as its id is. Who did something apart and does it with
 * others now has not lost it.
 */
export function planChanges(
  before: Pick<PlanBody, 'blocks' | 'groupSize'>,
  after: typeof before,
): PlanChanges {
  const was = new Map(before.blocks.map((block) => [block.id, block]));
  const is = new Set(after.blocks.map(({ id }) => id));
  const gone = new Set(before.blocks.filter(({ id }) => !is.has(id)));
  const rows = runningOrder(after).map((row): ChangedRow => {
    const old = row.blocks.flatMap(({ id }) => was.get(id) ?? []);
    const united: Block[] = [];
    for (const block of gone) {
      if (!isDoneIn(row, block) || old.some((one) => shareLane(one, block))) continue;
      old.push(block);
      united.push(block);
      gone.delete(block);
    }
    return { row, united, change: changeOf(row, old, before.groupSize) };
  });
  return { rows, gone: runningOrder({ blocks: [...gone] }) };
}

/** Whether whoever did a drill alone does it in a line. */
function isDoneIn({ blocks }: OrderRow, { drillId, lane }: Block): boolean {
  return (
    drillId !== null &&
    blocks[0].drillId === drillId &&
    blocks.some((block) => block.lane === null || block.lane === lane)
  );
}

function changeOf({ blocks }: OrderRow, old: readonly Block[], groupSize: number): RowChange {
  const [first] = old;
  if (!first) return { kind: 'comes' };
  const [block] = blocks;
  if (first.startMin !== block.startMin) return { kind: 'moves', byMin: block.startMin - first.startMin };
  if (first.durationMin !== block.durationMin)
    return { kind: 'lasts', byMin: block.durationMin - first.durationMin };
  const students = (list: readonly Block[]): number =>
    list.some(({ lane }) => lane === null) ? groupSize : list.length;
  const more = students(blocks) - students(old);
  return more === 0 ? { kind: 'same' } : { kind: 'joins', students: more };
}

/**
 * A plan with some of the changes only. What is not taken stays as it was; what then asks for a student twice is put one
 * behind the other.
 *
 * @param taken keys of the lines of `planChanges`, new and gone, that are taken
 */
export function takeChanges(before: PlanBody, after: PlanBody, taken: ReadonlySet<string>): PlanBody {
  const { rows, gone } = planChanges(before, after);
  const blocks = new Map(before.blocks.map((block) => [block.id, block]));
  for (const row of gone) if (taken.has(rowKey(row))) for (const { id } of row.blocks) blocks.delete(id);
  for (const { row, united } of rows) {
    if (!taken.has(rowKey(row))) continue;
    for (const { id } of united) blocks.delete(id);
    for (const block of row.blocks) blocks.set(block.id, block);
  }
  const ordered = [...blocks.values()].sort((a, b) => a.startMin - b.startMin || endOf(a) - endOf(b));
  return { ...before, blocks: resolveOverlaps(ordered) };
}
