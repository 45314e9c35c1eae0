import fc from 'fast-check';
import { distance, type Point } from '../geometry';
import { hookDistance } from '../safety';
import { type Beat, type Piece, waterAt } from './beat';
import { type Standing, standsForGroup } from './group-stands';

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
  speedMs = 0.35,
) => ({ id, kind, name: id, shape, depthM, speedMs: depthM === null ? null : speedMs }) satisfies Piece;
/** Sixty metres of slow knee-deep river between open banks, a deeper and faster tongue down the middle. */
const river = (extra: Piece[] = []): Beat => ({
  ...{ id: 'b', name: 'test', lengthM: 60, widthM: 24 },
  pieces: [
    piece('left', 'open-bank', rectangle(0, 0, 60, 4)),
    piece('right', 'open-bank', rectangle(0, 20, 60, 24)),
    piece('run', 'run', rectangle(0, 4, 60, 20), 0.4),
    piece('tongue', 'head', rectangle(0, 10, 60, 14), 0.9, 0.9),
    ...extra,
  ],
});
const around = { bottom: 'gravel' as const, waterC: 12, rising: false };
const person = (id: string, rest: Partial<Standing> = {}): Standing => ({
  ...{ id, hand: 'right', needs: [], reachM: null, rodM: 2.7, leaderM: 2.7 },
  wader: { heightM: 1.75, ageYears: 40, hasStaff: true },
  ...rest,
});
const standOf = (beat: Beat, people: Standing[], id: string, how = around) =>
  standsForGroup(beat, people, how).stands.find(({ personId }) => personId === id);

describe('who of a group stands where', () => {
  it('keeps one who cannot swim on the bank while the others wade, and says why', () => {
    const group = [
      person('wades'),
      person('wades too'),
      person('swims not', {
        needs: ['cannot-swim'],
        wader: { heightM: 1.75, ageYears: 40, hasStaff: true, deepestM: 0 },
      }),
    ];
    const { stands, without } = standsForGroup(river(), group, around);
    expect(without).toEqual([]);
    const own = stands.find(({ personId }) => personId === 'swims not');
    expect([own?.inWater, own?.because]).toEqual([false, [{ why: 'bank', need: 'cannot-swim' }]]);
  });

  it('gives a short reach the short cast, whoever is first on the list', () => {
    const [near, far] = [person('near', { reachM: 5 }), person('far', { reachM: 11 })];
    for (const group of [
      [near, far],
      [far, near],
    ])
      expect(standOf(river(), group, 'near')?.castM).toBeLessThanOrEqual(5.5);
    expect(standOf(river(), [near, far], 'near')?.because).toContainEqual({ why: 'reach', reachM: 5 });
    // A shoulder takes a fifth of the line.
    const sore = standOf(river(), [person('sore', { reachM: 8, needs: ['shoulder'] })], 'sore');
    expect(sore?.because).toContainEqual({ why: 'reach', reachM: 6.4 });
  });

  it('has the rod hand over the clear side', () => {
    // Trees along both ends of the only stretch of bank: a cast across leaves one hand among leaves.
    const lone = (hand: 'left' | 'right') => {
      const beat: Beat = {
        ...river(),
        pieces: [
          piece('bank', 'open-bank', rectangle(0, 0, 60, 4)),
          piece('wood', 'trees', rectangle(0, 0, 28, 4)),
          piece('run', 'run', rectangle(0, 4, 60, 20), 0.4),
          piece('tongue', 'head', rectangle(24, 10, 36, 14), 0.9, 0.9),
        ],
      };
      return standOf(beat, [person('one', { hand })], 'one', { ...around, rising: true });
    };
    const [left, right] = [lone('left'), lone('right')];
    // Both look down the sheet: right is to the left of the sheet there, where the wood is.
    expect(right?.at.x).toBeGreaterThan(30);
    expect(left?.at.x).toBeGreaterThan(28);
    expect(left?.at.x).toBeLessThanOrEqual(right?.at.x ?? 0);
  });

  it('puts more room beside a longer outfit', () => {
    const [short, long] = [2.7, 6].map((leaderM) => {
      const { stands } = standsForGroup(
        river(),
        [person('a', { leaderM }), person('b', { leaderM })],
        around,
      );
      return distance(stands[0]?.at ?? { x: 0, y: 0 }, stands[1]?.at ?? { x: 0, y: 0 });
    });
    expect(long).toBeGreaterThanOrEqual(2.7 + 6 + 0.7);
    expect(short).toBeGreaterThanOrEqual(2.7 + 2.7 + 0.7);
  });

  it('tells who found no place', () => {
    const tiny: Beat = { ...river(), lengthM: 6, pieces: [piece('run', 'run', rectangle(0, 4, 6, 20), 0.4)] };
    const { stands, without } = standsForGroup(tiny, [person('a'), person('b'), person('c')], around);
    expect(stands.length + without.length).toBe(3);
    expect(without.length).toBeGreaterThan(0);
    expect(standsForGroup({ ...river(), pieces: [] }, [person('a')], around)).toEqual({
      stands: [],
      without: ['a'],
    });
    expect(standsForGroup(river(), [], around)).toEqual({ stands: [], without: [] });
  });

  const randomGroup = fc.array(
    fc.record({
      hand: fc.constantFrom<'left' | 'right'>('left', 'right'),
      heightM: fc.double({ min: 1.1, max: 1.95, noNaN: true }),
      deepestM: fc.constantFrom(0, 0.3, undefined),
      reachM: fc.option(fc.double({ min: 4, max: 11, noNaN: true })),
      leaderM: fc.double({ min: 2, max: 4, noNaN: true }),
    }),
    { minLength: 1, maxLength: 5 },
  );

  it('never lets lines meet, lets nobody wade deeper than he may, leaves nobody alone across, whoever comes', () => {
    fc.assert(
      fc.property(randomGroup, fc.double({ min: 0.2, max: 1.2, noNaN: true }), (rows, depthM) => {
        const beat = river([piece('hole', 'pool', rectangle(20, 14, 40, 20), depthM, 0.1)]);
        const people = rows.map(({ hand, heightM, deepestM, reachM, leaderM }, i) =>
          person(`${i}`, {
            ...{ hand, reachM, leaderM },
            wader: { heightM, ageYears: 30, hasStaff: true, ...(deepestM === undefined ? {} : { deepestM }) },
          }),
        );
        const { stands, without } = standsForGroup(beat, people, around);
        expect([...stands.map(({ personId }) => personId), ...without].sort()).toEqual(
          people.map(({ id }) => id).sort(),
        );
        const of = (id: string) => people.find((one) => one.id === id) as Standing;
        stands.forEach((stand, i) => {
          const { wader } = of(stand.personId);
          const depth = waterAt(beat, stand.at)?.depthM ?? 0;
          if (stand.inWater) expect(depth).toBeLessThanOrEqual(wader.deepestM ?? Infinity);
          for (const other of stands.slice(i + 1))
            expect(distance(stand.at, other.at)).toBeGreaterThanOrEqual(
              Math.max(
                hookDistance(stand.castM, of(stand.personId)),
                hookDistance(other.castM, of(other.personId)),
              ),
            );
        });
        const upper = stands.filter(({ at }) => at.y < 12).length;
        if (stands.length > 1) expect([1, stands.length - 1]).not.toContain(upper);
        expect(standsForGroup(beat, [...people].reverse(), around).stands).toEqual(stands);
      }),
      { numRuns: 12 },
    );
  });
});
