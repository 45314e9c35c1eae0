import { inside, type Point } from '../geometry';
import { type BeatFault, type Drawn, type Sheet, sheetFaults } from './sheet';

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
export type Piece = Drawn<PieceKind>;

/** A stretch of river seen from above. */
export type Beat = Sheet<PieceKind>;

/** The water at a place. */
export interface WaterAt {
  pieceId: string;
  kind: WaterPieceKind;
  depthM: number;
  speedMs: number;
}

/** Whether a piece is an area of water. */
export const isWater = (kind: PieceKind): kind is WaterPieceKind =>
  (WATER_PIECES as readonly string[]).includes(kind);
/** Whether a piece is an area of land. */
export const isLand = (kind: PieceKind): boolean => (LAND_PIECES as readonly string[]).includes(kind);
/** Whether a piece is a point: a lie, a stone, a tree. */
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

const DEEPEST_M = 10;

/** What is wrong with a beat: shapes that cross themselves or leave it, water that cannot be. */
export function beatFaults(beat: Beat): BeatFault[] {
  return sheetFaults(beat, { isPoint, hasDepth: isWater, hasSpeed: isWater, deepestM: DEEPEST_M });
}
