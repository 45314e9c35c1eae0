import type { Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, PHONE, settled, signIn, textOf } from '../lib/browser';
import { acknowledged, ask } from '../lib/device';
import { lessonUnderWay } from '../lib/under-way';
import { type World, world } from '../lib/world';

/** A fellow is put on a lesson, has his part of the group, logs on his own phone, and is taken out of it again. */
describe('a lesson of two instructors', () => {
  let at: World;
  let lead: Page;
  let fellow: Page;
  let lesson: string;

  beforeAll(async () => {
    at = await world('two_instructors');
    lead = at.page;
    fellow = await (await at.browser.createBrowserContext()).newPage();
    await fellow.setViewport(PHONE);
    await signIn(fellow, at.server.url, 'fellow@ternalder.example');
    lesson = await lessonUnderWay(lead, ['Sam Okande', 'Noor Hadley', 'Lidia Moreau', 'Emil Starck']);
  });
  afterAll(() => at?.end());

  const openCard = async (page: Page): Promise<void> => {
    await page.goto(`${at.server.url}/lesson/${lesson}`);
    await byText(page, 'button', 'Who teaches');
    await settled(page);
    await clickText(page, 'button', 'Who teaches');
    await page.waitForSelector('doceo-who-teaches ul');
    await settled(page);
  };
  const openLog = async (page: Page): Promise<void> => {
    await page.goto(`${at.server.url}/teach`);
    await page.waitForSelector('[data-tap=good]');
    await settled(page);
  };
  const tap = (page: Page): Promise<void> =>
    page.evaluate(() => document.querySelector<HTMLElement>('[data-tap=good]')?.click());
  const stored = async (count: number): Promise<void> => {
    const now = async (): Promise<number> =>
      (await ask<unknown[]>(lead, `/api/events?lessonId=${lesson}`)).length;
    for (let i = 0; i < 150 && (await now()) < count; i++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await now()).toBe(count);
  };

  it('is made by putting a fellow on it, who gets his half of the group', async () => {
    await openCard(lead);
    await clickText(lead, 'doceo-instructors button', 'Put on');
    await byText(lead, 'doceo-instructors li', 'Tobias Lind');
    await clickText(lead, 'doceo-instructors button', 'Share the group out');
    await byText(lead, 'doceo-instructors li', /Tobias Lind\s*Lidia and Emil/);
    expect(await axeFindings(lead)).toEqual([]);
    await openCard(fellow);
    await byText(fellow, 'doceo-who-teaches li', /Maren Voss, whose lesson it is\s*Sam and Noor/);
    expect(await axeFindings(fellow)).toEqual([]);
    expect(await textOf(fellow, 'article')).not.toContain('Day and students');
  });

  it('is logged by each on his own phone, his own part first; each hears the other', async () => {
    await openLog(fellow);
    const who = await textOf(fellow, '.who');
    expect(who).toContain('Lidia');
    expect(who).not.toContain('Sam');
    expect(await axeFindings(fellow)).toEqual([]);
    await tap(fellow);
    await acknowledged(fellow, 1);
    await openLog(lead);
    await tap(lead);
    await stored(2);
    await fellow.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
    await clickText(fellow, '.who button', /others/);
    await byText(fellow, '.who', 'Sam');
    await fellow.waitForFunction(() => document.querySelectorAll('.tries i').length === 2);
  });

  it('is no longer his when he is taken out: what he has not sent is kept on his phone, and said', async () => {
    await fellow.setOfflineMode(true);
    await tap(fellow);
    await acknowledged(fellow, 2);
    await openCard(lead);
    await clickText(lead, 'doceo-instructors button', 'Take out');
    await lead.waitForFunction(() => document.querySelectorAll('doceo-instructors li').length === 1);
    await fellow.setOfflineMode(false);
    await byText(fellow, '.bank header', '1 set aside');
    await stored(2);
    // Put on again, he sends it as it was.
    await clickText(lead, 'doceo-instructors button', 'Put on');
    await byText(lead, 'doceo-instructors li', 'Tobias Lind');
    await clickText(fellow, '.bank header button', '1 set aside');
    await clickText(fellow, 'button', 'Send again');
    await stored(3);
  });

  it('is parted from by himself', async () => {
    await openCard(fellow);
    await clickText(fellow, 'doceo-who-teaches button', 'I do not teach it');
    await fellow.waitForFunction(() => location.pathname === '/today');
    await openCard(lead);
    expect(await lead.$$('doceo-instructors li')).toHaveLength(1);
  });
});
