import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { ROOT, emptyDatabase } from '../../../server/src/testing/test-database';
import { byText, clickText, DESK, launch, signIn } from '../lib/browser';
import { type RunningServer, startServer } from '../lib/server';
import { LEAD } from '../lib/world';

/** A newer build on the server, of which no file has the name it had before. */
describe('a new version', () => {
  let root: string;
  let databaseUrl: string;
  let server: RunningServer;
  let browser: Browser;
  let page: Page;
  const missing: string[] = [];

  const build = (): string => join(root, 'dist/web');
  /** Every file whose name has its hash gets another name, wherever it is named; the page says which build it is of. */
  const replaceBuild = async (): Promise<void> => {
    for (const file of readdirSync(build())) if (/\.(br|gz)$/.test(file)) rmSync(join(build(), file));
    const files = readdirSync(build()).filter((file) => /^(main|chunk|worker|styles)-[\w-]{8}\./.test(file));
    const renamed = (text: string): string =>
      text.replaceAll(/\b(main|chunk|worker|styles)-[\w-]{3}([\w-]{5})\./g, '$1-NEW$2.');
    for (const file of [...files, 'index.html', 'service-worker.js'].filter((one) =>
      /\.(js|html|css)$/.test(one),
    ))
      writeFileSync(join(build(), file), renamed(readFileSync(join(build(), file), 'utf8')));
    for (const file of files) renameSync(join(build(), file), join(build(), renamed(file)));
    const worker = readFileSync(join(build(), 'service-worker.js'), 'utf8');
    writeFileSync(join(build(), 'service-worker.js'), worker.replace(/(url:"\/",revision:")\w+/, '$1newer'));
    await restart();
  };
  /** As whoever puts a new version in does. */
  const restart = async (): Promise<void> => {
    const { port } = new URL(server.url);
    await server.stop();
    server = await startServer(databaseUrl, { DOCEO_ROOT: root, PORT: port });
  };
  const buildOf = (tab = page): Promise<boolean> =>
    tab.evaluate(() => [...document.scripts].some(({ src }) => src.includes('-NEW')));

  beforeAll(async () => {
    root = mkdtempSync(join(tmpdir(), 'doceo-build-'));
    mkdirSync(join(root, 'dist'));
    symlinkSync(join(ROOT, 'server'), join(root, 'server'));
    for (const program of ['hashing', 'large', 'fit'])
      symlinkSync(join(ROOT, `dist/${program}.mjs`), join(root, `dist/${program}.mjs`));
    cpSync(join(ROOT, 'dist/web'), build(), { recursive: true });
    databaseUrl = await emptyDatabase('new_version');
    server = await startServer(databaseUrl, { DOCEO_ROOT: root });
    browser = await launch();
    page = await browser.newPage();
    await page.setViewport(DESK);
    page.on('response', (reply) => {
      if (reply.status() === 404) missing.push(reply.url());
    });
    await signIn(page, server.url, LEAD);
    await byText(page, '.ready h2', 'Ready for the water');
  });
  afterAll(async () => {
    await browser?.close();
    await server?.stop();
    rmSync(root, { recursive: true, force: true });
  });

  it('leaves a page of the old one with all its files, those it has yet to load too', async () => {
    await replaceBuild();
    for (const [path, words] of [
      ['/circle', 'Circle'],
      ['/cast', 'Cast'],
      ['/rig', 'Rig'],
    ] as const) {
      await page.evaluate(
        (to) => document.querySelector<HTMLAnchorElement>(`a[href="${to}"]`)?.click(),
        path,
      );
      await byText(page, 'h1', words);
    }
    expect(missing).toEqual([]);
  });

  it('does not come with a page loaded anew in the middle of the work, but is told there', async () => {
    await page.goto(`${server.url}/rig`);
    await byText(page, 'h1', /./);
    expect(await buildOf()).toBe(false);
    await byText(page, 'button', 'New version: change over');
    expect(missing).toEqual([]);
  });

  it('takes over when told, with its own files; what is open in another tab stays until it goes on', async () => {
    const other = await browser.newPage();
    await other.goto(`${server.url}/cast`);
    await byText(other, 'h1', 'Cast');
    await page.bringToFront();
    await clickText(page, 'button', 'New version: change over');
    await page.waitForFunction(() => [...document.scripts].some(({ src }) => src.includes('-NEW')));
    await byText(page, 'h1', /./);
    expect(missing).toEqual([]);
    expect(await page.evaluate(async () => (await caches.keys()).length)).toBe(1);
    await other.bringToFront();
    expect(await buildOf(other)).toBe(false);
    await other.evaluate(() => document.querySelector<HTMLAnchorElement>('a[href="/circle"]')?.click());
    await other.waitForFunction(() => [...document.scripts].some(({ src }) => src.includes('-NEW')));
    await byText(other, 'h1', 'Circle');
    await other.close();
    await page.bringToFront();
  });

  it('takes over by itself at a start where nothing is open', async () => {
    const worker = join(build(), 'service-worker.js');
    writeFileSync(worker, readFileSync(worker, 'utf8').replace('revision:"newer"', 'revision:"newest"'));
    writeFileSync(
      join(build(), 'index.html'),
      readFileSync(join(build(), 'index.html'), 'utf8').replace(
        '<title>',
        '<meta name="build" content="newest"><title>',
      ),
    );
    await restart();
    await page.evaluate(async () => {
      const registration = await navigator.serviceWorker.ready;
      await registration.update();
      for (let i = 0; i < 100 && !registration.waiting; i++)
        await new Promise((done) => setTimeout(done, 100));
    });
    await page.goto(`${server.url}/today`);
    await page.waitForSelector('meta[name=build]');
    await byText(page, 'h1', /./);
    expect(missing).toEqual([]);
  });

  it('keeps nothing on the device that only a PDF needs', async () => {
    const kept = await page.evaluate(async () => {
      const [name = ''] = await caches.keys();
      const files = await (await caches.open(name)).keys();
      const texts = await Promise.all(
        files.map(async ({ url }) => (await (await caches.match(url))?.text()) ?? ''),
      );
      return texts.filter((text) => text.includes('PDFDocument') || text.includes('Roboto-Regular.ttf'))
        .length;
    });
    expect(kept).toBe(0);
  });
});
