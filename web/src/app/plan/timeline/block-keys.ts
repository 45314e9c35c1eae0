import { type Block, type PlanEdit, STEP_MIN } from '@doceo/core';

/**
 * What a key does to a block: arrows move it in time or to another student, with Alt in the order, with Shift they make it
 * longer, with both what follows moves along; null for a key that does nothing.
 *
 * @param lanes how many students the plan is for
 */
export function keyEdit(event: KeyboardEvent, block: Block, lanes: number): PlanEdit | null {
  const blockId = block.id;
  const later = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
  const aside = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
  if (event.ctrlKey || event.metaKey) return null;
  if (event.key === 'Delete' || event.key === 'Backspace') return { kind: 'remove', blockId };
  if (later !== 0 && event.altKey && event.shiftKey)
    return { kind: 'shift', fromMin: block.startMin, byMin: later * STEP_MIN };
  if (later !== 0 && event.altKey) return { kind: 'reorder', blockId, direction: later };
  if (later !== 0 && event.shiftKey)
    return { kind: 'resize', blockId, durationMin: block.durationMin + later * STEP_MIN };
  if (later !== 0)
    return { kind: 'move', blockId, startMin: block.startMin + later * STEP_MIN, lane: block.lane };
  if (aside !== 0)
    return { kind: 'move', blockId, startMin: block.startMin, lane: laneBeside(block.lane, aside, lanes) };
  return null;
}

/** Everybody, then the students one after the other, and everybody again. */
function laneBeside(lane: number | null, by: 1 | -1, lanes: number): number | null {
  const places = lanes + 1;
  const at = (((lane === null ? 0 : lane + 1) + by + places) % places) - 1;
  return at < 0 ? null : at;
}
