import { FORGET_DAYS, type Skill, type Strand } from '../../../skill';

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
  return {
    id: `${strand}.${name}`,
    strand,
    name: title,
    sentence,
    good,
    needs: needs.map((need) => (need.includes('/') ? need.replace('/', '.') : `${strand}.${need}`)),
    faults,
    shownBy: ['drill', 'answer', 'passing'],
    forgetDays: FORGET_DAYS,
  };
}
