import type { Block, Carried, PlanB, PlanRig } from '../plan';
import { isSame, type SharedPlan } from './canonical';
import { CARRIED_LISTS, cellsOf, FACTS, type PlanFact } from './cells';
import { movedIds } from './moved';

/** A field that differs. */
export interface FieldChange {
  /** Path from the thing it is of: `cue`, `sections/<id>/lengthM`. */
  field: string;
  /** What it was and what it is; undefined where it was not there, or is not any more. */
  before: unknown;
  after: unknown;
}

type Change = 'comes' | 'goes' | 'changes';

/** One difference between two states of a plan, of the size in which a person speaks of it. */
export type PlanDifference =
  | { of: 'plan'; path: PlanFact; before: unknown; after: unknown }
  | {
      of: 'block';
      path: string;
      /** As it is now, or as it was before it went. */
      block: Block;
      /** `later` is only pushed by others, or drawn earlier. */
      change: Change | 'moves' | 'later';
      /** How much later it begins, minutes; below zero is earlier. */
      byMin: number;
      /** What else differs. */
      fields: FieldChange[];
    }
  | { of: 'rig'; path: string; name: string; change: Change; fields: FieldChange[] }
  | { of: 'plan-b'; path: 'planB'; before: PlanB | undefined; after: PlanB | undefined }
  | { of: 'carried'; path: string; list: keyof Carried; name: string; change: Change };

/**
 * What differs between two states of a plan: of the whole plan first, then block by block in the order of time, then rigs,
 * plan B, and copies of what is taught.
 */
export function planDifferences(before: SharedPlan, after: SharedPlan): PlanDifference[] {
  const [was, is] = [cellsOf(before), cellsOf(after)];
  const fieldsAt = (path: string): FieldChange[] => {
    const fields = [...new Set([...was.keys(), ...is.keys()])].filter(
      (one) => one.startsWith(`${path}/`) && !isSame(was.get(one), is.get(one)),
    );
    return fields.map((one) => ({
      field: one.slice(path.length + 1),
      before: was.get(one),
      after: is.get(one),
    }));
  };
  return [
    ...FACTS.flatMap((path): PlanDifference[] => {
      const sides = { before: was.get(path), after: is.get(path) };
      return isSame(sides.before, sides.after) ? [] : [{ of: 'plan', path, ...sides }];
    }),
    ...blockDifferences(before, after, fieldsAt),
    ...rigDifferences(before.body.rigs, after.body.rigs, fieldsAt),
    ...planBDifference(before.body.planB, after.body.planB),
    ...CARRIED_LISTS.flatMap((list) => carriedDifferences(list, before.body.carries, after.body.carries)),
  ];
}

type FieldsAt = (path: string) => FieldChange[];

function blockDifferences(before: SharedPlan, after: SharedPlan, fieldsAt: FieldsAt): PlanDifference[] {
  const moved = movedIds(before.body.blocks, after.body.blocks);
  return pairs(before.body.blocks, after.body.blocks)
    .sort((a, b) => (a.is ?? a.was)!.startMin - (b.is ?? b.was)!.startMin)
    .flatMap(({ id, was, is }): PlanDifference[] => {
      const path = `blocks/${id}`;
      const found = { of: 'block' as const, path, block: (is ?? was)!, byMin: 0, fields: [] };
      if (!was || !is) return [{ ...found, change: is ? 'comes' : 'goes' }];
      const byMin = is.startMin - was.startMin;
      const fields = fieldsAt(path).filter(({ field }) => field !== 'startMin');
      const isMoved = moved.has(id) || is.lane !== was.lane;
      if (byMin === 0 && fields.length === 0) return [];
      const others = fields.filter(({ field }) => field !== 'lane');
      const change = isMoved ? 'moves' : others.length > 0 ? 'changes' : 'later';
      return [{ ...found, change, byMin, fields }];
    });
}

function rigDifferences(
  before: readonly PlanRig[],
  after: readonly PlanRig[],
  fieldsAt: FieldsAt,
): PlanDifference[] {
  return pairs(before, after).flatMap(({ id, was, is }): PlanDifference[] => {
    const path = `rigs/${id}`;
    const { name } = (is ?? was)!;
    if (!was || !is) return [{ of: 'rig', path, name, change: is ? 'comes' : 'goes', fields: [] }];
    const fields = fieldsAt(path);
    return fields.length === 0 ? [] : [{ of: 'rig', path, name, change: 'changes', fields }];
  });
}

function planBDifference(before: PlanB | undefined, after: PlanB | undefined): PlanDifference[] {
  return isSame(before, after) ? [] : [{ of: 'plan-b', path: 'planB', before, after }];
}

function carriedDifferences(
  list: keyof Carried,
  before: Carried | undefined,
  after: Carried | undefined,
): PlanDifference[] {
  return pairs<{ id: string; name?: string; short?: string }>(
    before?.[list] ?? [],
    after?.[list] ?? [],
  ).flatMap(({ id, was, is }): PlanDifference[] => {
    if (isSame(was, is)) return [];
    const change = !was ? 'comes' : is ? 'changes' : 'goes';
    return [{ of: 'carried', path: `carries/${list}/${id}`, list, name: nameOf((is ?? was)!), change }];
  });
}

function nameOf({ name, short }: { name?: string; short?: string }): string {
  return name ?? short ?? '';
}

/** Things of two lists by their id, those of the first in front. */
function pairs<T extends { id: string }>(
  before: readonly T[],
  after: readonly T[],
): { id: string; was: T | undefined; is: T | undefined }[] {
  const ids = [...new Set([...before, ...after].map(({ id }) => id))];
  return ids.map((id) => ({
    id,
    was: before.find((one) => one.id === id),
    is: after.find((one) => one.id === id),
  }));
}
