import fc from 'fast-check';
import type { Wader } from '../water';
import { type Beat, beatFaults, type Piece, pieceAt, waterAt } from './beat';
import { crossingSides, distance, inside, type Point } from '../geometry';
import { findSeams } from './seams';
import { laneGrid } from './lane-grid';
import { spacing, type SuggestOptions, suggestStands } from './suggest';

const rectangle = (x1: number, y1: number, x2: number, y2: number): Point[] => [
  { x: x1, y: y1 },
  { x: x2, y: y1 },
  { x: x2, y: y2 },
  { x: x1, y: y2 },
];
const piece = (
  id: string,
  kind: Piece['kind'],
  shape: Point[],
  depthM: number | null = null,
  speedMs: number | null = null,
): Piece => ({ id, kind, name: id, shape, depthM, speedMs });

/** Sixty metres of river between open banks: slow margins, a fast tongue down the middle, a tail-out below. */
const beat = (extra: Piece[] = []): Beat => ({
  id: 'b',
  name: 'test',
  lengthM: 60,
  widthM: 24,
  pieces: [
    piece('left', 'open-bank', rectangle(0, 0, 60, 4)),
    piece('right', 'open-bank', rectangle(0, 20, 60, 24)),
    piece('run', 'run', rectangle(0, 4, 60, 20), 0.45, 0.35),
    piece('tongue', 'head', rectangle(0, 10, 40, 14), 0.9, 0.9),
    piece('tail', 'tail-out', rectangle(46, 4, 60, 20), 0.4, 0.4),
    ...extra,
  ],
});
const adult: Wader = { heightM: 1.75, ageYears: 40, hasStaff: true };
const options = (rest: Partial<SuggestOptions> = {}): SuggestOptions => ({
  students: 4,
  wader: adult,
  bottom: 'gravel',
  waterC: 12,
  rising: false,
  rodM: 2.7,
  leaderM: 2.7,
  ...rest,
});
const turnedOver = ({ pieces, ...rest }: Beat): Beat => ({
  ...rest,
  pieces: pieces.map((one) => ({ ...one, shape: one.shape.map(({ x, y }) => ({ x, y: rest.widthM - y })) })),
});
/** Beats of random pieces of water over a slow run. */
const randomBeat = fc
  .array(
    fc.record({
      x: fc.double({ min: 0, max: 40, noNaN: true }),
      y: fc.double({ min: 4, max: 16, noNaN: true }),
      length: fc.double({ min: 3, max: 20, noNaN: true }),
      width: fc.double({ min: 1.5, max: 4, noNaN: true }),
      depthM: fc.double({ min: 0.1, max: 1.8, noNaN: true }),
      speedMs: fc.double({ min: -0.4, max: 1.6, noNaN: true }),
      kind: fc.constantFrom('run', 'pool', 'pocket', 'riffle', 'eddy' as const),
    }),
    { maxLength: 7 },
  )
  .map((rows) =>
    beat(
      rows.map(({ x, y, length, width, depthM, speedMs, kind }, i) =>
        piece(`p${i}`, kind, rectangle(x, y, x + length, y + width), depthM, speedMs),
      ),
    ),
  );

