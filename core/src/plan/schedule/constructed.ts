import type { Activity, Board, BoardDrill } from './model';
import type { Random } from '../../random';
import { STEP_MIN } from '../plan';
import { lanesOf } from './activity';
import { actOf } from './exact';
import { type Gene, placed, waiting } from './genes';
import { isAllowedNow } from './hard';
import { actsOfLane, pointsOfStep, tellingPoints } from './parts';
import { type Pupil, pupilOf, taught } from './parts/gain';

/** What is known of the day up to now. */
interface Hour {
  board: Board;
  /** When each student is free, minutes. */
  free: number[];
  pupils: Pupil[];
  /** What each has done, in the order of time. */
  days: Activity[][];
  acts: Activity[];
  genes: Gene[];
}

interface Option {
  on: BoardDrill;
  act: Activity;
}

/** What is worth less a minute is not begun, points: then he rather waits. */
const NOT_WORTH = -0.002;

/**
 * A plan made from the first minute to the last: whoever is free next does what gives him most a minute, all who are free
 * together or in parts, among what may be done while the others do what they do. Where nothing may, he waits.
 *
 * @param stray how far a choice may be from the best, a plain number from 0 up to 1
 * @param before what is there already, and goes first
 * @param untilMin when it is enough, minutes
 * @returns the plan as a list to be put again
 */
export function constructed(
  board: Board,
  random: Random,
  { stray, before, untilMin }: { stray: number; before: readonly Gene[]; untilMin: number },
): Gene[] {
  const { acts, free } = placed(board, before);
  const hour: Hour = {
    ...{ board, acts, free, genes: [...before] },
    pupils: board.students.map((_, lane) => pupilOf(board, lane)),
    days: board.students.map((_, lane) => actsOfLane(acts, lane).filter((act) => act.startMin < free[lane]!)),
  };
  hour.days.forEach((day, lane) => {
    for (const { on, startMin, endMin } of day)
      if (on) taught(board, hour.pupils[lane]!, on, endMin - startMin);
  });
  for (;;) {
    const atMin = Math.min(...free);
    if (atMin >= untilMin) return hour.genes;
    let lanes = 0;
    free.forEach((freeMin, lane) => {
      if (freeMin === atMin) lanes |= 1 << lane;
    });
    if (passLocked(hour, atMin, lanes)) continue;
    const best = bestOption(hour, atMin, lanes, random, stray);
    if (best) begin(hour, best);
    else wait(hour, atMin, lanes);
  }
}

/** Who is in something locked goes through it. */
function passLocked({ board, free, pupils, days }: Hour, atMin: number, lanes: number): boolean {
  const now = board.locked.find(
    (one) => (one.lanes & lanes) !== 0 && one.startMin <= atMin && atMin < one.endMin,
  );
  if (!now) return false;
  for (const lane of lanesOf(now.lanes & lanes)) {
    if (now.on) taught(board, pupils[lane]!, now.on, now.endMin - now.startMin);
    days[lane]!.push(now);
    free[lane] = now.endMin;
  }
  return true;
}

