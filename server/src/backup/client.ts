import { type ChildProcess, spawn } from 'node:child_process';
import { createReadStream, createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { addressesOf } from '../db/addresses';

const UTF8 = '--default-character-set=utf8mb4';

/** How a program of the database finds it: address, name and the password where no list of processes shows it. */
function reach(url: string): { args: string[]; database: string; env: NodeJS.ProcessEnv } {
  const { hostname, port, username, password, pathname } = new URL(addressesOf(url)[0] as string);
  return {
    args: [
      '--no-defaults',
      '--protocol=tcp',
      `--host=${hostname}`,
      `--port=${port || 3306}`,
      `--user=${username}`,
    ],
    database: pathname.slice(1),
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
  };
}

/**
 * Writes all tables as they are at one moment, as compressed SQL; whoever writes meanwhile is not held up.
 *
 * @throws Error with what the program said
 */
export async function dump(url: string, path: string): Promise<void> {
  const { args, database, env } = reach(url);
  const how = ['--single-transaction', '--quick', '--skip-lock-tables', '--hex-blob', UTF8];
  // Who prepares the database now is not of the data.
  how.push(`--ignore-table=${database}.preparing`);
  const child = spawn('mariadb-dump', [...args, ...how, database], {
    env,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const file = createWriteStream(path, { mode: 0o600, flush: true });
  await Promise.all([pipeline(child.stdout, createGzip(), file), ended(child, 'mariadb-dump')]);
}

/** Runs what `dump` wrote. @throws Error with what the program said */
export async function load(url: string, path: string): Promise<void> {
  const { args, database, env } = reach(url);
  const child = spawn('mariadb', [...args, UTF8, database], { env, stdio: ['pipe', 'ignore', 'pipe'] });
  await Promise.all([
    // When the program ends early its own word says more than that nobody reads any more.
    pipeline(createReadStream(path), createGunzip(), child.stdin).catch(() => undefined),
    ended(child, 'mariadb'),
  ]);
}

async function ended(child: ChildProcess, name: string): Promise<void> {
  let said = '';
  child.stderr?.on('data', (part: Buffer) => (said += part.toString()));
  await new Promise<void>((resolve, reject) => {
    child.once('error', (error: NodeJS.ErrnoException) =>
      reject(error.code === 'ENOENT' ? new Error(`${name} is missing: install mariadb-client.`) : error),
    );
    child.once('close', (code) =>
      code === 0 ? resolve() : reject(new Error(`${name} ended with ${code}: ${said.trim()}`)),
    );
  });
}
