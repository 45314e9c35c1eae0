import { type Beat, pieceAt, type Piece } from './beat';
import type { Point } from './geometry';

const CELL_M = 0.5;

/** The topmost piece of every half metre, for the many places a search looks at. */
export function rasterOf(beat: Beat): (point: Point) => Piece | null {
  const columns = Math.max(1, Math.ceil(beat.lengthM / CELL_M));
  const rows = Math.max(1, Math.ceil(beat.widthM / CELL_M));
  const cells = Array.from({ length: columns * rows }, (_, i) =>
    pieceAt(beat, { x: ((i % columns) + 0.5) * CELL_M, y: (Math.floor(i / columns) + 0.5) * CELL_M }),
  );
  return ({ x, y }) => {
    const [column, row] = [Math.floor(x / CELL_M), Math.floor(y / CELL_M)];
    return column >= 0 && column < columns && row >= 0 && row < rows
      ? (cells[row * columns + column] ?? null)
      : null;
  };
}
