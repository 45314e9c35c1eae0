import fc from 'fast-check';
import { distance, inside, type Point } from '../geometry';
import { seededRandom } from '../random';
import { depthAt, depthGrid, type DepthGrid, interpolate, lakeFigures, soundingsOf } from './grid';
import { type Lake, lakeFaults, type LakePiece, type Sounding } from './lake';
import { chopOf } from './chop';
import { HANG_S, meanPace, RETRIEVE_WAYS, retrieveRun, type RetrieveWay, secondsIn } from './retrieve';
import type { LakeCaster } from './group-fans';
import { type LakeOptions, suggestLake } from './suggest';

const ring = (cx: number, cy: number, radius: number): Point[] =>
  Array.from({ length: 24 }, (_, i) => ({
    x: cx + radius * Math.cos((i / 24) * 2 * Math.PI),
    y: cy + radius * Math.sin((i / 24) * 2 * Math.PI),
  }));
const piece = (
  id: string,
  kind: LakePiece['kind'],
  shape: Point[],
  depthM: number | null = null,
): LakePiece => ({
  id,
  kind,
  name: id,
  shape,
  depthM,
  speedMs: null,
});
/** A round lake, ten metres deep in its middle, weed on its west side and an inflow in the north. */
const lake = (extra: LakePiece[] = []): Lake => ({
  id: 'l',
  name: 'test',
  lengthM: 200,
  widthM: 200,
  boats: false,
  soundings: [{ x: 100, y: 100, depthM: 10 }],
  pieces: [
    piece('shore', 'shore', ring(100, 100, 90)),
    piece('three', 'contour', ring(100, 100, 60), 3),
    piece('weed', 'weed', ring(40, 100, 12)),
    piece('brook', 'inflow', [{ x: 100, y: 12 }]),
    ...extra,
  ],
});
const nobodies = (count: number): LakeCaster[] =>
  Array.from({ length: count }, (_, i) => ({
    ...{ id: `${i}`, hand: null, needs: [], reachM: null, rodM: 2.9, leaderM: 3.6 },
  }));
const options = (rest: Partial<LakeOptions> = {}): LakeOptions => ({
  people: nobodies(4),
  castM: 12,
  rodM: 2.9,
  species: 'brown-trout',
  profile: [
    { depthM: 0, celsius: 18 },
    { depthM: 2, celsius: 16 },
    { depthM: 6, celsius: 10 },
    { depthM: 10, celsius: 6 },
  ],
  windMs: 3,
  windFromDeg: 270,
  way: RETRIEVE_WAYS['hand-twist'],
  ...rest,
});
const grid: DepthGrid = depthGrid(lake(), 60, 60);
const run = (
  soundings: readonly Sounding[],
  size: { columns: number; rows: number },
  shore: Point[] = [],
): { shares: number[]; grid: DepthGrid } => {
  const steps = interpolate(soundings, { lengthM: 100, widthM: 50 }, size, shore);
  const shares: number[] = [];
  for (;;) {
    const step = steps.next();
    if (step.done) return { shares, grid: step.value };
    shares.push(step.value);
  }
};

