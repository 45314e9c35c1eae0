import { type Beat, pieceAt, type Piece } from './beat';
import type { Point } from '../geometry';

const CELL_M = 0.5;

/** The topmost piece of every half metre or so, by the middles of its cells. */
export interface Raster {
  columns: number;
  rows: number;
  /** Size of a cell, metres. */
  dx: number;
  dy: number;
  /** Row by row. */
  cells: readonly (Piece | null)[];
}

/** Made once for a beat, which never changes under the hand: an edit makes another. */
const made = new WeakMap<Beat, Raster>();

/** The raster of a beat, for the many places a search looks at. */
export function rasterOf(beat: Beat): Raster {
  const known = made.get(beat);
  if (known) return known;
  const columns = Math.max(1, Math.round(beat.lengthM / CELL_M));
  const rows = Math.max(1, Math.round(beat.widthM / CELL_M));
  const [dx, dy] = [beat.lengthM / columns, beat.widthM / rows];
  const cells = Array.from({ length: columns * rows }, (_, i) =>
    pieceAt(beat, { x: ((i % columns) + 0.5) * dx, y: (Math.floor(i / columns) + 0.5) * dy }),
  );
  const raster = { columns, rows, dx, dy, cells };
  made.set(beat, raster);
  return raster;
}

/** The piece of the cell a point lies in; null off the beat. */
export function cellAt({ columns, rows, dx, dy, cells }: Raster, { x, y }: Point): Piece | null {
  const [column, row] = [Math.floor(x / dx), Math.floor(y / dy)];
  return column >= 0 && column < columns && row >= 0 && row < rows
    ? (cells[row * columns + column] ?? null)
    : null;
}
