import fc from 'fast-check';
import { EVIDENCE_KINDS, type Seen, seenBy, seenKey } from './evidence';
import { PARAMETER_GRID } from './parameters';
import { traceSkill } from './tracing';

const DRILL = { initial: 0.2, learn: 0.1, slip: 0.1, guess: 0.2 };
const anySeen = fc.record({
  evidence: fc.constantFrom(...EVIDENCE_KINDS),
  choices: fc.integer({ min: 2, max: 6 }),
  home: fc.boolean(),
});
const risen = (seen: Seen): number =>
  traceSkill([{ id: 'a', atMs: 0, good: true, ...seen }], 0, [DRILL]).mastery;

describe('kinds of evidence', () => {
  it('worked by hand: an answer of two that is right, and one from home', () => {
    // Slip 0.8 × 0.08 + 0.1 = 0.164, guess 0.8 × 0.5 + 0.1 = 0.5; 0.1672 / (0.1672 + 0.4) = 0.2948, learned 0.025.
    expect(seenBy(DRILL, { evidence: 'answer', choices: 2 })).toEqual({
      initial: 0.2,
      learn: 0.025,
      slip: expect.closeTo(0.164, 9),
      guess: expect.closeTo(0.5, 9),
    });
    expect(risen({ evidence: 'answer', choices: 2 })).toBeCloseTo(0.2948 + 0.7052 * 0.025, 3);
    // At home a drill is trusted 0.6: slip 0.26, guess 0.32.
    expect(seenBy(DRILL, { home: true })).toMatchObject({
      slip: expect.closeTo(0.26, 9),
      guess: expect.closeTo(0.32, 9),
    });
  });

  it('leave an attempt in a drill as it was', () => expect(seenBy(DRILL, { evidence: 'drill' })).toBe(DRILL));

  it('say less from home, of fewer choices, in passing than in a drill; a measurement says more', () => {
    const says = (seen: Seen): number => {
      const { slip, guess } = seenBy(DRILL, seen);
      return Math.log((1 - slip) / guess);
    };
    expect(says({ evidence: 'measured' })).toBeGreaterThan(says({}));
    expect(says({})).toBeGreaterThan(says({ evidence: 'side' }));
    expect(says({ evidence: 'side' })).toBeGreaterThan(says({ evidence: 'passing' }));
    expect(says({ evidence: 'answer', choices: 5 })).toBeGreaterThan(
      says({ evidence: 'answer', choices: 2 }),
    );
    for (const evidence of EVIDENCE_KINDS)
      expect(says({ evidence, home: true })).toBeLessThan(says({ evidence }));
  });

  it('are probabilities of which a good one always speaks for the skill', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PARAMETER_GRID), anySeen, (parameters, seen) => {
        const { slip, guess, learn } = seenBy(parameters, seen);
        return slip > 0 && guess > 0 && slip + guess < 1 && learn > 0 && learn <= parameters.learn;
      }),
    );
  });

  it('are told apart by their key wherever they read otherwise', () => {
    fc.assert(
      fc.property(anySeen, anySeen, (a, b) => {
        const same = JSON.stringify(seenBy(DRILL, a)) === JSON.stringify(seenBy(DRILL, b));
        return same || seenKey(a) !== seenKey(b);
      }),
    );
  });
});
