import { inRange } from '../error';
import { normal, pickWeighted, type Random, seededRandom } from '../random';
import {
  LATEST_MS,
  NOISE_KINDS,
  type NoiseKind,
  type Stimulus,
  TAKE_KINDS,
  type TakeKind,
} from './take-score';

export const FLOATS = ['indicator', 'yarn', 'sighter', 'dry'] as const;
/** What is watched. */
export type FloatKind = (typeof FLOATS)[number];

export const TRAINER_WATERS = ['pool', 'run', 'riffle'] as const;
export type TrainerWater = (typeof TRAINER_WATERS)[number];

/** Takes that can be seen on each. */
export const TAKES_OF: Record<FloatKind, readonly TakeKind[]> = {
  indicator: ['dip', 'stop', 'twitch', 'sideways'],
  yarn: ['dip', 'stop', 'twitch', 'lie-down'],
  sighter: ['tighten', 'stop', 'twitch', 'jump'],
  dry: ['dip', 'stop', 'jump'],
};

/** How fast it drifts, in its own widths a second. */
export const DRIFT_WIDTHS: Record<TrainerWater, number> = { pool: 1.6, run: 3, riffle: 4.5 };

/** How much the water moves it, against its own size, and how big a take is. */
const WATERS: Record<TrainerWater, { noise: number; take: number }> = {
  pool: { noise: 0.08, take: 1 },
  run: { noise: 0.18, take: 0.85 },
  riffle: { noise: 0.34, take: 0.75 },
};

/** How long what each does is seen, milliseconds. */
const SEEN_MS: Record<TakeKind | NoiseKind, number> = {
  dip: 900,
  stop: 900,
  twitch: 260,
  sideways: 700,
  'lie-down': 900,
  tighten: 700,
  jump: 350,
  tick: 300,
  wave: 900,
  weed: 1200,
};

/** A run of the trainer. */
export interface TrainerGiven {
  seed: string;
  float: FloatKind;
  water: TrainerWater;
  /** Takes that come; all that can be seen on the float when none is named. */
  kinds: readonly TakeKind[];
  durationS: number;
}

/** Where the float is against its drift, in its own widths, and how it stands. */
export interface FloatMotion {
  /** Drifted so far since the start. */
  alongWidths: number;
  asideWidths: number;
  /** Above zero it sinks: one is gone. */
  sunk: number;
  /** Turned from upright, degrees. */
  tiltDeg: number;
  /** How taut a sighter is drawn, 0…1. */
  taut: number;
}

export interface TrainerRun {
  stimuli: Stimulus[];
  durationMs: number;
  /** At a time since the start; the same for the same seed, whenever it is asked. */
  motionAt: (atMs: number) => FloatMotion;
}

/** Quiet before the first, and between two, milliseconds. */
const FIRST_MS = 2500;
const MIN_GAP_MS = 2600;
const SPARE_GAP_MS = 4200;
/** One in so many is a take. */
const TAKE_SHARE = 0.6;
const WAVES = 6;

/**
 * A float on moving water, with takes, and with what looks like one: waves, weed, and ticks of the fly on the bottom.
 * Everything comes from the seed.
 *
 * @throws CoreError 'out-of-range'
 */
export function trainerRun({ seed, float, water, kinds, durationS }: TrainerGiven): TrainerRun {
  inRange('durationS', durationS, 10, 1200);
  const random = seededRandom(seed);
  const takes = kinds.length > 0 ? kinds.filter((kind) => TAKES_OF[float].includes(kind)) : TAKES_OF[float];
  inRange('kinds', takes.length, 1, TAKE_KINDS.length);
  const stimuli = stimuliOf(random, takes, durationS * 1000);
  return drifting(random, water, stimuli, durationS * 1000);
}

/** Before and after an example, milliseconds. */
const BEFORE_MS = 700;
const AFTER_MS = 700;

/** A take, or what looks like one, once and alone: to learn what it looks like. */
export function exampleRun(water: TrainerWater, kind: Stimulus['kind']): TrainerRun {
  const random = seededRandom(`example ${kind}`);
  return drifting(random, water, [{ atMs: BEFORE_MS, kind }], BEFORE_MS + SEEN_MS[kind] + AFTER_MS);
}

