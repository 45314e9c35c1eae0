import fc from 'fast-check';
import { type Act, checkActs, feed, feedMend, layMend } from './surface/line-actions';
import { stonyBed } from './below/bed';
import { speedAt } from './surface/current-bands';
import { checkColumn, columnSpeed, PROFILES, type WaterColumn } from './below/profile';
import { surfaceDrift } from './surface/surface-drift';

const column: WaterColumn = { depthM: 1.5, surfaceMs: 0.8, profile: 'log', roughnessM: 0.003 };

describe('a column of water', () => {
  it.each(PROFILES)('by the law %s runs at the surface’s speed on top, and never faster below', (profile) => {
    expect(columnSpeed({ ...column, profile }, 1.5)).toBeCloseTo(0.8, 9);
    expect(columnSpeed({ ...column, profile }, 9)).toBeCloseTo(0.8, 9);
    const speeds = Array.from({ length: 30 }, (_, i) => columnSpeed({ ...column, profile }, i * 0.05));
    for (let i = 1; i < speeds.length; i++) expect(speeds[i]!).toBeGreaterThanOrEqual(speeds[i - 1]!);
  });

  it('stands at the bed, and a rougher bed slows what is near it', () => {
    expect(columnSpeed(column, 0)).toBe(0);
    expect(columnSpeed(column, -1)).toBe(0);
    expect(columnSpeed({ ...column, roughnessM: 0.01 }, 0.2)).toBeLessThan(columnSpeed(column, 0.2));
    expect(columnSpeed({ ...column, profile: 'power' }, 1.5 / 64)).toBeCloseTo(0.4, 9);
    // ln(1 + 0.3/0.003) / ln(1 + 1.5/0.003)
    expect(columnSpeed(column, 0.3)).toBeCloseTo((0.8 * Math.log(101)) / Math.log(501), 9);
  });

  it.each([
    ['depthM', { depthM: 0 }],
    ['surfaceMs', { surfaceMs: 9 }],
    ['roughnessM', { roughnessM: 0 }],
  ])('refuses a %s that cannot be', (name, given) =>
    expect(() => checkColumn({ ...column, ...given })).toThrow(
      expect.objectContaining({ facts: expect.objectContaining({ name }) }),
    ),
  );
});

describe('a bed of stones', () => {
  it('is the same for its seed, never higher than its highest, and flat without', () => {
    const [one, two, other] = [stonyBed(0.2, 'a'), stonyBed(0.2, 'a'), stonyBed(0.2, 'b')];
    const places = Array.from({ length: 200 }, (_, i) => i * 0.37 - 30);
    for (const x of places) {
      expect(one(x)).toBe(two(x));
      expect(one(x)).toBeGreaterThanOrEqual(0);
      expect(one(x)).toBeLessThanOrEqual(0.2);
    }
    expect(places.some((x) => one(x) !== other(x))).toBe(true);
    expect(stonyBed(0, 'a')(3)).toBe(0);
  });

  it('has no steps: a fly goes over it', () => {
    const bed = stonyBed(0.3, 'c');
    for (let x = -5; x < 5; x += 0.01) expect(Math.abs(bed(x + 0.01) - bed(x))).toBeLessThan(0.02);
  });
});

describe('lanes', () => {
  const lanes = [
    { toM: 3, speedMs: 0.2 },
    { toM: 6, speedMs: -0.3 },
    { toM: 20, speedMs: 0.9 },
  ];

  it('stay between the slowest and the fastest, and turn over with their speeds', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 25, noNaN: true }), (y) => {
        const speed = speedAt({ lanes, blendM: 0.4 }, y);
        expect(speed).toBeGreaterThanOrEqual(-0.3 - 1e-9);
        expect(speed).toBeLessThanOrEqual(0.9 + 1e-9);
        const back = lanes.map(({ toM, speedMs }) => ({ toM, speedMs: -speedMs }));
        expect(speedAt({ lanes: back, blendM: 0.4 }, y)).toBeCloseTo(-speed, 12);
      }),
    );
  });
});

