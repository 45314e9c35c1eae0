import {
  isLand,
  isPoint,
  isWater,
  LAKE_KINDS,
  isLakePoint,
  type LakeKind,
  PIECE_KINDS,
  type PieceKind,
  type WaterPieceKind,
} from '@doceo/core';

/** What a sheet can be drawn with. */
export interface Palette<Kind extends string> {
  /** Whether the water runs, from left to right. */
  flows: boolean;
  kinds: readonly { kind: Kind; name: string }[];
  isPoint: (kind: Kind) => boolean;
  hasDepth: (kind: Kind) => boolean;
  hasSpeed: (kind: Kind) => boolean;
  /** Class of an area on the sheet. */
  look: (kind: Kind, depthM: number | null) => string;
  /** A new piece begins with these. */
  start: (kind: Kind) => { depthM: number | null; speedMs: number | null };
}

/** What such water usually is, for a piece to begin with. */
const DEFAULT: Record<WaterPieceKind, [depthM: number, speedMs: number]> = {
  run: [0.6, 0.6],
  pool: [1.4, 0.2],
  head: [0.7, 0.8],
  'tail-out': [0.4, 0.45],
  riffle: [0.25, 0.9],
  pocket: [0.5, 0.15],
  eddy: [0.8, -0.1],
  plunge: [1.1, 0.3],
  undercut: [0.8, 0.3],
};

const words = (kind: string): string => kind.replace('-', ' ');

export const BEAT_PALETTE: Palette<PieceKind> = {
  flows: true,
  kinds: PIECE_KINDS.map((kind) => ({ kind, name: words(kind) })),
  isPoint,
  hasDepth: isWater,
  hasSpeed: isWater,
  look: (kind, depthM) => (isLand(kind) ? kind : depthLook(depthM ?? 0)),
  start: (kind) => {
    const [depthM, speedMs] = isWater(kind) ? DEFAULT[kind] : [null, null];
    return { depthM, speedMs };
  },
};

export const LAKE_PALETTE: Palette<LakeKind> = {
  flows: false,
  kinds: LAKE_KINDS.map((kind) => ({ kind, name: kind === 'contour' ? 'depth line' : words(kind) })),
  isPoint: isLakePoint,
  hasDepth: (kind) => kind === 'contour',
  hasSpeed: () => false,
  look: (kind) => kind,
  start: (kind) => ({ depthM: kind === 'contour' ? 2 : null, speedMs: null }),
};

/** Deeper is darker, in four steps. */
export function depthLook(depthM: number): string {
  return depthM < 0.35 ? 'thin' : depthM < 0.75 ? 'shallow' : depthM < 1.3 ? 'middling' : 'deep';
}
