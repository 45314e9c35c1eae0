import type { Activity, Board, BoardDrill, BoardSkill } from '../model';
import type { Curriculum } from '../../../curriculum';
import { ADULT_AGE } from '../../../safety';
import { READY } from '../../../skill';
import type { PlanStudent } from '../../rules/rule';
import { actsOf, bitsOf, everybody, lanesOf } from '../activity';
import { boardDrill, isForbidden } from './board-drill';
import { holdsMin } from '../parts/attention';
import { waterMinOf, waysOf } from '../parts/walking';
import { costsOf } from '../parts/worth';
import { longestPlace } from '../../rules/hook-distance';
import { forbiddenRigs } from './rigs';
import type { ScheduleTask } from '../task';

/** Makes a task ready. Students beyond the eighth are left out: a plan has eight places. */
export function boardOf(task: ScheduleTask): Board {
  const { curriculum, lesson, plan } = task;
  const absent = new Set(task.absentIds);
  const planLanes = lesson.students.slice(0, 8).flatMap(({ id }, lane) => (absent.has(id) ? [] : [lane]));
  const students = planLanes.map((lane) => lesson.students[lane]!);
  const bitOf = (planLane: number): number => {
    const at = planLanes.indexOf(planLane);
    return at < 0 ? 0 : 1 << at;
  };
  const at = new Map(curriculum.skills.all.map(({ id }, i) => [id, i]));
  const opened = allOpened(curriculum);
  const forbidden = task.trustsPlan ? new Set<string>() : forbiddenRigs(plan, lesson);
  const made = new Map<string, BoardDrill | null>();
  const drillOf = (id: string | null): BoardDrill | null => {
    if (id === null) return null;
    const before = made.get(id);
    if (before !== undefined) return before;
    const drill = curriculum.drills.find(id);
    const one = drill ? boardDrill(task, students, drill, { index: made.size, at, forbidden }) : null;
    made.set(id, one);
    return one;
  };
  const ids = task.drillIds ?? curriculum.drills.all.map(({ id }) => id);
  const all = everybody(students.length);
  const drills = [...new Set(ids)].sort().flatMap((id) => {
    const drill = drillOf(id);
    return drill && !isForbidden(drill) ? drill : [];
  });
  const read = { all, bitOf, drillOf, forbiddenRigs: forbidden };
  const planned = actsOf(read, plan.blocks);
  const had = students.map(
    (_, lane) =>
      new Map(
        planned.flatMap(({ on, lanes, startMin, endMin }) =>
          on && (lanes & (1 << lane)) !== 0
            ? [[on.index, { startMin, takenMin: endMin - startMin }] as const]
            : [],
        ),
      ),
  );
  if (task.trustsPlan) planned.forEach(trusted);
  const locked = actsOf(
    read,
    plan.blocks.filter(({ id }) => task.lockedIds.includes(id)),
  );
  const skills = curriculum.skills.all.map(({ id, needs }) => ({
    id,
    needs: needs.flatMap((need) => at.get(need) ?? []),
    opens: [...opened.get(id)!].flatMap((other) => at.get(other) ?? []),
    goal: task.goals[id] ?? 1,
    ready: bitsOf(students, ({ skills: own }) => (own[id]?.mastery ?? 0) >= READY),
  }));
  const board = {
    ...{ task, students, planLanes, ...read },
    groups: (task.groups ?? [])
      .map((ids) => bitsOf(students, ({ id }) => ids.includes(id)))
      .filter((bits) => bits !== 0),
    minors: bitsOf(students, isMinor),
    talks: curriculum.drills.all.some(({ strand }) => strand === 'safety'),
    ...{
      holdsMin: holdsMin(lesson),
      waterMin: waterMinOf(task),
      ways: waysOf(lesson.water),
      costs: costsOf(task.weights),
    },
    longestM: Object.fromEntries(
      lesson.water.places.flatMap(({ kind }) => {
        const longest = longestPlace(lesson.water, kind);
        return longest ? [[kind, longest.lengthM]] : [];
      }),
    ),
    ...{ skills, locked, owed: locked.flatMap((act) => owedFor(skills, act)) },
    brings: students.map(({ skills }) => ({
      mastery: curriculum.skills.all.map(({ id }) => skills[id]?.mastery ?? 0),
      learn: curriculum.skills.all.map(({ id }) => skills[id]?.learn ?? 0),
      seen: curriculum.skills.all.map(({ id }) => (skills[id]?.attempts ?? 0) > 0),
      ready: curriculum.skills.all.map(() => Number.NaN),
    })),
    drills,
    draw: new Float64Array(drills.length),
    had,
  } satisfies Board;
  let sum = 0;
  drills.forEach((drill, i) => (board.draw[i] = sum += SELDOM + couldGive(board, drill)));
  return board;
}

/** What an activity rests on, and what that rests on, for those who are not ready. */
function owedFor(skills: readonly BoardSkill[], { on, lanes, startMin }: Activity): Board['owed'] {
  const owed: Board['owed'] = [];
  const from = (skill: number, who: number): void => {
    for (const need of skills[skill]?.needs ?? []) {
      const lacking = who & ~skills[need]!.ready;
      if (lacking === 0) continue;
      owed.push({ skill: need, lanes: lacking, untilMin: startMin });
      from(need, lacking);
    }
  };
  if (on) from(on.main, lanes);
  return owed;
}

/** Of each skill the ids of all that rests on it, and of what rests on that. */
function allOpened({ skills }: Curriculum): Map<string, Set<string>> {
  const opened = new Map<string, Set<string>>(skills.all.map(({ id }) => [id, new Set()]));
  // What a skill rests on comes before it: from the last to the first everything behind is known.
  for (const { id, needs } of [...skills.all].reverse())
    for (const need of needs) for (const one of [id, ...opened.get(id)!]) opened.get(need)?.add(one);
  return opened;
}

/** What somebody planned for a student he may do, as long as it was planned. */
function trusted({ on, lanes, startMin, endMin }: Activity): void {
  if (!on) return;
  for (const lane of lanesOf(lanes)) {
    on.mostMin[lane] = Math.max(on.mostMin[lane]!, endMin - startMin);
    on.who |= 1 << lane;
  }
}

/** Even what gives nothing is drawn now and then: something may rest on it. */
const SELDOM = 0.02;

/**
 * What a drill could give the group in its likely time if nothing held them back.
 *
 * @returns skills, 0 and more
 */
export function couldGive({ brings, skills }: Pick<Board, 'brings' | 'skills'>, drill: BoardDrill): number {
  return drill.trains.reduce(
    (sum, { skill, perMin, counts }) =>
      sum +
      brings.reduce(
        (own, { mastery, learn }, lane) =>
          own +
          drill.counts[lane]! *
            counts *
            skills[skill]!.goal *
            (1 - mastery[skill]!) *
            (1 - (1 - learn[skill]!) ** (perMin * drill.likelyMin)),
        0,
      ),
    0,
  );
}

/** Whose age nobody has said is taken for a minor. */
function isMinor({ ageYears, saidAdult }: PlanStudent): boolean {
  return ageYears === null ? !saidAdult : ageYears < ADULT_AGE;
}
