import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { findProgram, ROOT, run, tryRun } from './shell.mjs';

/** What makes a node of a cluster of a database, where Debian's package puts it. */
export const GALERA = '/usr/lib/galera/libgalera_smm.so';

const PROGRAMS = {
  'mariadb-server': () => findProgram('mariadbd') && findProgram('mariadb-install-db'),
  chromium: () => findProgram('chromium'),
  haproxy: () => findProgram('haproxy'),
  'galera-4': () => existsSync(GALERA),
  rsync: () => findProgram('rsync'),
  'poppler-utils': () => findProgram('pdftotext'),
  faketime: () => findProgram('faketime'),
};

/**
 * Installs missing Debian packages where root or sudo without a question is there, else says which to install.
 *
 * @param {(keyof typeof PROGRAMS)[]} wanted
 */
export function ensurePackages(wanted) {
  const missing = wanted.filter((name) => !PROGRAMS[name]());
  if (missing.length === 0) return;
  const apt = findProgram('apt-get');
  const root = process.getuid?.() === 0;
  const sudo = !root && findProgram('sudo') && tryRun('sudo', ['-n', 'true'], { stdio: 'ignore' }) === 0;
  if (!apt || (!root && !sudo))
    throw new Error(
      `Please install: ${missing.join(' ')} (on Debian: sudo apt-get install ${missing.join(' ')}), then try again.`,
    );
  console.log(`Installing ${missing.join(' and ')} ...`);
  const [command, ...before] = root ? [apt] : ['sudo', '-n', apt];
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  tryRun(command, [...before, 'update', '-qq'], { env, stdio: 'ignore' });
  run(command, [...before, 'install', '-y', '-qq', '--no-install-recommends', ...missing], {
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
}

/** `npm ci` unless what is installed belongs to this lock file. */
export function ensureDependencies() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const mark = join(ROOT, 'node_modules/.doceo-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  console.log('Installing dependencies ...');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, PUPPETEER_SKIP_DOWNLOAD: '1' },
  });
  writeFileSync(mark, lock);
}
