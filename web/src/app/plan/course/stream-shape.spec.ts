import { halfWidth, streamShape, withRoom } from './stream-shape';

/** The y values of a path that is made of lines and curves. */
const ys = (path: string): number[] =>
  [...path.matchAll(/(-?[\d.]+),(-?[\d.]+)/g)].map(([, , y]) => Number(y));

describe('a stream of a course', () => {
  it('is a trickle where nothing is mastered, and as wide as it may be where all is', () => {
    expect(halfWidth(0, 26)).toBe(1.5);
    expect(halfWidth(1, 26)).toBe(26);
    expect(halfWidth(0.8, 26)).toBeCloseTo(21.1, 9);
  });

  it('holds what is expected between what is nearly sure and what may be', () => {
    const points = [
      { atMs: 0, mean: 0.3, low: 0.3, high: 0.3 },
      { atMs: 100, mean: 0.7, low: 0.2, high: 0.9 },
    ];
    const { band, core, banks } = streamShape(points, (atMs) => atMs, 50, 26);
    expect(Math.min(...ys(band))).toBeCloseTo(50 - halfWidth(0.9, 26), 2);
    expect(Math.max(...ys(core))).toBeCloseTo(50 + halfWidth(0.3, 26), 2);
    expect(Math.max(...ys(banks))).toBeCloseTo(50 + halfWidth(0.7, 26), 2);
    expect(banks.match(/M/g)).toHaveLength(2);
  });

  it('is nothing without a point', () =>
    expect(streamShape([], (atMs) => atMs, 50, 26)).toEqual({ band: '', core: '', banks: '' }));

  it.each([
    [
      [0, 30, 80, 100],
      [false, true, false, true],
    ],
    [
      [0, 70, 140],
      [true, true, true],
    ],
    [[50], [true]],
    [[], []],
  ])('of marks at %j names %j', (xs, named) => expect(withRoom(xs, 70)).toEqual(named));
});
