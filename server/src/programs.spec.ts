import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { missingPrograms } from './programs';

describe('programs of the server', () => {
  it('that are missing are named, each by its file', () => {
    const root = mkdtempSync(join(tmpdir(), 'doceo-programs-'));
    const files = (...names: string[]): string[] => names.map((name) => join(root, 'dist', name));
    expect(missingPrograms(root)).toEqual(files('hashing.mjs', 'large.mjs', 'fit.mjs'));
    mkdirSync(join(root, 'dist'));
    for (const file of files('hashing.mjs', 'fit.mjs')) writeFileSync(file, '');
    expect(missingPrograms(root)).toEqual(files('large.mjs'));
    writeFileSync(join(root, 'dist/large.mjs'), '');
    expect(missingPrograms(root)).toEqual([]);
  });
});
