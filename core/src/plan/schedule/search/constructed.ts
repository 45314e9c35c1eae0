import type { Activity, Board, BoardDrill } from '../model';
import type { Random } from '../../../random';
import { STEP_MIN } from '../../plan';
import { isBefore, lanesOf } from '../activity';
import { actOf } from '../exact';
import { type Gene, geneOf, placed } from '../genes';
import { isAllowedNow, notReady } from '../hard';
import { does, pointsOfStep, type Standing, standingOf, stillGoodMin, tellingPoints } from '../parts';

/** What is known of the day up to now. */
interface Hour {
  board: Board;
  /** When each student is free, minutes. */
  free: number[];
  standings: Standing[];
  /** Of each skill the bits of those who were taught it. */
  taught: Uint8Array;
  /** What begins the day. */
  first: Activity | undefined;
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
 * @param together whether all who can do the same, always
 * @returns the plan as a list to be put again
 */
export function constructed(
  board: Board,
  random: Random,
  {
    stray,
    before,
    untilMin,
    together = false,
  }: { stray: number; before: readonly Gene[]; untilMin: number; together?: boolean },
): Gene[] {
  const { acts, free } = placed(board, before);
  const hour: Hour = {
    ...{ board, acts, free, first: acts[0], genes: [...before] },
    standings: board.students.map((_, lane) => standingOf(board, lane)),
    taught: new Uint8Array(board.skills.length),
  };
  for (const act of acts) {
    let lanes = 0;
    for (const lane of lanesOf(act.lanes)) if (act.startMin < free[lane]!) lanes |= 1 << lane;
    goThrough(hour, act, lanes);
  }
  for (;;) {
    const atMin = Math.min(...free);
    if (atMin >= untilMin) return hour.genes;
    let lanes = 0;
    free.forEach((freeMin, lane) => {
      if (freeMin === atMin) lanes |= 1 << lane;
    });
    if (passLocked(hour, atMin, lanes)) continue;
    const best = bestOption(hour, atMin, lanes, random, { stray, together });
    if (best) begin(hour, best);
    else wait(hour, atMin, lanes);
  }
}

/** Some do something. */
function goThrough({ board, standings, taught }: Hour, act: Activity, lanes: number): void {
  for (const lane of lanesOf(lanes)) does(board, standings[lane]!, act);
  for (const { skill } of act.on?.trains ?? []) taught[skill]! |= lanes;
}

/** Who is in something locked goes through it. */
function passLocked(hour: Hour, atMin: number, lanes: number): boolean {
  const now = hour.board.locked.find(
    (one) => (one.lanes & lanes) !== 0 && one.startMin <= atMin && atMin < one.endMin,
  );
  if (!now) return false;
  goThrough(hour, now, now.lanes & lanes);
  for (const lane of lanesOf(now.lanes & lanes)) hour.free[lane] = now.endMin;
  return true;
}

function bestOption(
  hour: Hour,
  atMin: number,
  lanes: number,
  random: Random,
  { stray, together }: { stray: number; together: boolean },
): Option | null {
  const { board, standings } = hour;
  const free = lanesOf(lanes);
  const untilMin = new Float64Array(8);
  for (const lane of free) untilMin[lane] = freeUntil(board, atMin, lane);
  const parts = together ? [lanes] : partsOf(board, lanes, random);
  // Of each student and drill that is looked at: how long it would take him, and what it would give him.
  const taken = new Float64Array(8);
  const points = new Float64Array(8);
  const worth = new Float64Array(board.drills.length * parts.length).fill(Number.NEGATIVE_INFINITY);
  board.drills.forEach((on, i) => {
    if (on.place === null || (lanes & on.who) === 0) return;
    const ready = lanes & on.who & ~notReady(board, on, hour.taught);
    if (ready === 0) return;
    for (const lane of lanesOf(ready)) {
      taken[lane] = Math.min(on.likelyMin, stillGoodMin(standings[lane]!, on), untilMin[lane]! - atMin);
      points[lane] =
        pointsOfStep(board, standings[lane]!, on, taken[lane]!, atMin) +
        (isOwed(hour, on, lane, atMin) ? OWED : 0);
    }
    for (let k = 0; k < parts.length; k++) {
      // All who can do it, or just one of the parts.
      const some = k === 0 ? ready : parts[k]!;
      if ((some & ~ready) !== 0) continue;
      const who = lanesOf(some);
      if (who.length < on.drill.group.min) continue;
      let takenMin = on.likelyMin;
      let sum = 0;
      for (const lane of who) {
        takenMin = Math.min(takenMin, taken[lane]!);
        sum += points[lane]!;
      }
      if (takenMin < on.leastMin) continue;
      const one = (sum - tellingPoints(board, who.length)) / (who.length * takenMin);
      worth[i * parts.length + k] = one * (1 - stray * random());
    }
  });
  const going = hour.acts.filter((act) => act.startMin <= atMin && atMin < act.endMin);
  for (;;) {
    let at = 0;
    for (let i = 1; i < worth.length; i++) if (worth[i]! > worth[at]!) at = i;
    if (worth.length === 0 || worth[at]! < NOT_WORTH) return null;
    worth[at] = Number.NEGATIVE_INFINITY;
    const on = board.drills[Math.floor(at / parts.length)]!;
    const k = at % parts.length;
    const some = k === 0 ? lanes & on.who & ~notReady(board, on, hour.taught) : parts[k]!;
    let mostMin = Number.POSITIVE_INFINITY;
    for (const lane of lanesOf(some))
      mostMin = Math.min(mostMin, stillGoodMin(standings[lane]!, on), untilMin[lane]! - atMin);
    const takenMin = withOthers(going, atMin, on, Math.min(on.likelyMin, mostMin), mostMin);
    const act = actOf(on, atMin, takenMin, some);
    if (act && isAllowedNow(board, hour.first, going, act)) return { act, on };
  }
}

/** What something that is locked waits for comes before all else, points. */
const OWED = 1;

/** Whether a drill trains a student for something locked that he is not ready for. */
function isOwed({ board, taught }: Hour, { trains }: BoardDrill, lane: number, atMin: number): boolean {
  return board.owed.some(
    ({ skill, lanes, untilMin }) =>
      atMin < untilMin &&
      (lanes & ~taught[skill]! & (1 << lane)) !== 0 &&
      trains.some((one) => one.skill === skill),
  );
}

/** As long as it likely takes, or a little else so that it ends when others end: then they can go on together. */
function withOthers(
  going: readonly Activity[],
  atMin: number,
  { leastMin }: BoardDrill,
  likelyMin: number,
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

function begin(hour: Hour, { on, act }: Option): void {
  hour.acts.push(act);
  hour.genes.push(geneOf(on, act.endMin - act.startMin, act.lanes));
  if (!hour.first || isBefore(act, hour.first)) hour.first = act;
  goThrough(hour, act, act.lanes);
  for (const lane of lanesOf(act.lanes)) hour.free[lane] = act.endMin;
}

/** Until somebody else is free, when something else may be done. */
function wait({ board, free, genes }: Hour, atMin: number, lanes: number): void {
  const others = free.filter((one) => one > atMin);
  const untilMin = Math.min(board.task.plan.lengthMin, ...others, atMin + 4 * STEP_MIN);
  genes.push(geneOf(null, untilMin - atMin, lanes));
  for (const lane of lanesOf(lanes)) free[lane] = untilMin;
}
