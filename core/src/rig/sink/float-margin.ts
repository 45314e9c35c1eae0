import { GRAVITY } from '../../units';
import { flyAttachment, indicatorOf } from '../leader/leader-geometry';
import { DRESSINGS } from '../tackle/dressings';
import { flyMass, shotSubmergedN, WATER_DENSITY } from '../tackle/fly-mass';
import { hookOf } from '../tackle/hooks';
import { indicatorLift } from '../tackle/indicators';
import { sectionArea, MATERIALS } from '../tackle/materials';
import { type Measured, measuredOf, NOTHING_MEASURED } from '../measured/measured';
import { type FlyType, measuredKey } from '../measured/measured-key';
import type { Fly, Rig } from '../rig';
import type { RigPart } from '../rig-part';

/** Surface tension of clean water at 10 °C, N/m. */
export const SURFACE_TENSION = 0.074;
/** Closed-cell foam, kg/m³. */
const FOAM_DENSITY = 60;
/** What hackle and hair carry without floatant, against with it. Estimate. */
const WITHOUT_FLOATANT = 0.55;
/** Minutes of fishing in which hackle and hair lose about two thirds of their lift. Estimate, 30…90. */
const SOAK_MIN = 60;
/** Hackle stands about this far beyond the shank all round, of the shank. */
const HACKLE_REACH = 0.75;

/** Below the first it sinks, below the second it is marginal for beginners. Rules of thumb. */
export const FLOAT_SINKS = 1;
export const FLOAT_MARGINAL = 1.5;

export interface DryUse {
  floatant: boolean;
  /** Minutes since it was dried and dressed. */
  fishedMin: number;
}

export const FRESH: DryUse = { floatant: true, fishedMin: 0 };

export interface FlyLift {
  /** Closed foam, N. */
  foamN: number;
  /** Trapped air, N. */
  airN: number;
  /** What the surface film carries, N. */
  filmN: number;
  totalN: number;
  /** The bucket test behind it, if there is one. */
  measured: Measured | null;
}

/**
 * What a fly carries on the surface: foam and trapped air displace water, hackle rests on the film along its outline.
 *
 * A bucket test (the mass hung below that just sinks it, plus its own weight) replaces the estimate.
 * Estimate, ± 35 %. Hackle and air tire with `fishedMin`, foam does not.
 */
export function flyLift(fly: FlyType, use: DryUse = FRESH, measured = NOTHING_MEASURED): FlyLift {
  const dressing = DRESSINGS[fly.dressing];
  const { shankM } = hookOf(fly.hookSize, fly.wire);
  const kept = (use.floatant ? 1 : WITHOUT_FLOATANT) * Math.exp(-Math.max(0, use.fishedMin) / SOAK_MIN);
  const foamN = dressing.foam * shankM ** 3 * (WATER_DENSITY - FOAM_DENSITY) * GRAVITY;
  const airN = dressing.air * shankM ** 3 * WATER_DENSITY * GRAVITY * kept;
  const outlineM = 2 * shankM + Math.PI * HACKLE_REACH * shankM;
  const filmN = dressing.film * outlineM * SURFACE_TENSION * kept;
  const estimate = { foamN, airN, filmN, totalN: foamN + airN + filmN, measured: null };
  const carried = measuredOf(measured, 'fly-lift', measuredKey.fly(fly));
  if (!carried) return estimate;
  const totalN = carried.value * GRAVITY + Math.max(0, flyMass(fly, measured).submergedN);
  const factor = estimate.totalN > 0 ? totalN / estimate.totalN : 0;
  return { foamN: foamN * factor, airN: airN * factor, filmN: filmN * factor, totalN, measured: carried };
}

export interface FloatMargin {
  /** What floats: a fly or the indicator. */
  floatId: string;
  float: RigPart;
  kind: 'dry' | 'indicator';
  liftN: number;
  /** Its own weight under water, N. */
  ownN: number;
  /** What hangs below it, N. */
  loadN: number;
  /** Lift left for the load, in loads; infinite without one. Below 1 it sinks. */
  margin: number;
  measured: Measured | null;
  parts: { part: RigPart; submergedN: number }[];
}

/**
 * Whether the float of a rig carries what hangs below it: the indicator, else the uppermost fly that floats.
 *
 * Load: submerged weight of flies, shot and of leader below the float, as far as it sinks.
 *
 * @returns null when nothing floats, or when nothing hangs below the only fly
 */
