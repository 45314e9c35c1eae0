import type { Board, BoardDrill } from './model';
import { adapt } from '../../adapt';
import { type Drill, mainSkillOf } from '../../drill';
import { limitsOf } from '../../need';
import { ADULT_AGE } from '../../safety';
import { READY } from '../../skill';
import { groundSuits, type PlaceKind } from '../../water';
import { STEP_MIN } from '../plan';
import type { PlanStudent } from '../rules/rule';
import { actsOf, everybody } from './activity';
import type { ScheduleTask } from './task';

/** The skill a student has first who wades: a drill that watches for it is in the water. */
const WADES = 'water.wades-deep';
/** What the rise of a side skill counts against that of the main one. A rule of thumb, as in what comes next. */
const SIDE = 0.5;

/** Makes a task ready. Students beyond the eighth are left out: a plan has eight places. */
export function boardOf(task: ScheduleTask): Board {
  const { curriculum, lesson, plan } = task;
  const students = lesson.students.slice(0, 8);
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
  return {
    ...{ task, students, drillOf, all, known: new Map() },
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
    drills: [...new Set(ids)].sort().flatMap((id) => drillOf(id) ?? []),
    locked: actsOf(
      { all, drillOf },
      plan.blocks.filter(({ id }) => task.lockedIds.includes(id)),
    ),
  };
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
  const mostMin = students.map(({ needs = [] }) => {
    const adapted = adapt(curriculum, drill, needs);
    if (adapted.instead || (inWater && limitsOf(needs).wadeM === 0)) return 0;
    // A need that shortens the likely time shortens the longest as much.
    const most = Math.min(1, adapted.minutes / likely) * max;
    return Math.max(Math.floor(most / STEP_MIN), min <= STEP_MIN ? 1 : 0) * STEP_MIN;
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
    leastMin: Math.max(STEP_MIN, Math.ceil(min / STEP_MIN) * STEP_MIN),
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
