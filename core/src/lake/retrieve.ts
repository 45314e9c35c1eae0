import { inRange } from '../error';

/** A way to bring the line in: how much at a time, how fast, and how long one waits after it. */
export interface RetrieveWay {
  pullM: number;
  pullMs: number;
  pauseS: number;
}

/** The ways beginners are taught. Rules of thumb; nearly all of them pull too fast and wait too little. */
export const RETRIEVE_WAYS = {
  'hand-twist': { pullM: 0.1, pullMs: 0.12, pauseS: 0.2 },
  'short-strip': { pullM: 0.15, pullMs: 0.5, pauseS: 1 },
  'long-strip': { pullM: 0.6, pullMs: 0.6, pauseS: 1.5 },
  pinch: { pullM: 0.03, pullMs: 0.05, pauseS: 2 },
  static: { pullM: 0.01, pullMs: 0.05, pauseS: 10 },
} as const satisfies Record<string, RetrieveWay>;
export type RetrieveWayId = keyof typeof RETRIEVE_WAYS;

/** Mean speed of a way to bring the line in, pauses counted in, m/s. */
export function meanPace({ pullM, pullMs, pauseS }: RetrieveWay): number {
  return pullM / (pullM / pullMs + pauseS);
}

/** A cast to sink and to bring back through still water. */
export interface RetrievePlan {
  castM: number;
  /** Counted before the first pull, seconds. */
  countS: number;
  /** Sink rate of line and fly lying still, m/s. */
  sinkMs: number;
  way: RetrieveWay;
  /** Length of the rod: two of them out the fly is hung. */
  rodM: number;
  /** Where the bottom is. */
  bottomM: number;
}

/** A place of the fly on its way back. */
export interface FlyStep {
  atS: number;
  /** From the rod tip along the surface, and below it. */
  awayM: number;
  depthM: number;
  part: 'count' | 'retrieve' | 'hang';
}

export interface RetrieveRun {
  path: FlyStep[];
  deepestM: number;
  /** Whether it lay on the bottom: weed and snags. */
  touched: boolean;
}

const STEP_S = 0.25;
/** The hang: so many rod lengths out the line stops, the rod lifts the fly so fast, and it waits. Rules of thumb. */
const HANG_RODS = 2;
const LIFT_MS = 0.25;
const LIFT_M = 1;
export const HANG_S = 10;
const LONGEST_S = 600;

/**
 * The way of a fly: it sinks freely while one counts; then it is drawn along the straight line to the rod tip at the
 * surface, pull by pull, and sinks in the pauses; two rod lengths out it is lifted and hangs. Steps of a quarter of a
 * second (explicit Euler); a model of a line that stays straight, which a real one does not quite.
 *
 * @throws CoreError 'out-of-range'
 */
export function retrieveRun({ castM, countS, sinkMs, way, rodM, bottomM }: RetrievePlan): RetrieveRun {
  inRange('castM', castM, 2, 40);
  inRange('countS', countS, 0, 300);
  inRange('sinkMs', sinkMs, 0, 1);
  inRange('pullM', way.pullM, 0.005, 3);
  inRange('pullMs', way.pullMs, 0.005, 3);
  inRange('pauseS', way.pauseS, 0, 60);
  inRange('rodM', rodM, 1, 6);
  inRange('bottomM', bottomM, 0, 200);
  const path: FlyStep[] = [{ atS: 0, awayM: castM, depthM: 0, part: 'count' }];
  let [awayM, depthM, touched] = [castM, 0, false];
  const step = (atS: number, part: FlyStep['part'], pullM: number, sinks: boolean): void => {
    const length = Math.hypot(awayM, depthM) || 1;
    const taken = Math.min(pullM, length);
    awayM -= (taken * awayM) / length;
    const next = depthM - (taken * depthM) / length + (sinks ? sinkMs * STEP_S : 0);
    touched ||= next >= bottomM;
    depthM = Math.min(bottomM, Math.max(0, next));
    path.push({ atS, awayM, depthM, part });
  };
  let atS = 0;
  for (atS = STEP_S; atS <= countS; atS += STEP_S) step(atS, 'count', 0, true);
  const begunS = atS;
  for (; awayM > HANG_RODS * rodM && atS <= begunS + LONGEST_S; atS += STEP_S)
    step(atS, 'retrieve', pulledBy(way, atS - begunS + STEP_S) - pulledBy(way, atS - begunS), true);
  const hungS = atS;
  for (; atS < hungS + HANG_S; atS += STEP_S)
    step(atS, 'hang', (atS - hungS) * LIFT_MS < LIFT_M ? LIFT_MS * STEP_S : 0, false);
  return { path, deepestM: Math.max(...path.map((one) => one.depthM)), touched };
}

/** Line brought in after a time of pulling and waiting, metres. */
function pulledBy({ pullM, pullMs, pauseS }: RetrieveWay, atS: number): number {
  const roundS = pullM / pullMs + pauseS;
  const rounds = Math.floor(atS / roundS);
  return rounds * pullM + Math.min(pullM, (atS - rounds * roundS) * pullMs);
}

/** How long a fly spends between two depths, seconds. */
export function secondsIn({ path }: RetrieveRun, { fromM, toM }: { fromM: number; toM: number }): number {
  return path.filter(({ depthM }) => depthM >= fromM && depthM <= toM).length * STEP_S;
}
