import { normal, seededRandom } from '../random';
import { poolEffects, type SchoolEffect, schoolEffect } from './effect-pool';

const school = (
  name: string,
  students: number,
  mean: number,
  rest: Partial<SchoolEffect> = {},
): SchoolEffect => ({
  ...{ school: name, students, lessons: 3, mean, spread: 0.3, ...rest },
});

/** Schools of which the truth is known: what each does lies round what all do, and its students round that. */
function simulated(seed: string, between: number) {
  const random = seededRandom(seed);
  const all = 0.1 + 0.3 * random();
  const schools = Array.from({ length: 3 + Math.floor(random() * 6) }, (_, i) => {
    const truth = all + between * normal(random);
    const rises = Array.from({ length: 5 + Math.floor(random() * 26) }, () => truth + 0.35 * normal(random));
    const mean = rises.reduce((sum, rise) => sum + rise, 0) / rises.length;
    const spread = Math.sqrt(rises.reduce((sum, rise) => sum + (rise - mean) ** 2, 0) / (rises.length - 1));
    return { truth, effect: school(`School ${i}`, rises.length, mean, { spread }) };
  });
  return { all, schools };
}

describe('effects of several schools', () => {
  it('lie in their band in eight of ten cases, for each school and for all of them', () => {
    const counts = { school: 0, schools: 0, all: 0, cases: 0 };
    for (const between of [0.06, 0.12, 0.2])
      for (let i = 0; i < 300; i++) {
        const { all, schools } = simulated(`effects ${between} ${i}`, between);
        const pooled = poolEffects(schools.map(({ effect }) => effect))!;
        counts.cases += 1;
        if (all >= pooled.low && all <= pooled.high) counts.all += 1;
        pooled.schools.forEach(({ low, high }, k) => {
          counts.schools += 1;
          const { truth } = schools[k]!;
          if (truth >= low && truth <= high) counts.school += 1;
        });
      }
    for (const share of [counts.school / counts.schools, counts.all / counts.cases]) {
      expect(share).toBeGreaterThanOrEqual(0.75);
      expect(share).toBeLessThanOrEqual(0.85);
    }
  });

  it('draw a small school to the mean more than a large one that saw the same', () => {
    const pooled = poolEffects([
      school('Small', 5, 0.8),
      school('Large', 60, 0.8),
      school('Third', 20, 0.2),
      school('Fourth', 20, 0.2),
    ])!;
    const [small, large] = pooled.schools;
    expect(small!.mean).toBeLessThan(large!.mean);
    expect(small!.mean).toBeGreaterThan(pooled.mean);
    expect(small!.high - small!.low).toBeGreaterThan(large!.high - large!.low);
  });

  it('are not told of fewer than five students of three lessons, nor counted', () => {
    const some = [school('A', 12, 0.3), school('B', 9, 0.2)];
    const few = [school('C', 4, 0.9), school('D', 20, 0.9, { lessons: 2 })];
    expect(poolEffects([...some, ...few])).toEqual(poolEffects(some));
    expect(poolEffects(some)!.students).toBe(21);
    expect(poolEffects(few)).toBeNull();
    expect(poolEffects([])).toBeNull();
  });

  it('of one school have a wider band than the school itself', () => {
    const pooled = poolEffects([school('Only', 20, 0.3)])!;
    const [only] = pooled.schools;
    expect(pooled.mean).toBeCloseTo(0.3, 6);
    expect(pooled.high - pooled.low).toBeGreaterThan(only!.high - only!.low);
  });

  it('narrow with more schools that say the same', () => {
    const of = (count: number) =>
      poolEffects(Array.from({ length: count }, (_, i) => school(`S${i}`, 15, 0.3)))!;
    expect(of(8).high - of(8).low).toBeLessThan(of(3).high - of(3).low);
    expect(of(8).between).toBeLessThan(of(3).between);
  });

  it('are the same in any order', () => {
    const schools = [school('A', 12, 0.3), school('B', 9, 0.1), school('C', 30, 0.4)];
    const turned = poolEffects([...schools].reverse())!;
    expect(poolEffects(schools)!.mean).toBeCloseTo(turned.mean, 12);
    expect(poolEffects(schools)!.schools[0]!.low).toBeCloseTo(turned.schools[2]!.low, 9);
  });
});

describe('what several instructors of a school saw', () => {
  it('is the mean and the spread of all their students', () => {
    // Rises 0.2 and 0.4 of one, 0.6 of the other.
    const outcomes = [
      { students: 2, lessons: 3, riseSum: 0.6, riseSquares: 0.2 },
      { students: 1, lessons: 1, riseSum: 0.6, riseSquares: 0.36 },
    ];
    const { school, students, lessons, mean, spread } = schoolEffect('a', outcomes);
    expect([school, students, lessons]).toEqual(['a', 3, 4]);
    expect(mean).toBeCloseTo(0.4, 12);
    expect(spread).toBeCloseTo(0.2, 12);
  });

  it('is nothing of nobody', () =>
    expect(schoolEffect('a', [])).toEqual({ school: 'a', students: 0, lessons: 0, mean: 0, spread: 0 }));
});
