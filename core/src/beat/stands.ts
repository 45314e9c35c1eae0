import { along, distance, type Point } from '../geometry';
import { meanOf } from '../places';
import { type Bottom, fishWindow, type Wader, wading } from '../water';
import { type Beat, isLand, isWater, type Piece, pieceAt } from './beat';
import { findLies, type Lie } from './lies';
import { cellAt, type Raster, rasterOf } from './raster';

/** The parts of a score, each 0…1. Their geometric mean is the score: one that is nothing makes nothing of it. */
export interface StandParts {
  holding: number;
  /** How little of the one who casts the fish sees. */
  unseen: number;
  /** How well a beginner sees what happens there. */
  seen: number;
  /** How even the water is between stand and lie. */
  drift: number;
  room: number;
  wading: number;
  /** What a beginner learns there that the next place shows too. */
  teaches: number;
  /** How sure the one who stands there is to cast so far, where that is known of him. */
  reach?: number;
  /** How clear it is beside his rod hand. */
  hand?: number;
}

export interface Stand {
  at: Point;
  lie: Lie;
  castM: number;
  parts: StandParts;
  score: number;
  /** Whether there is room for a back cast; else roll, water-load or bow-and-arrow. */
  backCast: boolean;
  inWater: boolean;
}

/** Who stands there, and in what. */
export interface StandingOptions {
  /** The one with the lowest limits decides. */
  wader: Wader;
  bottom: Bottom;
  waterC: number | null;
  rising: boolean;
}

/** Casts of beginners, metres. A rule of thumb. */
const SHORTEST_M = 4;
const LONGEST_M = 11;
/** Room a back cast takes behind the caster, metres, beyond the line in front. A rule of thumb. */
const BEHIND_M = 2;
const BANK_M = 1.5;
const HAZARD_M = 4;
const GRID_M = 1;
/** Difference of speed at which a beginner's drift is over at once, metres a second. */
const WORST_CONTRAST_MS = 1.2;
/** Where a fish holds, as a share of the depth, and how much of an angler is all too much. Rules of thumb. */
const FISH_SHARE = 0.8;
const WHOLE_ARC_DEG = 15;
/** Lanes to read and to mend over teach most; a swirl teaches little that holds elsewhere. Rules of thumb. */
const TEACHES: Record<string, number> = {
  seam: 0.95,
  run: 0.85,
  head: 0.8,
  'tail-out': 0.8,
  pool: 0.75,
  riffle: 0.75,
  pocket: 0.65,
  undercut: 0.5,
  plunge: 0.45,
  eddy: 0.45,
};

/**
 * Every place where one can stand and cast to a lie, the best first. Places in the water beyond the wader's figure are
 * never among them; the caller says that it is judged on the spot.
 *
 * @param perPlace how many lies are kept for one place, the best of them: a plain number, 1 at least
 */
export function allStands(beat: Beat, options: StandingOptions, perPlace = 1): Stand[] {
  const lies = findLies(beat);
  const raster = rasterOf(beat);
  return gridOf(beat)
    .flatMap((at) => standsAt(beat, raster, at, lies, options).slice(0, perPlace))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score || a.at.x - b.at.x || a.at.y - b.at.y);
}

/** Whether a place lies on the upper side of the sheet, seen from the middle of the water there. */
export function isBeyond(beat: Beat, raster: Raster, at: Point): boolean {
  const wet = along({ x: at.x, y: 0 }, { x: at.x, y: beat.widthM }, GRID_M / 2).filter((point) => {
    const piece = cellAt(raster, point);
    return piece !== null && isWater(piece.kind);
  });
  const [first, last] = [wet[0]?.y ?? beat.widthM / 2, wet.at(-1)?.y ?? beat.widthM / 2];
  return at.y < (first + last) / 2;
}

function gridOf({ lengthM, widthM }: Beat): Point[] {
  const [columns, rows] = [Math.round(lengthM / GRID_M), Math.round(widthM / GRID_M)];
  return Array.from({ length: columns * rows }, (_, i) => ({
    x: ((i % columns) + 0.5) * (lengthM / columns),
    y: (Math.floor(i / columns) + 0.5) * (widthM / rows),
  }));
}

