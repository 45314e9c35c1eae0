import type { SheetOrigin } from '../geo';
import { crossingSides, type Point } from '../geometry';

/** Something drawn on a sheet: an area, or a point. */
export interface Drawn<Kind extends string> {
  id: string;
  kind: Kind;
  name: string;
  /** Corners of an area, three or more, or the one point. */
  shape: Point[];
  /** Of water only: metres, and metres a second downstream; negative runs back. */
  depthM: number | null;
  speedMs: number | null;
}

/** A sheet of water seen from above. Pieces lie over each other in their order, the last on top. */
export interface Sheet<Kind extends string> {
  id: string;
  name: string;
  lengthM: number;
  widthM: number;
  /** Where it lies on the earth; left out while nobody said so. */
  origin?: SheetOrigin;
  pieces: Drawn<Kind>[];
}

/** Which kinds of a sheet are points, and which have a depth and a speed. */
export interface KindRules<Kind extends string> {
  isPoint: (kind: Kind) => boolean;
  hasDepth: (kind: Kind) => boolean;
  hasSpeed: (kind: Kind) => boolean;
  deepestM: number;
}

/** Something that cannot be, with the place it is at. */
export interface BeatFault {
  path: string;
  message: string;
}

const FASTEST_MS = 6;

/** What is wrong with a sheet: shapes that cross themselves or leave it, water that cannot be, ids that come twice. */
export function sheetFaults<Kind extends string>(sheet: Sheet<Kind>, rules: KindRules<Kind>): BeatFault[] {
  const seen = new Set<string>();
  return sheet.pieces.flatMap((piece, i): BeatFault[] => {
    const at = `pieces[${i}]`;
    const faults = shapeFaults(sheet, piece.shape, rules.isPoint(piece.kind), at);
    if (seen.has(piece.id)) faults.push({ path: `${at}.id`, message: 'is the id of another piece too' });
    seen.add(piece.id);
    const { depthM, speedMs } = piece;
    if (rules.hasDepth(piece.kind) && !(depthM !== null && depthM >= 0 && depthM <= rules.deepestM))
      faults.push({ path: `${at}.depthM`, message: `is a depth from 0 to ${rules.deepestM} m` });
    if (rules.hasSpeed(piece.kind) && !(speedMs !== null && Math.abs(speedMs) <= FASTEST_MS))
      faults.push({ path: `${at}.speedMs`, message: `is a speed up to ${FASTEST_MS} m/s, either way` });
    return faults;
  });
}

function shapeFaults(
  { lengthM, widthM }: { lengthM: number; widthM: number },
  shape: readonly Point[],
  point: boolean,
  at: string,
): BeatFault[] {
  const faults: BeatFault[] = [];
  if (point ? shape.length !== 1 : shape.length < 3)
    faults.push({ path: `${at}.shape`, message: point ? 'is one point' : 'needs three corners or more' });
  const crossed = point ? null : crossingSides(shape);
  if (crossed)
    faults.push({
      path: `${at}.shape[${crossed[0]}]`,
      message: `its side crosses the one from corner ${crossed[1] + 1}`,
    });
  shape.forEach(({ x, y }, corner) => {
    if (!(x >= 0 && x <= lengthM && y >= 0 && y <= widthM))
      faults.push({ path: `${at}.shape[${corner}]`, message: 'lies outside the beat' });
  });
  return faults;
}
