import fc from 'fast-check';
import { buildRig, leaderLength, rigEdits, TEMPLATE_IDS } from '@doceo/core';
import { drawRig, LINE_BELOW_PX, lineEndX } from '../rig/drawing/rig-drawing';
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

describe('the rig drawing', () => {
  const rig = buildRig('indicator-nymph');
  const length = (a: { x: number; y: number }, b: { x: number; y: number }): number =>
    Math.hypot(a.x - b.x, a.y - b.y);

  it.each([0.4, 1.1, 2.5])('is to scale in %f m of water', (depthM) => {
    const deep = rigEdits.depth(rig, depthM);
    const drawing = drawRig(deep, { width: 430, height: 764 }, {});
    expect(
      drawing.sections.reduce((sum, { from, to }) => sum + length(from, to), 0) / drawing.scale,
    ).toBeCloseTo(leaderLength(deep), 6);
    expect((drawing.bedY - drawing.surfaceY) / drawing.scale).toBeCloseTo(depthM, 6);
  });

  it('keeps flies in the water, the indicator on it, and labels apart', () => {
    const drawing = drawRig(rig, { width: 430, height: 764 }, {});
    for (const fly of drawing.flies) expect(fly.y > drawing.surfaceY && fly.y < drawing.bedY).toBe(true);
    expect(drawing.fittings.find(({ kind }) => kind === 'indicator')?.y).toBeCloseTo(drawing.surfaceY, 6);
    const ys = drawing.labels.map(({ y }) => y).sort((a, b) => a - b);
    for (let i = 1; i < ys.length; i++)
      expect((ys[i] as number) - (ys[i - 1] as number)).toBeGreaterThanOrEqual(30);
  });
});

describe('every template drawn', () => {
  const size = { width: 430, height: 764 };
  const textsOf = (id: (typeof TEMPLATE_IDS)[number]) => {
    const drawn = buildRig(id);
    return Object.fromEntries(
      [...drawn.sections, ...drawn.fittings, ...drawn.flies].map((part) => [part.id, ['a', 'b']]),
    );
  };

  it.each(TEMPLATE_IDS)('%s is to scale, inside the drawing, with labels apart', (id) => {
    const drawn = buildRig(id);
    const drawing = drawRig(drawn, size, textsOf(id));
    const lengths = drawing.sections.reduce(
      (sum, { from, to }) => sum + Math.hypot(from.x - to.x, from.y - to.y),
      0,
    );
    expect(lengths / drawing.scale).toBeCloseTo(leaderLength(drawn), 5);
    for (const { x, y } of [
      ...drawing.sections.flatMap(({ from, to }) => [from, to]),
      ...drawing.flies,
      ...drawing.fittings,
    ]) {
      expect(x).toBeGreaterThan(20);
      expect(x).toBeLessThan(size.width);
      expect(y).toBeGreaterThan(20);
      expect(y).toBeLessThan(size.height - 60);
    }
    for (const side of ['left', 'right'] as const) {
      const ys = drawing.labels
        .filter((label) => label.side === side)
        .map(({ y }) => y)
        .sort((a, b) => a - b);
      ys.slice(1).forEach((y, i) => expect(y - (ys[i] as number)).toBeGreaterThanOrEqual(30));
    }
    expect(drawing.labels).toHaveLength(Object.keys(textsOf(id)).length);
  });

  it.each(TEMPLATE_IDS)('%s has no line to a label cross another', (id) => {
    const { labels } = drawRig(buildRig(id), size, textsOf(id));
    const lines = labels.map(
      ({ at, side, x, y }) => [at, { x: lineEndX(side, x), y: y + LINE_BELOW_PX }] as const,
    );
    expect(lines.flatMap((one, i) => lines.slice(i + 1).filter((other) => cross(one, other)))).toEqual([]);
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
