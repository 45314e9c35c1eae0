import { hookDistance } from '../safety';
import { type Bottom, fishWindow, type Wader, wading } from '../water';
import {
  type Beat,
  isLand,
  isPoint,
  isWater,
  type Piece,
  pieceAt,
  waterAt,
  type WaterPieceKind,
} from './beat';
import { along, distance, middle, type Point } from '../geometry';
import { cellAt, type Raster, rasterOf } from './raster';
import { findSeams } from './seams';

/** Where fish are likely to hold. */
export interface Lie {
  at: Point;
  what: string;
  /** 0…1. */
  holding: number;
}

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

export interface SuggestOptions {
  students: number;
  /** The one with the lowest limits decides. */
  wader: Wader;
  bottom: Bottom;
  waterC: number | null;
  rising: boolean;
  rodM: number;
  leaderM: number;
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
/** Shallower than this nobody is at home. */
const SHALLOW_M = 0.2;

/**
 * How far apart students must stand: twice the longest line, and never within rod, leader and arm.
 *
 * @returns metres
 */
export function spacing({ rodM, leaderM }: Pick<SuggestOptions, 'rodM' | 'leaderM'>, castM: number): number {
  return hookDistance(castM, { rodM, leaderM });
}

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

/**
 * Where students stand and where they cast, the best place first taken, none within reach of another's line, and nobody
 * alone across the water from the others: there is no help there. Places in the water beyond the wader's figure are
 * never among them; the caller says that it is judged on the spot.
 *
 * @returns at most as many as there are students, in the order in which to fish: downstream first, tail before head
 */
export function suggestStands(beat: Beat, options: SuggestOptions): Stand[] {
  const lies = findLies(beat);
  const raster = rasterOf(beat);
  const all = gridOf(beat)
    .flatMap((at) => standsAt(beat, raster, at, lies, options))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score || a.at.x - b.at.x || a.at.y - b.at.y);
  return together(all, (stand) => isBeyond(beat, raster, stand.at), options).sort(
    (a, b) => b.lie.at.x - a.lie.at.x || a.castM - b.castM,
  );
}

/** The best places; when one of them would be alone on a side, all on one side or two at least on each. */
function together(
  all: readonly Stand[],
  beyond: (stand: Stand) => boolean,
  options: SuggestOptions,
): Stand[] {
  const best = apart(all, options);
  const side = new Map(all.map((stand) => [stand, beyond(stand)]));
  const isLonely = (stands: readonly Stand[]): boolean => {
    const across = stands.filter((stand) => side.get(stand)).length;
    return stands.length > 1 && (across === 1 || across === stands.length - 1);
  };
  if (!isLonely(best)) return best;
  const worth = (stands: readonly Stand[]): number => stands.reduce((sum, { score }) => sum + score, 0);
  const [top] = [true, false]
    .map((one) =>
      apart(
        all.filter((stand) => side.get(stand) === one),
        options,
      ),
    )
    .flatMap((same) => [same, apart([...same.slice(0, 2), ...all], options)])
    .filter((stands) => !isLonely(stands))
    .sort((a, b) => b.length - a.length || worth(b) - worth(a));
  return top ?? [];
}

/** As many as there are students, the first of them first, each out of reach of the others. */
function apart(ranked: readonly Stand[], options: SuggestOptions): Stand[] {
  const taken: Stand[] = [];
  for (const stand of ranked) {
    if (taken.length >= options.students) break;
    const free = taken.every(
      (other) => distance(stand.at, other.at) >= spacing(options, Math.max(stand.castM, other.castM)),
    );
    if (free) taken.push(stand);
  }
  return taken;
}

/** Whether a place lies on the upper side of the sheet, seen from the middle of the water there. */
function isBeyond(beat: Beat, raster: Raster, at: Point): boolean {
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

/** The best lie to cast to from a place, if one can stand there. */
function standsAt(
  beat: Beat,
  raster: Raster,
  at: Point,
  lies: readonly Lie[],
  options: SuggestOptions,
): Stand[] {
  const footing = footingOf(beat, raster, at, options);
  if (footing === null) return [];
  const stands = lies
    .map((lie) => ({ lie, castM: distance(at, lie.at) }))
    .filter(({ castM }) => castM >= SHORTEST_M && castM <= LONGEST_M)
    .map(({ lie, castM }) => standOf(raster, at, lie, castM, footing, options.wader.heightM));
  const [best] = stands.sort((a, b) => b.score - a.score);
  return best ? [best] : [];
}

/** How well one stands there, 0…1, and whether in the water; null where one does not. */
function footingOf(
  beat: Beat,
  raster: Raster,
  at: Point,
  { wader, bottom, waterC, rising }: SuggestOptions,
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
  const values = Object.values(parts);
  return {
    at,
    lie,
    castM,
    parts,
    score: values.reduce((product, value) => product * value, 1) ** (1 / values.length),
    backCast,
    inWater: footing.inWater,
  };
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
