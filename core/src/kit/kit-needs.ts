import type { Curriculum } from '../curriculum';
import { curriculumOf, drillOf } from '../plan/carried';
import { allBlocks, type PlanBody } from '../plan/plan';
import { gearList } from '../plan/timing';
import { thingName, thingOf } from '../drill';
import type { Kit, KitEntry } from './kit';

/** One who comes, as far as his gear goes. */
export interface Equipped {
  /** Years; null where nobody said. */
  ageYears: number | null;
  hand: 'left' | 'right';
}

/** Which of the things it must be. */
export type KitOf = 'any' | 'child' | 'left';

export interface KitNeed {
  item: string;
  of: KitOf;
  /** How many, whole, 1 and more. */
  count: number;
}

/** A need held against what there is. */
export interface KitShort extends KitNeed {
  /** How many there are; null for a thing of which the kit says nothing. */
  have: number | null;
  /** How many are missing, whole, 0 and more. */
  missing: number;
  /** What they cost, by the lowest price said; null where none is. */
  cost: number | null;
}

/** Up to this age a short light rod is wanted. A rule of thumb. */
export const CHILD_ROD_YEARS = 12;

/**
 * What a lesson needs of the school: gear of the drills, at a river a belt and a staff for everybody in the group, for
 * drills on the water a thermometer, and always one first aid kit. Of the rods so many for children, so many whose reel
 * turns with the left hand's side. Typical, not a rule of any place.
 */
export function kitNeeds(curriculum: Curriculum, plan: PlanBody, students: readonly Equipped[]): KitNeed[] {
  const counts = new Map<string, { item: string; count: number }>();
  const need = (item: string, count: number): void => {
    const before = counts.get(thingOf(item));
    counts.set(thingOf(item), {
      item: before?.item ?? thingName(item),
      count: Math.max(before?.count ?? 0, count),
    });
  };
  for (const { item, count } of gearList(curriculum, plan)) need(item, count);
  const own = curriculumOf(curriculum, plan);
  const grounds = new Set(allBlocks(plan).flatMap((block) => drillOf(own, block)?.ground ?? []));
  if (grounds.has('river')) for (const item of ['wading belt', 'wading staff']) need(item, plan.groupSize);
  if (grounds.has('river') || grounds.has('stillwater')) need('thermometer', 1);
  need('first-aid kit', 1);
  const rods = counts.get('rod')?.count ?? 0;
  const some = (of: KitOf, who: readonly Equipped[]): KitNeed[] => {
    const count = Math.min(rods, who.length);
    return count > 0 ? [{ item: 'rod', of, count }] : [];
  };
  return [
    ...[...counts.values()].map(({ item, count }): KitNeed => ({ item, of: 'any', count })),
    ...some(
      'child',
      students.filter(({ ageYears }) => ageYears !== null && ageYears <= CHILD_ROD_YEARS),
    ),
    ...some(
      'left',
      students.filter(({ hand }) => hand === 'left'),
    ),
  ].sort((a, b) => a.item.localeCompare(b.item, 'en') || a.of.localeCompare(b.of, 'en'));
}

/** Needs held against a kit, what is short first. A thing of which the kit says nothing is not taken for missing. */
export function kitShort(kit: Kit, needs: readonly KitNeed[]): KitShort[] {
  return needs
    .map((need) => {
      const named = kit.entries.filter(({ item }) => thingOf(item) === thingOf(need.item));
      const fit = named.filter((entry) => fits(entry, need.of));
      const have = named.length === 0 ? null : fit.reduce((sum, { count }) => sum + count, 0);
      const missing = have === null ? 0 : Math.max(0, need.count - have);
      const prices = (fit.length > 0 ? fit : named).flatMap(({ priceEach }) => priceEach ?? []);
      const cost = missing > 0 && prices.length > 0 ? missing * Math.min(...prices) : null;
      return { ...need, have, missing, cost };
    })
    .sort((a, b) => Number(b.missing > 0) - Number(a.missing > 0));
}

/** What is on hand of each thing that the kit names, as the making of plans reads it. */
export function stockOf(kit: Kit): Record<string, number> {
  const stock: Record<string, number> = {};
  for (const { item, count } of kit.entries) stock[thingOf(item)] = (stock[thingOf(item)] ?? 0) + count;
  return stock;
}

function fits({ rodFor, reelHand }: KitEntry, of: KitOf): boolean {
  if (of === 'child') return rodFor === 'child';
  // A right-handed caster winds with the left hand, a left-handed one with the right.
  if (of === 'left') return reelHand !== 'left';
  return true;
}
