import type { commands } from '@doceo/contract';
import {
  closedHours,
  CoreError,
  curriculumOf,
  groupSplit,
  judgeOf,
  overrun,
  planCourse,
  rankDays,
  readiness,
  reasonsFor,
  replanCosts,
  replanTask,
  schedule,
  type ScheduleTask,
  USUAL_WEIGHTS,
  whyGone,
  whyNot,
} from '@doceo/core';
import { windowReasonText } from '@doceo/texts';
import type * as z from 'zod';
import { knownStudents, type Runners, taught, withSkills } from './runner';

/** Changes that a usual machine tries in a millisecond: by it a time is a number of tries, the same everywhere. */
const TRIES_A_MS = 6;

function taskOf({
  layer,
  lesson,
  weights,
  ...task
}: Omit<z.output<(typeof commands)['schedule-score']['input']>, 'plans'>): ScheduleTask {
  const curriculum = curriculumOf(taught(layer), task.plan);
  const said = Object.entries(weights).filter(([, weight]) => weight !== undefined);
  return {
    ...task,
    curriculum,
    lesson: withSkills(curriculum, lesson),
    weights: { ...USUAL_WEIGHTS, ...Object.fromEntries(said) },
  };
}

/** Commands about the plan that the machine makes. */
export const scheduleRunners = {
  schedule: ({ seed, milliseconds, ...input }) => {
    const task = taskOf(input);
    const found = schedule(task, { seed, tries: milliseconds * TRIES_A_MS });
    if (!found || found.plan.blocks.length === 0)
      return { plan: null, score: null, exact: false, whyNot: whyNot(task), reasons: [], gone: [] };
    const { plan, score, exact } = found;
    const reasons = reasonsFor(task, plan.blocks).map((one) => ({
      ...one,
      lanes: [...one.lanes],
      blockIds: [...one.blockIds],
      worked: one.worked && { ...one.worked, rise: one.worked.rise && { mean: one.worked.rise.mean } },
    }));
    const gone = whyGone(task, task.plan.blocks, plan.blocks).map(({ blockIds, ...one }) => ({
      ...one,
      blockIds: [...blockIds],
    }));
    return { plan, score, exact, whyNot: null, reasons, gone };
  },
  'schedule-score': ({ plans, ...input }) => {
    const judge = judgeOf(taskOf(input));
    return {
      plans: plans.map((blocks) => {
        const { faults, score } = judge(blocks);
        const breaks = faults.map(({ rule, atMin, act, lane }) => ({
          ...{ rule, atMin, lane },
          drillId: act?.drillId ?? null,
        }));
        return { score, breaks };
      }),
    };
  },
  replan: ({ layer, plan, lesson: input, seed, milliseconds, ...wish }) => {
    const curriculum = curriculumOf(taught(layer), plan);
    const lesson = withSkills(curriculum, input);
    const task = replanTask(plan, wish, { curriculum, lesson, closed: closedHours(plan, lesson) });
    const found = schedule(task, { seed, tries: milliseconds * TRIES_A_MS });
    return {
      plan: found?.plan ?? null,
      costs: found
        ? replanCosts(curriculum, plan, found.plan).map((cost) => ({ ...cost, lanes: [...cost.lanes] }))
        : [],
      whyNot: found ? null : whyNot(task),
    };
  },
  overrun: ({ layer, plan, runs, seed }) => {
    const ends = overrun(taught(layer), plan, { runs, seed });
    if (!ends) return { ends: null };
    const { endsMin: _all, ...told } = ends;
    return { ends: told };
  },
  'group-split': ({ layer, lesson, ...wish }) => {
    const { students } = withSkills(taught(layer), lesson);
    return {
      groups: groupSplit(students, wish).map((group) =>
        group.map((student) => ({
          ...{ id: student.id, name: student.name },
          ready: readiness(student, wish.goals),
        })),
      ),
    };
  },
  'day-rank': ({ layer, plan, students, waters, days, busy }) => {
    const curriculum = taught(layer);
    const found = new Map(waters.map(({ id, water }) => [id, water]));
    const options = days.map((day) => {
      const water = found.get(day.waterId);
      if (!water) throw new CoreError('unknown-id', { name: 'water', value: day.waterId });
      return { ...day, water };
    });
    const ranked = rankDays(
      curriculum,
      plan,
      knownStudents(curriculum, students, days[0]?.open.fromMs ?? 0),
      options,
      busy,
    );
    return {
      days: ranked.map(({ problems, reasons, ...day }) => ({
        ...day,
        reasons: reasons.map(windowReasonText),
        mustFix: problems.filter(({ level }) => level === 'must-fix').length,
        check: problems.filter(({ level }) => level === 'check').length,
      })),
    };
  },
  course: ({ layer, lessons, goals, seed, milliseconds, ...task }) => {
    const curriculum = taught(layer);
    const unknown = goals.find((id) => !curriculum.skills.find(id));
    if (unknown !== undefined) throw new CoreError('unknown-id', { name: 'goals', value: unknown });
    const stranger = lessons
      .flatMap(({ studentIds = [] }) => studentIds)
      .find((id) => !task.students.some((student) => student.id === id));
    if (stranger !== undefined) throw new CoreError('unknown-id', { name: 'studentIds', value: stranger });
    const ordered = [...lessons].sort((a, b) => a.startMs - b.startMs);
    return planCourse(
      {
        ...task,
        curriculum,
        goals,
        lessons: ordered.map(({ plan, studentIds, ...lesson }) => ({ plan, studentIds, lesson })),
      },
      { seed, tries: milliseconds * TRIES_A_MS },
    );
  },
} satisfies Partial<Runners>;
