import { type BeatFault, type Drawn, type Sheet, sheetFaults } from '../beat';

export const LAKE_AREAS = ['shore', 'contour', 'weed', 'timber', 'trees'] as const;
export const LAKE_POINTS = ['inflow', 'landing', 'hazard'] as const;
export const LAKE_KINDS = [...LAKE_AREAS, ...LAKE_POINTS] as const;
export type LakeKind = (typeof LAKE_KINDS)[number];

/** A piece of a lake: its shore, an area as deep as its depth or deeper, what grows or lies there, or a point. */
export type LakePiece = Drawn<LakeKind>;

/** The depth somebody sounded at a place. */
export interface Sounding {
  x: number;
  y: number;
  depthM: number;
}

/** Still water seen from above, north up: x metres to the east, y to the south. */
export interface Lake extends Sheet<LakeKind> {
  /** Whether its card allows boats. */
  boats: boolean;
  soundings: Sounding[];
}

/** Light reaches the weeds down to about here. A rule of thumb of the trade. */
export const SHOAL_M = 6;
export const DEEPEST_LAKE_M = 120;
/** More soundings than these are thinned out before they come here. */
export const MAX_SOUNDINGS = 50_000;

/** Whether a piece of a lake is a point. */
export const isLakePoint = (kind: LakeKind): boolean => (LAKE_POINTS as readonly string[]).includes(kind);

/** What is wrong with a lake, by place. */
export function lakeFaults(lake: Lake): BeatFault[] {
  const faults = sheetFaults(lake, {
    isPoint: isLakePoint,
    hasDepth: (kind) => kind === 'contour',
    hasSpeed: () => false,
    deepestM: DEEPEST_LAKE_M,
  });
  if (lake.pieces.filter(({ kind }) => kind === 'shore').length !== 1)
    faults.push({ path: 'pieces', message: 'need one shore' });
  lake.soundings.forEach(({ x, y, depthM }, i) => {
    if (!(x >= 0 && x <= lake.lengthM && y >= 0 && y <= lake.widthM))
      faults.push({ path: `soundings[${i}]`, message: 'lies outside the lake’s sheet' });
    if (!(depthM >= 0 && depthM <= DEEPEST_LAKE_M))
      faults.push({ path: `soundings[${i}].depthM`, message: `is a depth from 0 to ${DEEPEST_LAKE_M} m` });
  });
  return faults;
}

/** The shore of a lake; empty when it has none. */
export function shoreOf(lake: Lake): Drawn<'shore'>['shape'] {
  return lake.pieces.find(({ kind }) => kind === 'shore')?.shape ?? [];
}
