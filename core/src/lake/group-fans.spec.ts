import fc from 'fast-check';
import { distance, type Point } from '../geometry';
import { hookDistance } from '../safety';
import type { FanOptions } from './fan';
import { fansForGroup, type LakeCaster } from './group-fans';
import { depthGrid } from './grid';
import type { Lake, LakePiece } from './lake';

const ring = (cx: number, cy: number, radius: number): Point[] =>
  Array.from({ length: 48 }, (_, i) => ({
    x: cx + radius * Math.cos((i / 48) * 2 * Math.PI),
    y: cy + radius * Math.sin((i / 48) * 2 * Math.PI),
  }));
const piece = (id: string, kind: LakePiece['kind'], shape: Point[], depthM: number | null = null) =>
  ({ ...{ id, kind, name: id, shape, depthM }, speedMs: null }) satisfies LakePiece;
/** A round lake of 80 m across, whose three metres of water lie nearer to one of its shores. */
const lake = (deepAtX: number, extra: LakePiece[] = []): Lake => ({
  ...{ id: 'l', name: 'test', lengthM: 100, widthM: 100, boats: false },
  soundings: [{ x: deepAtX, y: 50, depthM: 5 }],
  pieces: [
    piece('shore', 'shore', ring(50, 50, 40)),
    piece('three', 'contour', ring(deepAtX, 50, 25), 3),
    ...extra,
  ],
});
const even = lake(50);
const gridOf = (of: Lake) => depthGrid(of, 100, 100);
const grid = gridOf(even);
const still: FanOptions = { castM: 12, band: { fromM: 1, toM: 4 }, windMs: 0, windFromDeg: 0 };
const person = (id: string, rest: Partial<LakeCaster> = {}): LakeCaster => ({
  ...{ id, hand: 'right', needs: [], reachM: null, rodM: 2.9, leaderM: 3.6 },
  ...rest,
});

