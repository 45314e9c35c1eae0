import type { Activity, Board } from './model';
import { deterministicId } from '../../random';
import { blockFromDrill, plainBlock } from '../edits';
import type { Block } from '../plan';
import { lanesOf } from './activity';

/**
 * Acts as blocks of a plan: what stays keeps its blocks, what everybody does is one block, else each who does it has his
 * own. What was in the plan before keeps its id, rig and words wherever it goes. The same acts have the same ids.
 */
export function blocksOf(board: Board, acts: readonly Activity[]): Block[] {
  const had = new Map(board.task.plan.blocks.map((block) => [block.id, block]));
  const keptOf = (act: Activity): Block[] => {
    const kept = act.blockIds.flatMap((id) => had.get(id) ?? []);
    return act.blockIds.length === kept.length && isOf(kept, act, board) ? kept : [];
  };
  const left = new Map(had);
  const taken = new Set(had.keys());
  for (const act of acts) for (const { id } of keptOf(act)) left.delete(id);
  const blocks = acts.flatMap((act): Block[] => {
    const kept = keptOf(act);
    if (kept.length > 0) return kept;
    const lanes = act.lanes === board.all ? [null] : lanesOf(act.lanes).map((at) => board.planLanes[at]!);
    return lanes.map((lane) => {
      const before = beforeOf([...left.values()], act, lane);
      if (before) left.delete(before.id);
      const id = before?.id ?? idFor(act, lane, taken);
      return newBlock(board, act, lane, id, before ?? beforeOf([...had.values()], act, lane));
    });
  });
  return blocks.sort((a, b) => a.startMin - b.startMin || (a.lane ?? -1) - (b.lane ?? -1));
}

/** Whether blocks are just what an act is. */
function isOf(blocks: readonly Block[], act: Activity, { all, bitOf }: Board): boolean {
  const lanes = blocks.reduce((bits, { lane }) => bits | (lane === null ? all : bitOf(lane)), 0);
  return (
    lanes === act.lanes &&
    blocks.every(
      ({ startMin, durationMin, drillId }) =>
        startMin === act.startMin && startMin + durationMin === act.endMin && drillId === act.drillId,
    )
  );
}

/** A block of the same that was there before, of the same student if there is one. */
function beforeOf(
  blocks: readonly Block[],
  { drillId, kind, title }: Activity,
  lane: number | null,
): Block | null {
  const alike = blocks.filter((block) =>
    drillId === null
      ? block.drillId === null && block.kind === kind && block.title === title
      : block.drillId === drillId,
  );
  return alike.find((block) => block.lane === lane) ?? alike[0] ?? null;
}

/** An id that no block has; not by the minute, so that what moves from one plan to the next is the same block. */
function idFor({ drillId, kind }: Activity, lane: number | null, taken: Set<string>): string {
  const name = `scheduled:${drillId ?? kind}:${lane ?? 'all'}`;
  for (let again = 0; ; again++) {
    const id = deterministicId(again === 0 ? name : `${name}:${again}`);
    if (taken.has(id)) continue;
    taken.add(id);
    return id;
  }
}

/** @param like a block whose words it has, and its rig where that may be fished here */
function newBlock(
  { forbiddenRigs }: Board,
  act: Activity,
  lane: number | null,
  id: string,
  like: Block | null,
): Block {
  const { on, kind, title, startMin, endMin, place } = act;
  const durationMin = endMin - startMin;
  const drill = on?.drill;
  const block =
    like ??
    (drill ? blockFromDrill(drill, id, startMin) : plainBlock(kind, title, id, startMin, durationMin));
  const rigId =
    act.wet && block.rigId !== null && forbiddenRigs.has(block.rigId) ? (on?.rigId ?? null) : block.rigId;
  return { ...block, id, startMin, durationMin, lane, place, rigId };
}
