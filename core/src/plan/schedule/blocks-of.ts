import type { Activity, Board } from './model';
import { deterministicId } from '../../random';
import { blockFromDrill, plainBlock } from '../edits';
import type { Block } from '../plan';
import { lanesOf } from './activity';

/**
 * Acts as blocks of a plan: what stays keeps its blocks, what everybody does is one block, else each who does it has his
 * own. The same acts have the same ids.
 */
export function blocksOf(board: Board, acts: readonly Activity[]): Block[] {
  const had = new Map(board.task.plan.blocks.map((block) => [block.id, block]));
  const blocks = acts.flatMap((act): Block[] => {
    const kept = act.blockIds.flatMap((id) => had.get(id) ?? []);
    if (kept.length > 0 && act.blockIds.length === kept.length && isOf(kept, act, board)) return kept;
    const lanes = act.lanes === board.all ? [null] : lanesOf(act.lanes);
    return lanes.map((lane) => newBlock(act, lane));
  });
  return blocks.sort((a, b) => a.startMin - b.startMin || (a.lane ?? -1) - (b.lane ?? -1));
}

/** Whether blocks are just what an act is. */
function isOf(blocks: readonly Block[], act: Activity, { all }: Board): boolean {
  const lanes = blocks.reduce((bits, { lane }) => bits | (lane === null ? all : 1 << lane), 0);
  return (
    lanes === act.lanes &&
    blocks.every(
      ({ startMin, durationMin, drillId }) =>
        startMin === act.startMin && startMin + durationMin === act.endMin && drillId === act.drillId,
    )
  );
}

function newBlock(
  { on, drillId, kind, title, startMin, endMin, place }: Activity,
  lane: number | null,
): Block {
  const id = deterministicId(`scheduled:${drillId ?? kind}:${startMin}:${endMin}:${lane ?? 'all'}`);
  const drill = on?.drill;
  const block = drill
    ? blockFromDrill(drill, id, startMin, lane)
    : { ...plainBlock(kind, title, id, startMin, endMin - startMin), lane };
  return { ...block, durationMin: endMin - startMin, place };
}