describe('who of a group stands where on a shore', () => {
  it('gives each a fan as long as he has shown, less what his needs take', () => {
    const { stands, without } = fansForGroup(
      even,
      grid,
      [
        person('new'),
        person('short', { reachM: 8 }),
        person('sore', { reachM: 8, needs: ['shoulder'] }),
        person('beginner', { reachM: 2 }),
      ],
      still,
    );
    expect(without).toEqual([]);
    const cast = new Map(stands.map(({ personId, castM }) => [personId, castM]));
    expect([...cast].sort()).toEqual([
      ['beginner', 4],
      ['new', 12],
      ['short', 8],
      ['sore', 6.5],
    ]);
    for (const { at, castM, casts } of stands)
      for (const { to } of casts) expect(distance(at, to)).toBeCloseTo(castM, 6);
    const because = stands.find(({ personId }) => personId === 'sore')?.because;
    expect(because).toEqual([{ why: 'reach', reachM: 6.5 }]);
  });

  it('keeps the wind off the rod hand, and tells who stands there for it', () => {
    const group = ['a', 'b', 'c', 'd'].map((id, i) => person(id, { hand: i % 2 ? 'left' : 'right' }));
    const { stands } = fansForGroup(even, grid, group, { ...still, windMs: 5, windFromDeg: 270 });
    for (const { personId, windOn, parts, because } of stands) {
      const { hand } = group.find(({ id }) => id === personId)!;
      expect([windOn === hand, parts.hand]).toEqual([false, 1]);
      const across = windOn === 'left' || windOn === 'right';
      expect(because).toEqual(across ? [{ why: 'wind', hand }] : []);
    }
    // Nobody is placed by a breath of air.
    const calm = fansForGroup(even, grid, group, { ...still, windMs: 1, windFromDeg: 270 });
    for (const { because } of calm.stands) expect(because).toEqual([]);
  });

  it('has no leaves beside the rod hand where the other hand is free', () => {
    // All of the shore but its southern end is closed, and trees stand east of that.
    const closed = ring(50, 50, 40)
      .filter(({ y }) => y < 80)
      .map((at, i) => piece(`h${i}`, 'hazard', [at]));
    const wood = piece('wood', 'trees', [
      ...[
        { x: 51.5, y: 85 },
        { x: 90, y: 85 },
        { x: 90, y: 100 },
        { x: 51.5, y: 100 },
      ],
    ]);
    const south = lake(50, [...closed, wood]);
    const only = (hand: 'left' | 'right') =>
      fansForGroup(south, grid, [person('one', { hand })], still).stands[0];
    expect(only('left')).toMatchObject({ parts: { hand: 1 } });
    expect(only('left')?.at.x).toBeLessThan(51.5);
    const right = only('right');
    expect(right!.score).toBeLessThanOrEqual(only('left')!.score);
    expect(right?.because.some(({ why }) => why === 'hand')).toBe(false);
  });

  it('puts one who cannot swim, or is small, before shallow water, and says how deep', () => {
    const steep = lake(36);
    const depths = gridOf(steep);
    const at = (needs: LakeCaster['needs']) =>
      fansForGroup(steep, depths, [person('one', { needs })], still).stands[0];
    for (const need of ['cannot-swim', 'child-height', 'seated', 'afraid-of-deep-water'] as const) {
      const one = at([need]);
      expect(one?.parts.edge).toBeGreaterThan(0.95);
      expect(one?.because).toEqual([{ why: 'edge', need, depthM: expect.any(Number) }]);
    }
    const [because] = at(['cannot-swim'])!.because;
    expect(because?.why === 'edge' && because.depthM <= 0.5).toBe(true);
    // In the west it is three metres deep a step from the shore.
    expect(distance(at(['cannot-swim'])!.at, { x: 10, y: 50 })).toBeGreaterThan(20);
    expect(at([])?.parts).not.toHaveProperty('edge');
  });

  it('lets a short cast reach water in which fish stay', () => {
    const steep = lake(36);
    const { stands } = fansForGroup(steep, gridOf(steep), [person('short', { reachM: 4 })], still);
    expect(distance(stands[0]!.at, { x: 10, y: 50 })).toBeLessThan(30);
    expect(stands[0]!.casts.at(-1)!.deepestM).toBeGreaterThan(0.4);
  });

  it('knows no hand of somebody who is nobody yet', () => {
    const [one] = fansForGroup(even, grid, [person('nobody', { hand: null })], {
      ...still,
      windMs: 9,
    }).stands;
    expect(one?.parts).not.toHaveProperty('hand');
    expect(one?.because).toEqual([]);
  });

  it('leaves out for whom there is no room, and gives the same places in any order of names', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            reachM: fc.option(fc.integer({ min: 4, max: 20 }), { nil: null }),
            hand: fc.constantFrom('left' as const, 'right' as const),
            needs: fc.subarray(['cannot-swim' as const, 'shoulder' as const]),
          }),
          { minLength: 1, maxLength: 7 },
        ),
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 0, max: 9 }),
        (kinds, windFromDeg, windMs) => {
          const group = kinds.map((kind, i) => person(`${i}`, kind));
          const options = { ...still, windFromDeg, windMs };
          const { stands, without } = fansForGroup(even, grid, group, options);
          expect([...stands.map(({ personId }) => personId), ...without].sort()).toEqual(
            group.map(({ id }) => id).sort(),
          );
          const reach = ({ castM }: { castM: number }): number =>
            hookDistance(castM, { rodM: 2.9, leaderM: 3.6 });
          stands.forEach((one, i) =>
            stands
              .slice(i + 1)
              .forEach((other) =>
                expect(distance(one.at, other.at)).toBeGreaterThanOrEqual(Math.max(reach(one), reach(other))),
              ),
          );
          expect(fansForGroup(even, grid, [...group].reverse(), options).stands).toEqual(stands);
        },
      ),
      { numRuns: 25 },
    );
  });
});
