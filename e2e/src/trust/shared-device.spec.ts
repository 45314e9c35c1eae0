import type { BankEvent } from '@doceo/core';
import type { Page } from 'puppeteer-core';
import { byText, clickText, openTab, PHONE, signIn } from '../lib/browser';
import { acknowledged, ask, storesOf } from '../lib/device';
import { type World, LEAD, world } from '../lib/world';

const FELLOW = 'fellow@ternalder.example';
/** Words that only the first instructor's things contain. */
const TRACES = ['Sam Okande', 'Lidia Moreau', 'casting.', 'a draft of Maren', 'lead@ternalder'];

/** Two instructors use one browser after each other. */
describe('a device of two instructors', () => {
  let at: World;
  let page: Page;
  let complaints: string[];

  beforeAll(async () => {
    at = await world('shared_device', undefined, true);
    ({ page, complaints } = await openTab(at.browser, PHONE, true));
  });
  afterAll(() => at?.end());

  /** Everything that can be read in the stores of this browser; what is sealed is bytes. */
  const readable = async (): Promise<string> => {
    const stores = await storesOf(page);
    const rest = await page.evaluate(async () => {
      const kept: string[] = [];
      for (const name of await caches.keys())
        for (const request of await (await caches.open(name)).keys()) kept.push(request.url);
      return JSON.stringify([{ ...localStorage }, { ...sessionStorage }, kept]);
    });
    return JSON.stringify(stores) + rest;
  };
  const signOut = async (): Promise<void> => {
    await page.goto(`${at.server.url}/today`);
    await page.waitForSelector('.who .chip');
    await page.click('.who .chip');
    await clickText(page, '.menu button', 'Sign out');
    await page.waitForSelector('input[name=email]');
  };
  let cut = false;

  it('keeps what the first has not sent, sealed, and nothing else of him', async () => {
    await page.setRequestInterception(true);
    page.on('request', (request) => {
      const refused =
        cut && request.method() !== 'GET' && /\/api\/(events|plans|fly-box)/.test(request.url());
      void (refused ? request.abort() : request.continue());
    });
    await signIn(page, at.server.url, LEAD);
    await byText(page, '.ready h2', 'Ready for the water');
    await page.goto(`${at.server.url}/plan`);
    await (await byText(page, 'a.open', 'First nymphs')).click();
    await page.waitForSelector('input.title');
    cut = true;
    await page.type('input.title', ' a draft of Maren');
    await page.keyboard.press('Tab');
    await page.waitForSelector('[data-save-state]:not([data-save-state=saved])');
    await page.goto(`${at.server.url}/teach`);
    await page.waitForSelector('[data-tap=good]');
    for (let i = 0; i < 3; i++) await page.tap('[data-tap=good]');
    await acknowledged(page, 3);
    const before = await readable();
    for (const trace of TRACES.slice(0, 4)) expect(before).toContain(trace);
    await page.goto(`${at.server.url}/today`);
    await page.waitForSelector('.who .chip');
    await page.click('.who .chip');
    await byText(page, '.menu', '3 entries have not reached the server');
    await clickText(page, '.menu button', 'Sign out');
    await page.waitForSelector('input[name=email]');
    const after = await readable();
    for (const trace of TRACES) expect(after).not.toContain(trace);
    expect((await storesOf(page))['doceo-sealed/boxes']).toHaveLength(1);
  });

  it('shows the second nothing of it, and is empty of him too when he leaves', async () => {
    cut = false;
    await signIn(page, at.server.url, FELLOW);
    await page.goto(`${at.server.url}/rig`);
    await byText(page, 'h1', /./);
    const while_ = await readable();
    for (const trace of ['a draft of Maren', 'lead@ternalder']) expect(while_).not.toContain(trace);
    await signOut();
    expect(await readable()).not.toContain(FELLOW);
    expect((await storesOf(page))['doceo-sealed/boxes']).toHaveLength(1);
  });

  it('gives it back to the first, and sends it', async () => {
    await signIn(page, at.server.url, LEAD);
    await page.goto(`${at.server.url}/teach`);
    await byText(page, '.state', 'all stored');
    const lessons = await ask<{ id: string; startsAt: string }[]>(page, '/api/lessons');
    const next = lessons.find(({ startsAt }) => Date.parse(startsAt) > Date.now())!;
    const stored = await ask<BankEvent[]>(page, `/api/events?lessonId=${next.id}`);
    expect(stored.filter(({ body }) => body.kind === 'attempt')).toHaveLength(3);
    await page.goto(`${at.server.url}/plan`);
    await (await byText(page, 'a.open', 'First nymphs')).click();
    await page.waitForFunction(() =>
      document.querySelector<HTMLInputElement>('input.title')?.value.includes('a draft of Maren'),
    );
    expect((await storesOf(page))['doceo-sealed/boxes']).toEqual([]);
  });

  it('asks a page of the first for his password when the second has signed in beside it', async () => {
    const beside = await page.browserContext().newPage();
    await beside.goto(`${at.server.url}/today`);
    await beside.evaluate(async () => {
      await fetch('/api/session', { method: 'DELETE' });
      await fetch('/api/session', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ email: 'fellow@ternalder.example', password: 'corvane-demo' }),
      });
    });
    await page.bringToFront();
    await page.evaluate(() => document.querySelector<HTMLAnchorElement>('a[href="/circle"]')?.click());
    await byText(page, '.p-dialog', 'Your session has ended');
    await byText(page, '.p-dialog', LEAD);
    await beside.close();
  });

  it('complains of nothing', () => expect(complaints).toEqual([]));
});
