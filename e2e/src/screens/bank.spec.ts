import type { Page } from 'puppeteer-core';
import { byText, clickText, openTab, PHONE, settled, signIn } from '../lib/browser';
import { lowContrast } from '../lib/contrast';
import { keepOnDevice } from '../lib/device';
import { LEAD, type World, world } from '../lib/world';

const SHEETS = [
  'Changed something',
  'Depth, retrieve, pattern',
  'Lanes of the pool',
  'Thermometer',
  'Under the stones',
  'Safety',
  'Beat of the cast',
];

let at: World;
beforeAll(async () => {
  at = await world('bank');
});
afterAll(() => at?.end());

/** The bank book in every layout it has, as one holds it in wet hands in the sun. */
describe.each([
  ['right', false, false],
  ['right', true, false],
  ['left', false, false],
  ['left', true, true],
] as const)('the bank book for the %s hand (sunlight %s, large type %s)', (hand, sun, large) => {
  let page: Page;
  const pads = (): Promise<(string | null)[]> =>
    page.$$eval('[data-tap]', (all) => all.map((one) => one.getAttribute('data-tap')));

  beforeAll(async () => {
    ({ page } = await openTab(at.browser, PHONE));
    await signIn(page, at.server.url, LEAD, '/today');
    await keepOnDevice(page, 'bank.sun', sun);
    await keepOnDevice(page, 'bank.large', large);
    await page.evaluate(async (bankHand) => {
      const { user } = await (await fetch('/api/session')).json();
      await fetch('/api/session/settings', {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ...user.settings, bankHand }),
      });
    }, hand);
    await page.goto(`${at.server.url}/teach`);
    await clickText(page, '.who button', 'Sam');
    await settled(page);
    await page.tap('[aria-label="Next block"]');
    await byText(page, '.what h1', 'Count the pause');
  });
  afterAll(() => page.browserContext().close());

  it('lies as it was asked to', async () => {
    expect((await page.$('.bank.left')) !== null).toBe(hand === 'left');
    expect((await page.$('.bank.sun')) !== null).toBe(sun);
    expect((await page.$('.bank.large')) !== null).toBe(large);
    const [undo, text] = await page.$eval('.undo', (row) => [
      row.querySelector('[data-undo]')?.getBoundingClientRect().left ?? 0,
      row.querySelector('span')?.getBoundingClientRect().left ?? 0,
    ]);
    expect((undo ?? 0) < (text ?? 0)).toBe(hand === 'left');
  });

  it('shows every word at seven to one or more, and nothing too small for a thumb', async () => {
    expect(await lowContrast(page, 7)).toEqual([]);
    const small = await page.$$eval('.bank button, .bank a', (all) =>
      all
        .map((one) => ({ text: one.textContent, box: one.getBoundingClientRect() }))
        .filter(({ box }) => box.height < 55.5 || box.width < 55.5)
        .map(({ text }) => text),
    );
    expect(small).toEqual([]);
    const [wide, high] = await page.evaluate(() => [
      document.documentElement.scrollWidth - window.innerWidth,
      document.documentElement.scrollHeight - window.innerHeight,
    ]);
    expect([wide, high]).toEqual([0, 0]);
    // Nothing lies over what one taps most, and all of it is in sight without scrolling, but for large type.
    const covered = await page.$$eval('[data-tap=good], [data-undo], .more button, .who button', (all) =>
      all
        .filter((one) => {
          const { left, top, width, height } = one.getBoundingClientRect();
          const there = document.elementFromPoint(left + width / 2, top + height / 2);
          return there !== null && !one.contains(there);
        })
        .map((one) => one.textContent),
    );
    expect(covered).toEqual([]);
    const below = await page.$$eval('[data-undo], .who button', (all) =>
      Math.max(...all.map((one) => one.getBoundingClientRect().bottom)),
    );
    if (!large) expect(below).toBeLessThanOrEqual(PHONE.height + 0.5);
  });

  it('keeps the faults where they are while one taps, counts, and takes back', async () => {
    const before = await pads();
    expect(before[0]).toBe('good');
    expect(before.length).toBeGreaterThan(3);
    const last = before[before.length - 1] as string;
    for (const tap of ['good', last, last, last, 'good']) await page.tap(`[data-tap="${tap}"]`);
    await byText(page, '.count', '2 of 8');
    expect(await pads()).toEqual(before);
    await page.tap('[data-undo]');
    await byText(page, '.count', '1 of 8');
    await page.tap('[data-undo]');
    await page.tap('[data-undo]');
    await page.tap('[data-undo]');
    await page.tap('[data-undo]');
    await byText(page, '.count', '0 of 8');
  });

  it('times a tangle', async () => {
    await clickText(page, '.more button', 'Tangle');
    await byText(page, '.more button', /\d+ s/);
    await new Promise((resolve) => setTimeout(resolve, 1200));
    await clickText(page, '.more button', /\d+ s/);
    await byText(page, '.undo', /tangle, [1-9] s/);
    await page.tap('[data-undo]');
  });

  it('has sheets that can be read and hit as well', async () => {
    for (const sheet of SHEETS) {
      await clickText(page, '.more button', 'More');
      expect([sheet, await lowContrast(page, 7)]).toEqual([sheet, []]);
      await clickText(page, 'doceo-more-overlay button', sheet);
      await byText(page, 'doceo-bank-sheet h2', sheet);
      expect([sheet, await lowContrast(page, 7)]).toEqual([sheet, []]);
      const tiny = await page.$$eval('doceo-bank-sheet button, doceo-bank-sheet input', (all) =>
        all.filter((one) => one.getBoundingClientRect().height < 55.5).map((one) => one.outerHTML),
      );
      expect([sheet, tiny]).toEqual([sheet, []]);
      await clickText(page, 'doceo-bank-sheet button', 'Cancel');
    }
    await clickText(page, '.more button', 'Fish');
    expect(await lowContrast(page, 7)).toEqual([]);
    await clickText(page, 'doceo-bank-sheet button', 'Cancel');
  });

  it('keeps the keys in a sheet while it is open, and gives them back', async () => {
    const inSheet = (): Promise<boolean> =>
      page.evaluate(() => document.activeElement?.closest('[role=dialog]') !== null);
    await page.waitForFunction(() => document.querySelector('[role=dialog]') === null);
    await page.focus('.more button:nth-child(4)');
    await page.keyboard.press('Enter');
    await byText(page, '[role=dialog] h2', 'More to log');
    await page.waitForFunction(() => document.activeElement?.closest('[role=dialog]') !== null);
    for (let i = 0; i < 15; i++) {
      await page.keyboard.press('Tab');
      expect([i, await inSheet()]).toEqual([i, true]);
    }
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => document.querySelector('[role=dialog]') === null);
    expect(await page.evaluate(() => document.activeElement?.textContent?.trim())).toBe('More');
  });

  it('has all down to the students at the foot in sight in every block, but for large type', async () => {
    const below: string[] = [];
    const places = Number((await page.$eval('.blockno', (one) => one.textContent)).split(' of ')[1]);
    expect(places).toBeGreaterThan(6);
    for (let place = 2; place <= places; place++) {
      await byText(page, '.blockno', `place ${place} of ${places}`);
      const [title, bottom] = await page.evaluate(() => [
        document.querySelector('h1')?.textContent ?? '',
        document.querySelector('doceo-who-bar')?.getBoundingClientRect().bottom ?? Infinity,
      ]);
      if (Number(bottom) > PHONE.height + 0.5) below.push(`${title} ${bottom}`);
      if (place < places) await page.tap('[aria-label="Next block"]');
    }
    if (!large) expect(below).toEqual([]);
  });
});
