import type { Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, fill, PHONE, settled, textOf } from '../lib/browser';
import { acknowledged, ask, onDevice } from '../lib/device';
import { lessonUnderWay } from '../lib/under-way';
import { type World, world } from '../lib/world';

/** Somebody helps in one lesson by a code: on his own phone, without an account, until it is over. */
describe('an assistant', () => {
  let at: World;
  let lead: Page;
  let kim: Page;
  let lesson: string;

  beforeAll(async () => {
    at = await world('assistant');
    lead = at.page;
    const own = await at.browser.createBrowserContext();
    kim = await own.newPage();
    await kim.setViewport(PHONE);
    lesson = await lessonUnderWay(lead, ['Sam Okande', 'Noor Hadley']);
  });
  afterAll(() => at?.end());

  const stored = async (): Promise<number> =>
    (await ask<unknown[]>(lead, `/api/events?lessonId=${lesson}`)).length;
  const openCard = async (): Promise<void> => {
    await lead.goto(`${at.server.url}/lesson/${lesson}`);
    await byText(lead, 'button', 'Who teaches');
    await settled(lead);
    await clickText(lead, 'button', 'Who teaches');
    await lead.waitForSelector('doceo-assistants ul');
    await settled(lead);
  };

  it('begins by the code on the lesson’s card', async () => {
    await openCard();
    await clickText(lead, 'doceo-assistants button', 'Show a code');
    await lead.waitForSelector('doceo-assistants .address');
    expect(await axeFindings(lead)).toEqual([]);
    await kim.goto(await textOf(lead, 'doceo-assistants .address'));
    await byText(kim, 'h1', 'Help Maren Voss teach');
    await settled(kim);
    expect(await axeFindings(kim)).toEqual([]);
    await fill(kim, 'input[name=assistant]', 'Kim');
    await clickText(kim, 'button', 'Begin');
    await kim.waitForSelector('[data-tap=good]');
    await settled(kim);
    expect(new URL(kim.url()).pathname).toBe('/teach');
    expect(await axeFindings(kim)).toEqual([]);
  });

  it('logs, and has this lesson and nothing else', async () => {
    await kim.evaluate(() => document.querySelector<HTMLElement>('[data-tap=good]')?.click());
    await acknowledged(kim, 1);
    for (let i = 0; i < 100 && (await stored()) === 0; i++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await stored()).toBe(1);
    expect(await textOf(kim, '.bank')).not.toContain('Out of the log');
    for (const path of ['/record', '/plan', '/account']) {
      await kim.goto(`${at.server.url}${path}`);
      await kim.waitForSelector('[data-tap=good]');
      expect(new URL(kim.url()).pathname).toBe('/teach');
    }
    await openCard();
    await byText(lead, 'doceo-assistants li', /Kim\s*since \d\d:\d\d, 1 entry/);
  });

  it('gives the device back only when all is sent; ended, it is over', async () => {
    await settled(kim);
    await kim.setOfflineMode(true);
    await kim.evaluate(() => document.querySelector<HTMLElement>('[data-tap=good]')?.click());
    await acknowledged(kim, 2);
    await clickText(kim, 'button', 'Give it back');
    await byText(kim, '.bank', '1 entry is kept here and not sent');
    await clickText(lead, 'doceo-assistants button', 'End it');
    await byText(lead, 'doceo-assistants li', 'ended');
    await kim.setOfflineMode(false);
    for (let i = 0; i < 150 && (await stored()) < 2; i++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await stored()).toBe(2);
    await kim.goto(`${at.server.url}/teach`);
    await byText(kim, 'h1', 'The lesson is over');
    await settled(kim);
    expect(await axeFindings(kim)).toEqual([]);
    await clickText(kim, 'button', 'Give the device back');
    await kim.waitForSelector('doceo-sign-in');
    expect(await onDevice(kim)).toEqual([]);
  });
});