/** The lies to cast to from a place, the best first; none where one cannot stand. */
function standsAt(
  beat: Beat,
  raster: Raster,
  at: Point,
  lies: readonly Lie[],
  options: StandingOptions,
): Stand[] {
  const footing = footingOf(beat, raster, at, options);
  if (footing === null) return [];
  return lies
    .map((lie) => ({ lie, castM: distance(at, lie.at) }))
    .filter(({ castM }) => castM >= SHORTEST_M && castM <= LONGEST_M)
    .map(({ lie, castM }) => standOf(raster, at, lie, castM, footing, options.wader.heightM))
    .sort((a, b) => b.score - a.score);
}

/** How well one stands there, 0…1, and whether in the water; null where one does not. */
function footingOf(
  beat: Beat,
  raster: Raster,
  at: Point,
  { wader, bottom, waterC, rising }: StandingOptions,
): { score: number; inWater: boolean } | null {
  const danger = beat.pieces.some(
    ({ kind, shape }) => kind === 'hazard' && distance(at, shape[0] as Point) < HAZARD_M,
  );
  if (danger) return null;
  // Where somebody stands is looked at exactly; half metres do for what lies around.
  const piece = pieceAt(beat, at);
  const wet = (one: Piece | null): boolean => one !== null && isWater(one.kind);
  if (!wet(piece)) {
    if (!piece || !isLand(piece.kind) || piece.kind === 'trees') return null;
    const near = Array.from({ length: 8 }, (_, i) => (i * Math.PI) / 4).some((turn) =>
      wet(cellAt(raster, { x: at.x + BANK_M * Math.cos(turn), y: at.y + BANK_M * Math.sin(turn) })),
    );
    return near ? { score: 1, inWater: false } : null;
  }
  const found = wading(
    { depthM: piece?.depthM ?? 0, speedMs: Math.abs(piece?.speedMs ?? 0), bottom, waterC, rising },
    wader,
  );
  return found.verdict === 'look-closer'
    ? { score: 1 - (0.6 * found.product) / found.limit, inWater: true }
    : null;
}

function standOf(
  raster: Raster,
  at: Point,
  lie: Lie,
  castM: number,
  footing: { score: number; inWater: boolean },
  heightM: number,
): Stand {
  const speed = (point: Point): number | null => {
    const piece = cellAt(raster, point);
    return piece && isWater(piece.kind) ? piece.speedMs : null;
  };
  const there = speed(lie.at) ?? 0;
  const line = along(at, lie.at, GRID_M / 2);
  const contrast = Math.max(...line.map((point) => Math.abs((speed(point) ?? there) - there)));
  const backCast = roomBehind(raster, at, lie.at, castM);
  const parts: StandParts = {
    holding: lie.holding,
    unseen: unseenAt(raster, at, lie.at, castM, heightM),
    seen: Math.max(0.2, 1 - (castM - SHORTEST_M) / 14),
    drift: Math.max(0.05, 1 - contrast / WORST_CONTRAST_MS),
    room: backCast ? 1 : 0.55,
    wading: footing.score,
    teaches: TEACHES[lie.what] ?? 0.5,
  };
  return { at, lie, castM, parts, score: meanOf(parts), backCast, inWater: footing.inWater };
}

/** From what a fish near the bottom of the lie sees of a standing angler; one who wades stands lower. */
function unseenAt(raster: Raster, at: Point, lie: Point, castM: number, heightM: number): number {
  const depth = (point: Point): number => cellAt(raster, point)?.depthM ?? 0;
  const eye = Math.max(0.1, FISH_SHARE * depth(lie));
  const { arcDeg } = fishWindow(eye, Math.max(0.5, heightM - depth(at)), castM);
  return Math.max(0.2, 1 - arcDeg / WHOLE_ARC_DEG);
}

/** Whether no tree stands where the back cast goes. */
function roomBehind(raster: Raster, at: Point, target: Point, castM: number): boolean {
  const reach = castM + BEHIND_M;
  const length = distance(at, target) || 1;
  const end = {
    x: at.x + ((at.x - target.x) / length) * reach,
    y: at.y + ((at.y - target.y) / length) * reach,
  };
  return !along(at, end, GRID_M / 2).some((point) => cellAt(raster, point)?.kind === 'trees');
}
