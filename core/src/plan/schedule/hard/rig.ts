import { type HardRule, inAct } from './rule';

/** At the water nobody fishes a rig that its card forbids, or that does not hold. */
export const rig: HardRule = (_board, acts) =>
  acts.filter(({ wet, rigForbidden }) => wet && rigForbidden).map((act) => inAct('rig', act));
