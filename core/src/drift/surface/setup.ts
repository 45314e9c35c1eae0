import type { Act } from './line-actions';
import { speedAt } from './current-bands';
import { driftOf, type DriftScene, type Handling, LONGEST_CAST_M } from './presentation';
import type { DriftRun } from './surface-drift';
import type { SurfaceDrift } from './surface-options';

/** A drift as the bench holds it: the water and the lie, where the angler stands and what he does. */
export interface DriftSetup extends DriftScene {
  /** The angler along the stream from where the fly lands, metres; above zero is below it. */
  standM: number;
  handling: Handling;
  acts: Act[];
}

export const DEFAULT_SETUP: DriftSetup = {
  lanes: [
    { toM: 2.5, speedMs: 0.35 },
    { toM: 5.5, speedMs: 0.95 },
    { toM: 8, speedMs: 0.55 },
    { toM: 12, speedMs: 0.25 },
  ],
  blendM: 0.6,
  lieM: 7,
  outM: 0.5,
  rodM: 2.74,
  slackShare: 0.12,
  durationS: 9,
  from: 'bank',
  standM: 0,
  handling: 'still',
  acts: [],
};

/** Most speed of a lane on the bench, m/s, and least width, metres. */
export const FASTEST_LANE_MS = 2.5;
export const MIN_LANE_M = 0.4;
export const FEWEST_LANES = 3;
export const MAX_LANES = 9;
/** Limits of where one stands, along the stream. */
export const FURTHEST_STAND_M = 12;

/** The drift of a setup. */
export function setupDrift(setup: DriftSetup): Partial<SurfaceDrift> & ReturnType<typeof driftOf> {
  return { ...driftOf(setup, { ...setup, mend: null }), acts: setup.acts };
}

/** What of a setup cannot be, by the control at which it is mended. */
export type SetupFault =
  | 'cast-too-long'
  | 'cast-too-short'
  | 'lie-outside'
  | 'act-after-end'
  | 'stand-beyond-lie';

const SHORTEST_CAST_M = 1;

/** Faults of a setup; with any of them nothing is run. */
export function setupFaults(setup: DriftSetup): SetupFault[] {
  const { lieM, outM, lanes, acts, durationS } = setup;
  if (lieM > lanes.at(-1)!.toM) return ['lie-outside'];
  if (outM >= lieM - 0.5) return ['stand-beyond-lie'];
  const { castM } = setupDrift(setup);
  return [
    ...(castM > LONGEST_CAST_M ? ['cast-too-long' as const] : []),
    ...(castM < SHORTEST_CAST_M ? ['cast-too-short' as const] : []),
    ...(acts.some(({ atS }) => atS > durationS) ? ['act-after-end' as const] : []),
  ];
}

/**
 * A lane's far edge moved, held between its neighbours.
 *
 * @param index of the lane, from 0
 */
export function moveLane(setup: DriftSetup, index: number, toM: number): DriftSetup {
  const low = (setup.lanes[index - 1]?.toM ?? 0) + MIN_LANE_M;
  const high = (setup.lanes[index + 1]?.toM ?? 40) - (setup.lanes[index + 1] ? MIN_LANE_M : 0);
  const lanes = setup.lanes.map((lane, i) =>
    i === index ? { ...lane, toM: Math.min(high, Math.max(low, toM)) } : lane,
  );
  const lieM = Math.min(setup.lieM, lanes.at(-1)!.toM - 0.2);
  return { ...setup, lanes, lieM };
}

/**
 * The lane with another speed, held to the fastest that is taken.
 *
 * @param index of the lane, from 0
 * @param speedMs m/s; less than zero runs upstream
 */
export function setLaneSpeed(setup: DriftSetup, index: number, speedMs: number): DriftSetup {
  const held = Math.min(FASTEST_LANE_MS, Math.max(-FASTEST_LANE_MS, speedMs));
  return { ...setup, lanes: setup.lanes.map((lane, i) => (i === index ? { ...lane, speedMs: held } : lane)) };
}

/**
 * The lane cut in two of the same speed; the same setup when there are as many as may be.
 *
 * @param index of the lane, from 0
 */
export function splitLane(setup: DriftSetup, index: number): DriftSetup {
  const lane = setup.lanes[index];
  const fromM = setup.lanes[index - 1]?.toM ?? 0;
  if (!lane || setup.lanes.length >= MAX_LANES || lane.toM - fromM < 2 * MIN_LANE_M) return setup;
  const half = { ...lane, toM: (fromM + lane.toM) / 2 };
  return { ...setup, lanes: [...setup.lanes.slice(0, index), half, ...setup.lanes.slice(index)] };
}

/**
 * The lane taken out; the one before, or after the first, takes its place.
 *
 * @param index of the lane, from 0
 */
export function dropLane(setup: DriftSetup, index: number): DriftSetup {
  if (setup.lanes.length <= FEWEST_LANES || !setup.lanes[index]) return setup;
  const { toM } = setup.lanes[index];
  const lanes = setup.lanes.filter((_, i) => i !== index);
  return {
    ...setup,
    lanes: index === 0 ? lanes : lanes.map((lane, i) => (i === index - 1 ? { ...lane, toM } : lane)),
  };
}

/** Why a drift goes as it does: what is between the rod and the fly, told by the run's own figures. */
export interface DriftWhy {
  /** Fastest water between the rod and the fly against the fly's own, m/s; less than zero where the slowest lies further off. */
  betweenMs: number;
  flyMs: number;
  /** Where the strongest pull on the line is when drag begins, metres across; null without drag. */
  pulledAtM: number | null;
  /** That water against the fly's, m/s. */
  pulledMs: number | null;
}

/** @param run of the same setup */
export function whyOf(setup: DriftSetup, run: DriftRun): DriftWhy {
  const flyMs = speedAt(setup, setup.lieM);
  const tipOut = setupDrift(setup).tip.outM ?? 0;
  let betweenMs = 0;
  for (let y = tipOut; y <= setup.lieM; y += 0.1) {
    const off = speedAt(setup, y) - flyMs;
    if (Math.abs(off) > Math.abs(betweenMs)) betweenMs = off;
  }
  const { onsetS } = run;
  if (onsetS === null) return { betweenMs, flyMs, pulledAtM: null, pulledMs: null };
  const frame = run.frames.reduce((best, one) =>
    Math.abs(one.atS - onsetS) < Math.abs(best.atS - onsetS) ? one : best,
  );
  const pulls = waterPulls(frame);
  const most = pulls.reduce((best, pull, i) => (pull > pulls[best]! ? i : best), 1);
  const pulledAtM = frame.ys[most]!;
  return { betweenMs, flyMs, pulledAtM, pulledMs: speedAt(setup, pulledAtM) - flyMs };
}

/** How hard the water pulls at each node of the line, N: what the tensions on both sides of it do not balance. */
export function waterPulls({ xs, ys, tensions }: DriftRun['frames'][number]): number[] {
  const pullX = new Float64Array(xs.length);
  const pullY = new Float64Array(xs.length);
  tensions.forEach((tension, j) => {
    const [dx, dy] = [xs[j + 1]! - xs[j]!, ys[j + 1]! - ys[j]!];
    const length = Math.hypot(dx, dy) || 1;
    pullX[j]! += (tension * dx) / length;
    pullY[j]! += (tension * dy) / length;
    pullX[j + 1]! -= (tension * dx) / length;
    pullY[j + 1]! -= (tension * dy) / length;
  });
  return xs.map((_, i) => (i === 0 || i === xs.length - 1 ? 0 : Math.hypot(pullX[i]!, pullY[i]!)));
}
