import { canonicalJson, canonicalPlan, planHash, type SharedPlan } from '@doceo/core';
import * as z from 'zod';
import { idSchema, instantSchema, lineSchema } from '../common';
import type { ReadFile } from '../files/document-file';
import { jsonFault, withLines } from '../files/json-place';
import { type Issue, toIssues } from '../http/error';
import { hashSchema, sharedPlanSchema, VERSION_REASONS, wordSchema } from './versions';

export const PLAN_BUNDLE_FORMAT = 'doceo-plans';
export const PLAN_BUNDLE_VERSION = 1;
/** Longest file that is read, characters. */
export const MAX_PLAN_BUNDLE = 4_000_000;
/** The same as it is sent to the server, in JSON, bytes. */
export const MAX_PLAN_FILE_BYTES = 3 * MAX_PLAN_BUNDLE;
/** Most plans in a file, and most versions that are told of each. */
export const MAX_PLANS = 50;
export const MAX_LINEAGE = 400;

/** A state that the plan was in before, without what was in it. */
const ancestorSchema = z.strictObject({
  id: idSchema,
  hash: hashSchema,
  why: z.enum(VERSION_REASONS),
  note: wordSchema,
  authorName: lineSchema(80),
  at: instantSchema,
  /** Versions of this list that it was made of. */
  parents: z.array(idSchema).max(2),
});

export const lineageFileSchema = z.array(ancestorSchema).max(MAX_LINEAGE);

const bundledSchema = z.strictObject({
  id: idSchema,
  /** SHA-256 of the canonical text of title and body. */
  hash: hashSchema,
  ...sharedPlanSchema.shape,
  lineage: lineageFileSchema,
});
export type BundledPlan = z.infer<typeof bundledSchema>;

/** Plans as a file: with the rigs, drills, skills, faults and drifts they carry, and how they came about. */
export const planBundleSchema = z.strictObject({
  format: z.literal(PLAN_BUNDLE_FORMAT),
  version: z.literal(PLAN_BUNDLE_VERSION),
  plans: z.array(bundledSchema).min(1).max(MAX_PLANS),
});
export type PlanBundle = z.infer<typeof planBundleSchema>;

/** The text of a file of plans, fields in canonical order, a line each: the same plans are the same text, byte for byte. */
export function writePlanBundle(
  plans: readonly (SharedPlan & Pick<BundledPlan, 'id' | 'lineage'>)[],
): string {
  const bundle = planBundleSchema.parse({
    format: PLAN_BUNDLE_FORMAT,
    version: PLAN_BUNDLE_VERSION,
    plans: plans.map(({ id, lineage, title, body }) => {
      const plan = canonicalPlan(sharedPlanSchema.parse({ title, body }));
      return { id, hash: planHash(plan), ...plan, lineage };
    }),
  });
  return `${JSON.stringify(JSON.parse(canonicalJson(bundle)), null, 1)}\n`;
}

/** Reads the text of a file of plans: all of it, or everything that is wrong with it by path and line. */
export function readPlanBundle(text: string): ReadFile<PlanBundle> {
  const refused = (issues: Issue[]): ReadFile<PlanBundle> => ({ file: null, issues });
  if (text.length > MAX_PLAN_BUNDLE)
    return refused([{ path: 'file', code: 'too-large', message: 'is too large for plans' }]);
  const fault = jsonFault(text);
  if (fault) return refused([fault]);
  const value = JSON.parse(text) as { format?: unknown; version?: unknown } | null;
  const { format, version } = value ?? {};
  if (format === PLAN_BUNDLE_FORMAT && typeof version === 'number' && version > PLAN_BUNDLE_VERSION)
    return refused(
      withLines(text, [
        {
          path: 'version',
          code: 'newer',
          message: `is ${version}, of a newer program; this one reads ${PLAN_BUNDLE_VERSION}`,
        },
      ]),
    );
  const read = planBundleSchema.safeParse(value);
  const issues = read.success ? read.data.plans.flatMap(planFaults) : toIssues(read.error);
  const twice = read.success ? duplicates(read.data.plans) : [];
  return read.success && issues.length + twice.length === 0
    ? { file: read.data, issues: null }
    : refused(withLines(text, [...issues, ...twice]));
}

function planFaults({ hash, title, body, lineage }: BundledPlan, index: number): Issue[] {
  const at = `plans[${index}]`;
  const changed =
    planHash({ title, body }) === hash
      ? []
      : [
          {
            path: `${at}.hash`,
            code: 'hash',
            message: 'does not belong to this plan: it was changed on the way',
          },
        ];
  return [...changed, ...lineageFaults(lineage, `${at}.lineage`)];
}

/** Each version comes of others that stand in the list, and none of itself, however far round. */
function lineageFaults(lineage: BundledPlan['lineage'], path: string): Issue[] {
  const places = new Map(lineage.map(({ id }, i) => [id, i]));
  const unknown = lineage.flatMap(({ parents }, i) =>
    parents.flatMap((parent, n) =>
      places.has(parent)
        ? []
        : [{ path: `${path}[${i}].parents[${n}]`, code: 'unknown', message: 'is no version of this list' }],
    ),
  );
  const twice = lineage.flatMap(({ id }, i) =>
    places.get(id) === i ? [] : [{ path: `${path}[${i}].id`, code: 'twice', message: 'is used twice' }],
  );
  // What comes of nothing that is left is taken off until nothing goes any more: what stays runs in a circle.
  let left = lineage.filter(({ parents }) => parents.every((parent) => places.has(parent)));
  for (let before = -1; before !== left.length;) {
    before = left.length;
    const standing = new Set(left.map(({ id }) => id));
    left = left.filter(({ parents }) => parents.some((parent) => standing.has(parent)));
  }
  const circle = left.slice(0, 1).map(({ id }) => ({
    path: `${path}[${places.get(id) ?? 0}]`,
    code: 'circle',
    message: 'comes of itself in the end',
  }));
  return [...twice, ...unknown, ...circle];
}

function duplicates(plans: readonly BundledPlan[]): Issue[] {
  const seen = new Set<string>();
  return plans.flatMap(({ id }, index) => {
    const isTwice = seen.has(id);
    seen.add(id);
    return isTwice ? [{ path: `plans[${index}].id`, code: 'twice', message: 'is used twice' }] : [];
  });
}

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
