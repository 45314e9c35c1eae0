import fc from 'fast-check';
import { type Bounds, type Chain, type Pull, pullOf, solveConstraints } from './chain';
import { lengthOf } from './length';

const chainOf = (xs: number[], ys: number[], rest: number): Chain => ({
  xs: Float64Array.from(xs),
  ys: Float64Array.from(ys),
  rests: new Float64Array(xs.length - 1).fill(rest),
  tensions: new Float64Array(xs.length - 1),
});

/** Every node drawn to a place, as hard each way. */
const drawnTo = (places: [number, number][], weight = 1): Pull => {
  const pull = pullOf(places.length - 1);
  places.forEach(([x, y], i) => {
    pull.toX[i] = x;
    pull.toY[i] = y;
    pull.rxx[i] = weight;
    pull.ryy[i] = weight;
  });
  return pull;
};

const HELD: Bounds = { heldFirst: true, forceN: 1, tolerance: 1e-8 };
const place = fc.tuple(
  fc.double({ min: -3, max: 3, noNaN: true }),
  fc.double({ min: -3, max: 3, noNaN: true }),
);

/** What the segments on both sides of a node do to it, N. */
function netTension({ xs, ys, tensions }: Chain, i: number): [number, number] {
  let [fx, fy] = [0, 0];
  for (const [j, sign] of [
    [i - 1, -1],
    [i, 1],
  ] as const) {
    // A slack one does nothing, and may have no direction.
    if (j < 0 || j >= tensions.length || tensions[j] === 0) continue;
    const [dx, dy] = [xs[j + 1]! - xs[j]!, ys[j + 1]! - ys[j]!];
    const length = Math.hypot(dx, dy);
    fx += (sign * tensions[j]! * dx) / length;
    fy += (sign * tensions[j]! * dy) / length;
  }
  return [fx, fy];
}

