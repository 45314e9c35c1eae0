import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { seededRandom } from '../random';
import { MIN_FIT_STUDENTS, fitSkill } from './fit';
import { type FittedSkills, parametersFor } from './fitted';

import { skillState } from './record';
import type { TracingParameters } from './parameters';
import type { Attempt } from './tracing';

/** Students who learn one skill by these parameters, in one session each. */
function school(seed: string, count: number, length: number, truth: TracingParameters): Attempt[][] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, (_, student) => {
    let mastered = random() < truth.initial;
    return Array.from({ length }, (_unused, i) => {
      const good = random() < (mastered ? 1 - truth.slip : truth.guess);
      if (!mastered && random() < truth.learn) mastered = true;
      return { id: `${student}/${i}`, atMs: i * 20_000, good };
    });
  });
}

describe('parameters fitted to a school’s own records', () => {
  it.each<[string, TracingParameters]>([
    ['quick learners', { initial: 0.1, learn: 0.12, slip: 0.08, guess: 0.15 }],
    ['slow learners who guess', { initial: 0.2, learn: 0.04, slip: 0.12, guess: 0.3 }],
    ['a skill half of them bring along', { initial: 0.45, learn: 0.06, slip: 0.2, guess: 0.12 }],
  ])('find the truth of %s again, within a tenth and within three spreads', (_, truth) => {
    const fit = fitSkill(school('fit', 300, 20, truth));
    expect(fit).toMatchObject({ enough: true, students: 300, attempts: 6000 });
    for (const key of ['initial', 'learn', 'slip', 'guess'] as const) {
      expect([key, Math.abs(fit.mean[key] - truth[key]) < 0.1]).toEqual([key, true]);
      expect(Math.abs(fit.mean[key] - truth[key])).toBeLessThan(3 * fit.spread[key] + 0.06);
    }
  });

  it('are not claimed from a few students: then they are the prior', () => {
    const truth = { initial: 0.1, learn: 0.1, slip: 0.1, guess: 0.2 };
    const few = fitSkill(school('few', MIN_FIT_STUDENTS - 1, 40, truth));
    expect(few.enough).toBe(false);
    expect(few.mean).toEqual(fitSkill([]).mean);
  });

  it('do not depend on the order in which students or attempts come', () => {
    const students = school('order', 20, 20, { initial: 0.2, learn: 0.08, slip: 0.1, guess: 0.2 });
    const turned = [...students].reverse().map((attempts) => [...attempts].reverse());
    expect(fitSkill(turned).mean.learn).toBeCloseTo(fitSkill(students).mean.learn, 9);
  });

  it('grow surer with more records', () => {
    const truth = { initial: 0.2, learn: 0.08, slip: 0.1, guess: 0.2 };
    const spread = (count: number) => fitSkill(school('more', count, 20, truth)).spread.guess;
    expect(spread(200)).toBeLessThan(spread(20));
  });
});

describe('tracing with what was fitted', () => {
  const truth = { initial: 0.45, learn: 0.02, slip: 0.05, guess: 0.3 };
  const fit = fitSkill(school('used', 200, 15, truth));
  const unseen = (fitted: FittedSkills) => skillState(SHIPPED.skills.all, [], 0, fitted)['casting.stop'];

  it('starts from what the school’s students bring along', () => {
    expect(unseen({})?.mastery).toBeLessThan(0.3);
    expect(unseen({ 'casting.stop': fit })?.mastery).toBeCloseTo(fit.mean.initial, 2);
  });

  it('is not surer of a student it never saw than students differ', () => {
    const estimate = unseen({ 'casting.stop': fit });
    expect((estimate?.high ?? 0) - (estimate?.low ?? 0)).toBeGreaterThan(0.1);
  });

  it('leaves a fit from too few alone', () =>
    expect(unseen({ 'casting.stop': { ...fit, enough: false } })).toEqual(unseen({})));

  it('keeps every parameter a probability', () => {
    const edge = { initial: 0, learn: 0, slip: 0.5, guess: 0.5 };
    for (const parameters of parametersFor(
      { 'casting.stop': { enough: true, mean: edge, spread: edge } },
      'casting.stop',
    ))
      for (const value of Object.values(parameters)) {
        expect(value).toBeGreaterThan(0);
        expect(value).toBeLessThan(1);
      }
  });
});
