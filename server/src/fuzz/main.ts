import { randomBytes } from 'node:crypto';
import { runFuzz } from './run-fuzz';

const COUNT = 45_000;

const [url = '', seed = randomBytes(4).toString('hex'), count = String(COUNT)] = process.argv.slice(2);
console.log(`${count} requests, seed ${seed}`);
const { counts, failures } = await runFuzz(url, Number(count), seed);
for (const [status, n] of Object.entries(counts).sort())
  console.log(`${status.padEnd(6)}${String(n).padStart(8)}`);
for (const { status, request, reply } of failures) console.log(`\n${status} ${request}\n    ${reply}`);
const wrong = Object.entries(counts).some(([status, n]) => /^5/.test(status) && n > 0);
console.log(wrong ? '\nThe server failed.' : '\nNo failure of the server.');
process.exitCode = wrong ? 1 : 0;
