import { distance, type Point } from '../geometry';
import type { Drawn, Sheet } from './sheet';

/** Sheets are drawn on whole centimetres at least. */
const CENTIMETRES = 100;

/** Where a point comes to lie: on a corner that is near, else on the grid; never off the sheet. */
export function snapPoint(
  { lengthM, widthM }: { lengthM: number; widthM: number },
  point: Point,
  { stepM, corners = [], nearM = 0 }: { stepM: number; corners?: readonly Point[]; nearM?: number },
): Point {
  const near = corners
    .map((corner) => ({ corner, apart: distance(corner, point) }))
    .filter(({ apart }) => apart <= nearM)
    .sort((a, b) => a.apart - b.apart)[0];
  if (near) return near.corner;
  const on = (value: number, most: number): number =>
    centimetre(Math.min(most, Math.max(0, Math.round(value / stepM) * stepM)));
  return { x: on(point.x, lengthM), y: on(point.y, widthM) };
}

/** The sheet with a change to one of its pieces; the same sheet when there is no such piece. */
export function withPiece<Kind extends string, S extends Sheet<Kind>>(
  sheet: S,
  id: string,
  change: (piece: Drawn<Kind>) => Drawn<Kind>,
): S {
  return { ...sheet, pieces: sheet.pieces.map((piece) => (piece.id === id ? change(piece) : piece)) };
}

/** The sheet without one of its pieces. */
export function withoutPiece<Kind extends string, S extends Sheet<Kind>>(sheet: S, id: string): S {
  return { ...sheet, pieces: sheet.pieces.filter((piece) => piece.id !== id) };
}

/**
 * A corner put elsewhere.
 *
 * @param corner index in the shape, from 0
 */
export function moveCorner<Kind extends string>(piece: Drawn<Kind>, corner: number, to: Point): Drawn<Kind> {
  return { ...piece, shape: piece.shape.map((point, i) => (i === corner ? to : point)) };
}

/**
 * A new corner in the middle of the side that begins at a corner.
 *
 * @param corner index in the shape, from 0
 */
export function splitSide<Kind extends string>(piece: Drawn<Kind>, corner: number): Drawn<Kind> {
  const from = piece.shape[corner];
  const to = piece.shape[(corner + 1) % piece.shape.length];
  if (!from || !to || piece.shape.length < 3) return piece;
  const middle = { x: centimetre((from.x + to.x) / 2), y: centimetre((from.y + to.y) / 2) };
  return { ...piece, shape: [...piece.shape.slice(0, corner + 1), middle, ...piece.shape.slice(corner + 1)] };
}

/**
 * A corner taken out; three always stay.
 *
 * @param corner index in the shape, from 0
 */
export function dropCorner<Kind extends string>(piece: Drawn<Kind>, corner: number): Drawn<Kind> {
  return piece.shape.length <= 3 ? piece : { ...piece, shape: piece.shape.filter((_, i) => i !== corner) };
}

/** A piece shifted as far as the sheet lets it. */
export function shiftPiece<Kind extends string>(
  { lengthM, widthM }: { lengthM: number; widthM: number },
  piece: Drawn<Kind>,
  by: Point,
): Drawn<Kind> {
  const within = (values: number[], shift: number, most: number): number =>
    Math.min(most - Math.max(...values), Math.max(-Math.min(...values), shift));
  const dx = within(
    piece.shape.map(({ x }) => x),
    by.x,
    lengthM,
  );
  const dy = within(
    piece.shape.map(({ y }) => y),
    by.y,
    widthM,
  );
  return {
    ...piece,
    shape: piece.shape.map(({ x, y }) => ({ x: centimetre(x + dx), y: centimetre(y + dy) })),
  };
}

/**
 * A piece one further up or down in the pile: later ones lie on top.
 *
 * @param by 1 for up, −1 for down
 */
export function restackPiece<Kind extends string, S extends Sheet<Kind>>(
  sheet: S,
  id: string,
  by: 1 | -1,
): S {
  const from = sheet.pieces.findIndex((piece) => piece.id === id);
  const to = from + by;
  if (from < 0 || to < 0 || to >= sheet.pieces.length) return sheet;
  const pieces = [...sheet.pieces];
  [pieces[from], pieces[to]] = [pieces[to] as Drawn<Kind>, pieces[from] as Drawn<Kind>];
  return { ...sheet, pieces };
}

function centimetre(value: number): number {
  return Math.round(value * CENTIMETRES) / CENTIMETRES;
}