describe('shapes', () => {
  it('have their sides in them, the other way round too', () => {
    const shape = rectangle(0, 11.5, 3, 13.25);
    const over = shape.map(({ x, y }) => ({ x, y: 24 - y }));
    for (const y of [11.5, 13.25])
      expect([inside(shape, { x: 1, y }), inside(over, { x: 1, y: 24 - y })]).toEqual([true, true]);
    expect([inside(shape, { x: 3, y: 12 }), inside(shape, { x: 3.001, y: 12 })]).toEqual([true, false]);
  });

  it('know what lies in them', () => {
    const shape = rectangle(0, 0, 4, 2);
    expect([inside(shape, { x: 1, y: 1 }), inside(shape, { x: 5, y: 1 })]).toEqual([true, false]);
    const bow = [
      { x: 0, y: 0 },
      { x: 4, y: 4 },
      { x: 4, y: 0 },
      { x: 0, y: 4 },
    ];
    expect(crossingSides(bow)).toEqual([0, 2]);
    expect(crossingSides(shape)).toBeNull();
  });

  it('lie over each other, the last on top', () => {
    expect(waterAt(beat(), { x: 20, y: 12 })).toEqual({
      pieceId: 'tongue',
      kind: 'head',
      depthM: 0.9,
      speedMs: 0.9,
    });
    expect(waterAt(beat(), { x: 20, y: 2 })).toBeNull();
    expect(pieceAt(beat(), { x: 20, y: 2 })?.kind).toBe('open-bank');
  });

  it.each<[string, Piece, string]>([
    [
      'a corner outside',
      piece('x', 'pool', rectangle(50, 5, 70, 9), 1, 0.1),
      'pieces[5].shape[1] lies outside the beat',
    ],
    [
      'water at 40 m/s',
      piece('x', 'run', rectangle(1, 5, 9, 9), 1, 40),
      'pieces[5].speedMs is a speed up to 6 m/s, either way',
    ],
    [
      'water without depth',
      piece('x', 'run', rectangle(1, 5, 9, 9), null, 1),
      'pieces[5].depthM is a depth from 0 to 10 m',
    ],
    [
      'two corners',
      piece('x', 'trees', rectangle(1, 5, 9, 9).slice(0, 2)),
      'pieces[5].shape needs three corners or more',
    ],
    [
      'a shape that crosses itself',
      piece('x', 'trees', [
        { x: 1, y: 1 },
        { x: 5, y: 5 },
        { x: 5, y: 1 },
        { x: 1, y: 5 },
      ]),
      'pieces[5].shape[0] its side crosses the one from corner 3',
    ],
    [
      'a boulder of many points',
      piece('x', 'boulder', rectangle(1, 5, 2, 6)),
      'pieces[5].shape is one point',
    ],
  ])('with %s are named with their place', (_, wrong, fault) => {
    expect(beatFaults(beat([wrong])).map(({ path, message }) => `${path} ${message}`)).toContain(fault);
    expect(beatFaults(beat())).toEqual([]);
  });
});

describe('seams', () => {
  it('run on both sides of the fast tongue', () => {
    const seams = findSeams(beat());
    const sides = seams.filter(({ contrastMs }) => Math.abs(contrastMs - 0.55) < 1e-9);
    expect(sides.map(({ points }) => points[0]?.y).sort()).toEqual([10, 14]);
    for (const { points } of sides) expect([points[0]?.x, points.at(-1)?.x]).toEqual([0.25, 39.75]);
  });

  it('are none where the water is even', () =>
    expect(findSeams({ ...beat(), pieces: beat().pieces.slice(0, 3) })).toEqual([]));

  it('turn over with the beat', () => {
    const told = (seams: ReturnType<typeof findSeams>, widthM: number, over: boolean): string[] =>
      seams
        .map(({ points, contrastMs }) =>
          [
            contrastMs.toFixed(6),
            ...points.map(({ x, y }) => `${x.toFixed(3)},${(over ? widthM - y : y).toFixed(3)}`),
          ].join(' '),
        )
        .sort();
    fc.assert(
      fc.property(randomBeat, (one) => {
        expect(told(findSeams(turnedOver(one)), one.widthM, true)).toEqual(
          told(findSeams(one), one.widthM, false),
        );
      }),
      { numRuns: 500 },
    );
  });
});

