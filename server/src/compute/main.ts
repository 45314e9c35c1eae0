import { readFileSync } from 'node:fs';
import { runCommand } from './run';

const words = process.argv.slice(2);
const needsInput = words[0] !== undefined && !words[0].startsWith('--');
const { exitCode, out, error } = runCommand(words, needsInput ? readFileSync(0, 'utf8') : '');
if (out) process.stdout.write(`${out}\n`);
if (error) process.stderr.write(`${error}\n`);
process.exitCode = exitCode;