export function floatMargin(rig: Rig, use: DryUse = FRESH): FloatMargin | null {
  const indicator = indicatorOf(rig);
  if (indicator) {
    const parts = hanging(rig, indicator.aboveFlyM, null);
    const drowned = measuredOf(rig.measured, 'indicator-lift', measuredKey.indicator(indicator));
    return margin(
      {
        floatId: indicator.id,
        float: { kind: 'indicator', style: indicator.style },
        kind: 'indicator',
        measured: drowned ?? null,
      },
      drowned ? drowned.value * GRAVITY : indicatorLift(indicator, use.fishedMin),
      0,
      parts,
    );
  }
  const dry = [...rig.flies]
    .sort((a, b) => flyAttachment(rig, b) - flyAttachment(rig, a))
    .find((fly) => DRESSINGS[fly.dressing].stage === 'adult');
  if (!dry) return null;
  const parts = hanging(rig, flyAttachment(rig, dry), dry);
  if (parts.length === 0) return null;
  const lift = flyLift(dry, use, rig.measured);
  return margin(
    {
      floatId: dry.id,
      float: { kind: 'fly', name: dry.name },
      kind: 'dry',
      measured: lift.measured,
    },
    lift.totalN,
    Math.max(0, flyMass(dry, rig.measured).submergedN),
    parts,
  );
}

/** Longer than a day on the water nothing is told, minutes. */
const LONGEST_MIN = 480;
const LOOK_EVERY_MIN = 5;

/**
 * After how long the float is to be dried and dressed anew: its margin falls below what is good for beginners.
 *
 * @returns minutes of fishing, in steps of five; null for a float that keeps it all day, for one that is too small from
 *   the start, and where there is none
 */
export function dressAgainMin(rig: Rig): number | null {
  for (let fishedMin = 0; fishedMin <= LONGEST_MIN; fishedMin += LOOK_EVERY_MIN) {
    const float = floatMargin(rig, { floatant: true, fishedMin });
    if (!float || !Number.isFinite(float.margin)) return null;
    if (float.margin < FLOAT_MARGINAL) return fishedMin === 0 ? null : fishedMin;
  }
  return null;
}

function margin(
  float: Pick<FloatMargin, 'floatId' | 'float' | 'kind' | 'measured'>,
  liftN: number,
  ownN: number,
  parts: FloatMargin['parts'],
): FloatMargin {
  const loadN = parts.reduce((sum, part) => sum + part.submergedN, 0);
  return {
    ...float,
    liftN,
    ownN,
    loadN,
    margin: loadN > 0 ? Math.max(0, liftN - ownN) / loadN : Number.POSITIVE_INFINITY,
    parts,
  };
}

/** Everything below a place of the leader that pulls down. */
function hanging(rig: Rig, aboveM: number, float: Fly | null): FloatMargin['parts'] {
  const flies = rig.flies
    .filter((fly) => fly !== float && flyAttachment(rig, fly) < aboveM + 1e-9)
    .filter((fly) => float === null || DRESSINGS[fly.dressing].stage !== 'adult')
    .map((fly) => ({
      part: { kind: 'fly' as const, name: fly.name },
      submergedN: Math.max(0, flyMass(fly, rig.measured).submergedN),
    }));
  const shot = rig.fittings.flatMap((fitting) =>
    fitting.kind === 'shot' && fitting.aboveFlyM < aboveM
      ? [{ part: { kind: 'shot' as const, metal: fitting.metal }, submergedN: shotSubmergedN(fitting) }]
      : [],
  );
  if (flies.length + shot.length === 0) return [];
  const leader = submergedLeader(rig, aboveM);
  return leader > 1e-6
    ? [...flies, ...shot, { part: { kind: 'leader-below' }, submergedN: leader }]
    : [...flies, ...shot];
}

/** Weight under water of the leader below a place, N; what floats counts nothing. */
function submergedLeader(rig: Rig, aboveM: number): number {
  let bottomM = 0;
  let sum = 0;
  for (const section of [...rig.sections].reverse()) {
    const topM = bottomM + section.lengthM;
    const wetM = Math.max(0, Math.min(topM, aboveM) - bottomM);
    const excess = MATERIALS[section.material].density - WATER_DENSITY;
    sum += Math.max(0, excess) * sectionArea(section.diameterM) * wetM * GRAVITY;
    bottomM = topM;
  }
  return sum;
}
