import type { WorkedDrill } from '@doceo/contract';
import { formatLength, type LibraryFit, type PlanBody, type UnitSystem } from '@doceo/core';
import { callNamesOf } from '../../data/lesson/lesson-texts';

/** Pictures of a row, pixels: a line for the depth from the surface, one for the time from the beginning. */
export const DEPTH_PX = 112;
export const TIME_PX = 122;

/** A student as a disc: full, half for who needs something first, empty for whom nobody looked at yet. */
export interface Disc {
  id: string;
  name: string;
  kind: 'ready' | 'needs-first' | 'look-first';
  spoken: string;
}

/** How a plan suits the lesson, as it is drawn. */
export interface FinderRow {
  verdict: string;
  level: 'fits' | 'changes' | 'other';
  discs: Disc[];
  /** What has to come before, or is missing, in a sentence. */
  mending: string;
  /** From and to, pixels; null where the plan has no rig, or nobody said how deep it is. */
  wants: { from: number; to: number; low: string; high: string; fits: boolean } | null;
  has: { from: number; to: number } | null;
  time: { takes: number; has: number; over: number; told: string };
}

const VERDICTS = {
  fits: 'fits',
  'with-changes': 'fits with a change',
  'other-water': 'other water',
} as const;
const LEVELS = { fits: 'fits', 'with-changes': 'changes', 'other-water': 'other' } as const;

/**
 * A fit as its row is drawn.
 *
 * @param deepestM what the line of depths ends at, metres
 * @param longestMin what the line of times ends at, minutes
 */
export function finderRow(
  fit: LibraryFit,
  deepestM: number,
  longestMin: number,
  units: UnitSystem,
): FinderRow {
  const { students, water, time, check } = fit;
  const called = callNamesOf(students);
  const nameOf = (id: string): string => called.get(id) ?? '';
  const depthPx = (depthM: number): number => (depthM / deepestM) * DEPTH_PX;
  const timePx = (minutes: number): number => (minutes / longestMin) * TIME_PX;
  const open = check.mustFix + check.check;
  return {
    verdict: `${VERDICTS[fit.verdict]}${open > 0 && fit.verdict === 'fits' ? `, ${open} to check` : ''}`,
    level: LEVELS[fit.verdict],
    discs: students.map(({ id, readiness, first }) => ({
      ...{ id, kind: readiness, name: nameOf(id) },
      spoken: `${nameOf(id)}: ${spokenOf(readiness, first)}`,
    })),
    mending: mendingOf(fit, nameOf),
    wants: water.wants && {
      from: depthPx(water.wants.lowM),
      to: depthPx(water.wants.highM),
      ...{ low: formatLength(water.wants.lowM, units), high: formatLength(water.wants.highM, units) },
      fits: water.depthFits && water.kindFits,
    },
    has: water.has && { from: depthPx(water.has.lowM), to: depthPx(water.has.highM) },
    time: {
      takes: timePx(Math.min(time.takesMin, time.hasMin)),
      has: timePx(time.hasMin),
      over: timePx(Math.max(0, time.takesMin - time.hasMin)),
      told: `${time.takesMin} min`,
    },
  };
}

function spokenOf(readiness: Disc['kind'], first: readonly string[]): string {
  if (readiness === 'ready') return 'ready';
  return readiness === 'needs-first'
    ? `needs first: ${first.join(', ')}`
    : `nobody has looked yet: ${first.join(', ')}`;
}

/** What is in the way, the nearest things first. */
function mendingOf(
  { students, water, time, group, check }: LibraryFit,
  nameOf: (id: string) => string,
): string {
  const needing = students.filter(({ readiness }) => readiness === 'needs-first');
  const skills = [...new Set(needing.flatMap(({ first }) => first.slice(0, 1)))];
  const over = time.takesMin - time.hasMin;
  const parts = [
    needing.length > 0
      ? `${needing.length === students.length && needing.length > 1 ? 'all' : needing.map(({ id }) => nameOf(id)).join(', ')} ${needing.length === 1 ? 'needs' : 'need'} first: ${skills.join(', ').toLowerCase()}`
      : '',
    water.kindFits ? '' : 'made for another kind of water',
    water.depthFits ? '' : 'its rigs are tied for another depth',
    water.missing.length > 0 ? `no ${water.missing.join(', no ')} here` : '',
    over > 0 ? `${over} min too long` : over < -30 ? `${-over} min left over` : '',
    group.comes > group.plannedFor ? `planned for ${group.plannedFor}, ${group.comes} come` : '',
    check.mustFix > 0 ? `${check.mustFix} to mend` : '',
  ].filter(Boolean);
  const [first = '', ...rest] = parts;
  return [first.charAt(0).toUpperCase() + first.slice(1), ...rest].join('; ');
}

/** How well the drills of a plan worked elsewhere, by the minutes it gives them; null where nobody told of one. */
export interface PlanWorked {
  /** Share of students who have the skill after and had it not before. */
  mean: number;
  /** How many of its drills were told of, of how many. */
  told: number;
  of: number;
}

/** @param drills what schools told of drills, pooled */
export function planWorked(
  { blocks }: Pick<PlanBody, 'blocks'>,
  drills: readonly WorkedDrill[],
): PlanWorked | null {
  const means = new Map(drills.map(({ drillId, mean }) => [drillId, mean]));
  const drilled = blocks.filter(({ drillId }) => drillId !== null);
  const told = drilled.filter(({ drillId }) => means.has(drillId ?? ''));
  const minutes = told.reduce((sum, { durationMin }) => sum + durationMin, 0);
  if (minutes === 0) return null;
  const count = (of: typeof drilled): number => new Set(of.map(({ drillId }) => drillId)).size;
  const sum = told.reduce(
    (all, { drillId, durationMin }) => all + (means.get(drillId ?? '') ?? 0) * durationMin,
    0,
  );
  return { mean: sum / minutes, told: count(told), of: count(drilled) };
}

/** `3 of 8 drills told of: 2.6 more of 10`. */
export function workedText({ mean, told, of }: PlanWorked): string {
  return `${told} of ${of} drills told of: ${(10 * mean).toFixed(1)} more of 10`;
}
