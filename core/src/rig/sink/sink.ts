import { inRange } from '../../error';
import { GRAVITY } from '../../units';
import { flyArea, flyMass, WATER_DENSITY } from '../tackle/fly-mass';
import { type Measured, measuredOf, NOTHING_MEASURED } from '../measured/measured';
import { type FlyType, measuredKey } from '../measured/measured-key';

/** Drag coefficient of a dressed fly, and added mass as a share of the displaced water. Estimates, ± 30 %. */
const FLY_DRAG = 1.1;
const ADDED_MASS = 0.5;

export interface FreeSink {
  /** Speed it comes to, m/s; 0 for what floats. */
  terminalMs: number;
  /** Depth at which it has come to 95 % of it, metres. */
  settledAtM: number;
  /** Seconds to a depth, metres; infinite for what floats. */
  timeTo: (depthM: number) => number;
  /** The watch's reading, if there is one. */
  measured: Measured | null;
}

/**
 * Free sink of a fly on a slack line: submerged weight against drag ½ρ·C_d·A·v².
 *
 * Speed follows v(t) = v∞·tanh(a·t / v∞) from rest with a the starting acceleration, so that depth is
 * (v∞² / a)·ln cosh(a·t / v∞); time to a depth is that turned round. The tippet's own drag is not counted: a fly on
 * tippet is slower. Estimate, ± 25 %.
 */
export function freeSink(fly: FlyType, measured = NOTHING_MEASURED): FreeSink {
  const { totalKg, submergedN } = flyMass(fly, measured);
  const timed = measuredOf(measured, 'fly-sink', measuredKey.fly(fly));
  if (submergedN <= 0)
    return { terminalMs: 0, settledAtM: 0, timeTo: () => Number.POSITIVE_INFINITY, measured: null };
  const terminalMs = timed?.value ?? Math.sqrt((2 * submergedN) / (WATER_DENSITY * FLY_DRAG * flyArea(fly)));
  const displacedKg = totalKg - submergedN / GRAVITY;
  const startMs2 = submergedN / (totalKg + ADDED_MASS * displacedKg);
  const scaleM = terminalMs ** 2 / startMs2;
  return {
    terminalMs,
    measured: timed ?? null,
    settledAtM: scaleM * Math.log(Math.cosh(Math.atanh(0.95))),
    timeTo: (depthM) => {
      inRange('depthM', depthM, 0);
      return (terminalMs / startMs2) * Math.acosh(Math.exp(depthM / scaleM));
    },
  };
}
