import fc from 'fast-check';
import { pauseTable, unroll } from './unroll';

const NO_AIR = { skinFriction: 0, flyDragAreaM2: 0, loopDrag: 0 };

describe('a loop that unrolls', () => {
  it('takes 4L/(3v) when it keeps its energy: one second for nine metres at twelve a second', () => {
    const { seconds, energyKeptS, constantSpeedS } = unroll({ ...NO_AIR, lineM: 9, speedMs: 12 });
    expect(energyKeptS).toBeCloseTo(1, 12);
    expect(constantSpeedS).toBeCloseTo(1.5, 12);
    expect(seconds).toBeCloseTo(1, 3);
  });

  it('speeds up as its leg grows shorter: at a quarter of its length twice as fast', () => {
    // Without air s·v² stays; the run ends at two thousandths of the length.
    expect(unroll({ ...NO_AIR, lineM: 9, speedMs: 12 }).endSpeedMs).toBeCloseTo(12 / Math.sqrt(0.002), 1);
  });

  it('lies between the closed forms for a short line with air, and beyond both for a long one', () => {
    const short = unroll({ lineM: 9 });
    expect(short.seconds).toBeGreaterThan(short.energyKeptS);
    expect(short.seconds).toBeLessThan(short.constantSpeedS);
    const long = unroll({ lineM: 25 });
    expect(long.seconds === null || long.seconds > long.constantSpeedS).toBe(true);
  });

  it('has a product of time and speed that the speed does not change: all drag goes with its square', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 40, noNaN: true }),
        fc.double({ min: 3, max: 14, noNaN: true }),
        (speedMs, lineM) => {
          const [one, other] = [unroll({ speedMs, lineM }), unroll({ speedMs: 12, lineM })];
          if (one.seconds === null || other.seconds === null) return;
          expect((one.seconds * speedMs) / (other.seconds * 12)).toBeCloseTo(1, 6);
        },
      ),
    );
  });

  it('takes longer the longer the line, the larger the fly and the stronger the wind against it', () => {
    const lengths = [4, 6, 8, 10, 12].map((lineM) => unroll({ lineM }).seconds as number);
    expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
    const still = unroll({}).seconds as number;
    expect(unroll({ flyDragAreaM2: 4e-4 }).seconds ?? Infinity).toBeGreaterThan(still);
    expect(unroll({ headWindMs: 4 }).seconds ?? Infinity).toBeGreaterThan(still);
    expect(unroll({ headWindMs: -3 }).seconds).toBeLessThan(still);
  });

  it('stalls in a gale, and says how much of it lay straight', () => {
    const { seconds, unrolledM } = unroll({ lineM: 20, headWindMs: 12 });
    expect(seconds).toBeNull();
    expect([unrolledM > 0, unrolledM < 20]).toEqual([true, true]);
  });

  it.each([
    ['lineM', { lineM: 0 }],
    ['speedMs', { speedMs: NaN }],
    ['headWindMs', { headWindMs: 80 }],
  ])('refuses a %s that cannot be', (name, given) =>
    expect(() => unroll(given)).toThrow(
      expect.objectContaining({ code: 'out-of-range', facts: expect.objectContaining({ name }) }),
    ),
  );
});

describe('the table of pauses', () => {
  it('slows the beat down as line goes out', () => {
    const rows = pauseTable([5, 7, 9, 11]);
    const beats = rows.map(({ beatsPerMin }) => beatsPerMin as number);
    expect(beats).toEqual([...beats].sort((a, b) => b - a));
    expect(rows.map(({ lineM }) => lineM)).toEqual([5, 7, 9, 11]);
  });

  it('is of something', () => expect(() => pauseTable([])).toThrow());
});
