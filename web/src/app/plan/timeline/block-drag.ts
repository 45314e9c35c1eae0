import { type Block, type PlanEdit, STEP_MIN } from '@doceo/core';
import type { Drag } from '../../drawing/drag.directive';

/** A block that is dragged: it is moved, or its end is. */
export interface Hold {
  block: Block;
  what: 'move' | 'resize';
}

/** What a drag does to the block that is held. */
export function dragEdit(
  { block, what }: Hold,
  drag: Drag,
  { lanes, lanePx, pxPerMin }: { lanes: number; lanePx: number; pxPerMin: number },
): PlanEdit {
  const minutes = drag.dy / pxPerMin;
  if (what === 'resize')
    return {
      kind: 'resize',
      blockId: block.id,
      durationMin: Math.max(STEP_MIN, block.durationMin + minutes),
    };
  const lane =
    block.lane === null ? null : Math.min(lanes - 1, Math.max(0, block.lane + Math.round(drag.dx / lanePx)));
  return { kind: 'move', blockId: block.id, startMin: block.startMin + minutes, lane };
}
