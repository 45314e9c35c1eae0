import type { BoardDrill } from '../model';
import { adapt } from '../../../adapt';
import { effectFactor, faultFactor } from '../../../curriculum';
import { type Drill, mainSkillOf, thingOf } from '../../../drill';
import { limitsOf } from '../../../need';
import { hookDistance } from '../../../safety';
import { groundSuits, type PlaceKind } from '../../../water';
import { type PlanBody, STEP_MIN } from '../../plan';
import { outfitOf } from '../../rules/hook-distance';
import type { PlanStudent } from '../../rules/rule';
import { bitsOf, isWet } from '../activity';
import { KNOWN_MIN } from '../parts/gain';
import { orderOf } from '../parts/keeping';
import { rigFor } from './rigs';
import type { ScheduleTask } from '../task';

/** The skill a student has first who wades: a drill that watches for it is in the water. */
const WADES = 'water.wades-deep';
/** Minutes by which a block may be longer than a need allows, as in the check. */
const SLACK_MIN = 2;
/** What the rise of a side skill counts against that of the main one. A rule of thumb, as in what comes next. */
const SIDE = 0.5;

/**
 * A drill as it could be done by a group at a water.
 *
 * @param students those who come, in the order of their bits
 * @param index its number on the board, a plain number from 0
 * @param at of each skill its place on the board, a plain number from 0
 * @param forbidden ids of the plan's rigs that must not be fished here
 */
export function boardDrill(
  { curriculum, lesson, plan, stock }: ScheduleTask,
  students: readonly PlanStudent[],
  drill: Drill,
  {
    index,
    at,
    forbidden,
  }: { index: number; at: ReadonlyMap<string, number>; forbidden: ReadonlySet<string> },
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
  const place = placeFor(plan, drill, lesson.water.places);
  const works = effectFactor(drill, lesson.effects ?? []);
  const rigId = rigFor(plan, forbidden, drill.id);
  return {
    ...{ drill, index, mostMin, place },
    wet: place !== null && isWet(place),
    ...(rigId === 'forbidden' ? { rigId: null, rigForbidden: true } : { rigId, rigForbidden: false }),
    apartM: apartOf(plan, drill),
    counted: drill.gear.flatMap(({ item, per }) => {
      const owned = stock[thingOf(item)];
      return owned === undefined ? [] : [{ item, per, owned }];
    }),
    who: bitsOf(mostMin, (most) => most > 0),
    trains: drill.trains.flatMap(({ skillId, share }, i) => {
      const skill = at.get(skillId);
      return skill === undefined
        ? []
        : [
            {
              ...{ skill, perMin: drill.attemptsPerMin * share, counts: i === 0 ? 1 : SIDE },
              missed: new Float64Array(students.length * KNOWN_MIN).fill(Number.NaN),
            },
          ];
    }),
    counts: students.map(({ faults = [] }) => works * faultFactor(drill, faults)),
    main: at.get(mainSkillOf(drill)) ?? -1,
    leastMin,
    inOrder: orderOf(drill, plan.lengthMin),
    likelyMin: Math.max(STEP_MIN, Math.round(likely / STEP_MIN) * STEP_MIN),
  };
}

/** Whether a drill is left out of what is proposed: it is done at the water, and no rig of the plan for it may be fished. */
export function isForbidden({ wet, rigForbidden }: BoardDrill): boolean {
  return wet && rigForbidden;
}

/** With the longest rig that the plan has for a drill, which its blocks keep wherever they go. */
function apartOf(plan: PlanBody, { id, lineOutM }: Drill): number {
  if (lineOutM === 0) return 0;
  const own = plan.blocks.filter(({ drillId }) => drillId === id);
  const outfits = own.length === 0 ? [undefined] : own.map((block) => outfitOf(plan, block));
  return Math.max(...outfits.map((outfit) => hookDistance(lineOutM, outfit)));
}

/**
 * Where the plan has it, if the water has that and it suits; else the longest stretch that has the ground. A drill that can
 * be done anywhere stays where one is.
 */
function placeFor(
  { blocks }: PlanBody,
  { id, ground }: Drill,
  places: ScheduleTask['lesson']['water']['places'],
): PlaceKind | null {
  if (ground === 'anywhere') return 'anywhere';
  const fit = places.filter(({ kind }) => groundSuits(ground, kind));
  const planned = blocks.find(
    ({ drillId, place }) => drillId === id && fit.some(({ kind }) => kind === place),
  );
  if (planned) return planned.place;
  return (
    fit.reduce<(typeof fit)[number] | null>(
      (longest, one) => (longest && longest.lengthM >= one.lengthM ? longest : one),
      null,
    )?.kind ?? null
  );
}
