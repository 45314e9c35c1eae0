import type { Activity, Board, BoardDrill } from '../model';

/** So long a drill is told and shown before anybody tries, minutes. A rule of thumb. */
const TELLING_MIN = 2;

/** What a student can at an hour of the day, by the place of the skill. */
export interface Pupil {
  /** How well he can it and how fast he learns, 0…1. */
  mastery: Float64Array;
  learn: Float64Array;
  /** Whether it was seen of him. */
  seen: Uint8Array;
}

/**
 * A student as he comes.
 *
 * @param lane his place in the group, a plain number from 0
 */
export function pupilOf({ brings }: Board, lane: number): Pupil {
  const { mastery, learn, seen } = brings[lane]!;
  return { mastery: mastery.slice(), learn, seen: seen.slice() };
}

/**
 * What a student is expected to gain in a day, in skills, each counted by its goal: the sum of the rise of mastery of all
 * he trains. The law is that of what comes next: after n attempts 1 − (1 − p)(1 − T)ⁿ, held back by the weakest thing a
 * skill rests on. Of each drill the first two minutes go to telling it.
 *
 * @param lane the student's place in the group
 * @param acts his, in the order of time
 * @returns skills, 0 and more
 */
export function gainOf(board: Board, lane: number, acts: readonly Activity[]): number {
  const pupil = pupilOf(board, lane);
  let gain = 0;
  for (const { on, startMin, endMin } of acts) if (on) gain += taught(board, pupil, on, endMin - startMin);
  return gain;
}

/**
 * What a drill would give a student now.
 *
 * @param takenMin how long it lasts, minutes
 * @returns skills, 0 and more
 */
export function wouldGive(board: Board, pupil: Pupil, { trains }: BoardDrill, takenMin: number): number {
  let gain = 0;
  for (const one of trains) gain += riseOf(board, pupil, one, takenMin) * one.counts * goalOf(board, one);
  return gain;
}

/**
 * Gives it to him: he can more afterwards.
 *
 * @param takenMin how long it lasts, minutes
 * @returns skills gained, 0 and more
 */
export function taught(board: Board, pupil: Pupil, { trains }: BoardDrill, takenMin: number): number {
  const rises = trains.map((one) => riseOf(board, pupil, one, takenMin));
  let gain = 0;
  trains.forEach((one, i) => {
    gain += rises[i]! * one.counts * goalOf(board, one);
    pupil.mastery[one.skill]! += rises[i]!;
    pupil.seen[one.skill] = 1;
  });
  return gain;
}

type Trained = BoardDrill['trains'][number];

function goalOf({ skills }: Board, { skill }: Trained): number {
  return skills[skill]!.goal;
}

function riseOf(board: Board, pupil: Pupil, { skill, perMin }: Trained, takenMin: number): number {
  const minutes = Math.max(0, takenMin - TELLING_MIN);
  const missed = (1 - pupil.learn[skill]!) ** (perMin * minutes);
  return readyFor(board, pupil, skill) * (1 - pupil.mastery[skill]!) * (1 - missed);
}

/** What was trained today is seen, and speaks for what it rests on. */
function readyFor(board: Board, pupil: Pupil, skill: number): number {
  let least = 1;
  for (const need of board.skills[skill]!.needs) {
    const can = pupil.mastery[need]!;
    least = Math.min(least, pupil.seen[need] ? can : can * readyFor(board, pupil, need));
  }
  return least;
}