describe('depths between soundings', () => {
  it('are those of one sounding everywhere when there is one, and refuse none', () => {
    expect([...run([{ x: 5, y: 5, depthM: 4 }], { columns: 3, rows: 2 }).grid.depthsM]).toEqual([
      4, 4, 4, 4, 4, 4,
    ]);
    expect(() => run([], { columns: 3, rows: 2 })).toThrow(expect.objectContaining({ code: 'out-of-range' }));
  });

  it('weigh by the inverse square of the distance', () => {
    const two = [
      { x: 10, y: 25, depthM: 2 },
      { x: 90, y: 25, depthM: 6 },
    ];
    const { depthsM } = run(two, { columns: 10, rows: 2 }).grid;
    const weight = (x: number, at: number): number => 1 / ((at - x) ** 2 + 12.5 ** 2);
    const at = 35;
    const wanted = (2 * weight(10, at) + 6 * weight(90, at)) / (weight(10, at) + weight(90, at));
    expect(depthsM[3]).toBeCloseTo(wanted, 10);
  });

  it('tell how far they are after every row, and are none on land', () => {
    const { shares, grid: found } = run([{ x: 1, y: 1, depthM: 2 }], { columns: 10, rows: 5 }, [
      { x: 0, y: 0 },
      { x: 50, y: 0 },
      { x: 50, y: 50 },
      { x: 0, y: 50 },
    ]);
    expect(shares).toEqual([0.2, 0.4, 0.6, 0.8, 1]);
    expect(depthAt(found, { x: 20, y: 20 })).toBe(2);
    expect([depthAt(found, { x: 80, y: 20 }), depthAt(found, { x: 500, y: 20 })]).toEqual([null, null]);
  });

  it('are those of the eight nearest found by looking at all of them', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer({ min: 8, max: 120 }), (seed, count) => {
        const random = seededRandom(`depths/${seed}`);
        const soundings = Array.from({ length: count }, () => ({
          x: random() * 100,
          y: random() * 50,
          depthM: random() * 8,
        }));
        const { depthsM } = run(soundings, { columns: 7, rows: 5 }).grid;
        for (let row = 0; row < 5; row++)
          for (let column = 0; column < 7; column++) {
            const at = { x: ((column + 0.5) * 100) / 7, y: row * 10 + 5 };
            const near = soundings
              .map((one) => ({ depthM: one.depthM, square: distance(one, at) ** 2 }))
              .sort((a, b) => a.square - b.square)
              .slice(0, 8);
            const weights = near.reduce((sum, { square }) => sum + 1 / square, 0);
            const wanted = near.reduce((sum, { square, depthM }) => sum + depthM / square, 0) / weights;
            expect(depthsM[row * 7 + column]).toBeCloseTo(wanted, 8);
          }
      }),
      { numRuns: 100 },
    );
  });

  it('between lines go straight from one to the next', () => {
    const drawn = { ...lake(), soundings: [] };
    const { depthsM } = depthGrid(drawn, 200, 200);
    const at = (x: number): number => depthsM[100 * 200 + x] as number;
    // The shore is 90 m from the middle, three metres deep from 60 m inwards.
    expect([at(100), at(130)]).toEqual([3, 3]);
    expect(at(175)).toBeGreaterThan(1.3);
    expect(at(175)).toBeLessThan(1.7);
    expect(at(189)).toBeLessThan(0.2);
    expect(at(165)).toBeGreaterThan(at(170));
  });

  it('tell area, deepest, mean and shoals of the whole', () => {
    const square = [
      { x: 0, y: 0 },
      { x: 50, y: 0 },
      { x: 50, y: 50 },
      { x: 0, y: 50 },
    ];
    const { grid: half } = run([{ x: 1, y: 1, depthM: 4 }], { columns: 10, rows: 5 }, square);
    expect(lakeFigures(half)).toEqual({ areaM2: 2500, deepestM: 4, meanM: 4, shoalShare: 1 });
    expect(lakeFigures({ ...half, depthsM: half.depthsM.map(() => NaN) })).toEqual({
      ...{ areaM2: 0, deepestM: 0, meanM: 0, shoalShare: 0 },
    });
  });

  it('lie between the shallowest and the deepest sounding', () => {
    const depths = [...grid.depthsM].filter((depth) => !Number.isNaN(depth));
    expect([Math.min(...depths) >= 0, Math.max(...depths) <= 10]).toEqual([true, true]);
    expect(depthAt(grid, { x: 100, y: 100 })).toBeGreaterThan(8);
  });

  it('are taken from shore and contours too', () => {
    expect(new Set(soundingsOf(lake()).map(({ depthM }) => depthM))).toEqual(new Set([10, 0, 3]));
  });
});

