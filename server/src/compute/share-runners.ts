import { comingPlans, readPlanBundle, writePlanBundle } from '@doceo/contract';
import { canonicalText, libraryFit, mergePlans, planDifferences, planHash, poolEffects } from '@doceo/core';
import type * as z from 'zod';
import { type Runners, taught, withSkills } from './runner';

type Value = z.output<ReturnType<typeof z.json>> | undefined;
/** What stands at a path of a plan came from JSON, and is JSON. */
const json = (value: unknown): Value => value as Value;

/** Commands about plans that travel between people. */
export const shareRunners = {
  'plan-canonical': (plan) => ({ text: canonicalText(plan), hash: planHash(plan) }),
  'plan-diff': ({ before, after }) => ({
    differences: planDifferences(before, after).map((one) => {
      switch (one.of) {
        case 'carried':
          return one;
        case 'block': {
          const { block, ...rest } = one;
          return { ...rest, blockId: block.id, title: block.title, fields: one.fields.map(fieldOf) };
        }
        case 'rig':
          return { ...one, fields: one.fields.map(fieldOf) };
        case 'plan':
        case 'plan-b':
          return { ...one, before: json(one.before), after: json(one.after) };
      }
    }),
  }),
  'plan-merge': ({ origin, mine, theirs, choices }) => {
    const { plan, conflicts, from } = mergePlans(origin, mine, theirs, choices);
    return {
      ...{ plan, from },
      conflicts: conflicts.map((one) => ({
        path: one.path,
        origin: json(one.origin),
        mine: json(one.mine),
        theirs: json(one.theirs),
      })),
    };
  },
  'plan-bundle': ({ plans }) => ({
    text: writePlanBundle(plans.map(({ id, plan, lineage }) => ({ id, ...plan, lineage }))),
  }),
  'plan-bundle-check': ({ text, known }) => {
    const { file, issues } = readPlanBundle(text);
    return { comes: file ? comingPlans(file, known) : [], faults: issues ?? [] };
  },
  'effect-pool': ({ schools }) => ({ pooled: poolEffects(schools) }),
  'library-fit': ({ layer, plan, lesson, minutes, depthM }) => {
    const curriculum = taught(layer);
    return libraryFit(curriculum, plan, withSkills(curriculum, lesson), minutes, depthM);
  },
} satisfies Partial<Runners>;

function fieldOf({ field, before, after }: { field: string; before: unknown; after: unknown }) {
  return { field, before: json(before), after: json(after) };
}
