import fc from 'fast-check';
import { crossingSides, type Point } from './polygon';

/** Whether two sides cross within both of them, by where their lines meet. */
function meet(a: Point, b: Point, c: Point, d: Point): boolean {
  const det = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  if (det === 0) return false;
  const s = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / det;
  const t = ((c.x - a.x) * (b.y - a.y) - (c.y - a.y) * (b.x - a.x)) / det;
  return s > 0 && s < 1 && t > 0 && t < 1;
}

/** Every two sides that are no neighbours, one after the other. */
function byTryingAll(shape: readonly Point[]): [number, number] | null {
  const n = shape.length;
  const at = (i: number): Point => shape[i % n] as Point;
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++)
      if (!(i === 0 && j === n - 1) && meet(at(i), at(i + 1), at(j), at(j + 1))) return [i, j];
  return null;
}

describe('sides that cross', () => {
  it('are the first two of all', () => {
    const random = fc.array(
      fc.record({ x: fc.integer({ min: 0, max: 40 }), y: fc.integer({ min: 0, max: 40 }) }),
      {
        minLength: 3,
        maxLength: 24,
      },
    );
    fc.assert(
      fc.property(random, (shape) => expect(crossingSides(shape)).toEqual(byTryingAll(shape))),
      { seed: 20, numRuns: 500 },
    );
  });

  it('are none of a star, however its corners are counted', () => {
    const star = Array.from({ length: 2000 }, (_, i) => ({
      x: 50 + (i % 2 ? 20 : 40) * Math.cos((i / 1000) * Math.PI),
      y: 50 + (i % 2 ? 20 : 40) * Math.sin((i / 1000) * Math.PI),
    }));
    expect(crossingSides(star)).toBeNull();
    expect(crossingSides([...star].reverse())).toBeNull();
    const torn = star.map((corner, i) => (i === 700 ? { x: 89, y: 50 } : corner));
    expect(crossingSides(torn)).toEqual(byTryingAll(torn));
    expect(crossingSides(torn)).not.toBeNull();
  });
});
