import { deterministicId, pickWeighted, seededRandom } from '.';

describe('seeded random', () => {
  it('is the same for the same seed and even enough', () => {
    const sample = (seed: string): number[] => Array.from({ length: 4000 }, seededRandom(seed));
    expect(sample('a')).toEqual(sample('a'));
    expect(sample('a')).not.toEqual(sample('b'));
    expect(sample('a').reduce((sum, x) => sum + x, 0) / 4000).toBeCloseTo(0.5, 1);
  });

  it('makes valid ids and weighs what it picks', () => {
    expect(deterministicId('x')).toMatch(
      /^[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/,
    );
    expect(deterministicId('x')).toBe(deterministicId('x'));
    const random = seededRandom('pick');
    const picks = Array.from({ length: 1000 }, () =>
      pickWeighted(random, ['a', 'b'], (item) => (item === 'a' ? 9 : 1)),
    );
    expect(picks.filter((item) => item === 'a').length).toBeGreaterThan(850);
  });
});
