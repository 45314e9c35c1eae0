import type { Drill } from '../drill';
import { DANGER } from '../fault';
import type { WeighedFault } from './fault-priority';

/** How much estimates rose with a drill, as far as it was seen. */
export interface MeasuredDrill {
  drillId: string;
  /** How many bouts of it were seen, whole, 0 and more. */
  n: number;
  /** The mean rise of mastery in a bout, −1…1; null where too little was seen. */
  rise: { mean: number } | null;
}

/**
 * What a drill counts for a student by his faults it looks out for: what they cost, shared among all it looks out for,
 * against the worst there is.
 *
 * @returns a plain number, 1 and more
 */
export function faultFactor(drill: Drill, faults: readonly WeighedFault[]): number {
  const watched = faults.filter(({ fault }) => drill.watchFor.includes(fault.id));
  const cost = watched.reduce((sum, { score }) => sum + score, 0) / Math.max(1, drill.watchFor.length);
  return 1 + cost / DANGER;
}

/** Bouts that are taken as usual before what was measured of a drill counts in full. A rule of thumb. */
const USUAL_BOUTS = 10;

/**
 * How well a drill worked against drills commonly.
 *
 * @returns a plain number, 0.5 to 1.5; 1 for one of which nothing is known
 */
export function effectFactor({ id }: Pick<Drill, 'id'>, effects: readonly MeasuredDrill[]): number {
  const known = effects.filter(({ rise }) => rise !== null);
  const usual = known.reduce((sum, { rise }) => sum + (rise?.mean ?? 0), 0) / known.length;
  const own = known.find(({ drillId }) => drillId === id);
  if (!own?.rise || !(usual > 0)) return 1;
  const ratio = Math.min(1.5, Math.max(0.5, own.rise.mean / usual));
  return (own.n * ratio + USUAL_BOUTS) / (own.n + USUAL_BOUTS);
}
