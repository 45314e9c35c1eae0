import { distance, type Point } from '../geometry';
import { limitsOf } from '../need';
import { assignPlaces, type Caster, type Hand, meanOf, opposite, type StandReason } from '../places';
import type { Wader } from '../water';
import { type Beat, isWater } from './beat';
import { cellAt, type Raster, rasterOf } from './raster';
import { allStands, isBeyond, type Stand, type StandingOptions } from './stands';

/** One of a group who is to stand in or beside a river. */
export interface Standing extends Caster {
  wader: Wader;
}

/** A stand with the one who stands there. */
export interface OwnStand extends Stand {
  personId: string;
  because: StandReason[];
}

/** Who stands where, and whom no place was found for. */
export interface GroupStands {
  /** In the order in which to fish: downstream first. */
  stands: OwnStand[];
  without: string[];
}

/** Lies that are looked at from each place. */
const LIES = 4;
/** So much farther than he ever cast, nobody reaches, metres. A rule of thumb. */
const FAR_M = 4;
/** How far to the side of the rod hand it must be clear, metres. A rule of thumb. */
const SIDE_M = 2.5;
/** What a bank or trees beside the rod hand leave of a cast, a plain number. Rules of thumb. */
const BESIDE = { water: 1, land: 0.85, trees: 0.5 };

interface Option extends Stand {
  beyond: boolean;
  /** Whether the rod hand is clear there and the other would be among leaves. */
  byHand: boolean;
}

/**
 * Where each of a group stands, by what he has shown, his hand, his rod and leader, his needs, height and age: nobody
 * within reach of another's line, nobody alone across the water from the others, and nobody deeper than his own limit.
 *
 * @param people in any order; the same people and water give the same places
 */
export function standsForGroup(
  beat: Beat,
  people: readonly Standing[],
  around: Omit<StandingOptions, 'wader'>,
): GroupStands {
  const raster = rasterOf(beat);
  const found = new Map<string, Stand[]>();
  const options = new Map(
    people.map((person) => {
      const key = JSON.stringify(person.wader);
      const stands = found.get(key) ?? allStands(beat, { ...around, wader: person.wader }, LIES);
      found.set(key, stands);
      return [person.id, ofPerson(beat, raster, person, stands)];
    }),
  );
  const choices = assignPlaces(
    people,
    ({ id }) => options.get(id) ?? [],
    ({ beyond }) => beyond,
  );
  const stands = choices.map(({ person, option: { beyond: _, byHand, ...stand } }) => ({
    ...stand,
    personId: person.id,
    because: reasons(person, stand, byHand),
  }));
  const placed = new Set(stands.map(({ personId }) => personId));
  return {
    stands: stands.sort((a, b) => b.lie.at.x - a.lie.at.x || a.castM - b.castM),
    without: people.flatMap(({ id }) => (placed.has(id) ? [] : id)),
  };
}

/** The places as one person has them: of those by one place, the lie that suits him best. */
function ofPerson(beat: Beat, raster: Raster, person: Standing, stands: readonly Stand[]): Option[] {
  const best = new Map<Point, Option>();
  for (const stand of stands) {
    const [own, other] = [beside(raster, stand, person.hand), beside(raster, stand, opposite(person.hand))];
    const parts = { ...stand.parts, reach: reached(person, stand.castM), hand: own };
    const score = meanOf(parts);
    if (score <= (best.get(stand.at)?.score ?? 0)) continue;
    const beyond = best.get(stand.at)?.beyond ?? isBeyond(beat, raster, stand.at);
    best.set(stand.at, { ...stand, parts, score, beyond, byHand: own > other && other === BESIDE.trees });
  }
  return [...best.values()].sort((a, b) => b.score - a.score || a.at.x - b.at.x || a.at.y - b.at.y);
}

/** How sure a cast is to get there, 0 to 1; 1 where nothing was ever seen of him. */
function reached({ reachM, needs }: Standing, castM: number): number {
  if (reachM === null) return 1;
  const over = castM - reachM * limitsOf(needs).line;
  return over <= 0 ? 1 : Math.max(0, 1 - over / FAR_M);
}

/** How clear it is beside a hand that casts from a place to its lie. Right is clockwise on the sheet. */
function beside(raster: Raster, { at, lie }: Stand, hand: Hand): number {
  const length = distance(at, lie.at) || 1;
  const turn = (hand === 'right' ? SIDE_M : -SIDE_M) / length;
  const piece = cellAt(raster, { x: at.x - (lie.at.y - at.y) * turn, y: at.y + (lie.at.x - at.x) * turn });
  if (piece === null) return BESIDE.land;
  return piece.kind === 'trees' ? BESIDE.trees : isWater(piece.kind) ? BESIDE.water : BESIDE.land;
}

function reasons(person: Standing, stand: Stand, byHand: boolean): StandReason[] {
  const bank = person.needs.find((need) => limitsOf([need]).wadeM === 0);
  const { deepestM } = person.wader;
  return [
    ...(bank && !stand.inWater ? [{ why: 'bank', need: bank } as const] : []),
    ...(stand.inWater && deepestM ? [{ why: 'shallow', wadeM: deepestM } as const] : []),
    ...(person.reachM === null
      ? []
      : [{ why: 'reach', reachM: person.reachM * limitsOf(person.needs).line } as const]),
    ...(byHand ? [{ why: 'hand', hand: person.hand } as const] : []),
  ];
}