describe('a lake', () => {
  it('tells what is wrong with it by its place', () => {
    const bow = [
      { x: 10, y: 10 },
      { x: 30, y: 30 },
      { x: 30, y: 10 },
      { x: 10, y: 30 },
    ];
    const wrong: Lake = {
      ...lake([piece('bow', 'timber', bow), piece('deep', 'contour', ring(100, 100, 5), 500)]),
      soundings: [
        { x: 900, y: 1, depthM: 1 },
        { x: 1, y: 1, depthM: -2 },
      ],
    };
    expect(lakeFaults(wrong).map(({ path }) => path)).toEqual([
      'pieces[4].shape[0]',
      'pieces[5].depthM',
      'soundings[0]',
      'soundings[1].depthM',
    ]);
    expect(lakeFaults({ ...lake(), pieces: [] })).toEqual([{ path: 'pieces', message: 'need one shore' }]);
    expect(lakeFaults(lake([piece('weed', 'weed', ring(60, 60, 5))]))).toEqual([
      { path: 'pieces[4].id', message: 'is the id of another piece too' },
    ]);
    expect(lakeFaults(lake())).toEqual([]);
  });
});

describe('a retrieve', () => {
  const way: RetrieveWay = { pullM: 0.1, pullMs: 0.1, pauseS: 0 };
  const cast = { castM: 12, countS: 20, sinkMs: 0.1, way, rodM: 2.9, bottomM: 50 };

  it('sinks straight down while counted: depth is rate times time', () => {
    const counted = retrieveRun(cast).path.find(({ atS }) => atS === 20);
    expect(counted?.depthM).toBeCloseTo(2, 9);
    expect(counted?.awayM).toBe(12);
  });

  it('never goes through the bottom, says when it lies there, and rises when pulled fast', () => {
    const low = retrieveRun({ ...cast, countS: 60, bottomM: 3 });
    expect([low.deepestM, low.touched]).toEqual([3, true]);
    const fast = retrieveRun({ ...cast, sinkMs: 0.05, way: { ...way, pullM: 1, pullMs: 1 } });
    expect(fast.path.at(-1)?.depthM).toBeLessThan(1);
  });

  it('stays longer in a band when it is slower', () => {
    const inBand = (one: RetrieveWay): number =>
      secondsIn(retrieveRun({ ...cast, castM: 14, countS: 30, sinkMs: 0.05, way: one, bottomM: 40 }), {
        fromM: 1,
        toM: 3,
      });
    expect(inBand(way)).toBeGreaterThan(inBand({ ...way, pullMs: 0.3 }));
  });

  it('sinks deeper when one waits between the pulls', () =>
    expect(retrieveRun({ ...cast, way: { ...way, pauseS: 2 } }).deepestM).toBeGreaterThan(
      retrieveRun(cast).deepestM,
    ));

  it('is length by speed by pause: 15 cm at half a metre a second and a second of waiting are 11.5 cm/s', () => {
    expect(meanPace(RETRIEVE_WAYS['short-strip'])).toBeCloseTo(0.15 / 1.3, 9);
    const { path } = retrieveRun({ ...cast, sinkMs: 0, way: RETRIEVE_WAYS['short-strip'] });
    const begun = path.find(({ part }) => part === 'retrieve')!;
    const later = path.find(({ atS }) => atS === begun.atS + 13)!;
    expect(begun.awayM - later.awayM).toBeCloseTo(13 * meanPace(RETRIEVE_WAYS['short-strip']), 0);
  });

  it('ends with the hang, two rod lengths out: lifted, then still', () => {
    const { path } = retrieveRun(cast);
    const hang = path.filter(({ part }) => part === 'hang');
    expect(hang.length * 0.25).toBe(HANG_S);
    expect(hang[0]?.awayM).toBeGreaterThan(5.6);
    expect(hang[0]?.awayM).toBeLessThanOrEqual(5.8);
    expect(hang[0]!.depthM).toBeGreaterThan(hang.at(-1)!.depthM);
    expect(hang.at(-10)?.depthM).toBe(hang.at(-1)?.depthM);
  });

  it('is quicker by a strip than by hand, and slowest by a pinch', () => {
    const pace = (id: keyof typeof RETRIEVE_WAYS): number => meanPace(RETRIEVE_WAYS[id]);
    expect(pace('long-strip')).toBeGreaterThan(pace('short-strip'));
    expect(pace('short-strip')).toBeGreaterThan(pace('hand-twist'));
    expect(pace('hand-twist')).toBeGreaterThan(pace('pinch'));
    expect(pace('pinch')).toBeGreaterThan(pace('static'));
  });
});

