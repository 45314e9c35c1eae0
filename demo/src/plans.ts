import {
  applyEdit,
  blockFromDrill,
  deterministicId,
  emptyPlan,
  buildRig,
  DEFAULT_SCHOOLS,
  plainBlock,
  type Block,
  type DriftSetup,
  type PlaceKind,
  type PlanB,
  type PlanBody,
  type Rig,
  DEFAULT_SETUP,
} from '@doceo/core';
import { SHIPPED_CURRICULUM } from '@doceo/core/shipped';
import { FELLOW_SCHOOLS } from './rig-bench';

export interface DemoRig {
  id: string;
  name: string;
  rig: Rig;
}

/** The school presses all its barbs flat. */
function flat(rig: Rig): Rig {
  return { ...rig, flies: rig.flies.map((fly) => ({ ...fly, barb: 'flat' })) };
}

export const DEMO_RIGS: DemoRig[] = [
  {
    id: deterministicId('rig:two-nymphs'),
    name: 'Two nymphs under an indicator',
    rig: flat(buildRig('indicator-nymph')),
  },
  {
    id: deterministicId('rig:one-nymph'),
    name: 'One nymph, slow water',
    rig: flat(
      buildRig('indicator-nymph', {
        schools: { ...DEFAULT_SCHOOLS, indicator: 'suspended' },
        flyCount: 1,
        waterDepthM: 1.6,
        shotMassKg: 0,
      }),
    ),
  },
];

/** Lanes of a block: everybody, or some places of the group. */
type Lanes = 'all' | number[];

interface Row {
  drill?: string;
  plain?: [Block['kind'], string];
  at: number;
  min: number;
  lanes: Lanes;
  place?: PlaceKind;
  rigId?: string;
  drift?: DriftSetup;
}

/** What is done in the hut when thunder ends the morning at the water. */
const IN_THE_HUT: Row[] = [
  { drill: 'thunder-drill', at: 100, min: 5, lanes: 'all' },
  { plain: ['break', 'Tea'], at: 105, min: 10, lanes: 'all' },
  { drill: 'clinch-race', at: 115, min: 15, lanes: 'all' },
  { drill: 'surgeon-pairs', at: 130, min: 15, lanes: 'all' },
  { drill: 'seam-on-paper', at: 145, min: 10, lanes: [0, 1] },
  { drill: 'untangle-clock', at: 145, min: 10, lanes: [2, 3] },
  { drill: 'untangle-clock', at: 155, min: 10, lanes: [0, 1] },
  { drill: 'seam-on-paper', at: 155, min: 10, lanes: [2, 3] },
  { drill: 'wet-hands-net', at: 165, min: 20, lanes: 'all' },
  { plain: ['debrief', 'What went well'], at: 185, min: 15, lanes: 'all' },
];

function build(
  key: string,
  base: Partial<PlanBody>,
  rows: Row[],
  other?: Omit<PlanB, 'blocks'> & { rows: Row[] },
): PlanBody {
  const planB = other && {
    ...{ trigger: other.trigger, fromMin: other.fromMin },
    blocks: build(`${key}/b`, base, other.rows).blocks,
  };
  const start: PlanBody = { ...emptyPlan(), ...base, ...(planB ? { planB } : {}) };
  return rows.reduce<PlanBody>((plan, row, index) => {
    const lanes = row.lanes === 'all' ? [null] : row.lanes;
    return lanes.reduce<PlanBody>((current, lane) => {
      const id = deterministicId(`block:${key}/${index}/${lane ?? 'all'}`);
      const made = row.drill
        ? blockFromDrill(SHIPPED_CURRICULUM.drills.get(row.drill), id, row.at, lane)
        : plainBlock(row.plain?.[0] ?? 'break', row.plain?.[1] ?? 'Break', id, row.at, row.min);
      return applyEdit(SHIPPED_CURRICULUM, current, {
        kind: 'add',
        block: {
          ...made,
          durationMin: row.min,
          ...(row.drift ? { drift: row.drift } : {}),
          place: row.place ?? made.place,
          rigId: row.rigId ?? null,
        },
      });
    }, plan);
  }, start);
}

/** Reached up over the faster water, with a mend up once it begins to take the line. */
const MENDED_DRIFT: DriftSetup = {
  ...DEFAULT_SETUP,
  standM: -2.5,
  handling: 'reach-up',
  acts: [{ kind: 'mend', way: 'up', atS: 1.2, sizeM: 1.2, from: 0.1, to: 0.8 }],
};

const TWO_NYMPHS = DEMO_RIGS[0] as DemoRig;

