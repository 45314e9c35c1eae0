import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { packFiles } from './file-pack.mjs';
import { initialFiles } from './initial-files.mjs';
import { run } from './shell.mjs';

/** A name with a hash of what is in it; the parts that are put together last have letters of both cases in it. */
const HASHED = /(?:-[A-Z0-9]{8}|^chunk-[\w-]{8})\.\w+$/;

/** Parts of the build that only making a PDF needs: fetched when one is made, not kept on every device. */
function onlyForPdf(stats) {
  const { outputs } = JSON.parse(readFileSync(stats, 'utf8'));
  return new Set(
    Object.entries(outputs)
      .filter(([, { inputs }]) => Object.keys(inputs).some((path) => path.includes('node_modules/pdfmake/')))
      .map(([file]) => file.split('/').at(-1)),
  );
}

/**
 * The worker that keeps the application on the device, with the list of what it keeps. What a page does not load at once
 * is in one more file together: a device that has nothing yet asks for that alone, and not for each of them.
 */
export function buildServiceWorker(folder) {
  const stats = join(folder, 'stats.json');
  const left = onlyForPdf(stats);
  rmSync(stats);
  const files = filesToKeep(folder).filter((file) => !left.has(file));
  const initial = new Set(initialFiles(folder));
  const pack = packFiles(
    folder,
    files.filter((file) => HASHED.test(file) && !initial.has(file)),
  );
  buildWorker('service-worker', folder, '/', { files, defined: { BUILD_PACK: pack } });
}

/** What of a folder a device needs to start without a network. */
export function filesToKeep(folder) {
  return (
    readdirSync(folder, { recursive: true })
      .map(String)
      .filter((file) => statSync(join(folder, file)).isFile())
      .filter((file) => !/^(index\.html|worker\.js|service-worker\.js|3rdpartylicenses\.txt)$/.test(file))
      // Pictures for the home screen are fetched when the application is put there.
      .filter((file) => !file.endsWith('.json') && !/^icon-.*\.png$/.test(file))
      .sort()
  );
}

/**
 * A worker that keeps a page and its files on the device.
 *
 * @param at where the folder is served
 * @param files those that it keeps
 * @param defined names in its source, and what they stand for
 */
export function buildWorker(name, folder, at, { files, defined = {} }) {
  const hashOf = (file) =>
    createHash('sha256')
      .update(readFileSync(join(folder, file)))
      .digest('hex')
      .slice(0, 16);
  const manifest = [
    { url: at, revision: hashOf('index.html') },
    ...files.map((file) => ({
      url: `${at}${file}`,
      revision: HASHED.test(file) ? null : hashOf(file),
    })),
  ];
  const all = { ...defined, BUILD_FILES: manifest, 'process.env.NODE_ENV': 'production' };
  run('npx', [
    'esbuild',
    `web/worker/${name}.ts`,
    '--bundle',
    '--minify',
    '--format=iife',
    '--log-level=warning',
    `--outfile=${join(folder, name === 'student-worker' ? 'worker.js' : `${name}.js`)}`,
    ...Object.entries(all).map(([key, value]) => `--define:${key}=${JSON.stringify(value)}`),
  ]);
}
