import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { TEMPLATE_IDS } from '@doceo/core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, go, openTab, PHONE, saved, settled, signIn } from '../lib/browser';
import { LEAD, type World, world } from '../lib/world';

/** Pairs of texts in the drawing that lie on each other. */
function overlaps(): string[] {
  const texts = [...document.querySelectorAll('doceo-rig-drawing text')].map((text) => ({
    words: text.textContent?.trim() ?? '',
    box: text.getBoundingClientRect(),
  }));
  return texts.flatMap((one, i) =>
    texts
      .slice(i + 1)
      .filter(
        ({ box }) =>
          one.box.left < box.right - 1 &&
          box.left < one.box.right - 1 &&
          one.box.top < box.bottom - 2 &&
          box.top < one.box.bottom - 2,
      )
      .map(({ words }) => `${one.words} / ${words}`),
  );
}

/** The Rig bench in the real browser: every template on a desk and on a phone, and rigs as files. */
describe('the rig bench', () => {
  let at: World;
  let page: World['page'];

  let phone: World['page'];

  beforeAll(async () => {
    at = await world('rig');
    page = at.page;
    ({ page: phone } = await openTab(at.browser, PHONE));
    await signIn(phone, at.server.url, LEAD);
  });
  afterAll(() => at?.end());

  it.each(TEMPLATE_IDS)('%s opens, draws without words on words, computes, and fits a phone', async (id) => {
    for (const tab of [page, phone]) {
      await go(tab, '/rig');
      await (await tab.waitForSelector(`[data-template="${id}"]`))!.evaluate((button) =>
        (button as HTMLElement).click(),
      );
      await tab.waitForSelector('doceo-rig-drawing text');
      await settled(tab);
      expect(await tab.evaluate(overlaps)).toEqual([]);
    }
    expect(await page.$$eval('[data-figure]', (figures) => figures.length)).toBeGreaterThanOrEqual(5);
    expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });

  it.each(['dry-dropper', 'tuck-hinge'])(
    '%s and its card have no serious accessibility finding',
    async (id) => {
      await at.open('/rig');
      await page.click(`[data-template="${id}"]`);
      await page.waitForSelector('[data-figure]');
      await settled(page);
      expect(await axeFindings(page)).toEqual([]);
      await clickText(page, 'a', 'Teaching card');
      await byText(page, 'h2', 'Tie, from the line down');
      await settled(page);
      expect(await axeFindings(page)).toEqual([]);
    },
  );

  it('saves a rig as a file and takes it back; a broken one is refused whole', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'doceo-files-'));
    try {
      const client = await page.createCDPSession();
      await client.send('Browser.setDownloadBehavior', {
        behavior: 'allow',
        downloadPath: folder,
        browserContextId: page.browserContext().id,
      });
      await at.open('/rig');
      await clickText(page, 'article a', 'Two nymphs');
      await page.waitForSelector('[data-figure]');
      await clickText(page, 'button', 'Save as file');
      const path = join(folder, 'two-nymphs-under-an-indicator.rig.json');
      for (let i = 0; i < 100 && readdirSync(folder).every((name) => !name.endsWith('.rig.json')); i++)
        await new Promise((resolve) => setTimeout(resolve, 50));
      const text = readFileSync(path, 'utf8');
      expect(JSON.parse(text)).toMatchObject({
        format: 'doceo-rig',
        version: 2,
        rig: { template: 'indicator-nymph' },
      });

      await at.open('/rig');
      const field = await page.waitForSelector('input[type=file]');
      await (field as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(path);
      await byText(page, '[data-figure=indicator-distance]', '1.65 m');

      const broken = join(folder, 'broken.rig.json');
      writeFileSync(broken, text.replace('"fluorocarbon"', '"silk"'));
      await at.open('/rig');
      const before = await page.$$eval('article', (cards) => cards.length);
      const again = await page.waitForSelector('input[type=file]');
      await (again as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(broken);
      await byText(page, '.refused', 'nothing was changed');
      await byText(page, '.refused li', 'material');
      expect(await page.$$eval('article', (cards) => cards.length)).toBe(before);
    } finally {
      // The browser may still be putting its last file there.
      rmSync(folder, { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
    }
  });

  it('lets a measurement beat the estimate, and keeps it', async () => {
    await at.open('/rig');
    await page.click('[data-template="dry-dropper"]');
    await clickText(page, 'summary', 'Your own measurements');
    await page.type('[data-measurable^="fly-lift/10"] input', '0.001');
    await page.keyboard.press('Tab');
    await byText(page, '[data-figure=float-margin]', '2 readings');
    await byText(page, '[data-figure=float-margin]', 'How sure: measured');
    await byText(page, '[data-figure=float-margin]', '2.0 ×');
    await page.reload();
    await byText(page, '[data-figure=float-margin]', '2.0 ×');

    await at.open('/rig');
    await page.click('[data-template="dry-dropper"]');
    await byText(page, '[data-figure=float-margin]', '2.0 ×');
  });

  it('counts a student’s own knot in that student’s rigs', async () => {
    await at.open('/rig/knots');
    await page.waitForSelector('[data-knot=snell]');
    const jonas = await page.$$eval(
      '.scale option',
      (options) =>
        (options as HTMLOptionElement[]).find(({ textContent }) => textContent?.includes('Jonas'))?.value ??
        '',
    );
    await page.select('.scale select', jonas);
    await page.type('[data-knot="improved-clinch"] input', '0.4');
    await page.keyboard.press('Tab');
    await byText(page, '[data-knot="improved-clinch"] dt', 'Jonas');
    await at.open('/rig');
    await page.click('[data-template="dry-fly"]');
    await byText(page, '[data-figure=breaks-first]', '1.3 kg');
    await page.select('.tied select', jonas);
    await byText(page, '[data-figure=breaks-first]', ', 0.7 kg');
    await byText(page, '[data-figure=breaks-first]', 'How sure: measured');
    await saved(page);
  });

  it('builds a leader from the line, section by section, by keys alone', async () => {
    await at.open('/rig');
    await page.click('[data-template="own"]');
    const name = await page.waitForSelector('[data-part=butt] input.name');
    await name?.focus();
    await page.keyboard.down('Control');
    await page.keyboard.press('Enter');
    await page.keyboard.up('Control');
    await byText(page, '[data-figure=leader-length]', '2.20 m');
    const tip = await page.waitForSelector('[data-handle=point]');
    await tip?.evaluate((element) => (element as unknown as SVGElement).focus());
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
    await byText(page, '[data-figure=leader-length]', '2.23 m');
    await clickText(page, 'button', 'Undo');
    await byText(page, '[data-figure=leader-length]', '2.22 m');
    await saved(page);
  });

  it('drags a knot with the mouse, and the table follows', async () => {
    await at.open('/rig');
    await clickText(page, 'article a', 'Two nymphs');
    const handle = await page.waitForSelector('[data-handle="knot/middle"]');
    const box = await handle?.boundingBox();
    if (!box) throw new Error('no knot');
    const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    await page.mouse.move(middle.x, middle.y);
    await page.mouse.down();
    await page.mouse.move(middle.x - 10, middle.y + 25, { steps: 5 });
    await page.mouse.up();
    const lengths = () =>
      page.$$eval('[data-part=butt] input.figure, [data-part=middle] input.figure', (fields) =>
        (fields as HTMLInputElement[]).map(
          ({ value }) => parseFloat(value) * (value.includes('cm') ? 1 : 100),
        ),
      );
    await saved(page);
    const [butt, mid] = await lengths();
    expect(butt).toBeGreaterThan(95);
    expect((butt ?? 0) + (mid ?? 0)).toBeCloseTo(150, 5);
    await clickText(page, 'button', 'Undo');
    await saved(page);
    expect(await lengths()).toEqual([90, 60]);
  });

  it.each(['/rig/knots', '/rig/flies'])(
    '%s has no serious finding, on a desk and on a phone',
    async (path) => {
      await at.open(path);
      await page.waitForSelector('article, [role=grid]');
      await settled(page);
      expect(await axeFindings(page)).toEqual([]);
      await page.setViewport(PHONE);
      await settled(page);
      expect(await axeFindings(page)).toEqual([]);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
      await page.setViewport({ width: 1280, height: 800 });
    },
  );

  it('fills a gap of the fly box by keys, and keeps it', async () => {
    await at.open('/rig/flies');
    const gap = await page.waitForSelector('[role=grid] button.gap');
    const kind = await gap?.evaluate((button) => button.getAttribute('data-kind'));
    await gap?.focus();
    await page.keyboard.press('3');
    await byText(page, `[data-kind="${kind}"]`, '3');
    await saved(page);
    await page.reload();
    await byText(page, `[data-kind="${kind}"]`, '3');
  });

  it('shows on a plan taken from a colleague where his school differs, and rigs it my way', async () => {
    await at.open('/plan');
    await clickText(page, 'a.open', 'Nymphs in the riffle');
    await byText(page, '.schools', 'Tobias Lind rigs another way');
    await clickText(page, 'button', 'Take my own copy');
    await byText(page, '.origin', 'Tobias Lind');
    await byText(page, '.schools p', '2 × depth');
    await page.waitForFunction(
      () => {
        document.querySelector<HTMLElement>('.schools button')?.click();
        return !document.querySelector('.schools');
      },
      { polling: 200 },
    );
    await saved(page);
  });

  it('sets two rigs side by side, and packs for the lesson, without finding', async () => {
    await at.open('/rig');
    await clickText(page, 'article a', 'Two nymphs');
    const select = await page.waitForSelector('select.beside option:nth-child(2)');
    const other = await select?.evaluate((option) => (option as HTMLOptionElement).value);
    await page.select('select.beside', other ?? '');
    await byText(page, 'h1', 'Side by side');
    await settled(page);
    expect(await page.evaluate(overlaps)).toEqual([]);
    expect(await axeFindings(page)).toEqual([]);
    await at.open('/today');
    await clickText(page, 'a', 'Packing list');
    await byText(page, 'h2', 'How the spares come about');
    await settled(page);
    expect(await axeFindings(page)).toEqual([]);
  });

  it('works for a second person on a phone', async () => {
    const phone = await openTab(at.browser, PHONE);
    await signIn(phone.page, at.server.url, LEAD, '/rig');
    await clickText(phone.page, 'article a', 'Two nymphs');
    await phone.page.waitForSelector('[data-figure]');
    await settled(phone.page);
    expect(await axeFindings(phone.page)).toEqual([]);
    expect(phone.complaints).toEqual([]);
    await phone.page.browserContext().close();
  });

  it('the page complained of nothing', () => expect(at.complaints).toEqual([]));
});