/** The lead instructor's plan for a first day with nymphs, after the sketch of the trade. */
export const FIRST_NYMPHS = {
  id: deterministicId('plan:first-nymphs'),
  title: 'First nymphs',
  body: build(
    'first-nymphs',
    {
      aim: 'At the end each has set on ten takes and netted or nearly netted a fish.',
      groupSize: 4,
      season: 'autumn',
      waterKind: 'river',
      lengthMin: 210,
      rigs: [TWO_NYMPHS],
    },
    [
      { drill: 'hats-and-glasses', at: 0, min: 15, lanes: 'all' },
      { drill: 'indicator-rig', at: 15, min: 30, lanes: [0, 1], rigId: TWO_NYMPHS.id },
      { drill: 'count-the-pause', at: 15, min: 30, lanes: [2, 3] },
      { drill: 'water-load', at: 45, min: 30, lanes: [0, 1], rigId: TWO_NYMPHS.id },
      { drill: 'indicator-rig', at: 45, min: 30, lanes: [2, 3], rigId: TWO_NYMPHS.id },
      { drill: 'find-the-seam', at: 75, min: 25, lanes: 'all' },
      { plain: ['break', 'Tea'], at: 100, min: 10, lanes: 'all' },
      { drill: 'set-on-anything', at: 110, min: 40, lanes: [0, 1], place: 'pool', rigId: TWO_NYMPHS.id },
      { drill: 'tuck-over', at: 110, min: 40, lanes: [2, 3], rigId: TWO_NYMPHS.id },
      { drill: 'mend-both-ways', at: 150, min: 30, lanes: [0, 1], rigId: TWO_NYMPHS.id, drift: MENDED_DRIFT },
      { drill: 'set-on-anything', at: 150, min: 30, lanes: [2, 3], place: 'pool', rigId: TWO_NYMPHS.id },
      { drill: 'wet-hands-net', at: 180, min: 30, lanes: 'all' },
    ],
    { trigger: 'thunder', fromMin: 100, rows: IN_THE_HUT },
  ),
};

export const GRASS_DAY = {
  id: deterministicId('plan:grass-day'),
  title: 'Grass before water',
  body: build(
    'grass-day',
    {
      aim: 'A straight line at seven metres, eight times of ten, and two knots that hold.',
      groupSize: 6,
      season: 'any',
      lengthMin: 150,
      level: 'first-day',
    },
    [
      { drill: 'hats-and-glasses', at: 0, min: 10, lanes: 'all' },
      { drill: 'grip-and-stance', at: 10, min: 10, lanes: 'all', place: 'grass' },
      { drill: 'draw-the-line', at: 20, min: 15, lanes: 'all' },
      { drill: 'stop-and-say', at: 35, min: 15, lanes: 'all' },
      { plain: ['break', 'Break'], at: 50, min: 10, lanes: 'all' },
      { drill: 'count-the-pause', at: 60, min: 15, lanes: 'all' },
      { drill: 'clinch-race', at: 75, min: 15, lanes: 'all' },
      { drill: 'lay-it-down', at: 90, min: 20, lanes: 'all', place: 'grass' },
      { drill: 'wet-hands-net', at: 110, min: 20, lanes: 'all' },
      { plain: ['debrief', 'What went well'], at: 130, min: 15, lanes: 'all' },
    ],
  ),
};

export const STILL_WATER = {
  id: deterministicId('plan:still-water'),
  title: 'Still water, one fly',
  body: build(
    'still-water',
    {
      aim: 'Count down to the same depth three times and set with a strip.',
      groupSize: 4,
      season: 'summer',
      waterKind: 'lake',
      lengthMin: 120,
    },
    [
      { drill: 'hats-and-glasses', at: 0, min: 10, lanes: 'all' },
      { drill: 'thunder-drill', at: 10, min: 5, lanes: 'all' },
      { drill: 'roll-the-d', at: 15, min: 20, lanes: 'all', place: 'margin' },
      { drill: 'strip-set', at: 35, min: 15, lanes: 'all', place: 'margin' },
      { drill: 'count-it-down', at: 50, min: 35, lanes: 'all', place: 'shoal' },
      { plain: ['debrief', 'What moved a fish'], at: 85, min: 15, lanes: 'all' },
    ],
  ),
};

const FELLOW_RIG: DemoRig = {
  id: deterministicId('rig:riffle-nymphs'),
  name: 'Two nymphs, fast water',
  rig: buildRig('indicator-nymph', { schools: FELLOW_SCHOOLS, shotMassKg: 0.0003 }),
};

/** The fellow's, rigged his way. */
export const RIFFLE_NYMPHS = {
  id: deterministicId('plan:riffle-nymphs'),
  title: 'Nymphs in the riffle',
  body: build(
    'riffle-nymphs',
    {
      aim: 'Lead the indicator, touch the bottom one cast in six.',
      groupSize: 4,
      season: 'autumn',
      waterKind: 'river',
      lengthMin: 120,
      rigs: [FELLOW_RIG],
    },
    [
      { drill: 'hats-and-glasses', at: 0, min: 10, lanes: 'all' },
      { drill: 'indicator-rig', at: 10, min: 25, lanes: 'all', rigId: FELLOW_RIG.id },
      { drill: 'find-the-seam', at: 35, min: 20, lanes: 'all' },
      { drill: 'mend-both-ways', at: 55, min: 25, lanes: 'all', rigId: FELLOW_RIG.id },
      { plain: ['debrief', 'What moved a fish'], at: 80, min: 15, lanes: 'all' },
    ],
  ),
};

export const JETTY_EVENING = {
  id: deterministicId('plan:jetty-evening'),
  title: 'Jetty evening',
  body: build(
    'jetty-evening',
    {
      aim: 'Loops on purpose, no water needed.',
      groupSize: 3,
      season: 'any',
      lengthMin: 75,
      level: 'improver',
    },
    [
      { drill: 'hats-and-glasses', at: 0, min: 10, lanes: 'all' },
      { drill: 'hoops', at: 10, min: 20, lanes: 'all' },
      { drill: 'two-and-down', at: 30, min: 15, lanes: 'all' },
      { plain: ['debrief', 'Tea and talk'], at: 45, min: 20, lanes: 'all' },
    ],
  ),
};
