import { distance, type Point } from '../geometry';
import { hookDistance, type Outfit } from '../safety';

/** A place that somebody may have, as he has it. */
export interface StandPlace {
  at: Point;
  /** Line beyond the tip there, metres. */
  castM: number;
  /** How good it is for him, 0 to 1, a plain number. */
  score: number;
}

/** Somebody with the place that he has. */
export interface Placed<P, O> {
  person: P;
  option: O;
}

type Person = Outfit & { id: string };

/** What a metre to the farthest of the others costs of a score, a plain number: one instructor sees them all. */
const SPREAD = 0.004;
/** Pairs of so many, those with the fewest places, are tried together on a side. */
const PAIRED = 4;
/** So many beginnings are gone on with, the best. */
const SETTLED = 4;

/** Whether one of several is alone on his side of the water. */
export function oneIsAlone(sides: readonly boolean[]): boolean {
  const across = sides.filter(Boolean).length;
  return sides.length > 1 && (across === 1 || across === sides.length - 1);
}

/**
 * Who of a group has which place: nobody within reach of another's line, nobody alone across the water from the others.
 * Those with the fewest places choose first; then each place is chosen again beside the others until none gets better.
 * Whoever finds none is left out.
 *
 * @param people in any order; the same people and places give the same
 * @param of somebody's places, the best first
 * @param isBeyond whether a place is across the water; where there is one side only, never
 */
export function assignPlaces<P extends Person, O extends StandPlace>(
  people: readonly P[],
  of: (person: P) => readonly O[],
  isBeyond: (option: O) => boolean = () => false,
): Placed<P, O>[] {
  return new Assignment(people, of, isBeyond).best();
}

class Assignment<P extends Person, O extends StandPlace> {
  private readonly order: readonly P[];

  constructor(
    people: readonly P[],
    private readonly of: (person: P) => readonly O[],
    private readonly isBeyond: (option: O) => boolean,
  ) {
    this.order = [...people].sort((a, b) => of(a).length - of(b).length || a.id.localeCompare(b.id));
  }

  best(): Placed<P, O>[] {
    const isFine = (choices: readonly Placed<P, O>[]): boolean =>
      !oneIsAlone(choices.map(({ option }) => this.isBeyond(option)));
    const better = (a: readonly Placed<P, O>[], b: readonly Placed<P, O>[]): number =>
      b.length - a.length || worth(b) - worth(a);
    const begun = this.beginnings().sort(better);
    const settle = (some: readonly Placed<P, O>[][]): Placed<P, O>[][] =>
      some.map((one) => this.settled(one)).filter(isFine);
    const most = settle(begun.filter(isFine).slice(0, SETTLED));
    const [best] = (most.length > 0 ? most : settle(begun)).sort(better);
    return best ?? [];
  }

  /** Who begins where: the best each finds in turn, on both sides or on one, and two on a side before all others. */
  private beginnings(): Placed<P, O>[][] {
    const on = (side: boolean) => (person: P) =>
      this.of(person).filter((option) => this.isBeyond(option) === side);
    const sides = [this.of, on(true), on(false)];
    const few = this.order.slice(0, PAIRED);
    const pairs = few.flatMap((a, i) => few.slice(i + 1).map((b) => [a, b]));
    return [
      ...sides.map((from) => taken(this.order, from, [])),
      ...[true, false].flatMap((side) =>
        pairs.map((pair) => taken(this.order, this.of, taken(pair, on(side), []))),
      ),
    ];
  }

  /** The choices after each chose again, and each two in turn, until it gets no better. */
  private settled(begun: readonly Placed<P, O>[]): Placed<P, O>[] {
    let best = [...begun];
    const rounds = 4;
    const again = this.order.flatMap((a, i) => [[a], ...this.order.slice(i + 1).map((b) => [b, a])]);
    for (let round = 0; round < rounds; round++) {
      let better = false;
      for (const some of again) {
        const others = best.filter(({ person }) => !some.includes(person));
        // Whoever found no place may take one that is left free now.
        const next = taken([...some, ...this.order], this.sameSides(best), others);
        if (next.length < best.length || worth(next) <= worth(best) + 1e-9) continue;
        best = next;
        better = true;
      }
      if (!better) break;
    }
    return best;
  }

  /** Places on the side where somebody stands now, that nobody gets lonely by moving. */
  private sameSides(choices: readonly Placed<P, O>[]) {
    const side = new Map(choices.map(({ person, option }) => [person, this.isBeyond(option)]));
    return (person: P): readonly O[] => {
      const now = side.get(person);
      return now === undefined
        ? this.of(person)
        : this.of(person).filter((option) => this.isBeyond(option) === now);
    };
  }
}

/** Each takes the best place that is free beside what was taken before. */
function taken<P extends Person, O extends StandPlace>(
  people: readonly P[],
  from: (person: P) => readonly O[],
  before: readonly Placed<P, O>[],
): Placed<P, O>[] {
  const choices = [...before];
  for (const person of people) {
    if (choices.some((choice) => choice.person === person)) continue;
    const option = bestBeside(choices, person, from(person));
    if (option) choices.push({ person, option });
  }
  return choices;
}

/** The best of somebody's places that is out of reach of the others and not far from them. */
function bestBeside<P extends Person, O extends StandPlace>(
  choices: readonly Placed<P, O>[],
  person: P,
  options: readonly O[],
): O | null {
  let [best, worthOfBest]: [O | null, number] = [null, -Infinity];
  for (const option of options) {
    // They are sorted by their scores: no later one can be worth more.
    if (option.score <= worthOfBest) break;
    const worthOfIt = option.score - SPREAD * farthest(choices, option);
    if (worthOfIt > worthOfBest && choices.every((other) => apart({ person, option }, other)))
      [best, worthOfBest] = [option, worthOfIt];
  }
  return best;
}

const farthest = (choices: readonly Placed<unknown, StandPlace>[], { at }: StandPlace): number =>
  Math.max(0, ...choices.map(({ option }) => distance(option.at, at)));

const worth = (choices: readonly Placed<unknown, StandPlace>[]): number =>
  choices.reduce((sum, { option }) => sum + 1 + option.score - (SPREAD * farthest(choices, option)) / 2, 0);

/** Whether two are out of each other's reach, each with his own rod, leader and cast. */
function apart(a: Placed<Outfit, StandPlace>, b: Placed<Outfit, StandPlace>): boolean {
  const reach = ({ person, option }: Placed<Outfit, StandPlace>): number =>
    hookDistance(option.castM, person);
  return distance(a.option.at, b.option.at) >= Math.max(reach(a), reach(b));
}
