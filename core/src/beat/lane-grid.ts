import { along, type Point } from '../geometry';
import { type Beat, isPoint, waterAt } from './beat';

/** A lane of a pool: a line down the current to fish, from its upper to its lower end. */
export interface Lane {
  from: Point;
  to: Point;
}

/**
 * Lanes over a piece, a step apart, the nearest to a stand first: two drifts a lane, then a step up.
 *
 * @param stepM from lane to lane
 */
export function laneGrid(beat: Beat, pieceId: string, stand: Point, stepM = 1): Lane[] {
  const piece = beat.pieces.find(({ id }) => id === pieceId);
  if (!piece || isPoint(piece.kind)) return [];
  const ys = piece.shape.map(({ y }) => y);
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const count = Math.max(1, Math.floor((bottom - top) / stepM));
  return Array.from({ length: count }, (_, i) => top + ((i + 0.5) * (bottom - top)) / count)
    .flatMap((y) => {
      const xs = along({ x: 0, y }, { x: beat.lengthM, y }, 0.25)
        .filter((point) => waterAt(beat, point)?.pieceId === pieceId)
        .map(({ x }) => x);
      return xs.length > 1 ? [{ from: { x: Math.min(...xs), y }, to: { x: Math.max(...xs), y } }] : [];
    })
    .sort((a, b) => Math.abs(a.from.y - stand.y) - Math.abs(b.from.y - stand.y));
}
