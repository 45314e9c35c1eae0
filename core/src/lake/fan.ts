import { along, distance, inside, type Point, toSegment } from '../geometry';
import { meanOf } from '../places';
import { depthAt, type DepthGrid } from './grid';
import { type Lake, shoreOf, SHOAL_M } from './lake';

/** What of a day and a cast makes fans what they are. */
export interface FanOptions {
  castM: number;
  /** Depths to fish; null when nothing is within the best temperatures. */
  band: { fromM: number; toM: number } | null;
  windMs: number;
  /** Where it comes from, degrees from north. */
  windFromDeg: number;
}

/** One cast of a fan. */
export interface FanCast {
  to: Point;
  /** Degrees from north. */
  bearingDeg: number;
  meanDepthM: number;
  deepestM: number;
}

/** The parts of a score, each 0…1. Their geometric mean is the score. */
export interface FanParts {
  /** Shoal, weed edge, drop-off, timber, inflow under the casts. */
  holding: number;
  /** Water deep enough for the band under the casts. */
  band: number;
  /** The bank the wind blows to gathers food, as long as one can cast from it. */
  wind: number;
  room: number;
  /** How clear of leaves and wind the side of the rod hand is, where somebody stands there. */
  hand?: number;
  /** How shallow it is before the feet of one who had better not fall in. */
  edge?: number;
}

/** A place on the shore with its casts in the order to make them: the margin first. */
export interface FanStand {
  at: Point;
  /** How far from it each cast goes, metres. */
  castM: number;
  casts: FanCast[];
  parts: FanParts;
  score: number;
  /** Share of the water within a cast that a fly passes within a step of. */
  coverage: number;
  backCast: boolean;
  windward: boolean;
  /** Where the wind is for one who faces the water. */
  windOn: 'behind' | 'left' | 'right' | 'ahead';
}

/** A stand before its fan is measured, which is done for those that are taken only. */
export interface Fan extends Omit<FanStand, 'coverage'> {
  /** The way to look for one who faces the water, degrees from north. */
  facingDeg: number;
}

const SHORE_STEP_M = 5;
/** A cast over water nowhere deeper finds nobody at home. */
const THIN_M = 0.25;
const TURN_DEG = 15;
const WIDEST_DEG = 75;
const WHOLE_FAN = 1 + (2 * WIDEST_DEG) / TURN_DEG;
/** In thinner water than this hardly a fish stays by day, metres; and how many do, a plain number. Rules of thumb. */
export const THIN_WATER_M = 0.4;
const NEARLY_NONE = 0.1;
const SAMPLE_M = 1;
/** A fish is taken to see a fly that passes this near. A rule of thumb. */
const PASSES_M = 1.5;
const EDGE_M = 3;
const INFLOW_M = 25;
const HAZARD_M = 10;
const BEHIND_M = 2;
const STEEP = 0.25;
/** Against more wind than this a beginner does not cast, m/s. A rule of thumb. */
const AGAINST_MS = 5;

/**
 * Every place of a shore where one can stand and cast to water, with its fan: none among trees or by a hazard.
 *
 * @returns in the order of the shore; the scores are plain numbers, 0 to 1
 */
export function fansOf(lake: Lake, grid: DepthGrid, options: FanOptions): Fan[] {
  const shore = shoreOf(lake);
  const hazards = lake.pieces.filter(({ kind }) => kind === 'hazard').map(({ shape }) => shape[0] as Point);
  const taken = lake.pieces.filter(({ kind }) => kind === 'trees' || kind === 'timber');
  return shore.flatMap((corner, i) => {
    const next = shore[(i + 1) % shore.length] as Point;
    const length = distance(corner, next);
    if (length === 0) return [];
    const normal = { x: (next.y - corner.y) / length, y: -(next.x - corner.x) / length };
    const middle = { x: (corner.x + next.x) / 2, y: (corner.y + next.y) / 2 };
    const inward = inside(shore, { x: middle.x + 0.1 * normal.x, y: middle.y + 0.1 * normal.y })
      ? normal
      : { x: -normal.x, y: -normal.y };
    return along(corner, next, SHORE_STEP_M)
      .slice(1)
      .filter((at) => hazards.every((hazard) => distance(hazard, at) >= HAZARD_M))
      .filter((at) => !taken.some(({ shape }) => inside(shape, at)))
      .flatMap((at) => fanAt(lake, grid, at, inward, options) ?? []);
  });
}

