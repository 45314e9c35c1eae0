import { loopCast, DEFAULT_LOOP } from './loop';
import type { LoopCast } from './loop-cast';
import { STROKES, strokeOf, tipTrajectory } from './tip-path';

const vacuum: Partial<LoopCast> = {
  ...{ gravity: 0, acrossDrag: 0, skinFriction: 0, flyDragAreaM2: 0, flyKg: 0, durationS: 1.7 },
  stroke: {
    ...strokeOf('straight'),
    points: [
      { x: 0, y: 0 },
      { x: 2, y: 0 },
    ],
    speedMs: 12,
    dropM: 0.4,
  },
};

describe('the way of the tip', () => {
  it('goes through its points, faster and faster, and stops', () => {
    const stroke = {
      ...strokeOf('straight'),
      points: [
        { x: 0, y: 0 },
        { x: 2, y: 0 },
      ],
      dropM: 0.5,
    };
    const { strokeS, at } = tipTrajectory(stroke);
    expect(strokeS).toBeCloseTo((2 * 2) / 20, 6);
    expect(at(0)).toEqual({ x: 0, y: 0 });
    expect(at(strokeS / 2).x).toBeCloseTo(0.5, 2);
    expect(at(strokeS).x).toBeCloseTo(2, 6);
    expect(at(strokeS + 1)).toEqual({
      x: expect.closeTo(2 + (20 * 0.025) / 2, 6),
      y: expect.closeTo(-0.5, 6),
    });
  });

  it('of a dip lies below the straight one in the middle, of a wide arc above', () => {
    const middle = (kind: 'dip' | 'wide-arc'): number => {
      const { points } = strokeOf(kind);
      return points[2]!.y - (points[0]!.y + points[4]!.y) / 2;
    };
    expect(middle('dip')).toBeLessThan(-0.2);
    expect(middle('wide-arc')).toBeGreaterThan(0.4);
  });
});

describe('a loop', () => {
  it('without air and gravity unrolls in 4L/(3v), and hardly stretches', () => {
    const run = loopCast(vacuum);
    expect((run.unrollS! * 12) / DEFAULT_LOOP.lineM / (4 / 3)).toBeCloseTo(1, 1);
    expect(run.overStretch).toBeLessThan(1e-3);
  });

  it('twice as fast takes half as long', () => {
    const fast = loopCast({
      ...vacuum,
      stroke: { ...vacuum.stroke!, speedMs: 24 },
      stepS: 0.0005,
      durationS: 1,
    });
    expect(fast.unrollS! / loopCast(vacuum).unrollS!).toBeCloseTo(0.5, 1);
  });

  it('a longer line takes longer', () => {
    const of = (lineM: number): number => loopCast({ ...vacuum, lineM }).unrollS!;
    expect(of(9)).toBeGreaterThan(of(6) + 0.2);
  });

  it('thrown along a straight path shows no fault', () => {
    const { signs, unrollS } = loopCast();
    expect(signs.faults).toEqual([]);
    expect(signs.loopM!).toBeLessThan(1);
    expect(signs.laidShare!).toBeGreaterThan(0.8);
    expect(unrollS).not.toBeNull();
  });

  it.each([
    ['wide-arc', 'cast.wide-loop'],
    ['dip', 'cast.tailing'],
    ['creep', 'cast.tailing'],
    ['soon', 'cast.crack'],
    ['early-stop', 'cast.pile'],
    ['late-stop', 'cast.wide-loop'],
    ['no-stop', 'cast.pile'],
  ] as const)('thrown with %s shows %s', (kind, fault) =>
    expect(loopCast({ stroke: strokeOf(kind) }).signs.faults).toContain(fault),
  );

  it('collapses with more line than the same stroke can throw, and against the wind', () => {
    expect(loopCast({ lineM: 14 }).signs.faults).toEqual(['cast.pile']);
    const laid = (headWindMs: number): number => loopCast({ headWindMs }).signs.laidShare!;
    expect(laid(7)).toBeLessThan(laid(0));
  });

  it('drawn along a straight path goes as fast as the tip, and no node catches up with the next', () => {
    for (const lineM of [7.99, 8, 8.01]) {
      const { frames, strokeS, signs } = loopCast({ lineM, durationS: 0.3 });
      expect(signs.whip).toBeCloseTo(1, 1);
      for (const { xs, ys } of frames.filter(({ atS }) => atS < strokeS))
        for (let i = 1; i < xs.length; i++)
          expect(Math.hypot(xs[i]! - xs[i - 1]!, ys[i]! - ys[i - 1]!)).toBeGreaterThan(0.99 * (lineM / 60));
    }
  });

  it('differs little with a little more line, and shows no fault with any that the stroke can throw', () => {
    const signs = [7, 7.5, 8, 8.5, 9].map((lineM) => loopCast({ lineM }).signs);
    expect(signs.flatMap(({ faults }) => faults)).toEqual([]);
    signs.slice(1).forEach(({ loopM, laidShare }, i) => {
      expect(Math.abs(loopM! - signs[i]!.loopM!)).toBeLessThan(0.05);
      expect(Math.abs(laidShare! - signs[i]!.laidShare!)).toBeLessThan(0.06);
    });
  });

  it('is thrown less far the stronger the wind against it', () => {
    const laid = [0, 4, 8].map(
      (headWindMs) => loopCast({ stroke: strokeOf('wide-arc'), headWindMs }).signs.laidShare!,
    );
    expect(laid).toEqual([...laid].sort((a, b) => b - a));
  });

  it('is much the same with twice the nodes', () => {
    const [coarse, fine] = [40, 80].map((nodes) => loopCast({ nodes }));
    expect(fine!.unrollS! / coarse!.unrollS!).toBeCloseTo(1, 1);
    expect(Math.abs(fine!.signs.loopM! - coarse!.signs.loopM!)).toBeLessThan(0.05);
    expect(fine!.signs.faults).toEqual(coarse!.signs.faults);
  });

  it('lies on the water and not below', () => {
    const lowest = Math.min(...loopCast().frames.flatMap(({ ys }) => ys));
    expect(lowest).toBeGreaterThan(-DEFAULT_LOOP.tipHeightM - 0.02);
  });

  it('half the step moves the line by less than one in a hundred of its length', () => {
    const at = (stepS: number): { xs: number[]; ys: number[] } =>
      loopCast({ durationS: 0.6, stepS }).frames.at(-1)!;
    const [whole, half] = [at(0.001), at(0.0005)];
    const off = whole.xs.map((x, i) => Math.hypot(half.xs[i]! - x, half.ys[i]! - whole.ys[i]!));
    expect(off.reduce((sum, one) => sum + one, 0) / off.length).toBeLessThan(0.09);
  });

  it.each<[string, Partial<LoopCast>]>([
    ['lineM', { lineM: 40 }],
    ['speedMs', { stroke: { ...strokeOf('straight'), speedMs: 0 } }],
    ['points', { stroke: { ...strokeOf('straight'), points: [] } }],
    ['nodes', { nodes: 10_000 }],
  ])('refuses %s that cannot be', (name, given) =>
    expect(() => loopCast(given)).toThrow(
      expect.objectContaining({ code: 'out-of-range', facts: expect.objectContaining({ name }) }),
    ),
  );

  it('every stroke there is can be thrown', () => {
    for (const kind of STROKES)
      expect(loopCast({ stroke: strokeOf(kind), nodes: 20, stepS: 0.002 }).frames.length).toBeGreaterThan(50);
  });
});
