import type { Browser, Page } from 'puppeteer-core';
import { oldDatabase } from '../../../server/src/testing/old-database';
import { go, launch, openTab, saved, settled, signIn } from '../lib/browser';
import { ask } from '../lib/device';
import { type RunningServer, startServer } from '../lib/server';
import { LEAD } from '../lib/world';

/** A database as a program of before left it: every screen opens on it. The dump stays as it is for all migrations to come. */
describe('a database of before', () => {
  let server: RunningServer;
  let browser: Browser;
  let page: Page;
  let complaints: string[];
  const refused: string[] = [];

  beforeAll(async () => {
    const url = await oldDatabase('old_screens', 'state-007');
    server = await startServer(url);
    browser = await launch();
    ({ page, complaints } = await openTab(browser));
    page.on('response', (reply) => {
      if (reply.url().includes('/api/') && reply.status() >= 400)
        refused.push(`${reply.status()} ${reply.url()}`);
    });
    await signIn(page, server.url, LEAD);
  });
  afterAll(async () => {
    await browser?.close();
    await server?.stop();
  });

  it('opens on every screen', async () => {
    const list = async (path: string): Promise<string[]> =>
      (await ask<{ id: string }[]>(page, `/api/${path}`)).map(({ id }) => id);
    const [students, lessons, plans, rigs] = await Promise.all(
      ['students', 'lessons', 'plans', 'rigs'].map(list),
    );
    const paths = [
      ...['/today', '/water', '/rig', '/cast', '/drift', '/strike', '/plan', '/teach', '/record', '/circle'],
      ...['/record/group', '/rig/knots', '/rig/flies', '/plan/weeks', '/plan/kit', '/plan/courses'],
      ...(students ?? []).flatMap((id) => [`/record/${id}`, `/record/${id}/card`]),
      ...(lessons ?? []).flatMap((id) => [`/lesson/${id}`, `/lesson/${id}/kit`, `/lesson/${id}/rigs`]),
      ...(plans ?? []).flatMap((id) => [`/plan/${id}`, `/plan/${id}/versions`, `/plan/${id}/out`]),
      ...(rigs ?? []).map((id) => `/rig/${id}`),
    ];
    expect(paths.length).toBeGreaterThan(48);
    // Each kind of screen by its address, the others of its kind from within.
    const kinds = new Set<string>();
    for (const path of paths) {
      const kind = path.replace(/[0-9a-f-]{36}/, 'id');
      if (kinds.has(kind)) await go(page, path);
      else await page.goto(`${server.url}${path}`);
      kinds.add(kind);
      await page.waitForSelector('doceo-rail, .bank');
      await settled(page);
      const empty = await page.$$eval('.empty h1', (heads) => heads.map((head) => head.textContent));
      expect({ path, complaints, empty }).toEqual({ path, complaints: [], empty: [] });
    }
    expect(refused).toEqual([]);
  });

  it('lets a plan be edited that names a drill that is gone', async () => {
    const plans = await ask<{ id: string; title: string }[]>(page, '/api/plans');
    await page.goto(`${server.url}/plan/${plans.find(({ title }) => title === 'First nymphs')?.id}`);
    await page.waitForSelector('input.title');
    await page.type('input.title', ', again');
    await page.keyboard.press('Tab');
    await saved(page);
    expect(refused).toEqual([]);
  });
});
