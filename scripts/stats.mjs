import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
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
