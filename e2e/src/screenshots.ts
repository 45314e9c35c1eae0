import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { ROOT, emptyDatabase } from '../../server/src/testing/test-database';
import { byText, clickText, DESK, launch, openTab, PHONE, settled, signIn } from './lib/browser';
import { startServer } from './lib/server';

interface Shot {
  name: string;
  path: string;
  viewport?: typeof PHONE | typeof DESK;
  /** What to do before the picture. */
  before?: (page: Page) => Promise<void>;
}

/** The main views, from demo data. Fewer than twenty. */
const SHOTS: Shot[] = [
  { name: 'today', path: '/today', before: packed },
  {
    name: 'water',
    path: '/water',
    before: async (page) => {
      await page.waitForSelector('doceo-conditions-chart canvas');
      await page.waitForSelector('.stand');
    },
  },
  {
    name: 'lake',
    path: '/water',
    before: async (page) => {
      await page.select(
        'label.small.row select',
        await page.$eval(
          'label.small.row select',
          (field) =>
            [...(field as HTMLSelectElement).options].find(({ text }) => text === 'Merrow Lake')?.value ?? '',
        ),
      );
      await page.waitForSelector('doceo-lake-board .stand');
    },
  },
  { name: 'rig', path: '/rig', before: openRig },
  {
    name: 'cast',
    path: '/cast',
    before: async (page) => {
      await page.waitForFunction(() => document.querySelectorAll('doceo-loop-gallery button').length === 8);
      await clickText(page, 'doceo-loop-gallery button', 'dip');
      await byText(page, 'doceo-loop-signs', 'Tailing loop');
      await clickText(page, '.play button', 'Stop');
      await goTo(page, '0.5');
    },
  },
  {
    name: 'drift',
    path: '/drift',
    before: async (page) => {
      await byText(page, 'doceo-rank-panel p', /(\d\d) ways, \1 tried/);
      await goTo(page, '0.4');
      await clickText(page, 'button', 'Mend up');
      await byText(page, 'aside', 'the same line fed');
      await goTo(page, '2.1');
    },
  },
  {
    name: 'strike',
    path: '/strike',
    before: async (page) => {
      await clickText(page, 'button', 'The set');
      await byText(page, '.verdict', /./);
    },
  },
  {
    name: 'fly-box',
    path: '/rig/flies',
    before: async (page) => {
      await page.click('[data-kind="nymph/bead/dark/20"]');
    },
  },
  {
    name: 'plan',
    path: '/plan',
    before: async (page) => {
      await clickText(page, 'a.open', 'First nymphs');
      await clickText(page, 'doceo-proposal-asks button', 'For this group');
      await page.waitForSelector('.bead');
      await page.waitForSelector('doceo-proposal-bar progress', { hidden: true, timeout: 60_000 });
    },
  },
  {
    name: 'teaching',
    path: '/plan/teaching',
    before: async (page) => {
      await clickText(page, '.entries button', 'Count the pause');
      await byText(page, 'doceo-drill-card', 'Stop. And. Wait.');
    },
  },
  { name: 'lesson-card', path: '/today', before: (page) => clickText(page, 'a', 'Lesson card') },
  {
    name: 'group',
    path: '/record/group',
    before: (page) => page.waitForSelector('thead a').then(() => undefined),
  },
  {
    name: 'days',
    path: '/plan',
    before: async (page) => {
      await clickText(page, 'a.open', 'First nymphs');
      await clickText(page, 'a', 'Which day and water');
      await page.waitForSelector('doceo-day-band button.best');
    },
  },
  {
    name: 'weeks',
    path: '/plan/weeks',
    before: async (page) => {
      await page.waitForSelector('doceo-day-band .water');
      await clickText(page, 'doceo-day-band button', 'First nymphs');
      await page.waitForSelector('doceo-week-lesson');
    },
  },
  {
    name: 'course',
    path: '/plan/courses',
    before: async (page) => {
      await clickText(page, 'a.course', 'From grass');
      await page.waitForSelector('doceo-course-streams');
      await clickText(page, 'button', 'Plan its lessons');
      await byText(page, 'button', 'Take the plans', 60_000);
    },
  },
  { name: 'record', path: '/record', before: openSam },
  { name: 'circle', path: '/circle' },
  { name: 'student-phone', path: '/record', viewport: PHONE, before: openStudentPage },
  // Last: what they log would stand in the records.
  { name: 'teach-phone', path: '/teach', viewport: PHONE, before: logSome },
];

/** The page behind the code on the card of Sam. */
async function openStudentPage(page: Page): Promise<void> {
  await openSam(page);
  await clickText(page, 'a', 'Card for Sam');
  await clickText(page, 'button', 'Make its link');
  await page.waitForSelector('doceo-student-link .address');
  await page.goto(
    await page.$eval('doceo-student-link .address', ({ textContent }) => textContent?.trim() ?? ''),
  );
  await byText(page, 'h1', 'Sam');
}

/** All is on the device. */
async function packed(page: Page): Promise<void> {
  await byText(page, '.ready h2', 'Ready for the water');
}

async function openSam(page: Page): Promise<void> {
  await clickText(page, 'a', 'Sam Okande');
  await page.waitForSelector('doceo-skill-map svg');
}

/** The bench is there once its rig is drawn, which takes a moment longer than its page. */
async function openRig(page: Page): Promise<void> {
  await clickText(page, 'article a', 'Two nymphs');
  await page.waitForSelector('doceo-rig-drawing svg');
}

/** Sets the time that a bench shows. */
function goTo(page: Page, second: string): Promise<void> {
  return page.$eval(
    'input[type=range]',
    (field, at) => {
      (field as HTMLInputElement).value = at;
      field.dispatchEvent(new Event('input', { bubbles: true }));
    },
    second,
  );
}

/** A few taps for Sam, so that the bank book shows what it is for. */
async function logSome(page: Page): Promise<void> {
  await clickText(page, '.who button', 'Sam');
  await byText(page, '.blockno', 'place');
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
  const server = await startServer(await emptyDatabase('screenshots'));
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
  for (const { name, path, viewport = DESK, before } of SHOTS) {
    if (only.length > 0 && !only.includes(name)) continue;
    // As on a device of somebody's own: Today tells what is kept there.
    const { page, complaints } = await openTab(browser, viewport, true);
    await signIn(page, url, 'lead@ternalder.example', path);
    await settled(page);
    await before?.(page);
    await settled(page);
    await page.evaluate(() => document.querySelector('main')?.scrollTo(0, 0));
    await page.screenshot({ path: join(folder, `${name}.png`) as `${string}.png` });
    if (complaints.length > 0) console.log(`${name}: ${complaints.join('; ')}`);
    await page.browserContext().close();
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
