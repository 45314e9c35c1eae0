import type { Beat, Piece } from './beat';
import { lanesAcross } from './lanes-across';

const piece = (id: string, y1: number, y2: number, speedMs: number, x1 = 0, x2 = 40): Piece => ({
  ...{ id, kind: 'run', name: id, depthM: 0.5, speedMs },
  shape: [
    { x: x1, y: y1 },
    { x: x2, y: y1 },
    { x: x2, y: y2 },
    { x: x1, y: y2 },
  ],
});
const beat = (...pieces: Piece[]): Beat => ({ id: 'b', name: 'b', lengthM: 40, widthM: 20, pieces });
const river = beat(piece('slow', 4, 16, 0.3), piece('tongue', 8, 11, 0.9), piece('back', 14, 16, -0.2));

describe('the lanes one casts over', () => {
  it('are those from the water’s edge on the angler’s side', () => {
    expect(lanesAcross(river, { x: 25, y: 3 }, { x: 20, y: 13 })).toEqual({
      lanes: [
        { toM: 4, speedMs: 0.3 },
        { toM: 7, speedMs: 0.9 },
        { toM: 10, speedMs: 0.3 },
        { toM: 12, speedMs: -0.2 },
      ],
      ...{ lieM: 9, outM: 0, standM: 5 },
    });
  });

  it('are the other way round from the other bank, and a wader stands out in them', () => {
    const found = lanesAcross(river, { x: 20, y: 15 }, { x: 20, y: 9.5 })!;
    expect(found.lanes.map(({ speedMs }) => speedMs)).toEqual([-0.2, 0.3, 0.9, 0.3]);
    expect(found).toMatchObject({ outM: 1, lieM: 6.5, standM: 0 });
  });

  it('are at least three, at most nine, and none where there is no water', () => {
    const even = lanesAcross(beat(piece('one', 4, 16, 0.4)), { x: 5, y: 2 }, { x: 5, y: 9 })!;
    expect(even.lanes.map(({ speedMs }) => speedMs)).toEqual([0.4, 0.4, 0.4]);
    expect(even.lanes.at(-1)!.toM).toBe(12);
    const many = beat(
      ...Array.from({ length: 14 }, (_, i) => piece(`${i}`, 4 + i, 5 + i, 0.2 + 0.05 * (i % 5))),
    );
    expect(lanesAcross(many, { x: 5, y: 2 }, { x: 5, y: 9 })!.lanes).toHaveLength(9);
    expect(lanesAcross(river, { x: 5, y: 2 }, { x: 5, y: 2 })).toBeNull();
  });
});
