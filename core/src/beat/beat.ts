import { crossingSides, inside, type Point } from './geometry';

export const WATER_PIECES = [
  'run',
  'pool',
  'head',
  'tail-out',
  'riffle',
  'pocket',
  'eddy',
  'plunge',
  'undercut',
] as const;
export const LAND_PIECES = ['gravel-bar', 'open-bank', 'trees'] as const;
export const POINT_PIECES = ['boulder', 'hazard', 'entry', 'exit'] as const;
export const PIECE_KINDS = [...WATER_PIECES, ...LAND_PIECES, ...POINT_PIECES] as const;
export type WaterPieceKind = (typeof WATER_PIECES)[number];
export type PieceKind = (typeof PIECE_KINDS)[number];

/** A piece of a beat: an area of water or land, or a point. */
export interface Piece {
  id: string;
  kind: PieceKind;
  name: string;
  /** Corners of an area, three or more, or the one point. */
  shape: Point[];
  /** Of water only: metres, and metres a second downstream; negative runs back. */
  depthM: number | null;
  speedMs: number | null;
}

/** A stretch of river seen from above. Pieces lie over each other in their order, the last on top. */
export interface Beat {
  id: string;
  name: string;
  lengthM: number;
  widthM: number;
  pieces: Piece[];
}

/** The water at a place. */
export interface WaterAt {
  pieceId: string;
  kind: WaterPieceKind;
  depthM: number;
  speedMs: number;
}

export const isWater = (kind: PieceKind): kind is WaterPieceKind =>
  (WATER_PIECES as readonly string[]).includes(kind);
export const isLand = (kind: PieceKind): boolean => (LAND_PIECES as readonly string[]).includes(kind);
export const isPoint = (kind: PieceKind): boolean => (POINT_PIECES as readonly string[]).includes(kind);

/** The topmost area at a point; null on bare ground that is not drawn. */
export function pieceAt(beat: Beat, point: Point): Piece | null {
  return beat.pieces.findLast(({ kind, shape }) => !isPoint(kind) && inside(shape, point)) ?? null;
}

/** The water at a point; null on land. */
export function waterAt(beat: Beat, point: Point): WaterAt | null {
  const piece = pieceAt(beat, point);
  return piece && isWater(piece.kind)
    ? { pieceId: piece.id, kind: piece.kind, depthM: piece.depthM ?? 0, speedMs: piece.speedMs ?? 0 }
    : null;
}

/** Something that cannot be, with the place it is at. */
export interface BeatFault {
  path: string;
  message: string;
}

const FASTEST_MS = 6;
const DEEPEST_M = 10;

/** What is wrong with a beat: shapes that cross themselves or leave it, water that cannot be. */
export function beatFaults(beat: Beat): BeatFault[] {
  return beat.pieces.flatMap((piece, i): BeatFault[] => {
    const at = `pieces[${i}]`;
    const faults: BeatFault[] = [];
    const fewest = isPoint(piece.kind) ? 1 : 3;
    if (piece.shape.length < fewest || (fewest === 1 && piece.shape.length > 1))
      faults.push({
        path: `${at}.shape`,
        message: fewest === 1 ? 'is one point' : 'needs three corners or more',
      });
    const crossed = fewest === 3 ? crossingSides(piece.shape) : null;
    if (crossed)
      faults.push({
        path: `${at}.shape[${crossed[0]}]`,
        message: `its side crosses the one from corner ${crossed[1]}`,
      });
    piece.shape.forEach(({ x, y }, corner) => {
      if (!(x >= 0 && x <= beat.lengthM && y >= 0 && y <= beat.widthM))
        faults.push({ path: `${at}.shape[${corner}]`, message: 'lies outside the beat' });
    });
    if (isWater(piece.kind)) {
      if (piece.depthM === null || !(piece.depthM >= 0 && piece.depthM <= DEEPEST_M))
        faults.push({ path: `${at}.depthM`, message: `is a depth from 0 to ${DEEPEST_M} m` });
      if (piece.speedMs === null || !(Math.abs(piece.speedMs) <= FASTEST_MS))
        faults.push({ path: `${at}.speedMs`, message: `is a speed up to ${FASTEST_MS} m/s, either way` });
    }
    return faults;
  });
}
