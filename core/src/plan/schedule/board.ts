import type { Activity, Board, BoardDrill } from './model';
import { adapt } from '../../adapt';
import { type Drill, mainSkillOf } from '../../drill';
import { limitsOf } from '../../need';
import { ADULT_AGE } from '../../safety';
import { READY } from '../../skill';
import { groundSuits, type PlaceKind } from '../../water';
import { STEP_MIN } from '../plan';
import type { PlanStudent } from '../rules/rule';
import { actsOf, everybody, lanesOf } from './activity';
import type { ScheduleTask } from './task';

/** The skill a student has first who wades: a drill that watches for it is in the water. */
const WADES = 'water.wades-deep';
/** Minutes by which a block may be longer than a need allows, as in the check. */
const SLACK_MIN = 2;
/** What the rise of a side skill counts against that of the main one. A rule of thumb, as in what comes next. */
const SIDE = 0.5;

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
  const made = new Map<string, BoardDrill | null>();
  const drillOf = (id: string | null): BoardDrill | null => {
    if (id === null) return null;
    const before = made.get(id);
    if (before !== undefined) return before;
    const drill = curriculum.drills.find(id);
    const one = drill ? toBoard(task, students, drill, made.size, at) : null;
    made.set(id, one);
    return one;
  };
  const ids = task.drillIds ?? curriculum.drills.all.map(({ id }) => id);
  const all = everybody(students.length);
  const drills = [...new Set(ids)].sort().flatMap((id) => drillOf(id) ?? []);
  const planned = actsOf({ all, bitOf, drillOf }, plan.blocks);
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
  const board = {
    ...{ task, students, planLanes, bitOf, drillOf, all, known: new Map() },
    groups: (task.groups ?? [])
      .map((ids) => bitsOf(students, ({ id }) => ids.includes(id)))
      .filter((bits) => bits !== 0),
    minors: bitsOf(students, isMinor),
    talks: curriculum.drills.all.some(({ strand }) => strand === 'safety'),
    skills: curriculum.skills.all.map(({ id, needs }) => ({
      id,
      needs: needs.flatMap((need) => at.get(need) ?? []),
      goal: task.goals[id] ?? 1,
      ready: bitsOf(students, ({ skills }) => (skills[id]?.mastery ?? 0) >= READY),
    })),
    brings: students.map(({ skills }) => ({
      mastery: Float64Array.from(curriculum.skills.all, ({ id }) => skills[id]?.mastery ?? 0),
      learn: Float64Array.from(curriculum.skills.all, ({ id }) => skills[id]?.learn ?? 0),
      seen: Uint8Array.from(curriculum.skills.all, ({ id }) => Number((skills[id]?.attempts ?? 0) > 0)),
    })),
    drills,
    draw: new Float64Array(drills.length),
    had,
    locked: actsOf(
      { all, bitOf, drillOf },
      plan.blocks.filter(({ id }) => task.lockedIds.includes(id)),
    ),
  } satisfies Board;
  let sum = 0;
  drills.forEach((drill, i) => (board.draw[i] = sum += SELDOM + couldGive(board, drill)));
  return board;
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
        (own, { mastery, learn }) =>
          own +
          counts *
            skills[skill]!.goal *
            (1 - mastery[skill]!) *
            (1 - (1 - learn[skill]!) ** (perMin * drill.likelyMin)),
        0,
      ),
    0,
  );
}

/** A bit for each of a list of whom something holds. */
function bitsOf<T>(list: readonly T[], holds: (one: T) => boolean): number {
  return list.reduce((bits, one, i) => (holds(one) ? bits | (1 << i) : bits), 0);
}

/** Whose age nobody has said is taken for a minor. */
function isMinor({ ageYears, saidAdult }: PlanStudent): boolean {
  return ageYears === null ? !saidAdult : ageYears < ADULT_AGE;
}

function toBoard(
  { curriculum, lesson }: ScheduleTask,
  students: readonly PlanStudent[],
  drill: Drill,
  index: number,
  at: ReadonlyMap<string, number>,
): BoardDrill {
  const { min, likely, max } = drill.minutes;
  const inWater = curriculum.skills.get(mainSkillOf(drill)).faults.includes(WADES);
  const leastMin = Math.max(STEP_MIN, Math.round(min / STEP_MIN) * STEP_MIN);
  const mostMin = students.map(({ needs = [] }) => {
    const adapted = adapt(curriculum, drill, needs);
    if (adapted.instead || (inWater && limitsOf(needs).wadeM === 0)) return 0;
    // A need that shortens the likely time shortens the longest as much, a little over being no matter.
    const most = Math.min(1, adapted.minutes / likely) * max + SLACK_MIN;
    const onSteps = Math.floor(most / STEP_MIN) * STEP_MIN;
    return onSteps < leastMin ? 0 : onSteps;
  });
  return {
    ...{ drill, index, mostMin },
    who: bitsOf(mostMin, (most) => most > 0),
    trains: drill.trains.flatMap(({ skillId, share }, i) => {
      const skill = at.get(skillId);
      return skill === undefined
        ? []
        : [{ skill, perMin: drill.attemptsPerMin * share, counts: i === 0 ? 1 : SIDE }];
    }),
    main: at.get(mainSkillOf(drill)) ?? -1,
    place: placeFor(drill, lesson.water.places),
    leastMin,
    likelyMin: Math.max(STEP_MIN, Math.round(likely / STEP_MIN) * STEP_MIN),
  };
}

/** The longest stretch that has the ground; a drill that can be done anywhere stays where one is. */
function placeFor({ ground }: Drill, places: ScheduleTask['lesson']['water']['places']): PlaceKind | null {
  if (ground === 'anywhere') return 'anywhere';
  const fit = places.filter(({ kind }) => groundSuits(ground, kind));
  return (
    fit.reduce<(typeof fit)[number] | null>(
      (longest, one) => (longest && longest.lengthM >= one.lengthM ? longest : one),
      null,
    )?.kind ?? null
  );
}
