import type { PlanBundle } from './plan-bundle';

/** A plan that is here already, and the states it was in, newest first. */
export interface KnownPlan {
  id: string;
  title: string;
  hash: string;
  hashes: readonly string[];
  /** Ids of those states, those told by a file among them: by them a plan is known whatever it is called here. */
  versions?: readonly string[];
}

/** `newer` follows one that is here, `older` was one that is here, `apart`: both went on since. */
export const COMING_KINDS = ['new', 'same', 'newer', 'older', 'apart'] as const;
/** What becomes of a plan of a file: a plan of its own, the next state of the one it follows, or nothing. */
export const HOW_TAKEN = ['add', 'follow', 'leave'] as const;

/** What a plan of a file would be here. */
export interface ComingPlan {
  id: string;
  title: string;
  what: (typeof COMING_KINDS)[number];
  /** The plan that is here, null where there is none. */
  with: string | null;
}

/** What would come of a file, before anything does. */
export function comingPlans({ plans }: PlanBundle, known: readonly KnownPlan[]): ComingPlan[] {
  return plans.map(({ id, title, hash, lineage }) => {
    const states = new Set([hash, ...lineage.map((one) => one.hash)]);
    const versions = new Set(lineage.map((one) => one.id));
    const own = known.filter(
      (one) => one.id === id || one.versions?.some((version) => versions.has(version)),
    );
    const like =
      own.find((one) => one.hash === hash) ??
      own[0] ??
      known.find((one) => one.hash === hash) ??
      known.find((one) => [one.hash, ...one.hashes].some((state) => states.has(state)));
    if (!like) return { id, title, what: 'new', with: null };
    const what =
      like.hash === hash
        ? ('same' as const)
        : states.has(like.hash)
          ? ('newer' as const)
          : like.hashes.includes(hash)
            ? ('older' as const)
            : ('apart' as const);
    return { id, title, what, with: like.id };
  });
}
