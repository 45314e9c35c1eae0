import { parse, unparse } from 'papaparse';
import type { ReadFile } from './document-file';
import type { Issue } from '../http/error';

/** A row of a table by its columns, with the line of the file it stands on. */
export interface CsvRow {
  line: number;
  cells: Record<string, string>;
}

export interface CsvColumns {
  needed: readonly string[];
  optional?: readonly string[];
}

/** The text of a table (RFC 4180, UTF-8, decimals with a point). */
export function writeCsv(columns: readonly string[], table: readonly (string | number | null)[][]): string {
  return `${unparse([[...columns], ...table.map((row) => row.map((cell) => cell ?? ''))], { newline: '\r\n' })}\r\n`;
}

/**
 * Reads a table with named columns.
 *
 * @param most longest text that is read, characters
 * @returns its rows, or what is wrong by line; nothing is half read
 */
export function readCsv(text: string, columns: CsvColumns, most: number): ReadFile<CsvRow[]> {
  const wrong = (path: string, message: string): { file: null; issues: Issue[] } => ({
    file: null,
    issues: [{ path, code: 'invalid', message }],
  });
  if (text.length > most)
    return wrong('file', `is too large: ${megabytes(text.length)} MB of at most ${megabytes(most)} MB`);
  const { data, errors } = parse<string[]>(text.replace(/^\uFEFF/, '').trimEnd(), { delimiter: ',' });
  const [head = [], ...body] = data;
  if (errors[0]) return wrong(`line ${(errors[0].row ?? 0) + 1}`, errors[0].message);
  const names = head.map((name) => name.trim());
  if (names.length === 1 && names[0]?.includes(';'))
    return wrong(
      'line 1',
      'is divided by semicolons; divide the cells by commas and write decimals with a point',
    );
  const missing = columns.needed.filter((name) => !names.includes(name));
  if (missing.length > 0) return wrong('line 1', `lacks the column ${missing.join(', ')}`);
  const unknown = names.filter((name) => ![...columns.needed, ...(columns.optional ?? [])].includes(name));
  if (unknown.length > 0) return wrong('line 1', `has a column nobody knows: ${unknown.join(', ')}`);
  const issues = body.flatMap((cells, i): Issue[] =>
    cells.length === names.length
      ? []
      : [
          {
            path: `line ${i + 2}`,
            code: 'invalid',
            message: `has ${cells.length} cells, the first line ${names.length}${cells.length > names.length ? ': are decimals written with a comma?' : ''}`,
          },
        ],
  );
  if (issues.length > 0) return { file: null, issues };
  return {
    file: body.map((cells, i) => ({
      line: i + 2,
      cells: Object.fromEntries(names.map((name, n) => [name, (cells[n] ?? '').trim()])),
    })),
    issues: null,
  };
}

/** A number in a cell, or what is wrong with it. */
export function cellNumber(text: string): { value: number } | { message: string } {
  if (/^-?\d+,\d+$/.test(text)) return { message: `“${text}” has a comma for its decimals; write a point` };
  if (!/^-?(\d+\.?\d*|\.\d+)(e-?\d+)?$/i.test(text)) return { message: `“${text}” is no number` };
  return { value: Number(text) };
}

function megabytes(characters: number): string {
  return (characters / 1_000_000).toFixed(1);
}