describe('where to stand', () => {
  it('is by the seams, tail before head, near before far', () => {
    const stands = suggestStands(beat(), options());
    expect(stands.length).toBeGreaterThan(1);
    const xs = stands.map(({ lie }) => lie.at.x);
    expect(xs).toEqual([...xs].sort((a, b) => b - a));
    expect(stands.map(({ lie }) => lie.what)).toContain('seam');
  });

  it('never lets a line reach another student, asks nobody to wade over the limit, and keeps from hazards', () => {
    fc.assert(
      fc.property(randomBeat, fc.integer({ min: 1, max: 6 }), fc.boolean(), (one, students, rising) => {
        const weir = piece('weir', 'hazard', [{ x: 30, y: 8 }]);
        const river = { ...one, pieces: [...one.pieces, weir] };
        const how = options({ students, rising });
        const stands = suggestStands(river, how);
        expect(stands.length).toBeLessThanOrEqual(students);
        stands.forEach((stand, i) => {
          for (const other of stands.slice(i + 1))
            expect(distance(stand.at, other.at)).toBeGreaterThanOrEqual(
              spacing(how, Math.max(stand.castM, other.castM)),
            );
          const water = waterAt(river, stand.at);
          if (water) {
            expect((water.depthM / 0.3048) * (Math.abs(water.speedMs) / 0.3048)).toBeLessThan(4);
            expect(rising).toBe(false);
          }
          expect(distance(stand.at, { x: 30, y: 8 })).toBeGreaterThanOrEqual(4);
          for (const part of Object.values(stand.parts)) expect([part > 0, part <= 1]).toEqual([true, true]);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('leaves nobody alone across the water from the others', () => {
    // Left to their scores alone the best four would be three on one bank and one on the other.
    const sides = (students: number): number[] => {
      const ys = suggestStands(beat(), options({ students, rising: true })).map(({ at }) => at.y);
      return [ys.filter((y) => y < 12).length, ys.filter((y) => y > 12).length];
    };
    for (const students of [2, 3, 4, 5, 6]) {
      const [left, right] = sides(students) as [number, number];
      expect([students, left + right > 1, left === 1 || right === 1]).toEqual([students, true, false]);
    }
    fc.assert(
      fc.property(randomBeat, fc.integer({ min: 2, max: 6 }), (one, students) => {
        const stands = suggestStands(one, options({ students, rising: true }));
        const upper = stands.filter(({ at }) => at.y < 12).length;
        if (stands.length > 1) expect([1, stands.length - 1]).not.toContain(upper);
      }),
      { numRuns: 30 },
    );
  });

  it('is neither on top of the fish nor too far for a beginner', () => {
    for (const { castM, parts } of suggestStands(beat(), options())) {
      expect(castM).toBeGreaterThan(4.5);
      expect(castM).toBeLessThan(9);
      expect(parts.unseen).toBeGreaterThan(0.5);
    }
    const [tall, low] = [1.9, 1.2].map(
      (heightM) =>
        suggestStands(beat(), options({ students: 1, wader: { ...adult, heightM } }))[0]?.parts.unseen,
    );
    expect(low).toBeGreaterThan(tall ?? 1);
  });

  it('sees that trees leave no room for a back cast', () => {
    // So short a water that every cast goes across, and comes back over the bank.
    const short = (extra: Piece[] = []): Beat => ({
      ...beat(),
      pieces: [
        piece('left', 'open-bank', rectangle(0, 0, 60, 4)),
        piece('run', 'run', rectangle(26, 4, 34, 24), 0.45, 0.35),
        piece('tongue', 'head', rectangle(26, 10, 34, 14), 0.9, 0.9),
        ...extra,
      ],
    });
    const from = (river: Beat) => suggestStands(river, options({ students: 1, rising: true }))[0];
    const open = from(short());
    const closed = from(short([piece('woods', 'trees', rectangle(0, 0, 60, 2.5))]));
    expect([open?.backCast, closed?.backCast]).toEqual([true, false]);
    expect(closed?.parts.room).toBeLessThan(1);
    expect(closed?.score).toBeLessThan(open?.score ?? 0);
  });

  it('is nowhere when there is no water', () =>
    expect(suggestStands({ ...beat(), pieces: beat().pieces.slice(0, 2) }, options())).toEqual([]));
});

describe('the lanes of a piece', () => {
  it('lie a step apart inside of it, the nearest first', () => {
    const lanes = laneGrid(beat(), 'tongue', { x: 20, y: 20 });
    expect(lanes.map(({ from }) => from.y)).toEqual([13.5, 12.5, 11.5, 10.5]);
    for (const { from, to } of lanes) expect([from.x, to.x]).toEqual([0, expect.closeTo(40, 0)]);
  });

  it('of a point are none', () => {
    const rock = beat([piece('rock', 'boulder', [{ x: 5, y: 12 }])]);
    expect(laneGrid(rock, 'rock', { x: 0, y: 0 })).toEqual([]);
    expect(laneGrid(rock, 'nothing', { x: 0, y: 0 })).toEqual([]);
  });
});
