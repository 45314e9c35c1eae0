import { distance, type Point } from '../geometry';
import { limitsOf, type Need } from '../need';
import { hookDistance, type Outfit } from '../safety';
import type { Wader } from '../water';
import { type Beat, isWater } from './beat';
import { cellAt, type Raster, rasterOf } from './raster';
import { allStands, isBeyond, meanOf, type Stand, type StandingOptions } from './stands';
import { oneIsAlone } from './suggest';

/** One of a group who is to stand somewhere. */
export interface Standing extends Outfit {
  id: string;
  hand: 'left' | 'right';
  needs: readonly Need[];
  wader: Wader;
  /** The longest line he has shown that he casts, metres; null where nothing was seen. */
  reachM: number | null;
}

/** Why somebody stands where he does. */
export type StandReason =
  | { why: 'bank'; need: Need }
  | { why: 'shallow'; wadeM: number }
  | { why: 'reach'; reachM: number }
  | { why: 'hand'; hand: 'left' | 'right' };

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

/** What a metre to the farthest of the others costs of a score, a plain number: one instructor sees them all. */
const SPREAD = 0.004;
/** Pairs of so many, those with the fewest places, are tried together on a side. */
const PAIRED = 4;
/** So many beginnings are gone on with, the best. */
const SETTLED = 4;

interface Option extends Stand {
  beyond: boolean;
  /** Whether the rod hand is clear there and the other would be among leaves. */
  byHand: boolean;
}

interface Choice {
  person: Standing;
  option: Option;
}

/**
 * Where each of a group stands, by what he has shown, his hand, his rod and leader, his needs, height and age: nobody
 * within reach of another's line, nobody alone across the water from the others, and nobody deeper than his own limit.
 * Those with the fewest places choose first; then each place is chosen again beside the others until none gets better.
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
  const of = ({ id }: Standing): Option[] => options.get(id) ?? [];
  const order = [...people].sort((a, b) => of(a).length - of(b).length || a.id.localeCompare(b.id));
  const isFine = (choices: readonly Choice[]): boolean =>
    !oneIsAlone(choices.map(({ option }) => option.beyond));
  const better = (a: readonly Choice[], b: readonly Choice[]): number =>
    b.length - a.length || worth(b) - worth(a);
  const begun = beginnings(order, of).sort(better);
  const settle = (some: readonly Choice[][]): Choice[][] =>
    some.map((one) => settled(order, of, one)).filter(isFine);
  const most = settle(begun.filter(isFine).slice(0, SETTLED));
  const [best] = (most.length > 0 ? most : settle(begun)).sort(better);
  const stands = (best ?? []).map(({ person, option: { beyond: _, byHand, ...stand } }) => ({
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

const opposite = (hand: 'left' | 'right'): 'left' | 'right' => (hand === 'left' ? 'right' : 'left');

/** How sure a cast is to get there, 0 to 1; 1 where nothing was ever seen of him. */
function reached({ reachM, needs }: Standing, castM: number): number {
  if (reachM === null) return 1;
  const over = castM - reachM * limitsOf(needs).line;
  return over <= 0 ? 1 : Math.max(0, 1 - over / FAR_M);
}

/** How clear it is beside a hand that casts from a place to its lie. Right is clockwise on the sheet. */
function beside(raster: Raster, { at, lie }: Stand, hand: 'left' | 'right'): number {
  const length = distance(at, lie.at) || 1;
  const turn = (hand === 'right' ? SIDE_M : -SIDE_M) / length;
  const piece = cellAt(raster, { x: at.x - (lie.at.y - at.y) * turn, y: at.y + (lie.at.x - at.x) * turn });
  if (piece === null) return BESIDE.land;
  return piece.kind === 'trees' ? BESIDE.trees : isWater(piece.kind) ? BESIDE.water : BESIDE.land;
}

/** Who begins where: the best each finds in turn, on both sides or on one, and two on a side before all others. */
function beginnings(order: readonly Standing[], of: (person: Standing) => Option[]): Choice[][] {
  const on = (side: boolean) => (person: Standing) => of(person).filter(({ beyond }) => beyond === side);
  const sides = [of, on(true), on(false)];
  const few = order.slice(0, PAIRED);
  const pairs = few.flatMap((a, i) => few.slice(i + 1).map((b) => [a, b]));
  return [
    ...sides.map((from) => taken(order, from, [])),
    ...[true, false].flatMap((side) => pairs.map((pair) => taken(order, of, taken(pair, on(side), [])))),
  ];
}

/** Each takes the best place that is free beside what was taken before. */
function taken(
  people: readonly Standing[],
  from: (person: Standing) => Option[],
  before: readonly Choice[],
): Choice[] {
  const choices = [...before];
  for (const person of people) {
    if (choices.some((choice) => choice.person === person)) continue;
    const option = bestBeside(choices, person, from(person));
    if (option) choices.push({ person, option });
  }
  return choices;
}

/** The best of somebody's places that is out of reach of the others and not far from them. */
function bestBeside(choices: readonly Choice[], person: Standing, options: readonly Option[]): Option | null {
  let [best, worthOfBest]: [Option | null, number] = [null, -Infinity];
  for (const option of options) {
    // They are sorted by their scores: no later one can be worth more.
    if (option.score <= worthOfBest) break;
    const worthOfIt = option.score - SPREAD * farthest(choices, option);
    if (worthOfIt > worthOfBest && choices.every((other) => apart({ person, option }, other)))
      [best, worthOfBest] = [option, worthOfIt];
  }
  return best;
}

const farthest = (choices: readonly Choice[], { at }: Option): number =>
  Math.max(0, ...choices.map(({ option }) => distance(option.at, at)));

/** The choices after each chose again, and each two in turn, until it gets no better. */
function settled(
  order: readonly Standing[],
  of: (person: Standing) => Option[],
  begun: readonly Choice[],
): Choice[] {
  let best = [...begun];
  const rounds = 4;
  for (let round = 0; round < rounds; round++) {
    let better = false;
    for (const again of order.flatMap((a, i) => [[a], ...order.slice(i + 1).map((b) => [b, a])])) {
      const others = best.filter(({ person }) => !again.includes(person));
      // Whoever found no place may take one that is left free now.
      const next = taken([...again, ...order], sameSides(best, of), others);
      if (next.length < best.length || worth(next) <= worth(best) + 1e-9) continue;
      best = next;
      better = true;
    }
    if (!better) break;
  }
  return best;
}

/** Places on the side where somebody stands now, that nobody gets lonely by moving. */
function sameSides(choices: readonly Choice[], of: (person: Standing) => Option[]) {
  const side = new Map(choices.map(({ person, option }) => [person, option.beyond]));
  return (person: Standing): Option[] => {
    const now = side.get(person);
    return now === undefined ? of(person) : of(person).filter(({ beyond }) => beyond === now);
  };
}

const worth = (choices: readonly Choice[]): number =>
  choices.reduce((sum, { option }) => sum + 1 + option.score - (SPREAD * farthest(choices, option)) / 2, 0);

/** Whether two are out of each other's reach, each with his own rod, leader and cast. */
function apart(a: Choice, b: Choice): boolean {
  const reach = ({ person, option }: Choice): number => hookDistance(option.castM, person);
  return distance(a.option.at, b.option.at) >= Math.max(reach(a), reach(b));
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
