import fc from 'fast-check';
import { spreadLabels } from './spread-labels';
import { spreadMarks } from './spread-marks';
import { cross, untangle } from './untangle';

describe('labels', () => {
  it.each([
    [
      [10, 12, 14],
      [10, 30, 50],
    ],
    [
      [50, 10, 52],
      [50, 10, 70],
    ],
    [
      [100, 100],
      [80, 100],
    ],
    [
      [-5, 0],
      [0, 20],
    ],
  ])('%j move to %j', (wanted, places) => expect(spreadLabels(wanted, 20, 0, 100)).toEqual(places));

  it('share what room there is', () => expect(spreadLabels([0, 0, 0], 80, 0, 100)).toEqual([0, 50, 100]));
});

describe('marks', () => {
  it('part along the line between them, and leave alone what stands free', () => {
    const [a, b, c] = spreadMarks(
      [
        { x: 10, y: 10 },
        { x: 16, y: 10 },
        { x: 40, y: 10 },
      ],
      10,
    );
    expect(a).toEqual({ x: expect.closeTo(8, 1), y: 10 });
    expect(b).toEqual({ x: expect.closeTo(18, 1), y: 10 });
    expect(c).toEqual({ x: 40, y: 10 });
  });

  it('are all free in the end, also from one spot, and none goes further than the crowd is wide', () => {
    const spot = fc.record({ x: fc.integer({ min: 0, max: 30 }), y: fc.integer({ min: 0, max: 30 }) });
    fc.assert(
      fc.property(fc.array(spot, { maxLength: 8 }), (wanted) => {
        const places = spreadMarks(wanted, 10);
        places.forEach((a, i) => {
          for (const b of places.slice(i + 1))
            expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(9.9);
          expect(Math.hypot(a.x - wanted[i]!.x, a.y - wanted[i]!.y)).toBeLessThanOrEqual(10 * wanted.length);
        });
      }),
    );
  });
});

describe('untangled lines', () => {
  const spot = fc.record({ x: fc.integer({ min: 0, max: 400 }), y: fc.integer({ min: 0, max: 700 }) });

  it('give each point a place of its own, and cross nowhere', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(spot, spot), { minLength: 2, maxLength: 9 }), (pairs) => {
        const points = pairs.map(([point]) => point);
        const places = pairs.map(([, place]) => place);
        const placeOf = untangle(points, places);
        expect([...placeOf].sort((a, b) => a - b)).toEqual(points.map((_, i) => i));
        const lines = points.map(
          (point, i) => [point, places[placeOf[i] as number] as typeof point] as const,
        );
        expect(lines.some((one, i) => lines.slice(i + 1).some((other) => cross(one, other)))).toBe(false);
      }),
    );
  });

  it('stay as they are when they do not cross', () =>
    expect(
      untangle(
        [
          { x: 0, y: 0 },
          { x: 0, y: 9 },
        ],
        [
          { x: 9, y: 0 },
          { x: 9, y: 9 },
        ],
      ),
    ).toEqual([0, 1]));
});
