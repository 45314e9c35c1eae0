import { inRange } from '../error';

/** A cast to sink and to bring back through still water. */
export interface RetrievePlan {
  castM: number;
  /** Counted before the first pull, seconds. */
  countS: number;
  /** Sink rate of line and fly lying still, m/s. */
  sinkMs: number;
  /** Mean speed of the retrieve, pauses counted in, m/s. */
  retrieveMs: number;
  /** Where the bottom is. */
  bottomM: number;
}

/** A place of the fly on its way back. */
export interface FlyStep {
  atS: number;
  /** From the rod tip along the surface, and below it. */
  awayM: number;
  depthM: number;
}

export interface RetrieveRun {
  path: FlyStep[];
  deepestM: number;
  /** Whether it lay on the bottom: weed and problems. */
  touched: boolean;
}

const STEP_S = 0.25;
/** The cast is lifted off from here. */
const LIFT_M = 2;
const LONGEST_S = 600;

/**
 * The way of a fly: it sinks freely while one counts; then it is drawn along the straight line to the rod tip at the
 * surface, and goes on sinking. Steps of a quarter of a second (explicit Euler); a model of a line that stays straight,
 * which a real one does not quite.
 *
 * @throws CoreError 'out-of-range'
 */
export function retrieveRun({ castM, countS, sinkMs, retrieveMs, bottomM }: RetrievePlan): RetrieveRun {
  inRange('castM', castM, LIFT_M, 40);
  inRange('countS', countS, 0, 300);
  inRange('sinkMs', sinkMs, 0, 1);
  inRange('retrieveMs', retrieveMs, 0.005, 2);
  inRange('bottomM', bottomM, 0, 200);
  const path: FlyStep[] = [{ atS: 0, awayM: castM, depthM: 0 }];
  let [awayM, depthM, touched] = [castM, 0, false];
  for (let atS = STEP_S; atS <= countS + LONGEST_S && awayM > LIFT_M; atS += STEP_S) {
    const pull = atS > countS ? Math.min(retrieveMs * STEP_S, Math.hypot(awayM, depthM)) : 0;
    const length = Math.hypot(awayM, depthM) || 1;
    awayM -= (pull * awayM) / length;
    const next = depthM - (pull * depthM) / length + sinkMs * STEP_S;
    touched ||= next >= bottomM;
    depthM = Math.min(bottomM, Math.max(0, next));
    path.push({ atS, awayM, depthM });
  }
  return { path, deepestM: Math.max(...path.map((step) => step.depthM)), touched };
}

/** How long a fly spends between two depths, seconds. */
export function secondsIn({ path }: RetrieveRun, { fromM, toM }: { fromM: number; toM: number }): number {
  return path.filter(({ depthM }) => depthM >= fromM && depthM <= toM).length * STEP_S;
}