describe('a chain that may not stretch', () => {
  it('goes where its nodes would when nothing holds them', () => {
    const chain = chainOf([0, 1, 2], [0, 0, 0], 1);
    solveConstraints(
      chain,
      drawnTo([
        [0, 0],
        [0.5, 0.2],
        [0.9, 0.4],
      ]),
      HELD,
    );
    expect([...chain.xs]).toEqual([0, expect.closeTo(0.5, 9), expect.closeTo(0.9, 9)]);
    expect([...chain.tensions]).toEqual([0, 0]);
  });

  it('stops at its length, drawn out straight, and pulls with what draws it', () => {
    const chain = chainOf([0, 1], [0, 0], 1);
    solveConstraints(
      chain,
      drawnTo([
        [0, 0],
        [3, 0],
      ]),
      HELD,
    );
    expect(chain.xs[1]).toBeCloseTo(1, 6);
    expect(chain.tensions[0]).toBeCloseTo(2, 5);
  });

  it('shares a way by weight when neither end is held', () => {
    const chain = chainOf([0, 1], [0, 0], 1);
    const pull = drawnTo([
      [-2, 0],
      [2, 0],
    ]);
    pull.rxx[0] = 3;
    solveConstraints(chain, pull, { ...HELD, heldFirst: false });
    expect(chain.xs[1]! - chain.xs[0]!).toBeCloseTo(1, 6);
    // Three metres too far: the heavy end gives way by a quarter of them.
    expect(chain.xs[0]).toBeCloseTo(-2 + 0.75, 5);
  });

  it('is never too long, never pushes, and is in balance, whatever draws it', () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 4, maxLength: 9 }), (places) => {
        const start = places.map((_, i) => i * 0.5);
        const chain = chainOf(
          start,
          start.map(() => 0),
          0.5,
        );
        const pull = drawnTo(places);
        const worst = solveConstraints(chain, pull, HELD);
        expect(worst).toBeLessThan(1e-6);
        for (let j = 0; j < chain.rests.length; j++) {
          expect(chain.tensions[j]).toBeGreaterThanOrEqual(0);
          const length = lengthOf(chain.xs[j + 1]! - chain.xs[j]!, chain.ys[j + 1]! - chain.ys[j]!);
          // A slack one does not pull.
          if (length < 0.5 - 1e-4) expect(chain.tensions[j]).toBeCloseTo(0, 3);
        }
        for (let i = 1; i < places.length; i++) {
          const [fx, fy] = netTension(chain, i);
          expect(chain.xs[i]! - places[i]![0]).toBeCloseTo(fx, 3);
          expect(chain.ys[i]! - places[i]![1]).toBeCloseTo(fy, 3);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('comes to the same place from wherever it begins: there is one solution', () => {
    const places: [number, number][] = [
      [0, 0],
      [1, 2],
      [3, 1],
      [4, -2],
      [2, -3],
    ];
    const ends = [
      chainOf([0, 0.5, 1, 1.5, 2], [0, 0, 0, 0, 0], 0.5),
      chainOf([0, 0.1, 0.2, 0.1, 0.3], [0, 0.4, 0.8, 1.2, 1.5], 0.5),
    ].map((chain) => {
      solveConstraints(chain, drawnTo(places), HELD);
      return [...chain.xs, ...chain.ys];
    });
    ends[0]!.forEach((value, i) => expect(ends[1]![i]).toBeCloseTo(value, 4));
  });

  it('lets go of a pull that is over: what pulled before does not throw its nodes together', () => {
    const xs = [0, 0.5, 1, 1.5, 2];
    const chain = chainOf(
      xs,
      xs.map(() => 0),
      0.5,
    );
    // As hard as masses are to move within a step, against which a segment is soft at first.
    const drawn = (byM: number): Pull =>
      drawnTo(
        xs.map((x) => [x + (x > 0 ? byM : 0), 0]),
        4000,
      );
    solveConstraints(chain, drawn(0.2), { ...HELD, tolerance: 1e-6 });
    expect(chain.tensions[3]).toBeGreaterThan(500);
    solveConstraints(chain, drawn(0.01), { ...HELD, tolerance: 1e-6 });
    for (let j = 0; j < 4; j++) expect(chain.xs[j + 1]! - chain.xs[j]!).toBeCloseTo(0.5, 5);
    solveConstraints(chain, drawn(-0.1), { ...HELD, tolerance: 1e-6 });
    expect(chain.xs[4]).toBeCloseTo(1.9, 5);
    expect(Math.max(...chain.tensions)).toBeLessThan(0.1);
  });

  it('turned over it is its mirror', () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 4, maxLength: 7 }), (places) => {
        const made = (side: number): Chain => {
          const start = places.map((_, i) => i * 0.6);
          const chain = chainOf(
            start,
            start.map((_, i) => side * 0.1 * (i % 2)),
            0.7,
          );
          solveConstraints(chain, drawnTo(places.map(([x, y]) => [x, side * y])), HELD);
          return chain;
        };
        const [up, down] = [made(1), made(-1)];
        up.ys.forEach((y, i) => expect(down.ys[i]).toBeCloseTo(-y, 9));
      }),
      { numRuns: 30 },
    );
  });

  it('lies on the floor, which bears what presses, and stays below the roof', () => {
    const chain = chainOf([0, 1, 2], [0, 0, 0], 1);
    const floor = { ys: Float64Array.of(-0.5, -0.5, -0.5), presses: new Float64Array(3) };
    const pull = drawnTo([
      [0, 0],
      [0.8, -2],
      [1.6, 3],
    ]);
    for (let i = 0; i < 6; i++) solveConstraints(chain, pull, { ...HELD, floor, roofM: 0.2 });
    expect(chain.ys[1]).toBeGreaterThan(-0.501);
    expect(floor.presses[1]).toBeGreaterThan(0.5);
    expect(floor.presses[2]).toBe(0);
    expect(chain.ys[2]).toBeLessThan(0.25);
  });
});
