import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { openPool, rows } from '../db/pool';
import { backUp } from './backup';
import { DELETIONS, readAbout, SECRET } from './backup-file';
import { refuseBesideServers, restore } from './restore';

const USAGE = `npm run -s backup [-- FOLDER]
npm run -s restore -- FOLDER [FILE OF DELETIONS ...]`;

const [act, ...rest] = process.argv.slice(2);
const url = process.env['DOCEO_DB_URL'] ?? '';
const root = process.env['DOCEO_ROOT'] ?? process.cwd();
/** Where an installation of its own keeps its secret; one with an outside database has it in its settings. */
const home = process.env['DOCEO_DATA'];
const secretPath = home && join(home, SECRET);
const ledgerPath = process.env['DOCEO_LEDGER'] ?? (home ? join(home, DELETIONS) : undefined);
const textOf = (path: string | undefined): string =>
  path && existsSync(path) ? readFileSync(path, 'utf8') : '';

const stampOf = (date: Date): string => date.toISOString().slice(0, 19).replaceAll(':', '');

try {
  if (act === 'backup') await takeBackup(rest[0]);
  else if (act === 'restore' && rest[0]) await bringBack(rest[0], rest.slice(1));
  else throw new Error(USAGE);
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
}

async function takeBackup(given: string | undefined): Promise<void> {
  const folder = resolve(given ?? join(home ?? '.', 'backups', stampOf(new Date())));
  const secret = process.env['DOCEO_SESSION_SECRET'] ?? textOf(secretPath);
  if (secret === '')
    throw new Error(
      'Give DOCEO_SESSION_SECRET as the server has it: without it nobody gets past a second step.',
    );
  const pool = openPool(url, 2);
  try {
    const { at } = await backUp(pool, url, folder, { secret, deletions: textOf(ledgerPath) });
    console.log(`All data as they were at ${at} are in ${folder}`);
  } finally {
    await pool.end();
  }
}

/** Whoever brings the wrong backup back has what was there before. @throws Error beside a server that runs */
async function keepWhatIsThere(): Promise<void> {
  const pool = openPool(url, 2);
  try {
    await refuseBesideServers(pool);
    if ((await rows(pool, 'SHOW TABLES')).length === 0) return;
    const folder = resolve(home ?? '.', 'backups', `${stampOf(new Date())}-before`);
    const secret = process.env['DOCEO_SESSION_SECRET'] ?? textOf(secretPath);
    await backUp(pool, url, folder, { secret, deletions: textOf(ledgerPath) });
    console.log(`What was there before is in ${folder}`);
  } finally {
    await pool.end();
  }
}

async function bringBack(given: string, files: readonly string[]): Promise<void> {
  const folder = resolve(given);
  const ledgers = [...files.map((file) => resolve(file)), ...(ledgerPath ? [ledgerPath] : [])];
  for (const file of files) if (!existsSync(file)) throw new Error(`There is no ${file}.`);
  await readAbout(folder);
  await keepWhatIsThere();
  const { at, deletedAgain, consentsEnded } = await restore(
    url,
    join(root, 'server/migrations'),
    folder,
    ledgers,
  );
  const secret = readFileSync(join(folder, SECRET), 'utf8');
  if (secretPath && !process.env['DOCEO_SESSION_SECRET']) writeFileSync(secretPath, secret, { mode: 0o600 });
  else if (process.env['DOCEO_SESSION_SECRET'] !== secret)
    console.log(`Set DOCEO_SESSION_SECRET to what is in ${join(folder, SECRET)}: second steps need it.`);
  console.log(
    `The data are as they were at ${at}. Everybody signs in again; devices then send what they have since.`,
  );
  if (deletedAgain > 0)
    console.log(`Deleted again, since they were deleted after the backup: ${deletedAgain}.`);
  if (consentsEnded > 0)
    console.log(`Of so many a guardian said no after it: ${consentsEnded}. Nothing is recorded of them.`);
}
