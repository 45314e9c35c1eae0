import type { Issue } from '../http/error';

/** Fields that hold codes and ids, which name nobody. */
const CODES = new Set([
  ...['id', 'kind', 'drillId', 'rigId', 'place', 'level', 'waterKind', 'trigger', 'watchFor', 'skillId'],
  ...['template', 'material', 'joint', 'knot', 'metal', 'wire', 'dressing', 'bead', 'barb', 'sectionId'],
  ...['strand', 'ground', 'supervision', 'way', 'from', 'handling', 'insteadId'],
]);

/**
 * Places where a student is named, so that no student travels with what is shared.
 *
 * @param value texts anywhere within it are looked at
 * @param names full names of students; first and last names count as whole words of three letters or more
 */
export function namesIn(value: unknown, names: readonly string[], path = ''): Issue[] {
  const pattern = patternOf(names, 'iu');
  return pattern ? hits(value, pattern, path) : [];
}

/** The same value with “…” in the place of each name. */
export function withoutNames<T>(value: T, names: readonly string[]): T {
  const pattern = patternOf(names, 'giu');
  return pattern ? (masked(value, pattern) as T) : value;
}

/** Null where there is no name to look for. */
function patternOf(names: readonly string[], flags: string): RegExp | null {
  const words = names.flatMap((name) => name.split(/\s+/)).filter((word) => word.length >= 3);
  if (words.length === 0) return null;
  const any = words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|');
  return new RegExp(`(?<![\\p{L}])(${any})(?![\\p{L}])`, flags);
}

function masked(value: unknown, pattern: RegExp): unknown {
  if (typeof value === 'string') return value.replace(pattern, '…');
  if (Array.isArray(value)) return value.map((entry) => masked(entry, pattern));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([field, entry]) => [field, CODES.has(field) ? entry : masked(entry, pattern)]),
  );
}

function hits(value: unknown, pattern: RegExp, path: string): Issue[] {
  if (typeof value === 'string') {
    const hit = pattern.exec(value);
    return hit ? [{ path, code: 'student-name', message: `names a student: “${hit[1]}”` }] : [];
  }
  if (Array.isArray(value)) return value.flatMap((entry, index) => hits(entry, pattern, `${path}[${index}]`));
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([field, entry]) =>
    CODES.has(field) ? [] : hits(entry, pattern, path ? `${path}.${field}` : field),
  );
}
