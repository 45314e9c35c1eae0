import { DEEPEST_LAKE_M, fromLonLat, MAX_SOUNDINGS, type SheetOrigin, type Sounding } from '@doceo/core';
import { cellNumber, readCsv, writeCsv } from '../files/csv';
import type { ReadFile } from '../files/document-file';
import type { Issue } from '../http/error';

/** Longest file that is read, characters. */
export const MAX_SOUNDINGS_FILE = 5_000_000;
const LOCAL = ['x_m', 'y_m', 'depth_m'] as const;
const EARTH = ['longitude', 'latitude', 'depth_m'] as const;

/** The text of a file of soundings, metres on the lake's sheet. */
export function writeSoundings(soundings: readonly Sounding[]): string {
  return writeCsv(
    LOCAL,
    soundings.map(({ x, y, depthM }) => [x, y, depthM]),
  );
}

/**
 * Reads soundings: on the lake's sheet (`x_m,y_m,depth_m`), or on the earth (`longitude,latitude,depth_m`).
 *
 * @param sheet of the lake, and where it lies
 * @returns the soundings, or what is wrong by line and column
 */
export function readSoundings(
  text: string,
  sheet: { lengthM: number; widthM: number; origin: SheetOrigin },
): ReadFile<Sounding[]> {
  const onEarth = /^\uFEFF?\s*"?longitude|^[^\n]*\blatitude\b/.test(text);
  const columns = onEarth ? EARTH : LOCAL;
  const { file: rows, issues: broken } = readCsv(text, { needed: columns }, MAX_SOUNDINGS_FILE);
  if (broken) return { file: null, issues: broken };
  const issues: Issue[] = [];
  if (rows.length === 0) issues.push({ path: 'file', code: 'invalid', message: 'holds no soundings' });
  if (rows.length > MAX_SOUNDINGS)
    issues.push({
      path: 'file',
      code: 'invalid',
      message: `holds ${rows.length} soundings; at most ${MAX_SOUNDINGS} are read`,
    });
  const soundings = rows.map(({ line, cells }) => {
    const [first, second, depthM] = columns.map((name) => {
      const found = cellNumber(cells[name] ?? '');
      if ('value' in found) return found.value;
      issues.push({ path: `line ${line}, ${name}`, code: 'invalid', message: found.message });
      return NaN;
    }) as [number, number, number];
    const at = onEarth ? fromLonLat(sheet.origin, [first, second]) : { x: first, y: second };
    if (depthM < 0 || depthM > DEEPEST_LAKE_M)
      issues.push({
        path: `line ${line}, depth_m`,
        code: 'invalid',
        message: `is a depth from 0 to ${DEEPEST_LAKE_M} m`,
      });
    if (at.x < 0 || at.x > sheet.lengthM || at.y < 0 || at.y > sheet.widthM)
      issues.push({ path: `line ${line}`, code: 'invalid', message: 'lies outside the lake’s sheet' });
    return { ...at, depthM };
  });
  return issues.length > 0 ? { file: null, issues } : { file: soundings, issues: null };
}
