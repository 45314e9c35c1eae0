import type { Activity } from '../model';
import { type HardRule, inAct } from './rule';

/** Nobody is in two places at once. */
export const twoPlaces: HardRule = (_board, acts) =>
  acts.filter((act, i) => isElsewhereToo(acts, act, i)).map((act) => inAct('two-places', act));

function isElsewhereToo(acts: readonly Activity[], act: Activity, i: number): boolean {
  for (let j = i + 1; j < acts.length; j++) {
    const other = acts[j]!;
    if (other.startMin >= act.endMin) return false;
    if ((other.lanes & act.lanes) !== 0) return true;
  }
  return false;
}
