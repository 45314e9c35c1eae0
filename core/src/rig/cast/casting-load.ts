import { flyMass } from '../tackle/fly-mass';
import { indicatorMass } from '../tackle/indicators';
import { headMass } from '../tackle/lines';
import type { Rig } from '../rig';
import { fittingWindArea, flyWindArea } from './turnover';

export type LoopAdvice = 'any' | 'open' | 'water-load';

/** Shares of the line's head from which a loop should be opened, and from which the water should load the rod. */
const OPEN_FROM = 0.04;
const WATER_LOAD_FROM = 0.14;

export interface CastingLoad {
  massKg: number;
  headKg: number;
  /** Mass of flies and fittings against the head of the line that throws it. */
  share: number;
  /** Area the wind meets, m². */
  windAreaM2: number;
  advice: LoopAdvice;
}

/**
 * What the rig asks of the cast: its mass against the head of the line, its area in the wind, and the loop for it.
 *
 * Rule of thumb: weight on the leader, two flies or a large indicator → open loop; beyond about a seventh of the
 * head's mass → let the water load the rod.
 */
export function castingLoad(rig: Rig): CastingLoad {
  const flies = rig.flies.reduce((sum, fly) => sum + flyMass(fly, rig.measured).totalKg, 0);
  const fittings = rig.fittings.reduce(
    (sum, fitting) => sum + (fitting.kind === 'shot' ? fitting.massKg : indicatorMass(fitting)),
    0,
  );
  const windAreaM2 =
    rig.flies.reduce((sum, fly) => sum + flyWindArea(fly), 0) +
    rig.fittings.reduce((sum, fitting) => sum + fittingWindArea(fitting), 0);
  const massKg = flies + fittings;
  const headKg = headMass(rig.line.weight);
  const share = massKg / headKg;
  const weighted =
    rig.flies.length > 1 || rig.fittings.length > 0 || rig.flies.some(({ bead }) => bead === 'tungsten');
  return {
    massKg,
    headKg,
    share,
    windAreaM2,
    advice: share >= WATER_LOAD_FROM ? 'water-load' : weighted || share >= OPEN_FROM ? 'open' : 'any',
  };
}
