import {
  isLand,
  isPoint,
  isWater,
  LAKE_KINDS,
  isLakePoint,
  type LakeKind,
  PIECE_KINDS,
  type PieceKind,
} from '@doceo/core';

/** What a sheet can be drawn with. */
export interface Palette<Kind extends string> {
  kinds: readonly { kind: Kind; name: string }[];
  isPoint: (kind: Kind) => boolean;
  hasDepth: (kind: Kind) => boolean;
  hasSpeed: (kind: Kind) => boolean;
  /** Class of an area on the sheet. */
  look: (kind: Kind, depthM: number | null) => string;
  /** A new piece of water begins with these. */
  startDepthM: number;
  startSpeedMs: number;
}

const words = (kind: string): string => kind.replace('-', ' ');

export const BEAT_PALETTE: Palette<PieceKind> = {
  kinds: PIECE_KINDS.map((kind) => ({ kind, name: words(kind) })),
  isPoint,
  hasDepth: isWater,
  hasSpeed: isWater,
  look: (kind, depthM) => (isLand(kind) ? kind : depthLook(depthM ?? 0)),
  startDepthM: 0.6,
  startSpeedMs: 0.4,
};

export const LAKE_PALETTE: Palette<LakeKind> = {
  kinds: LAKE_KINDS.map((kind) => ({ kind, name: kind === 'contour' ? 'depth line' : words(kind) })),
  isPoint: isLakePoint,
  hasDepth: (kind) => kind === 'contour',
  hasSpeed: () => false,
  look: (kind) => kind,
  startDepthM: 2,
  startSpeedMs: 0,
};

/** Deeper is darker, in four steps. */
export function depthLook(depthM: number): string {
  return depthM < 0.35 ? 'thin' : depthM < 0.75 ? 'shallow' : depthM < 1.3 ? 'middling' : 'deep';
}
