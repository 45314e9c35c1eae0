import { normalQuantile } from '../statistics';
import fc from 'fast-check';
import { seededRandom } from '../random';
import { setGeometry } from './set-geometry';
import { NOISE_KINDS, type Stimulus, TAKE_KINDS, takeScore } from './take-score';

describe('a set', () => {
  it('straight away from the fly takes up all of its length, less the slack', () => {
    const found = setGeometry({ lineDeg: 180, sweepDeg: 0, sweepM: 1, slackM: 0.25, awayM: 8 });
    expect([found.takenM, found.movesM]).toEqual([1, 0.75]);
    expect(found).toMatchObject({ intoMouth: 1, pullN: 9, load: 0.6, verdict: 'into-the-mouth' });
  });

  it('square to the line takes up next to nothing: √(8² + 1²) − 8', () => {
    const found = setGeometry({ lineDeg: 90, sweepDeg: 0, sweepM: 1, slackM: 0.3, awayM: 8 });
    expect(found.takenM).toBeCloseTo(Math.sqrt(65) - 8, 12);
    expect(found.verdict).toBe('nothing-tight');
  });

  it('up the stream draws the fly out of the mouth of a fish that faces up', () => {
    const found = setGeometry({ lineDeg: 20, sweepDeg: 200, sweepM: 1, slackM: 0.1 });
    expect(found.intoMouth).toBeLessThan(-0.9);
    expect(found.verdict).toBe('out-of-the-mouth');
  });

  it('breaks what is weaker than the pull', () =>
    expect(setGeometry({ lineDeg: 180, slackM: 0, sweepM: 2, breaksAtN: 10 }).verdict).toBe('breaks'));

  it('is the same turned with everything, and mirrored', () => {
    const degrees = fc.integer({ min: -120, max: 120 });
    fc.assert(
      fc.property(
        degrees,
        degrees,
        degrees,
        fc.double({ min: 0, max: 3, noNaN: true }),
        degrees,
        (lineDeg, sweepDeg, facingDeg, sweepM, turn) => {
          const one = setGeometry({ lineDeg, sweepDeg, facingDeg, sweepM });
          const turned = setGeometry({
            lineDeg: lineDeg + turn,
            sweepDeg: sweepDeg + turn,
            facingDeg: facingDeg + turn,
            sweepM,
          });
          const over = setGeometry({ lineDeg: -lineDeg, sweepDeg: -sweepDeg, facingDeg: -facingDeg, sweepM });
          for (const other of [turned, over]) {
            expect(other.movesM).toBeCloseTo(one.movesM, 9);
            expect(other.intoMouth).toBeCloseTo(one.intoMouth, 9);
          }
        },
      ),
    );
  });

  it('never moves the fly further than the tip goes, and less the more slack there is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (sweepDeg, sweepM, slackM) => {
          const { movesM } = setGeometry({ sweepDeg, sweepM, slackM });
          expect(movesM).toBeLessThanOrEqual(Math.max(0, sweepM - slackM) + 1e-9);
          expect(setGeometry({ sweepDeg, sweepM, slackM: slackM + 0.1 }).movesM).toBeLessThanOrEqual(movesM);
        },
      ),
    );
  });

  it('refuses what cannot be', () =>
    expect(() => setGeometry({ sweepM: -1 })).toThrow(expect.objectContaining({ code: 'out-of-range' })));
});

describe('the score of a trainer', () => {
  const series = (count: number): Stimulus[] =>
    Array.from({ length: count }, (_, i) => ({
      atMs: i * 4000,
      kind: i % 2 === 0 ? TAKE_KINDS[(i / 2) % TAKE_KINDS.length]! : NOISE_KINDS[i % NOISE_KINDS.length]!,
    }));

  it('counts hits, misses, false alarms and what was let pass', () => {
    const stimuli: Stimulus[] = [
      { atMs: 0, kind: 'dip' },
      { atMs: 4000, kind: 'tick' },
      { atMs: 8000, kind: 'stop' },
      { atMs: 12_000, kind: 'wave' },
    ];
    expect(takeScore(stimuli, [300, 4500, 20_000])).toMatchObject({
      ...{ hits: 1, misses: 1, falseAlarms: 1, passed: 1, onNothing: 1 },
      ...{ medianMs: 300, fromMs: 300, toMs: 300, dPrime: 0 },
      kinds: [
        { kind: 'dip', shown: 1, hits: 1, medianMs: 300 },
        { kind: 'stop', shown: 1, hits: 0, medianMs: null },
      ],
    });
  });

  it('takes a set that comes too late for a miss, and a second one for one on nothing', () => {
    expect(takeScore([{ atMs: 0, kind: 'dip' }], [1600])).toMatchObject({ hits: 0, misses: 1, onNothing: 1 });
    expect(takeScore([{ atMs: 0, kind: 'dip' }], [200, 400])).toMatchObject({ hits: 1, onNothing: 1 });
  });

  it('of a perfect player is the most that so many cases tell, without a leaning', () => {
    const stimuli = series(200);
    const sets = stimuli
      .filter(({ kind }) => (TAKE_KINDS as readonly string[]).includes(kind))
      .map(({ atMs }) => atMs + 350);
    const { dPrime, bias, misses, falseAlarms } = takeScore(stimuli, sets);
    expect(dPrime).toBeCloseTo(2 * normalQuantile(100.5 / 101), 9);
    expect([bias, misses, falseAlarms].map((value) => Math.round(value * 1e9) / 1e9 + 0)).toEqual([0, 0, 0]);
  });

  it('of a blind player is about zero, however often he sets', () => {
    for (const often of [0.2, 0.5, 0.8]) {
      const random = seededRandom(`blind/${often}`);
      const stimuli = series(2000);
      const sets = stimuli.flatMap(({ atMs }) => (random() < often ? [atMs + 400] : []));
      const { dPrime, bias } = takeScore(stimuli, sets);
      expect(Math.abs(dPrime)).toBeLessThan(0.15);
      // Who sets often leans below zero.
      expect(Math.sign(Math.round(bias * 5))).toBe(Math.sign(0.5 - often));
    }
  });

  it('wants times in their order', () => {
    expect(() => takeScore(series(4), [500, 400])).toThrow(expect.objectContaining({ code: 'out-of-range' }));
    expect(() => takeScore([{ atMs: NaN, kind: 'dip' }], [])).toThrow();
  });
});
