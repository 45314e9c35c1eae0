import type { Activity, Board } from '../model';

/** So long a drill is told and shown before anybody tries, minutes. A rule of thumb. */
const TELLING_MIN = 2;

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
  const { skills } = board;
  const brings = board.brings[lane]!;
  const mastery = brings.mastery.slice();
  const seen = brings.seen.slice();
  // What was trained today is seen, and speaks for what it rests on.
  const ready = (skill: number): number => {
    let least = 1;
    for (const need of skills[skill]!.needs)
      least = Math.min(least, seen[need] ? mastery[need]! : mastery[need]! * ready(need));
    return least;
  };
  const rises: number[] = [];
  let gain = 0;
  for (const { on, startMin, endMin } of acts) {
    if (!on) continue;
    const minutes = Math.max(0, endMin - startMin - TELLING_MIN);
    on.trains.forEach(({ skill, perMin, counts }, i) => {
      const missed = (1 - brings.learn[skill]!) ** (perMin * minutes);
      rises[i] = ready(skill) * (1 - mastery[skill]!) * (1 - missed);
      gain += rises[i] * counts * skills[skill]!.goal;
    });
    on.trains.forEach(({ skill }, i) => {
      mastery[skill]! += rises[i]!;
      seen[skill] = 1;
    });
  }
  return gain;
}