function bestOption(hour: Hour, atMin: number, lanes: number, random: Random, stray: number): Option | null {
  const { board } = hour;
  const free = lanesOf(lanes);
  const untilMin = free.map((lane) => freeUntil(board, atMin, lane));
  const parts = partsOf(board, lanes, random);
  // Of each student and drill that is looked at: how long it would take him, and what it would give him.
  const taken = new Float64Array(8);
  const points = new Float64Array(8);
  const worth = new Float64Array(board.drills.length * parts.length).fill(Number.NEGATIVE_INFINITY);
  board.drills.forEach((on, i) => {
    if (on.place === null || (lanes & on.who) === 0) return;
    free.forEach((lane, k) => {
      taken[lane] = Math.min(on.likelyMin, on.mostMin[lane]!, untilMin[k]! - atMin);
      points[lane] = pointsOfStep(board, lane, hour.pupils[lane]!, hour.days[lane]!, on, taken[lane], atMin);
    });
    parts.forEach((part, k) => {
      const who = lanesOf(k === 0 ? part & on.who : part);
      if ((k > 0 && (part & ~on.who) !== 0) || who.length < on.drill.group.min) return;
      let takenMin = on.likelyMin;
      let sum = 0;
      for (const lane of who) {
        takenMin = Math.min(takenMin, taken[lane]!);
        sum += points[lane]!;
      }
      if (takenMin < on.leastMin) return;
      const one = (sum - tellingPoints(board, who.length)) / (who.length * takenMin);
      worth[i * parts.length + k] = one * (1 - stray * random());
    });
  });
  const going = hour.acts.filter((act) => act.startMin <= atMin && atMin < act.endMin);
  for (;;) {
    let at = 0;
    for (let i = 1; i < worth.length; i++) if (worth[i]! > worth[at]!) at = i;
    if (worth.length === 0 || worth[at]! < NOT_WORTH) return null;
    worth[at] = Number.NEGATIVE_INFINITY;
    const on = board.drills[Math.floor(at / parts.length)]!;
    const some = parts[at % parts.length]! & on.who;
    let takenMin = on.likelyMin;
    let mostMin = Number.POSITIVE_INFINITY;
    lanesOf(some).forEach((lane) => {
      mostMin = Math.min(mostMin, on.mostMin[lane]!, untilMin[free.indexOf(lane)]! - atMin);
    });
    takenMin = withOthers(going, atMin, { ...on, likelyMin: Math.min(takenMin, mostMin) }, mostMin);
    const act = actOf(on, atMin, takenMin, some);
    if (act && isAllowedNow(board, hour.acts, going, act)) return { act, on };
  }
}

/** As long as it likely takes, or a little else so that it ends when others end: then they can go on together. */
function withOthers(
  going: readonly Activity[],
  atMin: number,
  { leastMin, likelyMin }: BoardDrill,
  mostMin: number,
): number {
  let nearest = likelyMin;
  let off = STEP_MIN + 1;
  for (const { endMin } of going) {
    const takenMin = endMin - atMin;
    if (takenMin < leastMin || takenMin > mostMin || Math.abs(takenMin - likelyMin) >= off) continue;
    nearest = takenMin;
    off = Math.abs(takenMin - likelyMin);
  }
  return nearest;
}

/** Until when nothing locked waits for a student, minutes. */
function freeUntil({ locked, task }: Board, atMin: number, lane: number): number {
  let untilMin = task.plan.lengthMin;
  for (const one of locked)
    if ((one.lanes & (1 << lane)) !== 0 && one.startMin > atMin) untilMin = Math.min(untilMin, one.startMin);
  return untilMin;
}

/** Those who are free as one, in two halves, in parts by a draw, and each for himself; of groups that are apart each. */
function partsOf({ groups }: Board, lanes: number, random: Random): number[] {
  if (lanes === 0) return [];
  if (groups.length > 0) return [lanes, ...groups.map((group) => group & lanes).filter(Boolean)];
  const each = lanesOf(lanes);
  if (each.length === 1) return [lanes];
  const half = bits(each.slice(0, Math.ceil(each.length / 2)));
  const drawn = bits(each.filter(() => random() < 0.5));
  const parts = [lanes, half, lanes & ~half, drawn, lanes & ~drawn, ...each.map((lane) => 1 << lane)];
  return [...new Set(parts)].filter(Boolean);
}

function bits(lanes: readonly number[]): number {
  return lanes.reduce((sum, lane) => sum | (1 << lane), 0);
}

function begin({ board, free, pupils, days, acts, genes }: Hour, { on, act }: Option): void {
  const takenMin = act.endMin - act.startMin;
  acts.push(act);
  genes.push({ drill: on, plain: null, takenMin, lanes: act.lanes });
  for (const lane of lanesOf(act.lanes)) {
    taught(board, pupils[lane]!, on, takenMin);
    days[lane]!.push(act);
    free[lane] = act.endMin;
  }
}

/** Until somebody else is free, when something else may be done. */
function wait({ board, free, genes }: Hour, atMin: number, lanes: number): void {
  const others = free.filter((one) => one > atMin);
  const untilMin = Math.min(board.task.plan.lengthMin, ...others, atMin + 4 * STEP_MIN);
  genes.push(waiting(untilMin - atMin, lanes));
  for (const lane of lanesOf(lanes)) free[lane] = untilMin;
}
