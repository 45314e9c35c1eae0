import {
  DRESSINGS,
  flyArea,
  flyAttachment,
  flyLift,
  flyMass,
  indicatorLift,
  indicatorMass,
  indicatorOf,
  leaderLength,
  MATERIALS,
  type Rig,
  shotSubmergedN,
  SHOT_DENSITY,
  spans,
} from '../../rig';
import type { LeaderLoad, SideDrift } from './side-options';

/** Drag coefficients of a dressed fly, a ball of shot, and a ball that floats half out of the water. Estimates, ± 30 %. */
const FLY_DRAG = 1.1;
const BALL_DRAG = 0.5;
const FLOAT_DRAG = 0.8;
/** Without a float the rod leads the leader from where it enters the water, this many depths above the point fly. Estimate. */
const LED_DEPTHS = 1.3;

/** The part of a side view that a rig decides. */
export type HangingRig = Pick<SideDrift, 'leaderM' | 'diameterM' | 'densityKgM3' | 'loads' | 'top'>;

/**
 * What hangs below the float of a rig: its indicator, else the uppermost fly that floats, else the place where a
 * tight line enters the water. Sections count with the mean of their diameters and densities, by length.
 *
 * @param ledMs how fast the rod leads a tight line, m/s
 */
export function hangingRig(rig: Rig, depthM: number, ledMs: number): HangingRig {
  const indicator = indicatorOf(rig);
  const dry = indicator
    ? undefined
    : [...rig.flies]
        .sort((a, b) => flyAttachment(rig, b) - flyAttachment(rig, a))
        .find((fly) => DRESSINGS[fly.dressing].stage === 'adult' && flyAttachment(rig, fly) > 0);
  const whole = leaderLength(rig);
  const leaderM = Math.min(
    whole,
    indicator?.aboveFlyM ?? (dry ? flyAttachment(rig, dry) : Math.max(0.3, LED_DEPTHS * depthM)),
  );
  return {
    leaderM,
    ...meanLine(rig, leaderM),
    loads: loadsBelow(rig, leaderM, dry?.id),
    top: indicator
      ? {
          ledMs: null,
          dragAreaM2: FLOAT_DRAG * (Math.PI / 8) * indicator.diameterM ** 2,
          massKg: indicatorMass(indicator),
          liftN: indicatorLift(indicator),
        }
      : dry
        ? {
            ledMs: null,
            dragAreaM2: (FLY_DRAG * flyArea(dry)) / 2,
            massKg: flyMass(dry, rig.measured).totalKg,
            liftN: flyLift(dry, undefined, rig.measured).totalN,
          }
        : { ledMs, dragAreaM2: 0, massKg: 0, liftN: null },
  };
}

function meanLine(rig: Rig, leaderM: number): { diameterM: number; densityKgM3: number } {
  let [lengths, diameters, densities] = [0, 0, 0];
  for (const { section, topM, bottomM } of spans(rig)) {
    const inside = Math.max(0, Math.min(topM, leaderM) - bottomM);
    lengths += inside;
    diameters += inside * section.diameterM;
    densities += inside * MATERIALS[section.material].density;
  }
  return { diameterM: diameters / lengths, densityKgM3: densities / lengths };
}

function loadsBelow(rig: Rig, leaderM: number, floatId: string | undefined): LeaderLoad[] {
  const flies = rig.flies
    .filter((fly) => fly.id !== floatId)
    .map((fly) => {
      const { submergedN, totalKg } = flyMass(fly, rig.measured);
      return {
        belowFloatM: leaderM - flyAttachment(rig, fly),
        submergedN,
        massKg: totalKg,
        dragAreaM2: FLY_DRAG * flyArea(fly),
      };
    });
  const shots = rig.fittings.flatMap((fitting) =>
    fitting.kind === 'shot'
      ? [
          shotLoad(
            leaderM - fitting.aboveFlyM,
            fitting.massKg,
            shotSubmergedN(fitting),
            SHOT_DENSITY[fitting.metal],
          ),
        ]
      : [],
  );
  return [...shots, ...flies]
    .filter(({ belowFloatM }) => belowFloatM >= 0)
    .sort((a, b) => a.belowFloatM - b.belowFloatM);
}

/**
 * Shot of a mass, where it hangs.
 *
 * @param densityKgM3 of the metal, kg/m³
 */
export function shotLoad(
  belowFloatM: number,
  massKg: number,
  submergedN: number,
  densityKgM3: number,
): LeaderLoad {
  const radiusM = Math.cbrt((3 * massKg) / densityKgM3 / (4 * Math.PI));
  return { belowFloatM, submergedN, massKg, dragAreaM2: BALL_DRAG * Math.PI * radiusM ** 2 };
}
