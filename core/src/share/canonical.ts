import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex } from '@noble/hashes/utils';
import canonicalize from 'canonicalize';
import { blocksInOrder, type PlanBody } from '../plan';

/** What of a plan is shared: it has no owner, no day and no student. */
export interface SharedPlan {
  title: string;
  body: PlanBody;
}

/**
 * A value as JSON in one way only, as RFC 8785 says: fields in the order of their names, numbers as short as they can be.
 *
 * @returns an empty text for what is not there
 */
export function canonicalJson(value: unknown): string {
  return canonicalize(value) ?? '';
}

/** Whether two values are the same in that form: a field that is left out is the same as one that is undefined. */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  const isPlain = (value: unknown): boolean => typeof value !== 'object' || value === null;
  return !isPlain(a) && !isPlain(b) && canonicalJson(a) === canonicalJson(b);
}

/** The plan with everything in it whose order says nothing put in one order: blocks by time, the rest by id. */
export function canonicalPlan({ title, body }: SharedPlan): SharedPlan {
  const { blocks, rigs, planB, carries } = body;
  return {
    title,
    body: {
      ...body,
      blocks: blocksInOrder(blocks),
      rigs: byId(rigs),
      ...(planB && { planB: { ...planB, blocks: blocksInOrder(planB.blocks) } }),
      ...(carries && {
        carries: {
          skills: byId(carries.skills),
          faults: byId(carries.faults),
          drills: byId(carries.drills),
        },
      }),
    },
  };
}

/** Two plans that say the same have the same text. */
export function canonicalText(plan: SharedPlan): string {
  return canonicalJson(canonicalPlan(plan));
}

/** What a version of a plan is known by everywhere: SHA-256 of its canonical text, 64 hexadecimal digits. */
export function planHash(plan: SharedPlan): string {
  return bytesToHex(sha256(canonicalText(plan)));
}

function byId<T extends { id: string }>(things: readonly T[]): T[] {
  return [...things].sort((a, b) => (a.id < b.id ? -1 : 1));
}
