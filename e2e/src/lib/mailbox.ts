import type { Page } from 'puppeteer-core';
import { clickText } from './browser';

/** What the newest letter to somebody links to, read in the mailbox of the demo as soon as it came. */
export async function newestLink(page: Page, url: string, to: string): Promise<string> {
  await page.goto(`${url}/mailbox`);
  for (let tries = 0; tries < 60; tries++) {
    const link = await page.$$eval(
      'doceo-mailbox-page section',
      (letters, address) =>
        letters
          .filter((letter) => letter.textContent?.includes(`to ${address}`))
          .flatMap((letter) => [...letter.querySelectorAll<HTMLAnchorElement>('.text a')])
          .map(({ href }) => href)
          .find((href) => href.includes('#')) ?? '',
      to,
    );
    if (link) return link;
    await new Promise((next) => setTimeout(next, 100));
    await clickText(page, 'button', 'Look again');
  }
  throw new Error(`No letter with a link came to ${to}`);
}
