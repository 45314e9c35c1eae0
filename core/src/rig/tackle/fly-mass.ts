import { GRAVITY } from '../../units';
import { BEAD_DENSITY, beadVolume } from './beads';
import { DRESSINGS } from './dressings';
import { hookMass, hookOf, STEEL_DENSITY } from './hooks';
import { type Measured, measuredOf, NOTHING_MEASURED } from '../measured/measured';
import { type FlyType, measuredKey } from '../measured/measured-key';
import type { Fitting } from '../rig';
import { SHOT_DENSITY } from './shot';

/** Fresh water, kg/m³. */
export const WATER_DENSITY = 1000;
/** Fur, thread and feather, soaked, kg/m³: barely heavier than water. */
const DRESSING_DENSITY = 1150;
/** Yarn tuft without a hook, kg. */
const YARN_MASS_KG = 0.00005;

export interface FlyMass {
  hookKg: number;
  beadKg: number;
  dressingKg: number;
  /** As weighed, or the sum of the parts. */
  totalKg: number;
  /** Weight under water, N, negative for what floats by itself. Foam and air are not counted: they are lift. */
  submergedN: number;
  /** The kitchen scale's reading, if there is one. */
  measured: Measured | null;
}

/**
 * Mass of a fly from hook wire, bead and dressing, and what it weighs under water.
 *
 * A measured mass (kitchen scale) replaces the sum; the parts keep their proportions. Estimate, ± 25 %.
 */
export function flyMass(fly: FlyType, measured = NOTHING_MEASURED): FlyMass {
  const dressing = DRESSINGS[fly.dressing];
  const wireKg = hookMass(fly.hookSize, fly.wire);
  const hookKg = dressing.hook ? wireKg : 0;
  const beadVolumeM3 = fly.bead === 'none' ? 0 : beadVolume(fly.beadDiameterM);
  const beadKg = fly.bead === 'none' ? 0 : BEAD_DENSITY[fly.bead] * beadVolumeM3;
  const dressingKg = dressing.hook ? wireKg * dressing.mass : YARN_MASS_KG;
  const sumKg = hookKg + beadKg + dressingKg;
  const weighed = measuredOf(measured, 'fly-mass', measuredKey.fly(fly));
  const factor = weighed ? weighed.value / sumKg : 1;
  const displacedKg = WATER_DENSITY * (hookKg / STEEL_DENSITY + beadVolumeM3 + dressingKg / DRESSING_DENSITY);
  return {
    hookKg: hookKg * factor,
    beadKg: beadKg * factor,
    dressingKg: dressingKg * factor,
    totalKg: sumKg * factor,
    submergedN: (sumKg - displacedKg) * factor * GRAVITY,
    measured: weighed ?? null,
  };
}

/** Weight of a shot under water, N. */
export function shotSubmergedN({ massKg, metal }: Extract<Fitting, { kind: 'shot' }>): number {
  return massKg * (1 - WATER_DENSITY / SHOT_DENSITY[metal]) * GRAVITY;
}

/** Area of a fly across the water, m²: its body from the side. */
export function flyArea(fly: FlyType): number {
  const { shankM } = hookOf(fly.hookSize, fly.wire);
  const bodyM2 = shankM * DRESSINGS[fly.dressing].bodyWidth * shankM;
  return Math.max(bodyM2, (Math.PI / 4) * fly.beadDiameterM ** 2);
}
