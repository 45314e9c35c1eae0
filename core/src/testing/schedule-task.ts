import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { emptyPlan, type PlanStudent, type ScheduleTask, USUAL_WEIGHTS } from '../plan';
import { skillState } from '../skill';
import { typicalPlaces, type Water } from '../water';
import { CARD } from './rule-card';

/** A river with the places such a water mostly has. */
export const FORD: Water = {
  ...{ name: 'Ford', kind: 'river', latitude: null, longitude: null, timeZone: 'UTC' },
  ...{ species: [], places: typicalPlaces('river'), rules: CARD, said: {}, calendar: null },
};

/**
 * A student of whom some skills were seen, by a draw.
 *
 * @param i his number, a plain number from 0
 */
export function drawnStudent(
  i: number,
  random: () => number,
  change: Partial<PlanStudent> = {},
): PlanStudent {
  const skills = SHIPPED.skills.all.slice(0, 14);
  const attempts = Array.from({ length: 30 }, (_, k) => ({
    ...{ id: `${k}`, atMs: k, good: random() < 0.5 },
    skillId: skills[Math.floor(random() * skills.length)]!.id,
  }));
  return {
    ...{ id: `s${i}`, name: `S${i}`, ageYears: 40, saidAdult: false, guardianConsent: true, needs: [] },
    skills: skillState(SHIPPED.skills.all, attempts, 100),
    ...change,
  };
}

/** A task of ninety minutes with one instructor and nothing else said. */
export function taskOf(students: PlanStudent[], change: Partial<ScheduleTask> = {}): ScheduleTask {
  return {
    curriculum: SHIPPED,
    plan: { ...emptyPlan(), groupSize: students.length, lengthMin: 90 },
    lesson: { startMs: 0, date: '2026-06-01', water: FORD, students },
    staff: { instructors: 1, assistants: 0 },
    ...{ lockedIds: [], drillIds: null, goals: {}, closed: [], stock: {}, weights: USUAL_WEIGHTS },
    ...change,
  };
}
