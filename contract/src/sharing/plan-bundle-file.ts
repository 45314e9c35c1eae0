import { canonicalJson, canonicalPlan, planHash, type SharedPlan } from '@doceo/core';
import type { ReadFile } from '../files/document-file';
import { jsonFault, withLines } from '../files/json-place';
import { type Issue, toIssues } from '../http/error';
import {
  type BundledPlan,
  MAX_PLAN_BUNDLE,
  PLAN_BUNDLE_FORMAT,
  PLAN_BUNDLE_VERSION,
  type PlanBundle,
  planBundleSchema,
} from './plan-bundle';
import { sharedPlanSchema } from './versions';

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
