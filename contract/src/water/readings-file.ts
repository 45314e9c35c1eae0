import { type ConditionReading, deterministicId, READING_RANGES, type ReadingKind } from '@doceo/core';
import * as z from 'zod';
import { MAX_READINGS } from './conditions';
import { cellNumber, type CsvRow, readCsv, writeCsv } from '../files/csv';
import type { ReadFile } from '../files/document-file';
import type { Issue } from '../http/error';

/** Longest file that is read, characters. */
export const MAX_READINGS_FILE = 1_000_000;
/** A clock may run ahead of another by so much, milliseconds. */
const AHEAD_MS = 5 * 60_000;

const COLUMNS = {
  air_c: 'airC',
  water_c: 'waterC',
  wind_ms: 'windMs',
  wind_from_deg: 'windFromDeg',
  pressure_hpa: 'pressureHpa',
  cloud: 'cloud',
  rain_mm: 'rainMm',
  level_m: 'levelM',
} as const satisfies Record<string, ReadingKind>;
type Column = keyof typeof COLUMNS;
const NAMES = Object.keys(COLUMNS) as Column[];
const DEPTH = 'water_depth_m';
const instant = z.iso.datetime({ offset: true });

/**
 * The id of a reading: the same moment, kind and depth is the same reading, however often it is typed.
 *
 * @param seed where it was read, and by whom: two people who read the same have each their own
 */
export function readingId(
  seed: string,
  { atMs, what, depthM }: Omit<ConditionReading, 'id' | 'value'>,
): string {
  return deterministicId(`reading/${seed}/${atMs}/${what}/${depthM ?? ''}`);
}

/** The text of a file of readings, a line for every moment and depth. */
export function writeReadings(readings: readonly ConditionReading[]): string {
  const lines = new Map<string, ConditionReading[]>();
  for (const reading of readings) {
    const key = `${reading.atMs}/${reading.depthM ?? ''}`;
    lines.set(key, [...(lines.get(key) ?? []), reading]);
  }
  return writeCsv(
    ['time', DEPTH, ...NAMES],
    [...lines.values()].map((line) => [
      new Date(line[0]!.atMs).toISOString(),
      line[0]!.depthM,
      ...NAMES.map((name) => line.find(({ what }) => what === COLUMNS[name])?.value ?? null),
    ]),
  );
}

/**
 * Reads readings: a `time` (ISO 8601 with its offset), and any of the columns; empty cells are not read.
 *
 * @param nowMs readings from later than this are refused
 */
export function readReadings(text: string, seed: string, nowMs: number): ReadFile<ConditionReading[]> {
  const columns = { needed: ['time'], optional: [DEPTH, ...NAMES] };
  const { file: rows, issues: broken } = readCsv(text, columns, MAX_READINGS_FILE);
  if (broken) return { file: null, issues: broken };
  const issues: Issue[] = [];
  const readings = rows.flatMap((row) => readingsOf(row, seed, nowMs, issues));
  if (issues.length === 0 && readings.length === 0)
    issues.push({ path: 'file', code: 'invalid', message: 'holds no readings' });
  if (readings.length > MAX_READINGS)
    issues.push({
      path: 'file',
      code: 'invalid',
      message: `holds ${readings.length} readings; at most ${MAX_READINGS} are read`,
    });
  return issues.length > 0 ? { file: null, issues } : { file: readings, issues: null };
}

function readingsOf(
  { line, cells }: CsvRow,
  seed: string,
  nowMs: number,
  issues: Issue[],
): ConditionReading[] {
  const wrong = (column: string, message: string): void =>
    void issues.push({ path: `line ${line}, ${column}`, code: 'invalid', message });
  const time = instant.safeParse(cells['time']);
  if (!time.success) {
    wrong('time', `“${cells['time']}” is no time as 2026-05-04T14:30:00Z`);
    return [];
  }
  const atMs = Date.parse(time.data);
  if (atMs > nowMs + AHEAD_MS) wrong('time', 'lies in the future');
  const number = (column: string, from: number, to: number): number | null => {
    const text = cells[column] ?? '';
    if (text === '') return null;
    const found = cellNumber(text);
    if ('message' in found) wrong(column, found.message);
    else if (found.value < from || found.value > to) wrong(column, `is from ${from} to ${to}`);
    else return found.value;
    return null;
  };
  const depthM = number(DEPTH, 0, 120);
  return NAMES.flatMap((name) => {
    const what = COLUMNS[name];
    const { from, to } = READING_RANGES[what];
    const value = number(name, from, to);
    if (value === null) return [];
    const reading = { atMs, what, value, depthM: what === 'waterC' ? depthM : null };
    return [{ id: readingId(seed, reading), ...reading }];
  });
}
