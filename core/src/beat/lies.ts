import { middle, type Point } from '../geometry';
import { type Beat, waterAt, type WaterPieceKind } from './beat';
import { findSeams } from './seams';

/** Where fish are likely to hold. */
export interface Lie {
  at: Point;
  what: string;
  /** 0…1. */
  holding: number;
}

/** How likely fish hold in each kind of piece, 0 to 1. Rules of thumb. */
const HOLDING: Record<WaterPieceKind, number> = {
  head: 0.8,
  'tail-out': 0.75,
  pocket: 0.75,
  undercut: 0.7,
  pool: 0.6,
  plunge: 0.6,
  run: 0.6,
  eddy: 0.55,
  riffle: 0.45,
};
const SEAM_HOLDING = 0.85;
/** Shallower than this nobody is at home. */
const SHALLOW_M = 0.2;

/** Lies of a beat: along its seams, and in its pieces. */
export function findLies(beat: Beat): Lie[] {
  const along = findSeams(beat).flatMap(({ points }) => {
    const every = Math.max(1, Math.round(points.length / Math.max(1, Math.round(points.length / 8))));
    return points
      .filter((_, i) => i % every === Math.floor(every / 2))
      .map((at) => ({ at, what: 'seam', holding: SEAM_HOLDING }));
  });
  const inPieces = beat.pieces.flatMap((piece) => {
    const at = middle(piece.shape);
    const water = waterAt(beat, at);
    return water && water.pieceId === piece.id
      ? [{ at, what: piece.kind, holding: HOLDING[water.kind] }]
      : [];
  });
  return [...along, ...inPieces].filter(({ at }) => (waterAt(beat, at)?.depthM ?? 0) >= SHALLOW_M);
}
