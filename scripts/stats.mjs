import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureDependencies } from './lib/setup.mjs';
import { ROOT } from './lib/shell.mjs';

/** Non-blank lines of code, and which of them are tests. */
const CODE = /\.(ts|html|css|sql|mjs)$/;
const TEST = /(\.spec\.ts$|^e2e\/|\/testing\/)/;

const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard'], { cwd: ROOT, encoding: 'utf8' })
  .split('\n')
  .filter((file) => CODE.test(file));
const lines = (file) =>
  readFileSync(join(ROOT, file), 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '').length;
const groups = new Map();
for (const file of files) {
  const group = file.split('/')[0];
  const row = groups.get(group) ?? { code: 0, test: 0 };
  row[TEST.test(file) ? 'test' : 'code'] += lines(file);
  groups.set(group, row);
}
const total = [...groups.values()].reduce(
  (sum, row) => ({ code: sum.code + row.code, test: sum.test + row.test }),
  { code: 0, test: 0 },
);
for (const [group, { code, test }] of [...groups].sort())
  console.log(`${group.padEnd(20)} ${String(code).padStart(6)} code ${String(test).padStart(6)} test`);
console.log(
  `${'all'.padEnd(20)} ${String(total.code).padStart(6)} code ${String(total.test).padStart(6)} test, tests are ${((100 * total.test) / (total.code + total.test)).toFixed(1)} % of all lines`,
);

ensureDependencies();
const { codeMeasures } = await import('./lib/code-measures.mjs');
const { coreDocs } = await import('./lib/core-docs.mjs');
const measures = codeMeasures(
  files.filter((file) => !TEST.test(file)),
  files,
);
const percent = (part, whole) => `${((100 * part) / whole).toFixed(1)} %`;
const told = ({ median, ninetieth }) =>
  `median ${median}, nine in ten have ${Math.round(ninetieth)} or fewer`;
console.log(`\nlines of a file      ${told(measures.files)}`);
console.log(`lines of a function  ${told(measures.functions)}`);
const docs = coreDocs();
console.log(
  `core's functions     ${docs.functions} exported, ${percent(docs.described, docs.functions)} described; ` +
    `${docs.numbers} numbers in and out, ${percent(docs.withUnit, docs.numbers)} with unit; ` +
    `${docs.throwsSaid} of ${docs.throwing} that throw say so`,
);
console.log('\nfiles over 250 lines');
for (const { file, lines: count, reason } of measures.long)
  console.log(`${String(count).padStart(6)} ${file}${reason ? `: ${reason}` : ': to be split'}`);
