import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { TEMPLATE_IDS } from '@doceo/core';
import { axeFindings } from './axe';
import { byText, clickText, openTab, PHONE, saved, settled, signIn } from './browser';
import { LEAD, type World, world } from './world';

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

  beforeAll(async () => {
    at = await world('rig');
    page = at.page;
  }, 90_000);
  afterAll(() => at?.end());

  it.each(TEMPLATE_IDS)('%s opens, draws without words on words, computes, and fits a phone', async (id) => {
    await at.open('/rig');
    await page.click(`[data-template="${id}"]`);
    await page.waitForSelector('doceo-rig-drawing text');
    await settled(page);
    expect(await page.evaluate(overlaps)).toEqual([]);
    expect(await page.$$eval('[data-figure]', (figures) => figures.length)).toBeGreaterThanOrEqual(5);
    await page.setViewport(PHONE);
    await settled(page);
    expect(await page.evaluate(overlaps)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.setViewport({ width: 1280, height: 800 });
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
        version: 1,
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
      rmSync(folder, { recursive: true, force: true });
    }
  });

  it('lets a measurement beat the estimate, and keeps it', async () => {
    await at.open('/rig');
    await page.click('[data-template="dry-dropper"]');
    await clickText(page, 'summary', 'Measured beats estimated');
    const carries = '[data-fly=dry] input[aria-label="Carries, grams"]';
    await page.type(carries, '0.1');
    await page.keyboard.press('Tab');
    await byText(page, '.snag.stop h3', 'sinks');
    await byText(page, '[data-figure=float-margin]', 'How sure: measured');
    await saved(page);
    await page.reload();
    await byText(page, '.snag.stop h3', 'sinks');
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
