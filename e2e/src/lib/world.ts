import type { Browser, Page } from 'puppeteer-core';
import { demoDatabase } from '../../../server/src/testing/demo-database';
import { go, launch, openTab, settled, signIn } from './browser';
import { type RunningServer, startServer } from './server';

/** A server on a database of its own with the demo, a browser, and a tab of the lead instructor. */
export interface World {
  server: RunningServer;
  databaseUrl: string;
  browser: Browser;
  page: Page;
  complaints: string[];
  /** Goes to a screen, within the application unless it is there already. */
  open: (path: string) => Promise<void>;
  end: () => Promise<void>;
}

export const LEAD = 'lead@ternalder.example';

/**
 * @param way changes the address of the database, to put something before it
 * @param kept whether the application is kept on the device of the tab
 */
export async function world(
  name: string,
  way: (url: string) => Promise<string> | string = (url) => url,
  kept = false,
): Promise<World> {
  const databaseUrl = await way(await demoDatabase(name));
  const server = await startServer(databaseUrl);
  const browser = await launch();
  const { page, complaints } = await openTab(browser, undefined, kept);
  await signIn(page, server.url, LEAD);
  return {
    server,
    databaseUrl,
    browser,
    page,
    complaints,
    open: async (path) => {
      const here = new URL(page.url());
      if (here.origin === server.url && here.pathname !== path) await go(page, path);
      else await page.goto(`${server.url}${path}`);
      await page.waitForSelector('doceo-rail, .bank');
      await settled(page);
    },
    end: async () => {
      await browser.close();
      await server.stop();
    },
  };
}
