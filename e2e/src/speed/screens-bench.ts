import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { ROOT, emptyDatabase } from '../../../server/src/testing/test-database';
import { DESK, openTab, settled, signIn } from '../lib/browser';
import { type RunningServer, startServer } from '../lib/server';

/** How many times as long as with the demo a screen may take to open with a school's data of years. */
const AIM = 1.5;
const TIMES = 9;
/** A page at which nothing has come and nothing has changed for so long has opened, milliseconds. */
const QUIET_MS = 400;

const SCREENS: Record<string, string> = {
  Today: '/today',
  'the list of plans': '/plan',
  'the library': '/circle',
  'the list of students': '/record',
  'the group': '/record/group',
  'the bank': '/teach',
};

/** Runs in the page before all else: notes when it was last changed. */
function watchChanges(): void {
  const watched = window as unknown as { changedAt: number };
  watched.changedAt = performance.now();
  const watch = new MutationObserver(() => (watched.changedAt = performance.now()));
  watch.observe(document, { subtree: true, childList: true, characterData: true });
}

/** Opens a screen anew, and tells when the last of it was there, milliseconds from the start of loading. */
async function opened(page: Page, url: string): Promise<number> {
  await page.goto(url);
  await page.waitForNetworkIdle({ idleTime: QUIET_MS });
  await settled(page);
  return page.evaluate(() => (window as unknown as { changedAt: number }).changedAt);
}

const median = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;

/** How long screens take to open with the demo, and with a school's data of years beside it; in turns. */
export async function timeScreens(browser: Browser): Promise<void> {
  const servers: RunningServer[] = [];
  try {
    const databases = [await emptyDatabase('screens_small'), await emptyDatabase('screens_grown')];
    for (const database of databases) servers.push(await startServer(database));
    execFileSync(process.execPath, [join(ROOT, 'dist/grow.mjs')], {
      env: { ...process.env, DOCEO_DB_URL: databases[1] },
    });
    const pages = await Promise.all(
      servers.map(async ({ url }) => {
        const { page } = await openTab(browser, DESK);
        await page.evaluateOnNewDocument(watchChanges);
        await signIn(page, url, 'lead@ternalder.example');
        await settled(page);
        return page;
      }),
    );
    console.log(
      '\nscreens of a grown database, and how many times as long as with the demo they take to open',
    );
    for (const [name, path] of Object.entries(SCREENS)) {
      const took: [number[], number[]] = [[], []];
      // The first opening makes what is made once, and is not counted.
      for (let i = 0; i <= TIMES; i++)
        for (const [which, page] of pages.entries()) {
          const ms = await opened(page, `${servers[which]?.url}${path}`);
          if (i > 0) took[which]?.push(ms);
        }
      const [before, now] = [median(took[0]), median(took[1])];
      console.log(
        `  ${name}: ${now.toFixed(0)} ms, with the demo ${before.toFixed(0)} ms (${(now / before).toFixed(2)} ×, ${(now / before / AIM).toFixed(2)} of the aim)`,
      );
    }
  } finally {
    for (const server of servers) await server.stop();
  }
}
