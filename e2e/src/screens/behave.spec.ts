import { byText, clickText, go, openTab, PHONE, saved, settled, signIn, textOf } from '../lib/browser';
import { axeFindings } from '../lib/axe';
import { LEAD, type World, world } from '../lib/world';
import { startServer, type RunningServer } from '../lib/server';

/** Addresses, going back, reloading, units, print, phones: what a browser's user takes for granted. */
describe('the application in a browser', () => {
  let at: World;
  let page: World['page'];

  beforeAll(async () => {
    at = await world('behave');
    page = at.page;
  });
  afterAll(() => at?.end());

  it.each([
    ['/today', 'First nymphs'],
    ['/rig', 'Rigs'],
    ['/plan', 'Plans'],
    ['/record', 'Students'],
    ['/circle', 'Circle'],
    ['/nowhere', 'Nothing lies here'],
    ['/plan/00000000-0000-4000-8000-00000000dead', 'No such plan'],
    ['/rig/00000000-0000-4000-8000-00000000dead', 'No such rig'],
    ['/lesson/00000000-0000-4000-8000-00000000dead', 'No such lesson'],
    ['/record/00000000-0000-4000-8000-00000000dead', 'No such student'],
  ])('%s opens by its address', async (path, title) => {
    await page.goto(`${at.server.url}${path}`);
    await byText(page, 'h1', title);
  });

  it('goes back and forward, and a reload stays where it is', async () => {
    await at.open('/plan');
    await clickText(page, 'a.open', 'First nymphs');
    await page.waitForSelector('[data-block]');
    const address = page.url();
    await clickText(page, 'doceo-rail a', 'Record');
    await byText(page, 'h1', 'Students');
    await page.goBack();
    await page.waitForSelector('[data-block]');
    expect(page.url()).toBe(address);
    await page.reload();
    await page.waitForSelector('[data-block]');
    expect(page.url()).toBe(address);
    await page.goForward();
    await byText(page, 'h1', 'Students');
  });

  it('asks a deep link for a sign-in, and then shows what it leads to', async () => {
    await at.open('/record');
    const link = await page.$eval('main li a[href^="/record/"]', (a) => a.getAttribute('href') ?? '');
    const tab = await openTab(at.browser);
    await signIn(tab.page, at.server.url, LEAD, link);
    await byText(tab.page, 'h2', 'What was seen');
    expect(new URL(tab.page.url()).pathname).toBe(link);
    await tab.page.browserContext().close();
  });

  it('leads by the keyboard through the rail, with the place marked', async () => {
    await at.open('/today');
    await page.focus('doceo-rail a[href="/plan"]');
    await page.keyboard.press('Enter');
    await byText(page, 'h1', 'Plans');
    expect(
      await page.$$eval('doceo-rail [aria-current=page]', (all) => all.map((a) => a.textContent?.trim())),
    ).toEqual(['Plan']);
  });

  it('skips the rail by its first link, and stays on the screen', async () => {
    await at.open('/record');
    await byText(page, 'h1', 'Students');
    await page.focus('doceo-rail .skip');
    await page.keyboard.press('Enter');
    expect(await page.evaluate(() => [location.pathname, location.hash, document.activeElement?.id])).toEqual(
      ['/record', '', 'main'],
    );
  });

  it('shows feet and inches everywhere once told so, also after a reload', async () => {
    await at.open('/rig');
    await clickText(page, 'article a', 'Two nymphs');
    await byText(page, '[data-figure=indicator-distance]', '1.65 m');
    await clickText(page, 'doceo-strip button', 'metric');
    await byText(page, '[data-figure=indicator-distance]', /5 ft 5/);
    await byText(page, '[data-figure=breaks-first]', /\d lb/);
    await page.reload();
    await byText(page, '[data-figure=indicator-distance]', /5 ft 5/);
    await clickText(page, 'doceo-strip button', 'imperial');
    await byText(page, '[data-figure=indicator-distance]', '1.65 m');
  });

  it('slides the indicator by mouse and by keys, in steps of a centimetre', async () => {
    await at.open('/rig');
    await clickText(page, 'article a', 'Two nymphs');
    const handle = await page.waitForSelector('[data-handle=indicator]');
    await handle?.evaluate((element) => (element as SVGElement).focus());
    await page.keyboard.press('ArrowUp');
    await byText(page, '[data-figure=indicator-distance]', '1.66 m');
    const box = await handle?.boundingBox();
    if (!box) throw new Error('no indicator');
    const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    await page.mouse.move(middle.x, middle.y);
    await page.mouse.down();
    await page.mouse.move(middle.x, middle.y - 30, { steps: 5 });
    await page.mouse.up();
    // Thirty pixels are more than four centimetres at this scale.
    await byText(page, '[data-figure=indicator-distance] summary', /(1\.[7-9]\d?|[2-9](\.\d+)?) m/);
    await clickText(page, 'button', 'Undo');
    await clickText(page, 'button', 'Undo');
    await byText(page, '[data-figure=indicator-distance]', '1.65 m');
    await saved(page);
  });

  it('prints the lesson card without the frame', async () => {
    await at.open('/today');
    await clickText(page, 'a', 'Lesson card');
    await byText(page, '.sheet h1', 'First nymphs');
    await page.emulateMediaType('print');
    const shown = await page.$$eval('doceo-rail, doceo-strip, .no-print', (all) =>
      all.filter((one) => one.getClientRects().length > 0).map((one) => one.tagName),
    );
    expect(shown).toEqual([]);
    expect(await textOf(page, '.sheet')).toContain('Sam, Noor');
    await page.emulateMediaType('screen');
  });

  it('fits a phone on each screen, without finding', async () => {
    const phone = await openTab(at.browser, PHONE);
    await signIn(phone.page, at.server.url, LEAD, '/today');
    for (const path of ['/today', '/rig', '/plan', '/record', '/circle']) {
      await go(phone.page, path);
      await settled(phone.page);
      expect(new URL(phone.page.url()).pathname).toBe(path);
      expect(await phone.page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
      expect(await axeFindings(phone.page)).toEqual([]);
    }
    await phone.page.browserContext().close();
  });

  it('has a bank book for the left hand, which is remembered', async () => {
    const phone = await openTab(at.browser, PHONE);
    await signIn(phone.page, at.server.url, LEAD, '/teach');
    await clickText(phone.page, '.more button', 'More');
    await clickText(phone.page, 'doceo-more-overlay button', 'Left hand');
    await clickText(phone.page, 'doceo-more-overlay button', 'Cancel');
    await phone.page.waitForSelector('.bank.left');
    await settled(phone.page);
    await phone.page.reload();
    await phone.page.waitForSelector('.bank.left');
    expect(await axeFindings(phone.page)).toEqual([]);
    await phone.page.browserContext().close();
  });

  it('knows a session at another server process on the same database', async () => {
    const second: RunningServer = await startServer(at.databaseUrl);
    try {
      const cookie = (await page.cookies()).find(({ name }) => name === 'doceo');
      const reply = await fetch(`${second.url}/api/session`, {
        headers: { Cookie: `doceo=${cookie?.value ?? ''}` },
      });
      expect(((await reply.json()) as { user: { name: string } | null }).user?.name).toBe('Maren Voss');
    } finally {
      await second.stop();
    }
  });

  it('no page complained', () => expect(at.complaints.filter((text) => !/404/.test(text))).toEqual([]));
});
