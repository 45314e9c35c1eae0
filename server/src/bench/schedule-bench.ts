import {
  BLANK_CARD,
  emptyPlan,
  PLAIN_RULES,
  plainPlan,
  type PlanStudent,
  proposals,
  schedule,
  type ScheduleTask,
  seededRandom,
  skillState,
  typicalPlaces,
  USUAL_WEIGHTS,
} from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';

const FIRST_AIM_MS = 150;
const GROUPS = 100;
/** About a second, and ten, on a usual machine. */
const SECOND = 6000;

/** Six students of whom some things were seen, four hours at a river, sixty drills, two adults. */
function group(seed: string, lengthMin = 240): ScheduleTask {
  const random = seededRandom(seed);
  const skills = SHIPPED.skills.all.slice(0, 14);
  const students = Array.from({ length: 6 }, (_, i): PlanStudent => {
    const attempts = Array.from({ length: 40 }, (_unused, k) => ({
      ...{ id: `${k}`, atMs: k, good: random() < 0.3 + i * 0.08 },
      skillId: skills[Math.floor(random() * skills.length)]!.id,
    }));
    return {
      ...{ id: `s${i}`, name: `S${i}`, ageYears: 40, saidAdult: false, guardianConsent: true },
      needs: i === 0 ? ['shoulder'] : [],
      skills: skillState(SHIPPED.skills.all, attempts, 100),
    };
  });
  const river = SHIPPED.drills.all.filter(({ ground }) => ground !== 'stillwater');
  const drills = [...river.filter(({ strand }) => strand === 'safety').slice(0, 4), ...river.slice(10, 66)];
  return {
    curriculum: SHIPPED,
    plan: { ...emptyPlan(), groupSize: 6, lengthMin },
    lesson: {
      ...{ startMs: 0, date: '2026-06-01', students },
      water: {
        ...{ name: 'Bench', kind: 'river', latitude: null, longitude: null, timeZone: 'UTC' },
        ...{ species: [], places: typicalPlaces('river'), said: {}, calendar: null },
        rules: BLANK_CARD,
      },
    },
    staff: { instructors: 1, assistants: 1 },
    drillIds: drills.map(({ id }) => id),
    ...{ lockedIds: [], goals: {}, closed: [], stock: {}, weights: USUAL_WEIGHTS },
  };
}

/** How soon a plan is there, how good it is after a second against ten, and how far ahead of plain rules. */
export function benchSchedule(): void {
  const task = group('bench');
  const began = performance.now();
  proposals(task, { seed: 'bench', tries: 0 }).next();
  const firstMs = performance.now() - began;
  const scoreAfter = (tries: number): number => schedule(task, { seed: 'bench', tries })?.score.total ?? 0;
  const from = performance.now();
  const short = scoreAfter(SECOND);
  const tookMs = performance.now() - from;
  const long = scoreAfter(10 * SECOND);
  console.log(
    `\nplan for 6 students × 4 h × 60 drills: first after ${firstMs.toFixed(0)} ms of ${FIRST_AIM_MS} ms (${(firstMs / FIRST_AIM_MS).toFixed(2)} of the aim)`,
  );
  console.log(
    `  ${SECOND} tries in ${tookMs.toFixed(0)} ms: ${short.toFixed(2)} points, ${(short / long).toFixed(3)} of ten times as many (${long.toFixed(2)})`,
  );
  const ahead = Object.fromEntries(PLAIN_RULES.map((rule) => [rule, { sum: 0, seeds: 0 }]));
  for (let i = 0; i < GROUPS; i++) {
    const one = group(`group ${i}`, 180);
    const { total } = schedule(one, { seed: 'bench', tries: SECOND / 10 })!.score;
    for (const rule of PLAIN_RULES) {
      const by = total - (plainPlan(one, rule)?.score.total ?? 0);
      ahead[rule]!.sum += by;
      ahead[rule]!.seeds += by > 0 ? 1 : 0;
    }
  }
  for (const rule of PLAIN_RULES)
    console.log(
      `  against ${rule}: ahead on ${ahead[rule]!.seeds} of ${GROUPS} groups, by ${(ahead[rule]!.sum / GROUPS).toFixed(2)} points on the mean`,
    );
}