const mend: Act = { kind: 'mend', atS: 1, sizeM: 1, way: 'up', from: 0.2, to: 0.8 };
const laid = (): { xs: Float64Array; ys: Float64Array; rests: Float64Array } => ({
  xs: new Float64Array(21),
  ys: Float64Array.from({ length: 21 }, (_, i) => i * 0.4),
  rests: new Float64Array(20).fill(0.4),
});

describe('acts on the line', () => {
  it('a mend lays its stretch up the stream and feeds what that takes; both ends stay', () => {
    const line = laid();
    layMend(line, mend);
    expect(Math.min(...line.xs)).toBeCloseTo(-1, 6);
    expect(line.xs[0]).toBe(0);
    expect(line.xs[20]).toBe(0);
    for (let j = 0; j < 20; j++) {
      const length = Math.hypot(line.xs[j + 1]! - line.xs[j]!, 0.4);
      expect(line.rests[j]).toBeGreaterThanOrEqual(length - 1e-9);
    }
  });

  it('fed without being laid it is the same line, where it lay', () => {
    const [mended, fed] = [laid(), laid()];
    layMend(mended, mend);
    feedMend(fed, mend);
    expect([...fed.rests]).toEqual([...mended.rests]);
    expect(Math.max(...fed.xs.map(Math.abs))).toBe(0);
  });

  it('a mend down is a mend up turned over', () => {
    const [up, down] = [laid(), laid()];
    layMend(up, mend);
    layMend(down, { ...mend, way: 'down' });
    up.xs.forEach((x, i) => expect(down.xs[i]).toBeCloseTo(-x, 12));
    expect([...down.rests]).toEqual([...up.rests]);
  });

  it('feeding gives just so much line', () => {
    const line = laid();
    feed(line, { ...mend, kind: 'feed', sizeM: 1.5, from: 0, to: 0.3 });
    expect(line.rests.reduce((sum, rest) => sum + rest, 0)).toBeCloseTo(8 + 1.5, 9);
    expect(line.rests[19]).toBe(0.4);
  });

  it.each<[string, Partial<Act>]>([
    ['acts[0].sizeM', { sizeM: -1 }],
    ['acts[0].sizeM', { kind: 'lift', sizeM: 40 }],
    ['acts[0].from', { from: 1.2 }],
    ['acts[0].to', { from: 0.5, to: 0.4 }],
    ['acts[0].atS', { atS: 11 }],
  ])('refuses %s that cannot be', (name, change) =>
    expect(() => checkActs([{ ...mend, ...change }], 10)).toThrow(
      expect.objectContaining({ facts: expect.objectContaining({ name }) }),
    ),
  );
});

describe('any drift', () => {
  const lane = fc.record({
    widthM: fc.double({ min: 0.5, max: 4, noNaN: true }),
    speedMs: fc.double({ min: -0.8, max: 1.8, noNaN: true }),
  });

  it('is solved, hardly stretches, and is clean no longer than it lasts', () => {
    fc.assert(
      fc.property(
        fc.array(lane, { minLength: 1, maxLength: 6 }),
        fc.double({ min: 3, max: 14, noNaN: true }),
        fc.double({ min: 20, max: 160, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (strips, castM, castDeg, slackShare) => {
          let toM = 0;
          const lanes = strips.map(({ widthM, speedMs }) => ({ toM: (toM += widthM), speedMs }));
          const run = surfaceDrift({
            ...{ lanes, castM, castDeg, slackShare, leaderM: castM / 4 },
            ...{ nodes: 30, stepS: 0.04, durationS: 5, acts: [{ ...mend, atS: 0.6 }] },
          });
          expect(run.overStretch).toBeLessThan(1e-3);
          expect(run.cleanS).toBeLessThanOrEqual(5);
          expect(run.cleanM).toBeGreaterThanOrEqual(0);
          expect(run.frames.every(({ tensions }) => tensions.every((tension) => tension >= 0))).toBe(true);
          // No part of the line goes faster than the fastest water did.
          const most = Math.max(...lanes.map(({ speedMs }) => Math.abs(speedMs)));
          expect(run.cleanM).toBeLessThanOrEqual(most * run.cleanS + 0.1);
        },
      ),
      { numRuns: 25 },
    );
  });
});
