import { FORGET_DAYS, type Skill, type Strand } from '../../../skill';

/** Skills that a bench shows: the trainer of takes, the knots on the scale, the drifts put in order. */
const ON_A_BENCH: readonly string[] = [
  'hook-setting.see-take',
  'hook-setting.set-timing',
  'rigging.knots.wet-and-seat',
  'rigging.knots.clinch',
  'rigging.knots.surgeon',
  'rigging.loops',
  'water.angle-choice',
  'water.mend-up',
  'water.mend-down',
  'water.reach-mend',
];
/** Skills that are measured: the beat of the cast against what its line needs. */
const MEASURED: readonly string[] = ['casting.pause'];

/** Short form for the tables of skills. Names in `needs` without a slash belong to the same strand. */
export function skill(
  strand: Strand,
  name: string,
  title: string,
  sentence: string,
  good: string,
  needs: string[] = [],
  faults: string[] = [],
): Skill {
  const id = `${strand}.${name}`;
  return {
    id,
    strand,
    name: title,
    sentence,
    good,
    needs: needs.map((need) => (need.includes('/') ? need.replace('/', '.') : `${strand}.${need}`)),
    faults,
    shownBy: [
      'drill',
      'answer',
      'passing',
      ...(ON_A_BENCH.includes(id) ? (['bench'] as const) : []),
      ...(MEASURED.includes(id) ? (['measured'] as const) : []),
    ],
    forgetDays: FORGET_DAYS,
  };
}
