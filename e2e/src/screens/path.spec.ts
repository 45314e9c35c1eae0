import type { Browser, Page } from 'puppeteer-core';
import {
  byText,
  clickText,
  DESK,
  fill,
  openTab,
  PHONE,
  saved,
  settled,
  signIn,
  textOf,
} from '../lib/browser';
import { axeFindings } from '../lib/axe';
import { type RunningServer, startServer } from '../lib/server';
import { LEAD, type World, world } from '../lib/world';

/** The narrow path through the whole job, in the real interface. */
describe('from plan to record to circle', () => {
  let at: World;
  let second: RunningServer;
  let browser: Browser;
  let page: Page;
  let open: World['open'];

  beforeAll(async () => {
    at = await world('path');
    ({ browser, page, open } = at);
    second = await startServer(at.databaseUrl);
  });

  afterAll(async () => {
    await second?.stop();
    await at?.end();
  });

  it('shows the next lesson with its light and its stop problems', async () => {
    expect(await textOf(page, 'h1')).toBe('First nymphs');
    await byText(page, '.problem.must-fix h3', 'rule card not read');
    expect(await textOf(page, '.students')).toContain('Petra');
  });

  it('draws a rig, edits it in the table, mends a problem, undoes, and keeps it', async () => {
    await open('/rig');
    await clickText(page, 'article a', 'Two nymphs');
    await clickText(page, '.segments button', '2 × depth');
    await byText(page, '[data-figure=indicator-distance]', '2.20 m');
    await clickText(page, '[data-problem=tangle-risk] button', 'One fly');
    await byText(page, '[data-figure=hook-count]', '1 of 2');
    await clickText(page, 'button', 'Undo');
    await byText(page, '[data-figure=hook-count]', '2 of 2');
    const cell = '[data-part=butt] input.figure';
    await page.$eval(cell, (input) => ((input as HTMLInputElement).value = 'long'));
    await page.$eval(cell, (input) => input.dispatchEvent(new Event('change', { bubbles: true })));
    await byText(page, '.problem', 'is no length');
    await page.$eval(cell, (input) => ((input as HTMLInputElement).value = '1.1 m'));
    await page.$eval(cell, (input) => input.dispatchEvent(new Event('change', { bubbles: true })));
    await byText(page, '[data-figure=leader-length]', '3.35 m');
    await saved(page);
    await page.reload();
    await byText(page, '[data-figure=leader-length]', '3.35 m');
  });

  it('builds a plan by keyboard alone, with undo, and keeps it', async () => {
    await open('/plan');
    await clickText(page, 'button', 'New plan');
    await page.waitForSelector('[data-drill="hats-and-glasses"]');
    for (const drill of ['find-the-seam', 'hats-and-glasses']) {
      await page.focus(`[data-drill="${drill}"]`);
      await page.keyboard.press('Enter');
    }
    await byText(page, '.problem.must-fix', 'No safety talk first');
    await (await byText(page, '.face', 'Safety talk')).focus();
    await page.keyboard.down('Alt');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.up('Alt');
    await page.waitForFunction(() => !document.querySelector('[data-problem="safety-first"]'));
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await byText(page, '.problem.must-fix', 'No safety talk first');
    await saved(page);
    await page.reload();
    await page.waitForSelector('[data-block]');
    expect(await page.$$eval('[data-block]', (blocks) => blocks.length)).toBe(2);
  });

  it('drags a block along the timeline', async () => {
    const number = await (
      await byText(page, '.face', 'Safety talk')
    ).$eval('.mark', (mark) => mark.textContent);
    const box = await (await byText(page, '[data-block]', number?.trim() ?? '')).boundingBox();
    if (!box) throw new Error('no block');
    await page.mouse.move(box.x + 30, box.y + 10);
    await page.mouse.down();
    await page.mouse.move(box.x + 30, box.y - 20, { steps: 4 });
    await page.mouse.move(box.x + 30, box.y - 150, { steps: 8 });
    await page.mouse.up();
    await page.waitForFunction(() => !document.querySelector('[data-problem="safety-first"]'));
    await saved(page);
  });

  it('puts together what two tabs do to a plan, and asks only for what both changed', async () => {
    const url = page.url();
    const tab = await page.browserContext().newPage();
    await tab.setViewport(DESK);
    await tab.goto(url);
    await tab.waitForSelector('[data-block]');
    const add = async (on: Page, drill: string): Promise<void> => {
      await on.bringToFront();
      await on.focus(`[data-drill="${drill}"]`);
      await on.keyboard.press('Enter');
    };
    const call = async (on: Page, title: string): Promise<void> => {
      await on.bringToFront();
      await fill(on, 'input.title', title);
    };
    await add(page, 'hoops');
    await saved(page);
    await page.waitForFunction(() => document.querySelectorAll('[data-block]').length === 3);
    await add(tab, 'tuck-over');
    await byText(tab, '.p-toast', 'Both changes are in the plan');
    await byText(tab, '.face', 'Three hoops');
    await saved(tab);
    await tab.waitForFunction(() => document.querySelectorAll('[data-block]').length === 4);
    // The first tab has not seen that yet; both give the plan another name now.
    await call(tab, 'Called there');
    await saved(tab);
    await call(page, 'Called here');
    await byText(page, '.p-dialog', 'Called there');
    await clickText(page, '.p-dialog label', 'Elsewhere');
    await clickText(page, '.p-dialog button', 'Put both together');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input.title')?.value === 'Called there',
    );
    await page.waitForFunction(() => document.querySelectorAll('[data-block]').length === 4);
    await saved(page);
    await tab.close();
  });

  it('lets an edit survive the end of the session', async () => {
    await page.deleteCookie(...(await page.cookies()).filter(({ name }) => name === 'doceo'));
    await page.focus('[data-drill="stones-first"]');
    await page.keyboard.press('Enter');
    await byText(page, '.p-dialog', 'Your session has ended');
    await fill(page, '.p-dialog input[type=password]', 'corvane-demo');
    await clickText(page, '.p-dialog button', 'Sign in again');
    await saved(page);
    await page.reload();
    await byText(page, '.face', 'Three stones');
  });

  it('logs with one tap, counts, undoes, and the record knows', async () => {
    const phone = await openTab(browser, PHONE);
    await signIn(phone.page, second.url, LEAD, '/teach');
    await clickText(phone.page, '.who button', 'Noor');
    await byText(phone.page, '.what h1', 'Safety talk');
    await phone.page.tap('[aria-label="Next block"]');
    await byText(phone.page, '.what h1', 'Count the pause');
    for (const tap of ['good', 'good', 'cast.crack', 'good']) await phone.page.tap(`[data-tap="${tap}"]`);
    await byText(phone.page, '.count', '3 of 8');
    await clickText(phone.page, '[data-undo]', 'Undo');
    await byText(phone.page, '.count', '2 of 8');
    await byText(phone.page, '.state', 'all stored');
    const small = await phone.page.$$eval('.bank button, .bank a', (all) =>
      all
        .filter((one) => one.getClientRects().length > 0 && one.getBoundingClientRect().height < 55.5)
        .map((one) => one.textContent),
    );
    expect(small).toEqual([]);
    expect(await phone.page.evaluate(() => document.documentElement.scrollHeight <= window.innerHeight)).toBe(
      true,
    );
    expect(await axeFindings(phone.page)).toEqual([]);
    for (const sheet of [
      'Changed something',
      'Depth, retrieve, pattern',
      'Lanes of the pool',
      'Thermometer',
      'Under the stones',
      'Safety',
      'Beat of the cast',
    ]) {
      await clickText(phone.page, '.more button', 'More');
      await clickText(phone.page, 'doceo-more-overlay button', sheet);
      await byText(phone.page, 'doceo-bank-sheet h2', sheet);
      const tiny = await phone.page.$$eval('doceo-bank-sheet button, doceo-bank-sheet input', (all) =>
        all
          .filter((one) => one.getBoundingClientRect().height < 55.5)
          .map((one) => one.outerHTML.slice(0, 80)),
      );
      expect([sheet, tiny]).toEqual([sheet, []]);
      expect([sheet, await axeFindings(phone.page)]).toEqual([sheet, []]);
      await clickText(phone.page, 'doceo-bank-sheet button', 'Cancel');
    }
    expect(phone.complaints).toEqual([]);
    await phone.page.browserContext().close();
    await open('/record');
    await clickText(page, 'a', 'Noor Hadley');
    await byText(page, 'h2', 'What was seen');
    await byText(page, 'doceo-evidence li', 'forward too soon');
    await page.waitForSelector('doceo-pareto canvas');
    await clickText(page, 'a', 'Card for Noor');
    await byText(page, 'h1', 'Noor’s day');
    expect(await axeFindings(page)).toEqual([]);
  });

  it('shares the plan with the circle, where the fellow takes a copy and others see nothing', async () => {
    await open('/plan');
    await clickText(page, 'a.open', 'First nymphs');
    await clickText(page, 'button', /^\s*Share\s*$/);
    await clickText(page, '.p-dialog button', 'Tern & Alder');
    await byText(page, 'p-toast', 'Shared with');
    const fellow = await openTab(browser, DESK);
    await signIn(fellow.page, second.url, 'fellow@ternalder.example', '/circle');
    await byText(fellow.page, '.shared', 'First nymphs');
    await fellow.page.$$eval('.shared', (rows) =>
      rows
        .find((row) => row.textContent?.includes('First nymphs'))
        ?.querySelector<HTMLElement>('button')
        ?.click(),
    );
    await byText(fellow.page, '.origin', 'by Maren Voss');
    expect(await textOf(fellow.page, 'doceo-timeline')).not.toContain('Petra');
    await fellow.page.browserContext().close();
    const other = await openTab(browser, DESK);
    await signIn(other.page, at.server.url, 'other@saltmarsh.example', '/circle');
    await byText(other.page, 'h2', 'Saltmarsh');
    expect(await textOf(other.page, 'main')).not.toContain('First nymphs');
    await other.page.browserContext().close();
  });

  it.each(['/today', '/rig', '/plan', '/record', '/circle'])(
    '%s has no serious accessibility finding',
    async (path) => {
      await open(path);
      expect(await axeFindings(page)).toEqual([]);
    },
  );

  it.each([
    ['/rig', 'article a', 'Two nymphs'],
    ['/plan', 'a.open', 'First nymphs'],
    ['/record', 'a', 'Sam Okande'],
    ['/today', 'a', 'Lesson card'],
  ])('what opens from %s has none either', async (path, selector, text) => {
    await open(path);
    await clickText(page, selector, text);
    await settled(page);
    expect(await axeFindings(page)).toEqual([]);
  });

  it('lets the page complain of nothing', () =>
    expect(at.complaints.filter((text) => !/401|409/.test(text))).toEqual([]));
});
