import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../..');

/** Runs a command with its output shown; throws when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (result.error) throw result.error;
  if (result.status !== 0)
    throw new Error(`${command} ${args.join(' ')} ended with ${result.status ?? result.signal}`);
}

/** Runs a command and gives its exit code. */
export function tryRun(command, args, options = {}) {
  return spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options }).status ?? 1;
}

/** Path of the first of these programs that is installed, or null. */
export function findProgram(...names) {
  const folders = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin'];
  for (const name of names)
    for (const folder of folders) if (folder && existsSync(join(folder, name))) return join(folder, name);
  return null;
}

/** Starts a program; resolves when it ends, with its exit code. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  const ended = new Promise((resolve) =>
    child.once('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0))),
  );
  return { child, ended };
}

/** Runs a command and keeps what it prints. */
export function runQuietly(command, args, options = {}) {
  const { child, ended } = start(command, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
  let output = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (output += part));
  return ended.then((code) => ({ code, output }));
}

/** Whether a process runs. */
export function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