function fanAt(
  lake: Lake,
  grid: DepthGrid,
  at: Point,
  inward: Point,
  { castM, band, windMs, windFromDeg }: FanOptions,
): Fan | null {
  const facing = bearingOf(inward);
  const casts: (FanCast & { depths: number[] })[] = [];
  for (let turn = -WIDEST_DEG; turn <= WIDEST_DEG; turn += TURN_DEG) {
    const bearingDeg = (facing + turn + 360) % 360;
    const to = stepped(at, bearingDeg, castM);
    const depths = along(at, to, SAMPLE_M)
      .slice(2)
      .map((point) => depthAt(grid, point));
    if (depths.some((depth) => depth === null)) continue;
    const known = depths as number[];
    if (Math.max(...known) < THIN_M) continue;
    const meanDepthM = known.reduce((sum, depth) => sum + depth, 0) / known.length;
    casts.push({ to, bearingDeg, meanDepthM, deepestM: Math.max(...known), depths: known });
  }
  if (casts.length < 3) return null;
  const all = casts.flatMap(({ depths }) => depths);
  const against = Math.cos(((windFromDeg - facing) * Math.PI) / 180);
  const windward = against > 0.5;
  const backCast = !along(at, stepped(at, (facing + 180) % 360, castM + BEHIND_M), SAMPLE_M).some((point) =>
    lake.pieces.some(({ kind, shape }) => kind === 'trees' && inside(shape, point)),
  );
  const parts: FanParts = {
    holding: holdingOf(lake, casts),
    band: band ? Math.max(0.1, all.filter((depth) => depth >= band.fromM).length / all.length) : 0.1,
    wind: windward ? (windMs <= AGAINST_MS ? 1 : 0.35) : 0.7,
    room: backCast ? 1 : 0.55,
  };
  return {
    at,
    facingDeg: facing,
    castM,
    casts: casts
      .sort((a, b) => a.meanDepthM - b.meanDepthM)
      .map(({ to, bearingDeg, meanDepthM, deepestM }) => ({ to, bearingDeg, meanDepthM, deepestM })),
    parts,
    score: meanOf(parts),
    backCast,
    windward,
    windOn: sideOf((windFromDeg - facing + 360) % 360),
  };
}

/**
 * Share of a fan's places that hold fish: on a shoal, a slope, by weed or timber, or before an inflow. Where the water is
 * too thin, or land, hardly any do.
 */
function holdingOf(lake: Lake, casts: readonly (FanCast & { depths: number[] })[]): number {
  const near = lake.pieces.filter(({ kind }) => kind === 'weed' || kind === 'timber');
  const inflows = lake.pieces.filter(({ kind }) => kind === 'inflow').map(({ shape }) => shape[0] as Point);
  const values = casts.map(({ to, depths }) => {
    const last = depths.at(-1) ?? 0;
    const slope = Math.abs(last - (depths[0] ?? 0)) / Math.max(1, depths.length);
    const atEdge = near.some(({ shape }) =>
      shape.some((corner, i) => toSegment(to, corner, shape[(i + 1) % shape.length] as Point) <= EDGE_M),
    );
    if (last < THIN_WATER_M) return NEARLY_NONE;
    const shoal = last > 0.6 && last <= SHOAL_M ? 0.6 : 0.3;
    const inflow = inflows.some((point) => distance(point, to) <= INFLOW_M);
    return Math.min(1, shoal + (atEdge ? 0.3 : 0) + (slope >= STEEP ? 0.2 : 0) + (inflow ? 0.3 : 0));
  });
  const missing = (WHOLE_FAN - values.length) * NEARLY_NONE;
  return values.reduce((sum, value) => sum + value, missing) / WHOLE_FAN;
}

/** @returns share of the water within a cast that a fly of the fan passes, 0 to 1, a plain number */
export function coverageOf(grid: DepthGrid, { at, castM, casts }: Omit<FanStand, 'coverage'>): number {
  let [water, passed] = [0, 0];
  for (let dy = -castM; dy <= castM; dy += SAMPLE_M)
    for (let dx = -castM; dx <= castM; dx += SAMPLE_M) {
      const point = { x: at.x + dx, y: at.y + dy };
      if (Math.hypot(dx, dy) > castM || depthAt(grid, point) === null) continue;
      water += 1;
      if (casts.some(({ to }) => toSegment(point, at, to) <= PASSES_M)) passed += 1;
    }
  return water === 0 ? 0 : passed / water;
}

/** Degrees from north of a direction on the sheet. */
function bearingOf({ x, y }: Point): number {
  return ((Math.atan2(x, -y) * 180) / Math.PI + 360) % 360;
}

/** @returns the place so far away in a direction; metres */
export function stepped(at: Point, bearingDeg: number, lengthM: number): Point {
  const turn = (bearingDeg * Math.PI) / 180;
  return { x: at.x + lengthM * Math.sin(turn), y: at.y - lengthM * Math.cos(turn) };
}

function sideOf(fromDeg: number): FanStand['windOn'] {
  if (fromDeg <= 45 || fromDeg >= 315) return 'ahead';
  if (fromDeg < 135) return 'right';
  return fromDeg <= 225 ? 'behind' : 'left';
}