/** A float that drifts on a water, and does at their times what it does. */
function drifting(random: Random, water: TrainerWater, stimuli: Stimulus[], durationMs: number): TrainerRun {
  const sides = stimuli.map(() => (random() < 0.5 ? -1 : 1));
  const waves = Array.from({ length: WAVES }, (_, i) => ({
    perS: 0.35 * 1.6 ** i * (0.8 + 0.4 * random()),
    phase: 2 * Math.PI * random(),
    phaseAside: 2 * Math.PI * random(),
    size: 1 / 1.35 ** i,
  }));
  const { noise, take } = WATERS[water];
  const drift = DRIFT_WIDTHS[water];
  const total = Math.sqrt(waves.reduce((sum, { size }) => sum + (size * size) / 2, 0));
  const swing = (atS: number, phase: 'phase' | 'phaseAside'): number =>
    (noise / total) *
    waves.reduce((sum, wave) => sum + wave.size * Math.sin(2 * Math.PI * wave.perS * atS + wave[phase]), 0);
  return {
    stimuli,
    durationMs,
    motionAt: (atMs) => {
      const atS = atMs / 1000;
      const motion: FloatMotion = {
        alongWidths: drift * atS + swing(atS, 'phase'),
        asideWidths: 0.6 * swing(atS + 100, 'phaseAside'),
        sunk: 0.4 * swing(atS + 50, 'phase'),
        tiltDeg: 40 * swing(atS + 150, 'phaseAside'),
        taut: 0.3,
      };
      stimuli.forEach(({ atMs: from, kind }, i) => {
        const share = (atMs - from) / SEEN_MS[kind];
        if (share > 0 && share < 1)
          move(motion, kind, share, sides[i]!, take, drift * (SEEN_MS[kind] / 1000));
      });
      return motion;
    },
  };
}

function stimuliOf(random: Random, takes: readonly TakeKind[], untilMs: number): Stimulus[] {
  const stimuli: Stimulus[] = [];
  for (let atMs = FIRST_MS; atMs < untilMs - LATEST_MS;) {
    const kind: Stimulus['kind'] =
      random() < TAKE_SHARE
        ? pickWeighted(random, takes, () => 1)
        : pickWeighted(random, NOISE_KINDS, () => 1);
    stimuli.push({ atMs: Math.round(atMs), kind });
    atMs += MIN_GAP_MS + Math.min(2, Math.abs(normal(random))) * SPARE_GAP_MS * 0.6;
  }
  return stimuli;
}

/** Rises quickly, stays, and comes back. */
const held = (share: number, rise: number): number =>
  Math.min(1, share / rise, (1 - share) / Math.min(0.3, 1 - rise));
const pulse = (share: number): number => Math.sin(Math.PI * share) ** 2;

/** @param way how far the float drifts while it lasts, widths */
function move(
  motion: FloatMotion,
  kind: Stimulus['kind'],
  share: number,
  side: number,
  take: number,
  way: number,
): void {
  // Of a stop: it stands while the water goes on, then makes up for it.
  const behind = Math.min(share, 0.6) - (Math.max(0, share - 0.6) * 0.6) / 0.4;
  switch (kind) {
    case 'dip':
      motion.sunk += take * held(share, 0.15);
      break;
    case 'stop':
      motion.alongWidths -= take * way * behind;
      break;
    case 'twitch':
      motion.alongWidths -= 0.35 * take * pulse(share);
      motion.tiltDeg += 18 * side * take * pulse(share);
      break;
    case 'sideways':
      motion.asideWidths += 0.8 * side * take * held(share, 0.4);
      break;
    case 'lie-down':
      motion.tiltDeg += 80 * side * take * held(share, 0.2);
      break;
    case 'tighten':
      motion.taut += 0.7 * take * held(share, 0.2);
      break;
    case 'jump':
      motion.sunk -= 0.7 * take * pulse(share);
      motion.taut += 0.5 * take * pulse(share);
      break;
    case 'tick':
      motion.sunk += 0.3 * pulse(share);
      motion.alongWidths -= 0.15 * pulse(share);
      break;
    case 'wave':
      motion.sunk += 0.35 * Math.sin(2 * Math.PI * share) * pulse(share);
      motion.tiltDeg += 14 * Math.sin(4 * Math.PI * share) * pulse(share);
      break;
    case 'weed':
      motion.alongWidths -= 0.25 * way * pulse(share);
      motion.tiltDeg += 8 * side * pulse(share);
      break;
  }
}
