import type { Curriculum } from '../../curriculum';
import { type Drill, mainSkillOf } from '../../drill';
import { curriculumOf, drillOf } from '../carried';
import type { PlanBody } from '../plan';
import { blocksOfLane } from '../timing';

/** So long a drill is told and shown before anybody tries, minutes. A rule of thumb, as in the score of a plan. */
const TELLING_MIN = 2;

/** Attempts at a skill that a lesson is expected to give. */
export interface Practice {
  skillId: string;
  /** How many, whole, 1 and more. */
  attempts: number;
  /** Whether it is the main thing of its drill; else it is only shown by it. */
  main: boolean;
}

/**
 * The attempts a plan is expected to give one student, in the order in which they come.
 *
 * @param lane his place in the group, from 0
 */
export function practiceOf(curriculum: Curriculum, plan: PlanBody, lane: number): Practice[] {
  const own = curriculumOf(curriculum, plan);
  return blocksOfLane(plan, lane).flatMap((block) => {
    const drill = drillOf(own, block);
    if (!drill) return [];
    const minutes = Math.max(0, block.durationMin - TELLING_MIN);
    return drill.trains.flatMap(({ skillId, share }, i) => {
      const attempts = Math.round(drill.attemptsPerMin * share * minutes);
      return attempts > 0 ? [{ skillId, attempts, main: i === 0 }] : [];
    });
  });
}

/** A drill that gives so many attempts at a skill, and how long it takes for them. */
export interface DrillFor {
  drill: Drill;
  /** The telling with it, whole minutes, 3 and more. */
  minutes: number;
}

/**
 * The drill that gives so many attempts at a skill in the least time, of those whose main thing it is.
 *
 * @param drills to choose from
 * @param attempts how many, 1 and more
 * @returns null where no drill trains it
 */
export function quickestDrill(drills: readonly Drill[], skillId: string, attempts: number): DrillFor | null {
  let quickest: DrillFor | null = null;
  for (const drill of drills) {
    const [main] = drill.trains;
    if (mainSkillOf(drill) !== skillId || !main) continue;
    const minutes = TELLING_MIN + Math.ceil(attempts / (drill.attemptsPerMin * main.share));
    if (!quickest || minutes < quickest.minutes) quickest = { drill, minutes };
  }
  return quickest;
}
