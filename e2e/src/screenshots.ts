import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { byText, clickText, DESK, launch, openTab, PHONE, settled, signIn } from './browser';
import { freshDatabase, ROOT, startServer } from './server';

interface Shot {
  name: string;
  path: string;
  viewport?: typeof PHONE | typeof DESK;
  /** What to do before the picture. */
  before?: (page: Page) => Promise<void>;
  signedOut?: boolean;
}

/** The main views, from demo data. Fewer than twenty. */
const SHOTS: Shot[] = [
  { name: 'sign-in', path: '/today', signedOut: true },
  { name: 'today', path: '/today' },
  { name: 'rig-list', path: '/rig' },
  { name: 'rig', path: '/rig', before: (page) => clickText(page, 'article a', 'Two nymphs') },
  {
    name: 'rig-dry-dropper',
    path: '/rig',
    before: async (page) => {
      await page.click('[data-template="dry-dropper"]');
      await byText(page, 'h3', 'Taper');
    },
  },
  {
    name: 'rig-card',
    path: '/rig',
    before: async (page) => {
      await clickText(page, 'article a', 'Two nymphs');
      await clickText(page, 'a', 'Teaching card');
    },
  },
  { name: 'plan-list', path: '/plan' },
  { name: 'plan', path: '/plan', before: (page) => clickText(page, 'a.open', 'First nymphs') },
  {
    name: 'plan-block',
    path: '/plan',
    before: async (page) => {
      await clickText(page, 'a.open', 'First nymphs');
      await clickText(page, '.face', 'Tuck it in');
    },
  },
  { name: 'lesson-card', path: '/today', before: (page) => clickText(page, 'a', 'Lesson card') },
  { name: 'lesson-kit', path: '/today', before: (page) => clickText(page, 'a', 'Packing list') },
  { name: 'bank-phone', path: '/bank', viewport: PHONE, before: logSome },
  { name: 'bank-desk', path: '/bank', before: logSome },
  { name: 'record-list', path: '/record' },
  { name: 'record', path: '/record', before: (page) => clickText(page, 'a', 'Sam Okande') },
  { name: 'circle', path: '/circle' },
  { name: 'today-phone', path: '/today', viewport: PHONE },
];

/** A few taps for Sam, so that the bank book shows what it is for. */
async function logSome(page: Page): Promise<void> {
  await clickText(page, '.who button', 'Sam');
  await byText(page, '.blockno', 'block');
  const title = (): Promise<string> => page.$eval('.what h1', (element) => element.textContent ?? '');
  for (let now = await title(); now !== 'Set on anything'; now = await title()) {
    await page.click('[aria-label="Next block"]');
    await page.waitForFunction(
      (before) => document.querySelector('.what h1')?.textContent !== before,
      {},
      now,
    );
  }
  for (const tap of ['good', 'good', 'set.late', 'good', 'good', 'set.upstream', 'good'])
    await page.click(`[data-tap="${tap}"]`);
  await byText(page, '.state', 'all stored');
}

async function main(): Promise<void> {
  const only = process.argv.slice(2);
  const folder = process.env['DOCEO_SHOTS'] ?? join(ROOT, 'docs/screenshots');
  mkdirSync(folder, { recursive: true });
  const server = await startServer(await freshDatabase('screenshots'));
  const browser = await launch();
  try {
    await takeAll(browser, server.url, folder, only);
  } finally {
    await browser.close();
    await server.stop();
  }
}

async function takeAll(
  browser: Browser,
  url: string,
  folder: string,
  only: readonly string[],
): Promise<void> {
  for (const { name, path, viewport = DESK, before, signedOut } of SHOTS) {
    if (only.length > 0 && !only.includes(name)) continue;
    const { page, complaints } = await openTab(browser, viewport);
    if (signedOut) await page.goto(`${url}${path}`);
    else await signIn(page, url, 'lead@ternalder.example', path);
    await settled(page);
    await before?.(page);
    await settled(page);
    await page.screenshot({ path: join(folder, `${name}.png`) as `${string}.png` });
    if (complaints.length > 0) console.log(`${name}: ${complaints.join('; ')}`);
    await page.browserContext().close();
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
