import fc from 'fast-check';
import { frameAt } from './frame-at';

const FRAMES = [
  { atS: 0, xs: [0, 1], ys: [0, 0], slipMs: 0.1, touches: false, tensions: [1] },
  { atS: 0.5, xs: [0, 2], ys: [1, -1], slipMs: 0.3, touches: true, tensions: [2] },
  { atS: 2, xs: [3, 2], ys: [1, -4], slipMs: 0.6, touches: false, tensions: [3] },
];

describe('a chain between two kept times', () => {
  it('has nodes and figures in proportion, lists and marks of the later', () => {
    const quarter = frameAt(FRAMES, 0.125);
    expect(quarter).toEqual({
      ...{ atS: 0.125, xs: [0, 1.25], ys: [0.25, -0.25], touches: true, tensions: [2] },
      slipMs: expect.closeTo(0.15, 12),
    });
  });

  it('is one that was kept at its time, and beyond the first and the last', () => {
    expect(frameAt(FRAMES, 0.5)).toEqual(FRAMES[1]);
    expect(frameAt(FRAMES, -1)).toBe(FRAMES[0]);
    expect(frameAt(FRAMES, 9)).toBe(FRAMES[2]);
  });

  it('never leaves the span of its neighbours', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 2, noNaN: true }), (atS) => {
        const { xs, ys } = frameAt(FRAMES, atS);
        expect(xs[0]! >= 0 && xs[0]! <= 3 && xs[1] === 2).toBe(true);
        expect(ys[0] === 1 && ys[1]! <= -1 && ys[1]! >= -4).toBe(true);
      }),
    ));
});
