import { HOOK_SIZES } from '../rig';
import { foodsIn } from './calendar';
import { BOX_STAGES, COLOUR_FAMILIES, type Food, WEIGHT_CLASSES } from '../water';
import { type BoxKind, type FlyBox, MAX_OF_A_KIND } from './fly-box';

/** Flies of one kind that a guide takes along: one to fish and one to lose. Rule of thumb. */
export const WANTED_OF_A_KIND = 2;

export interface BoxCell extends BoxKind {
  count: number;
  /** Names of foods of the month that ask for it; none when nothing does. */
  foods: string[];
  /** How many are missing. */
  short: number;
}

export interface BoxState {
  /** Every kind that is in the box or asked for, by stage, size, weight and colour. */
  cells: BoxCell[];
  /** Kinds asked for, and how many of them the box holds at least one of. */
  wanted: number;
  covered: number;
  /** What is missing, what stands for most foods first, then the larger fly. */
  gaps: BoxCell[];
}

/** What tells one kind of fly in a box from another. */
export function boxKey({ stage, colour, weight, hookSize }: BoxKind): string {
  return `${stage}/${weight}/${colour}/${hookSize}`;
}

/**
 * What a box holds against what a water's calendar asks for in a month.
 *
 * @param month 1…12
 */
export function boxState(box: FlyBox, calendar: readonly Food[], month: number): BoxState {
  const cells = new Map<string, BoxCell>();
  for (const fly of box.flies) if (fly.count > 0) cells.set(boxKey(fly), { ...fly, foods: [], short: 0 });
  for (const { name, imitations } of foodsIn(calendar, month))
    for (const kind of imitations.flatMap(kindsOf)) {
      const cell = cells.get(boxKey(kind)) ?? { ...kind, count: 0, foods: [], short: 0 };
      const foods = cell.foods.includes(name) ? cell.foods : [...cell.foods, name];
      cells.set(boxKey(kind), { ...cell, foods, short: Math.max(0, WANTED_OF_A_KIND - cell.count) });
    }
  const all = [...cells.values()].sort(inOrder);
  const asked = all.filter(({ foods }) => foods.length > 0);
  return {
    cells: all,
    wanted: asked.length,
    covered: asked.filter(({ count }) => count > 0).length,
    gaps: asked
      .filter(({ count }) => count === 0)
      .sort((a, b) => b.foods.length - a.foods.length || a.hookSize - b.hookSize),
  };
}

/**
 * A box with so many flies of a kind; none takes the kind out.
 *
 * @param count flies, rounded and held to what a box takes of a kind
 */
export function withFliesOf(box: FlyBox, kind: BoxKind, count: number): FlyBox {
  const kept = Math.min(MAX_OF_A_KIND, Math.max(0, Math.round(count)));
  const others = box.flies.filter((fly) => boxKey(fly) !== boxKey(kind));
  const { stage, colour, weight, hookSize } = kind;
  return { flies: kept === 0 ? others : [...others, { stage, colour, weight, hookSize, count: kept }] };
}

function kindsOf({ stage, colours, weights, largest, smallest }: Food['imitations'][number]): BoxKind[] {
  const sizes = HOOK_SIZES.filter((size) => size >= largest && size <= smallest);
  return sizes.flatMap((hookSize) =>
    weights.flatMap((weight) => colours.map((colour) => ({ stage, weight, colour, hookSize }))),
  );
}

function inOrder(a: BoxKind, b: BoxKind): number {
  return (
    BOX_STAGES.indexOf(a.stage) - BOX_STAGES.indexOf(b.stage) ||
    a.hookSize - b.hookSize ||
    WEIGHT_CLASSES.indexOf(a.weight) - WEIGHT_CLASSES.indexOf(b.weight) ||
    COLOUR_FAMILIES.indexOf(a.colour) - COLOUR_FAMILIES.indexOf(b.colour)
  );
}
