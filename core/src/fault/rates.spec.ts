import { faultsOfStrand } from '../curriculum';
import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { faultCourse, faultRates, likeliestFaults } from '.';

describe('fault rates', () => {
  const list = (pattern: string) =>
    [...pattern].map((mark, atMs) => ({ atMs, faultId: mark === '.' ? null : mark }));

  it('come most frequent first with an interval that holds the rate', () => {
    const rates = faultRates(list('a.b.a..a..'));
    expect(rates.map(({ faultId, count, rate }) => [faultId, count, rate])).toEqual([
      ['a', 3, 0.3],
      ['b', 1, 0.1],
    ]);
    for (const { low, rate, high } of rates) expect(low < rate && rate < high).toBe(true);
  });

  it('name a trend from thirty attempts on', () => {
    expect(faultRates(list('a'.repeat(20) + '.'.repeat(20)))[0]?.trend).toBe('falling');
    expect(faultRates(list('.'.repeat(20) + 'a'.repeat(20)))[0]?.trend).toBe('rising');
    expect(faultRates(list('a'.repeat(14) + '.'.repeat(15)))[0]?.trend).toBe('unclear');
    expect(faultRates(list('a'.repeat(15) + '.'.repeat(15)))[0]?.trend).toBe('falling');
  });

  it('offer the student’s own faults first, at most six', () => {
    expect(likeliestFaults({ c: 2, b: 5 }, ['a', 'b', 'c', 'd', 'e', 'f', 'g'])).toEqual([
      'b',
      'c',
      'a',
      'd',
      'e',
      'f',
    ]);
  });

  it('go lesson by lesson, in the order of time, each from its own attempts', () => {
    const lesson = (lessonId: string, atMs: number, n: number, cracks: number) =>
      Array.from({ length: n }, (_, i) => ({
        lessonId,
        atMs: atMs + i,
        faultId: i < cracks ? 'crack' : i === cracks ? 'pile' : null,
      }));
    const course = faultCourse([...lesson('late', 9000, 20, 2), ...lesson('early', 100, 10, 5)], 'crack');
    expect(course.map(({ lessonId, n, rate }) => [lessonId, n, rate])).toEqual([
      ['early', 10, 0.5],
      ['late', 20, 0.1],
    ]);
    for (const { low, rate, high } of course) expect([low < rate, rate < high]).toEqual([true, true]);
    expect(faultCourse([], 'crack')).toEqual([]);
  });

  it('are filled up with what else goes wrong in the strand, the skill’s own before them', () => {
    expect(likeliestFaults({}, ['a', 'b'], ['x', 'b', 'y'], 4)).toEqual(['a', 'b', 'x', 'y']);
    expect(likeliestFaults({ y: 1 }, ['a', 'b'], ['x', 'y'], 3)).toEqual(['y', 'a', 'b']);
    const casting = faultsOfStrand(SHIPPED.skills.all, 'casting');
    expect(new Set(casting).size).toBe(casting.length);
    const skills = (id: string): number =>
      SHIPPED.skills.all.filter(({ strand, faults }) => strand === 'casting' && faults.includes(id)).length;
    const times = casting.map(skills);
    expect(times).toEqual([...times].sort((a, b) => b - a));
    expect(Math.min(...times)).toBeGreaterThan(0);
  });
});
