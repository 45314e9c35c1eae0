import { inside } from '../geometry';
import { limitsOf, type Need } from '../need';
import { assignPlaces, type Caster, type Hand, meanOf, opposite, type StandReason } from '../places';
import { coverageOf, type Fan, type FanOptions, fansOf, type FanStand, stepped } from './fan';
import { depthAt, type DepthGrid } from './grid';
import type { Lake } from './lake';

/** One of a group at a lake. The hand is null for one who is nobody yet. */
export interface LakeCaster extends Omit<Caster, 'hand'> {
  hand: Hand | null;
}

/** Why somebody stands where he does on a shore. */
export type ShoreReason = Extract<StandReason, { why: 'reach' | 'edge' | 'hand' | 'wind' }>;

/** A place on the shore with the one who stands there. */
export interface OwnFan extends FanStand {
  personId: string;
  because: ShoreReason[];
}

/** Who stands where on a shore, from west to east, and whom no place was found for. */
export interface GroupFans {
  stands: OwnFan[];
  without: string[];
}

/** Nobody casts less or is placed for more from a shore, metres. Rules of thumb. */
const CASTS_M = { fromM: 4, toM: 30 };
/** Casts are told apart by so much, metres. */
const STEP_M = 0.5;
/** From here on a wind pushes a beginner's line, m/s. A rule of thumb. */
const FELT_MS = 2;
/** How far beside the rod hand it must be clear, metres. A rule of thumb. */
const SIDE_M = 2.5;
/** What leaves or wind on the side of the rod hand leave of a cast, a plain number. A rule of thumb. */
const ON_HAND = 0.5;
/** Who is better off where the water is shallow before his feet. */
const EDGE_NEEDS: ReadonlySet<Need> = new Set([
  ...(['seated', 'child-height', 'cannot-swim', 'afraid-of-deep-water'] as const),
]);
/** Where depth at the edge is looked at, metres from the shore: as near as it is known. */
const EDGE_OUT_M = [1.5, 2.5, 3.5];
/** Up to here an edge is shallow, from here on deep, metres. Rules of thumb. */
const EDGE = { shallowM: 0.5, deepM: 1 };
/** What a deep edge leaves of a place for one of them, a plain number. A rule of thumb. */
const AT_DEEP_EDGE = 0.05;

interface Option extends Fan {
  because: ShoreReason[];
}

/**
 * Where each of a group stands on a shore, with a fan of casts as long as he has shown: the wind and leaves not on the
 * side of his rod hand, shallow water before whoever cannot swim, sits, is small or is afraid of it, and nobody within
 * reach of another's line.
 *
 * @param options `castM` is for those of whom nobody has seen a cast
 */
export function fansForGroup(
  lake: Lake,
  grid: DepthGrid,
  people: readonly LakeCaster[],
  options: FanOptions,
): GroupFans {
  const found = new Map<number, Fan[]>();
  const places = new Map(
    people.map((person) => {
      const castM = castOf(person, options.castM);
      const fans = found.get(castM) ?? fansOf(lake, grid, { ...options, castM });
      found.set(castM, fans);
      return [person.id, fans.map((fan) => own(lake, grid, person, fan, options)).sort(byScore)];
    }),
  );
  const placed = assignPlaces(people, ({ id }) => places.get(id) ?? []);
  return {
    stands: placed
      .map(({ person, option: { facingDeg: _, ...fan } }) => ({
        ...fan,
        personId: person.id,
        coverage: coverageOf(grid, fan),
      }))
      .sort((a, b) => a.at.x - b.at.x || a.at.y - b.at.y),
    without: people.flatMap(({ id }) => (placed.some(({ person }) => person.id === id) ? [] : id)),
  };
}

const byScore = (a: Option, b: Option): number => b.score - a.score || a.at.x - b.at.x || a.at.y - b.at.y;

/** How far one casts from a shore, metres: what he has shown, or what is usual, less what his needs take. */
function castOf({ reachM, needs }: LakeCaster, usualM: number): number {
  const castM = Math.round(((reachM ?? usualM) * limitsOf(needs).line) / STEP_M) * STEP_M;
  return Math.min(CASTS_M.toM, Math.max(CASTS_M.fromM, castM));
}

/** A place as one person has it. */
function own(
  lake: Lake,
  grid: DepthGrid,
  { hand, needs, reachM }: LakeCaster,
  fan: Fan,
  { windMs }: FanOptions,
): Option {
  const need = needs.find((one) => EDGE_NEEDS.has(one));
  const edgeM = need ? edgeOf(grid, fan) : null;
  const onHand = (side: Hand) => ({
    leaves: leavesOn(lake, fan, side),
    wind: windMs >= FELT_MS && fan.windOn === side,
  });
  const [mine, other] = hand ? [onHand(hand), onHand(opposite(hand))] : [null, null];
  const parts = {
    ...fan.parts,
    ...(mine ? { hand: (mine.leaves ? ON_HAND : 1) * (mine.wind ? ON_HAND : 1) } : {}),
    ...(need ? { edge: shallowness(edgeM) } : {}),
  };
  const isClear = mine !== null && !mine.leaves && !mine.wind;
  return {
    ...fan,
    parts,
    score: meanOf(parts),
    because: [
      ...(reachM === null ? [] : [{ why: 'reach', reachM: fan.castM } as const]),
      ...(need && edgeM !== null && edgeM <= EDGE.shallowM
        ? [{ why: 'edge', need, depthM: edgeM } as const]
        : []),
      ...(hand && isClear && other?.leaves ? [{ why: 'hand', hand } as const] : []),
      ...(hand && isClear && other?.wind ? [{ why: 'wind', hand } as const] : []),
    ],
  };
}

/** Whether a hand casts among leaves, to the side or half behind. */
function leavesOn(lake: Lake, { at, facingDeg }: Fan, side: Hand): boolean {
  const sign = side === 'right' ? 1 : -1;
  return [90, 135].some((turn) => {
    const beside = stepped(at, (facingDeg + sign * turn + 360) % 360, SIDE_M);
    return lake.pieces.some(({ kind, shape }) => kind === 'trees' && inside(shape, beside));
  });
}

/** Depth before the feet, metres; null where nobody knows it. */
function edgeOf(grid: DepthGrid, { at, facingDeg }: Fan): number | null {
  for (const outM of EDGE_OUT_M) {
    const depthM = depthAt(grid, stepped(at, facingDeg, outM));
    if (depthM !== null) return depthM;
  }
  return null;
}

/** 1 at a shallow edge, less and less to a deep one; one that nobody knows is taken as deep. */
function shallowness(depthM: number | null): number {
  if (depthM === null) return AT_DEEP_EDGE;
  const share = (depthM - EDGE.shallowM) / (EDGE.deepM - EDGE.shallowM);
  return 1 - (1 - AT_DEEP_EDGE) * Math.min(1, Math.max(0, share));
}
