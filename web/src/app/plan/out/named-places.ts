import type { Issue } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';

const FIELDS: Record<string, string> = {
  title: 'title',
  aim: 'aim',
  season: 'season',
  cue: 'cue words',
  note: 'note',
  name: 'name',
};

/** Where in a plan something stands, as it is called on the screen: `Look, then step: note`. */
export function placeInPlan(path: string, { blocks, rigs, planB }: PlanBody): string {
  const [, list = '', index = ''] = /(blocks|rigs)\[(\d+)\]/.exec(path) ?? [];
  const field = FIELDS[path.split('.').at(-1) ?? ''] ?? 'text';
  const at = Number(index);
  const named =
    list === 'rigs'
      ? rigs[at]?.name
      : list === 'blocks'
        ? (path.includes('planB') ? planB?.blocks : blocks)?.[at]?.title
        : undefined;
  if (named !== undefined) return `${named}: ${field}`;
  return path.includes('carries') ? `a drill it carries: ${field}` : `The plan: ${field}`;
}

/** Names of students in a plan, each place with what it says there. */
export function namedPlaces(issues: readonly Issue[], body: PlanBody): string[] {
  return issues.map(({ path, message }) => `${placeInPlan(path, body)} ${message}`);
}
