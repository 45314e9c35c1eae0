import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import fc from 'fast-check';

import { seededRandom } from '../random';
import { skillState, sureness } from './record';
import { PARAMETER_GRID } from './parameters';
import { type Attempt, retained, traceSkill } from './tracing';

const DAY_MS = 86_400_000;
const attempts = (pattern: string, startMs = 0): Attempt[] =>
  [...pattern].map((mark, i) => ({ id: `${startMs}-${i}`, atMs: startMs + i * 20_000, good: mark === '+' }));

describe('tracing', () => {
  const one = [{ initial: 0.5, learn: 0.1, slip: 0.1, guess: 0.2 }];

  it('follows a sequence worked by hand', () => {
    // after +: 0.45/0.55 = 0.8182, learned: 0.8364; after −: 0.08364/(0.08364 + 0.13091) = 0.3898, learned: 0.4508
    expect(traceSkill(attempts('+'), 0, one).mastery).toBeCloseTo(0.83636, 4);
    expect(traceSkill(attempts('+-'), 20_000, one).mastery).toBeCloseTo(0.45085, 4);
  });

  it('starts from the prior and is sure of nothing', () => {
    const none = traceSkill([], 0);
    expect(none.mastery).toBeCloseTo(
      PARAMETER_GRID.reduce((sum, { initial }) => sum + initial, 0) / PARAMETER_GRID.length,
      9,
    );
    expect(sureness(none)).toBe('not-seen');
  });

  it('gives probabilities, ordered limits, and the same for any order of arrival', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ atMs: fc.integer({ min: 0, max: 1e11 }), good: fc.boolean() }), {
          maxLength: 60,
        }),
        (list) => {
          const events = list.map((event, i) => ({ ...event, id: `${i}` }));
          const estimate = traceSkill(events, 2e11);
          expect(traceSkill([...events].reverse(), 2e11)).toEqual(estimate);
          return (
            estimate.low >= 0 &&
            estimate.high <= 1 &&
            estimate.low <= estimate.high &&
            estimate.mastery >= 0 &&
            estimate.mastery <= 1 &&
            estimate.nextGood > 0 &&
            estimate.nextGood < 1
          );
        },
      ),
      { seed: 3 },
    );
  });

  it('is exactly restored when a tap is taken away', () => {
    const before = attempts('++-++-+');
    expect(
      traceSkill(
        [...before, { id: 'mis-tap', atMs: 90_000, good: false }].filter(({ id }) => id !== 'mis-tap'),
        1e9,
      ),
    ).toEqual(traceSkill(before, 1e9));
  });

  it('rises with good ones, falls with faults, forgets between sessions only', () => {
    expect(traceSkill(attempts('++++++'), 1e6).mastery).toBeGreaterThan(0.9);
    expect(traceSkill(attempts('------'), 1e6).mastery).toBeLessThan(0.15);
    expect(retained(3_600_000)).toBe(1);
    expect(retained(180 * DAY_MS)).toBeCloseTo(Math.exp(-1), 9);
    expect(traceSkill(attempts('++++++'), 90 * DAY_MS).mastery).toBeLessThan(
      traceSkill(attempts('++++++'), 1e6).mastery,
    );
  });

  it('survives ten thousand attempts without running out of range', () => {
    const random = seededRandom('long');
    const long = Array.from({ length: 10_000 }, (_, i) => ({ id: `${i}`, atMs: i, good: random() < 0.5 }));
    expect(Number.isFinite(traceSkill(long, 1e6).mastery)).toBe(true);
  });

  it('grows surer with evidence', () => {
    const width = (pattern: string): number => {
      const { low, high } = traceSkill(attempts(pattern), 1e6);
      return high - low;
    };
    expect(width('+++++++++++++++++++')).toBeLessThan(width('+-'));
  });

  it('leaves attempts at unknown skills out', () => {
    const state = skillState(
      SHIPPED.skills.all,
      [
        { id: 'a', atMs: 0, good: true, skillId: 'casting.stop' },
        { id: 'b', atMs: 0, good: true, skillId: 'gone' },
      ],
      0,
    );
    expect(state['casting.stop']?.attempts).toBe(1);
    expect(Object.keys(state)).toHaveLength(SHIPPED.skills.all.length);
  });
});