describe('chop', () => {
  it.each([
    [0.3, 'glass'],
    [2, 'ripple'],
    [5, 'light-chop'],
    [6.6, 'light-chop'],
    [9, 'rough'],
  ] as const)('of %d m/s is %s', (windMs, kind) => expect(chopOf(windMs)).toBe(kind));
});

describe('advice for a lake', () => {
  const found = suggestLake(lake(), grid, options());

  it('takes the depth band from the profile and no deeper than the lake', () => {
    expect(found.band?.fromM).toBeCloseTo(2, 9);
    expect(found.band?.toM).toBeCloseTo(6, 9);
    const cold = suggestLake(lake(), grid, options({ profile: [{ depthM: 0, celsius: 4 }] }));
    expect([cold.band, cold.lines]).toEqual([null, []]);
  });

  it('counts to the middle of the band: four metres by a type 3 in 52.5 s', () => {
    expect(found.lines.find(({ line }) => line === 'type-3')?.countS).toBeCloseTo(4 / (3 * 0.0254), 6);
    const seconds = found.lines.map(({ inBandS }) => inBandS);
    expect(seconds).toEqual([...seconds].sort((a, b) => b - a));
  });

  it('makes the first cast over the shallowest water: margins first', () => {
    for (const { casts } of found.stands) {
      const depths = casts.map(({ meanDepthM }) => meanDepthM);
      expect(depths).toEqual([...depths].sort((a, b) => a - b));
    }
  });

  it('knows the bank the wind blows to, the east one in a west wind, and that one cannot cast from it in a gale', () => {
    const around = (windMs: number) =>
      suggestLake(lake(), grid, options({ people: nobodies(20), windMs })).stands;
    const east = (point: Point): boolean => point.x - 100 > Math.abs(point.y - 100) * Math.sqrt(3);
    const mild = around(3);
    expect(mild.length).toBeGreaterThan(12);
    for (const { at, windward, windOn, parts } of mild)
      if (east(at)) expect([windward, windOn, parts.wind]).toEqual([true, 'ahead', 1]);
      else if (at.x < 100) expect([windward, parts.wind]).toEqual([false, 0.7]);
    for (const { windward, parts } of around(8)) expect(parts.wind).toBe(windward ? 0.35 : 0.7);
  });

  it('stands nobody among trees or by a hazard, and says when trees are behind', () => {
    const east = piece('trees', 'trees', ring(190, 100, 25));
    const { stands } = suggestLake(
      lake([east, piece('bog', 'hazard', [{ x: 100, y: 190 }])]),
      grid,
      options(),
    );
    for (const { at } of stands) {
      expect(inside(east.shape, at)).toBe(false);
      expect(distance(at, { x: 100, y: 190 })).toBeGreaterThanOrEqual(10);
    }
  });

  it('never places two within reach, and covers most of the water within a cast', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 6, max: 16 }),
        (windFromDeg, windMs, students, castM) => {
          const { stands } = suggestLake(
            lake(),
            grid,
            options({ windFromDeg, windMs, people: nobodies(students), castM }),
          );
          expect(stands.length).toBeLessThanOrEqual(students);
          stands.forEach((one, i) =>
            stands
              .slice(i + 1)
              .forEach((other) =>
                expect(distance(one.at, other.at)).toBeGreaterThanOrEqual(Math.max(2 * castM, 7.2)),
              ),
          );
          for (const { coverage, score } of stands) {
            expect([coverage > 0.4, coverage <= 1]).toEqual([true, true]);
            expect([score > 0, score <= 1]).toEqual([true, true]);
          }
        },
      ),
      { numRuns: 25 },
    );
  });
});
