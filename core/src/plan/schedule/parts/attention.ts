import type { Activity, Board } from '../model';
import { isCold } from '../../../safety';
import type { PlanLesson } from '../../rules/rule';

/** One thing holds attention for so long, minutes; less in cold water. Rules of thumb of the trade. */
const HOLDS_MIN = 15;
const HOLDS_COLD_MIN = 10;
/**
 * How long one thing holds attention at a lesson.
 *
 * @returns minutes
 */
export function holdsMin({ hours }: PlanLesson): number {
  return hours?.some(({ waterC }) => isCold(waterC)) ? HOLDS_COLD_MIN : HOLDS_MIN;
}

/** After so long without a break one is wanted, minutes. A rule of thumb. */
const BREAK_AFTER_MIN = 90;

/**
 * Minutes at one drill beyond what holds attention; the same drill again at once goes on.
 *
 * @param acts his, in the order of time
 * @returns minutes
 */
export function beyondAttention({ holdsMin: holds }: Board, acts: readonly Activity[]): number {
  let [beyond, run, last] = [0, 0, null as string | null];
  for (const { drillId, startMin, endMin } of acts) {
    if (drillId === null) {
      [run, last] = [0, null];
      continue;
    }
    run = drillId === last ? run : 0;
    const minutes = endMin - startMin;
    beyond += Math.max(0, run + minutes - holds) - Math.max(0, run - holds);
    run += minutes;
    last = drillId;
  }
  return beyond;
}

/**
 * Minutes by which drills are shorter than they likely take him: what is begun is given its time.
 *
 * @param lane his place in the group
 * @param acts his, in the order of time
 * @returns minutes
 */
export function hurriedOf(lane: number, acts: readonly Activity[]): number {
  let hurried = 0;
  for (const { on, startMin, endMin } of acts)
    if (on) hurried += Math.max(0, Math.min(on.likelyMin, on.mostMin[lane]!) - (endMin - startMin));
  return hurried;
}

/**
 * How often a drill comes that he has done before.
 *
 * @param acts his, in the order of time
 * @returns a whole number
 */
export function againOf(acts: readonly Activity[]): number {
  let again = 0;
  for (let i = 1; i < acts.length; i++) {
    const { drillId } = acts[i]!;
    for (let j = 0; drillId !== null && j < i; j++)
      if (acts[j]!.drillId === drillId) {
        again += 1;
        break;
      }
  }
  return again;
}

/**
 * How many drills he begins: what goes on is not begun anew.
 *
 * @param acts his, in the order of time
 * @returns a whole number
 */
export function begunOf(acts: readonly Activity[]): number {
  let [begun, before] = [0, null as Activity['on']];
  for (const { on } of acts) {
    if (on !== null && on !== before) begun += 1;
    before = on;
  }
  return begun;
}

/**
 * Minutes beyond those after which a break is wanted.
 *
 * @param acts his, in the order of time
 * @returns minutes
 */
export function tiredOf(acts: readonly Activity[]): number {
  let [tired, since] = [0, 0];
  for (const { kind, startMin, endMin } of acts) {
    if (kind === 'break') since = endMin;
    else tired += tiredUntil(endMin - since) - tiredUntil(startMin - since);
  }
  return tired;
}

/**
 * Minutes beyond those after which a break is wanted.
 *
 * @param sinceMin since the last one, minutes
 * @returns minutes
 */
export function tiredUntil(sinceMin: number): number {
  return Math.max(0, sinceMin - BREAK_AFTER_MIN);
}

/**
 * How often one strand follows on itself with another drill: hands and heads want a change.
 *
 * @param acts his, in the order of time
 * @returns a whole number
 */
export function sameStrandOf(acts: readonly Activity[]): number {
  let same = 0;
  for (let i = 1; i < acts.length; i++) {
    const [before, after] = [acts[i - 1]!.on, acts[i]!.on];
    if (before && after && before !== after && before.drill.strand === after.drill.strand) same += 1;
  }
  return same;
}
