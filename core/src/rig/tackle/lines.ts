import { KG_PER_GRAIN, METRES_PER_INCH } from '../../units';
import type { LineKind } from './ids';

/** Inches a second. A hover line creeps down; the tip of a sink-tip line is taken as type 4. */
const INCHES_A_SECOND: Record<LineKind, number> = {
  floating: 0,
  hover: 0.75,
  'sink-tip': 4,
  'type-1': 1,
  'type-2': 2,
  'type-3': 3,
  'type-4': 4,
  'type-5': 5,
  'type-6': 6,
  'type-7': 7,
  level: 0,
};

/** Makers differ, and a line sinks slower while it is pulled: about this share either way. */
export const SINK_SPREAD = 0.25;

/** Sink rate of a kind of line lying still, m/s. A rule of thumb of the trade, ± SINK_SPREAD. */
export function sinkRate(kind: LineKind): number {
  return INCHES_A_SECOND[kind] * METRES_PER_INCH;
}

/** Mass of the first 9.14 m (30 ft) of a line of a weight, kg: the trade's standard, given in grains. */
const GRAINS_OF_WEIGHT = [60, 80, 100, 120, 140, 160, 185, 210, 240, 280, 330, 380];

/**
 * Mass of the head that loads the rod.
 *
 * @param weight line weight 1…12
 * @returns kg for the first 30 ft
 */
export function headMass(weight: number): number {
  const index = Math.min(GRAINS_OF_WEIGHT.length, Math.max(1, Math.round(weight))) - 1;
  return (GRAINS_OF_WEIGHT[index] as number) * KG_PER_GRAIN;
}
