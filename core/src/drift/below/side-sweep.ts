import { SHOT_DENSITY, WATER_DENSITY } from '../../rig';
import { GRAVITY } from '../../units';
import { shotLoad } from './rig-side';
import { sideDrift } from './side-drift';
import type { SideDrift } from './side-options';

/** Shot is added this far above the point fly, metres. */
export const ADDED_ABOVE_M = 0.2;

/** A rig with its float so far above the point fly, and so much tin shot put on. */
export interface SweepCell {
  leaderM: number;
  addedKg: number;
}

export interface SweepFound {
  /** In the zone and not on the bed. */
  clearS: number;
  steadyDepthM: number;
  ticks: number;
  contactShare: number;
  goesUnder: boolean;
}

/** The same drift with the float moved and weight added; loads keep their distance to the point fly. */
export function sweptDrift(drift: SideDrift, { leaderM, addedKg }: SweepCell): SideDrift {
  const off = leaderM - drift.leaderM;
  const loads = drift.loads
    .map((load) => ({ ...load, belowFloatM: load.belowFloatM + off }))
    .filter(({ belowFloatM }) => belowFloatM >= 0);
  if (addedKg > 0) {
    const weightN = addedKg * (1 - WATER_DENSITY / SHOT_DENSITY.tin) * GRAVITY;
    const at = Math.max(0, leaderM - ADDED_ABOVE_M);
    loads.unshift(shotLoad(at, addedKg, weightN, SHOT_DENSITY.tin));
  }
  return { ...drift, leaderM, loads };
}

/** A cell of the map: where the fly of that rig goes. */
export function sweepCell(drift: SideDrift, cell: SweepCell): SweepFound {
  const { clearS, steadyDepthM, ticks, contactShare, goesUnder } = sideDrift(sweptDrift(drift, cell));
  return { clearS, steadyDepthM, ticks, contactShare, goesUnder };
}

/** Float distances a map spans, and the depth of its water. */
export interface SweepRange {
  depthM: number;
  fromM: number;
  toM: number;
  distances: number;
}

/** Share of the depth within which distances lie close: there a hand's breadth decides between short, right and dragging. */
const CLOSE_SHARE = 0.25;

/** Float distances of a map from the first to the last: closest where the float is as far from the fly as it is deep. */
export function sweepDistances({ depthM, fromM, toM, distances }: SweepRange): number[] {
  const close = CLOSE_SHARE * depthM;
  const turn = (atM: number): number => Math.asinh((atM - depthM) / close);
  const [first, last] = [turn(fromM), turn(toM)];
  return Array.from({ length: distances }, (_, i) => {
    if (i === 0) return fromM;
    if (i === distances - 1) return toM;
    return depthM + close * Math.sinh(first + ((last - first) * i) / (distances - 1));
  });
}

/** Cells of a map of so many distances by so many weights, in an order that fills it evenly from the start. */
export function sweepCells(
  range: SweepRange,
  { mostKg, weights }: { mostKg: number; weights: number },
): (SweepCell & { column: number; row: number })[] {
  const { distances } = range;
  const leaders = sweepDistances(range);
  const all = Array.from({ length: distances * weights }, (_, i) => ({
    column: i % distances,
    row: Math.floor(i / distances),
  }));
  // Bits in reverse: each cell lies as far as it can from those before.
  const scattered = (i: number): number => {
    let [left, sum, half] = [i, 0, 0.5];
    for (; left > 0; left >>= 1, half /= 2) sum += (left & 1) * half;
    return sum;
  };
  return all
    .map((cell, i) => ({ ...cell, order: scattered(i) }))
    .sort((a, b) => a.order - b.order)
    .map(({ column, row }) => ({
      column,
      row,
      leaderM: leaders[column]!,
      addedKg: weights === 1 ? 0 : (mostKg * row) / (weights - 1),
    }));
}
