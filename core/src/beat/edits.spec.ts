import fc from 'fast-check';
import type { Piece } from './beat';
import {
  dropCorner,
  moveCorner,
  restackPiece,
  shiftPiece,
  snapPoint,
  splitSide,
  withoutPiece,
  withPiece,
} from './edits';

const sheet = {
  id: 's',
  name: 'sheet',
  lengthM: 20,
  widthM: 10,
  pieces: ['a', 'b', 'c'].map((id): Piece => ({
    id,
    kind: 'pool',
    name: id,
    shape: [
      { x: 2, y: 2 },
      { x: 6, y: 2 },
      { x: 6, y: 5 },
    ],
    depthM: 1,
    speedMs: 0.2,
  })),
};
const piece = sheet.pieces[0] as Piece;

describe('drawing a beat', () => {
  it('snaps to the grid, to a corner that is near, and never off the sheet', () => {
    expect(snapPoint(sheet, { x: 3.3, y: 1.72 }, { stepM: 0.5 })).toEqual({ x: 3.5, y: 1.5 });
    expect(snapPoint(sheet, { x: 5.8, y: 4.9 }, { stepM: 0.5, corners: piece.shape, nearM: 0.4 })).toEqual({
      x: 6,
      y: 5,
    });
    expect(snapPoint(sheet, { x: -4, y: 99 }, { stepM: 0.5 })).toEqual({ x: 0, y: 10 });
    expect(snapPoint(sheet, { x: 1.04, y: 1.06 }, { stepM: 0.1 })).toEqual({ x: 1, y: 1.1 });
  });

  it('moves, splits and drops corners, and keeps three', () => {
    expect(moveCorner(piece, 1, { x: 7, y: 1 }).shape[1]).toEqual({ x: 7, y: 1 });
    const split = splitSide(piece, 2);
    expect(split.shape[3]).toEqual({ x: 4, y: 3.5 });
    expect(dropCorner(split, 3)).toEqual(piece);
    expect(dropCorner(piece, 0)).toBe(piece);
    const point: Piece = { ...piece, kind: 'boulder', shape: [{ x: 1, y: 1 }] };
    expect(splitSide(point, 0)).toBe(point);
  });

  it('shifts a piece as far as the sheet goes, its form kept', () => {
    fc.assert(
      fc.property(fc.integer({ min: -30, max: 30 }), fc.integer({ min: -30, max: 30 }), (x, y) => {
        const { shape } = shiftPiece(sheet, piece, { x, y });
        for (const point of shape) {
          expect([point.x >= 0, point.x <= 20, point.y >= 0, point.y <= 10]).toEqual([
            true,
            true,
            true,
            true,
          ]);
        }
        const [a, b] = [shape[0]!, shape[2]!];
        expect([b.x - a.x, b.y - a.y]).toEqual([4, 3]);
      }),
    );
  });

  it('changes the order of the pile one by one, and stops at its ends', () => {
    const ids = (of: typeof sheet): string => of.pieces.map(({ id }) => id).join('');
    expect(ids(restackPiece(sheet, 'a', 1))).toBe('bac');
    expect(ids(restackPiece(sheet, 'c', -1))).toBe('acb');
    expect(restackPiece(sheet, 'c', 1)).toBe(sheet);
    expect(restackPiece(sheet, 'nobody', 1)).toBe(sheet);
  });

  it('changes and takes out the piece named and no other', () => {
    const named = withPiece(sheet, 'b', (one) => ({ ...one, name: 'deep' }));
    expect(named.pieces.map(({ name }) => name)).toEqual(['a', 'deep', 'c']);
    expect(withoutPiece(sheet, 'b').pieces.map(({ id }) => id)).toEqual(['a', 'c']);
  });
});
