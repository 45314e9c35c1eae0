import type { Curriculum } from '../../curriculum';
import { skillState } from '../../skill';
import { BLANK_CARD, typicalPlaces, type Water, type WaterKind } from '../../water';
import { curriculumOf, drillOf } from '../carried';
import { applyEdit } from '../edits';
import { ALONE, type PlanBody } from '../plan';
import type { PlanLesson, PlanStudent } from '../rules/rule';
import { type Closed, type ScheduleTask, type ScoreWeights, USUAL_WEIGHTS } from './task';

/** What the machine is asked to do with a plan. */
export type PlanUse =
  /** A new plan around what is locked. */
  | { use: 'fill' }
  /** What is there stays; what is free is filled. */
  | { use: 'fill-rest' }
  /** The plan made better for those who come. */
  | { use: 'for-group' }
  | { use: 'shorter'; byMin: number }
  | { use: 'without'; studentIds: readonly string[] }
  | { use: 'with-assistant' }
  /** Groups that stay apart, by the ids of their students. */
  | { use: 'groups'; groups: readonly (readonly string[])[] };

/** What is known of the day besides the plan. */
export interface PlanDay {
  curriculum: Curriculum;
  /** null for a plan without a day: a typical group at a typical water stands in. */
  lesson: PlanLesson | null;
  closed: readonly Closed[];
  weights?: Partial<ScoreWeights>;
  /** How much skills count that the plan is not about, 0…1. */
  besides?: number;
  stock?: Readonly<Record<string, number>>;
}

/** Skills that the plan is not about count so much, where nothing is said. A rule of thumb. */
export const USUAL_BESIDES = 0.3;
/** What the skills rest on that the plan is about counts so much. */
const UNDERNEATH = 0.7;

/** The task of a use. */
export function taskFor(plan: PlanBody, use: PlanUse, day: PlanDay): ScheduleTask {
  const locked = plan.blocks.filter((block) => block.locked);
  const task: ScheduleTask = {
    curriculum: curriculumOf(day.curriculum, plan),
    plan,
    lesson: day.lesson ?? typicalLesson(day.curriculum, plan),
    staff: plan.staff ?? ALONE,
    lockedIds: locked.map(({ id }) => id),
    bearsLocked: true,
    drillIds: null,
    goals: goalsOf(day.curriculum, plan, day.besides ?? USUAL_BESIDES),
    closed: day.closed,
    stock: day.stock ?? day.lesson?.stock ?? {},
    weights: { ...USUAL_WEIGHTS, ...day.weights },
  };
  switch (use.use) {
    case 'fill':
      return { ...task, plan: { ...plan, blocks: locked } };
    case 'fill-rest':
      return { ...task, lockedIds: plan.blocks.map(({ id }) => id) };
    case 'for-group':
      return task;
    case 'shorter': {
      const shorter = { ...plan, lengthMin: Math.max(15, plan.lengthMin - use.byMin) };
      return {
        ...task,
        plan: locked.length > 0 ? shorter : applyEdit(day.curriculum, shorter, { kind: 'fit' }),
      };
    }
    case 'without':
      return { ...task, absentIds: use.studentIds };
    case 'with-assistant':
      return { ...task, staff: { ...task.staff, assistants: Math.min(8, task.staff.assistants + 1) } };
    case 'groups':
      return { ...task, groups: use.groups };
  }
}

/**
 * What the skills count: those the plan's drills train fully, what these rest on a little less, all others by `besides`.
 * A plan without drills is about everything.
 */
function goalsOf(curriculum: Curriculum, plan: PlanBody, besides: number): Record<string, number> {
  const own = curriculumOf(curriculum, plan);
  const about = new Set(
    plan.blocks.flatMap((block) => drillOf(own, block)?.trains.map(({ skillId }) => skillId) ?? []),
  );
  if (about.size === 0) return {};
  const under = new Set([...about].flatMap((id) => own.skills.find(id)?.needs ?? []));
  return Object.fromEntries(
    own.skills.all.map(({ id }) => [
      id,
      about.has(id) ? 1 : Math.max(besides, under.has(id) ? UNDERNEATH : 0),
    ]),
  );
}

/**
 * A group and a water that stand in where a plan has no day: as many adults as it is for, of whom nothing was seen, and the
 * places such a water mostly has. Typical, and said to be.
 */
export function typicalLesson(curriculum: Curriculum, plan: PlanBody): PlanLesson {
  const kind: WaterKind = plan.waterKind === 'any' ? 'river' : plan.waterKind;
  const student = (i: number): PlanStudent => ({
    ...{ id: `typical-${i}`, name: `Student ${i + 1}`, ageYears: null, saidAdult: true },
    guardianConsent: true,
    skills: skillState(curriculum.skills.all, [], 0),
  });
  return {
    startMs: 0,
    date: '',
    water: typicalWater(kind),
    students: Array.from({ length: plan.groupSize }, (_, i) => student(i)),
  };
}

function typicalWater(kind: WaterKind): Water {
  return {
    ...{ name: '', kind, latitude: null, longitude: null, timeZone: 'UTC', species: [] },
    places: typicalPlaces(kind),
    rules: BLANK_CARD,
    said: {},
    calendar: null,
  };
}
