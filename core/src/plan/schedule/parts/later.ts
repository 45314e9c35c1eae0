import type { Activity, Board, BoardDrill } from '../model';
import { holdsUp, learnedBy, type Pupil, pupilAlike, readyFor, taught } from './gain';

/** How the rise of one skill that a drill trains hangs on what the student can before it. */
interface Slopes {
  skill: number;
  /** What its rise counts. */
  counts: number;
  /** How much less it rises for one more that he can of it. */
  less: number;
  /** How much more it rises for one more that he is ready. */
  byReady: number;
  /** What holds it back, and how much readier he is for one more of that. */
  heldBack: readonly { skill: number; by: number }[];
}

/**
 * What it is worth to a student for all that he does afterwards that he can a skill a little more: what rests on it goes
 * better, and what trains it again gives less. The slopes of the law of gain, followed from the last thing he does back to
 * the first; good for a small rise, about right for a large one.
 *
 * @param pupil how he stands at that hour
 * @param acts his, in the order of time
 * @param fromMin what begins before this minute is not looked at
 * @returns of each skill, by its place, skills gained later for one gained now, plain numbers; below zero where it is less
 */
export function worthLater(
  board: Board,
  pupil: Pupil,
  acts: readonly Activity[],
  fromMin: number,
): Float64Array {
  const worth = new Float64Array(board.skills.length);
  const going = pupilAlike(pupil);
  const drills: Slopes[][] = [];
  for (const { on, startMin, endMin } of acts) {
    if (!on || startMin < fromMin) continue;
    drills.push(slopesOf(board, going, on, endMin - startMin));
    taught(board, going, on, endMin - startMin);
  }
  for (const slopes of drills.reverse()) goBack(worth, slopes);
  return worth;
}

function slopesOf(board: Board, pupil: Pupil, { trains, counts }: BoardDrill, takenMin: number): Slopes[] {
  return trains.map((one) => {
    const { skill } = one;
    const learned = learnedBy(pupil, one, takenMin);
    return {
      skill,
      counts: counts[pupil.lane]! * one.counts * board.skills[skill]!.goal,
      less: readyFor(board, pupil, skill) * learned,
      byReady: (1 - pupil.mastery[skill]!) * learned,
      heldBack: heldBackBy(board, pupil, skill),
    };
  });
}

/** The weakest thing a skill rests on, and where nobody saw that of him, what holds that back, and so on. */
function heldBackBy(board: Board, pupil: Pupil, skill: number): Slopes['heldBack'] {
  const found: { skill: number; by: number }[] = [];
  let slope = 1;
  for (let at = skill; ;) {
    let weakest = -1;
    let least = 1;
    for (const need of board.skills[at]!.needs) {
      const ready = holdsUp(board, pupil, need);
      if (ready < least) [least, weakest] = [ready, need];
    }
    if (weakest < 0) return found;
    const isSeen = pupil.seen[weakest]!;
    found.push({ skill: weakest, by: isSeen ? slope : slope * readyFor(board, pupil, weakest) });
    if (isSeen) return found;
    slope *= pupil.mastery[weakest]!;
    at = weakest;
  }
}

/** From what skills are worth after a drill to what they are worth before it. */
function goBack(worth: Float64Array, slopes: readonly Slopes[]): void {
  // All rises of a drill come at once: what one is worth is by what was so after it.
  const each = slopes.map(({ skill, counts }) => counts + worth[skill]!);
  for (const [i, { skill, less, byReady, heldBack }] of slopes.entries()) {
    worth[skill]! -= each[i]! * less;
    for (const need of heldBack) worth[need.skill]! += each[i]! * byReady * need.by;
  }
}
