import type { Activity, Board, BoardDrill, Brought, Trained } from '../model';

/** So long a drill is told and shown before anybody tries, minutes. A rule of thumb. */
const TELLING_MIN = 2;

/** What a student can at an hour of the day, by the place of the skill. */
export interface Pupil {
  /** His place in the group. */
  lane: number;
  /** How well he can it and how fast he learns, 0…1. */
  mastery: number[];
  learn: readonly number[];
  /** Whether it was seen of him. */
  seen: boolean[];
  /** How ready he is for it, 0…1, as far as it was computed since what it rests on changed last. */
  ready: number[];
  /** Room for the rises of one drill. */
  rises: number[];
}

/**
 * A student as he comes.
 *
 * @param lane his place in the group, a plain number from 0
 */
export function pupilOf({ brings }: Board, lane: number): Pupil {
  return pupilAlike({ lane, ...brings[lane]! });
}

/** The same pupil, to be taught apart. */
export function pupilAlike({ lane, mastery, learn, seen, ready }: Brought & Pick<Pupil, 'lane'>): Pupil {
  return { lane, mastery: [...mastery], learn, seen: [...seen], ready: [...ready], rises: [] };
}

/**
 * What a student is expected to gain in a day, in skills, each counted by its goal: the sum of the rise of mastery of all
 * he trains. The law is that of what comes next: after n attempts 1 − (1 − p)(1 − T)ⁿ, held back by the weakest thing a
 * skill rests on. Of each drill the first two minutes go to telling it. A drill that worked better than others, or looks
 * out for his faults, counts for more, as where one asks what comes next.
 *
 * @param lane the student's place in the group
 * @param acts his, in the order of time
 * @returns skills, 0 and more
 */
export function gainOf(board: Board, lane: number, acts: readonly Activity[]): number {
  const pupil = pupilOf(board, lane);
  let gain = 0;
  for (const { on, startMin, endMin } of acts)
    if (on) gain += taught(board, pupil, on, endMin - startMin) * on.counts[lane]!;
  return gain;
}

/**
 * The same without what drills count for besides: what he is expected to be able to more, counted by the goals.
 *
 * @param lane the student's place in the group
 * @param acts his, in the order of time
 * @returns skills, 0 and more
 */
export function riseIn(board: Board, lane: number, acts: readonly Activity[]): number {
  const pupil = pupilOf(board, lane);
  let rise = 0;
  for (const { on, startMin, endMin } of acts) if (on) rise += taught(board, pupil, on, endMin - startMin);
  return rise;
}

/**
 * What a drill would give a student now, with what it counts for besides.
 *
 * @param takenMin how long it lasts, minutes
 * @param later of each skill what one gained of it now adds to what he gains later, plain numbers; null for nothing
 * @returns skills, 0 and more; below zero where it takes more from what comes later
 */
export function wouldGive(
  board: Board,
  pupil: Pupil,
  on: BoardDrill,
  takenMin: number,
  later: Float64Array | null = null,
): number {
  let gain = 0;
  const own = on.counts[pupil.lane]!;
  for (const one of on.trains)
    gain +=
      riseOf(board, pupil, one, takenMin) *
      (own * one.counts * board.skills[one.skill]!.goal + (later ? later[one.skill]! : 0));
  return gain;
}

/**
 * Gives it to him: he can more afterwards.
 *
 * @param takenMin how long it lasts, minutes
 * @returns skills gained, 0 and more
 */
export function taught(board: Board, pupil: Pupil, { trains }: BoardDrill, takenMin: number): number {
  let gain = 0;
  // What rises holds nothing back of what else the same drill trains: first all rises, then what follows from them.
  for (let i = 0; i < trains.length; i++) pupil.rises[i] = riseOf(board, pupil, trains[i]!, takenMin);
  for (let i = 0; i < trains.length; i++) {
    const { skill, counts } = trains[i]!;
    const { goal, opens } = board.skills[skill]!;
    gain += pupil.rises[i]! * counts * goal;
    pupil.mastery[skill]! += pupil.rises[i]!;
    pupil.seen[skill] = true;
    for (let k = 0; k < opens.length; k++) pupil.ready[opens[k]!] = Number.NaN;
  }
  return gain;
}

function riseOf(board: Board, pupil: Pupil, one: Trained, takenMin: number): number {
  const { skill } = one;
  return readyFor(board, pupil, skill) * (1 - pupil.mastery[skill]!) * learnedBy(pupil, one, takenMin);
}

/**
 * The chance that a student has learned by a drill what he could not before it, were he ready.
 *
 * @param takenMin how long it lasts, minutes
 * @returns 0…1
 */
export function learnedBy(pupil: Pupil, one: Trained, takenMin: number): number {
  return 1 - missedBy(pupil, one, takenMin);
}

/** So many numbers of minutes are kept of each student, from 0. */
export const KNOWN_MIN = 64;

function missedBy({ lane, learn }: Pupil, { skill, perMin, missed }: Trained, takenMin: number): number {
  const minutes = Math.max(0, takenMin - TELLING_MIN);
  const isKept = minutes < KNOWN_MIN && Number.isInteger(minutes);
  const known = isKept ? missed[lane * KNOWN_MIN + minutes]! : Number.NaN;
  if (known >= 0) return known;
  const now = (1 - learn[skill]!) ** (perMin * minutes);
  if (isKept) missed[lane * KNOWN_MIN + minutes] = now;
  return now;
}

/**
 * How ready a student is for a skill: as far as the weakest thing it rests on. What was trained today is seen, and speaks
 * for what it rests on.
 *
 * @param skill its place on the board
 * @returns 0…1
 */
export function readyFor(board: Board, pupil: Pupil, skill: number): number {
  const known = pupil.ready[skill]!;
  if (known >= 0) return known;
  let least = 1;
  for (const need of board.skills[skill]!.needs) least = Math.min(least, holdsUp(board, pupil, need));
  pupil.ready[skill] = least;
  return least;
}

/**
 * How far a skill carries what rests on it: what was seen counts as it is, what was not only as far as he is ready for it.
 *
 * @param skill its place on the board
 * @returns 0…1
 */
export function holdsUp(board: Board, pupil: Pupil, skill: number): number {
  const can = pupil.mastery[skill]!;
  return pupil.seen[skill] ? can : can * readyFor(board, pupil, skill);
}
