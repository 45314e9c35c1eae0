import { axeFindings } from './axe';
import { byText, PHONE, textOf } from './browser';
import { ask } from './device';
import { type World, world } from './world';

/** A water and its day, in the browser. */
describe('the water', () => {
  let at: World;
  beforeAll(async () => {
    at = await world('water');
  }, 90_000);
  afterAll(() => at?.end());

  it('draws the day of the lesson, which the strip tells on every screen', async () => {
    const { page } = at;
    await at.open('/water');
    await byText(page, 'h1', 'River Ostrel');
    await page.waitForSelector('doceo-conditions-chart canvas');
    expect(await axeFindings(page)).toEqual([]);
    const told = await textOf(page, 'doceo-strip');
    expect(told).toMatch(/level \+[\d.]+ c?m, (rising|falling|steady)\s*water \d+(\.\d)? °C\s*wind \d+ m\/s/);
    await at.open('/rig');
    expect(await textOf(page, 'doceo-strip')).toBe(told);
  });

  it('draws the beat, with a place for each student, and opens one by keys', async () => {
    const { page } = at;
    await at.open('/water');
    await page.waitForSelector('doceo-beat-board .stand');
    const stands = await page.$$eval('.stand', (all) => all.length);
    expect(stands).toBeGreaterThan(1);
    await page.evaluate(() => [...document.querySelectorAll<SVGElement>('.stand')].at(-1)?.focus());
    await page.keyboard.press('Enter');
    await byText(page, 'doceo-beat-panel h2', `Stand ${stands}`);
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('.segments button')]
        .find((button) => button.textContent?.trim() === 'Long Glide')
        ?.click(),
    );
    await page.waitForSelector('svg[aria-label^="Long Glide"] .hazard');
  });

  it('has a fish and an angler that can be dragged', async () => {
    const { page } = at;
    await at.open('/water');
    const fish = await page.waitForSelector('[aria-label="Depth of the fish"] .touch');
    await fish?.scrollIntoView();
    const box = (await fish?.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 40, { steps: 4 });
    await page.mouse.up();
    const depth = await page.$eval('[aria-label="Depth of the fish"]', (one) =>
      Number(one.getAttribute('aria-valuenow')),
    );
    expect(depth).toBeGreaterThan(1.3);
    await byText(page, 'doceo-fish-window', new RegExp(`${depth.toFixed(2)} m deep`));
  });

  it('changes strip and check at once when another lesson is chosen', async () => {
    const { page } = at;
    await at.open('/water');
    const before = await textOf(page, 'doceo-strip');
    const lessons = await ask<{ id: string; waterName: string }[]>(page, '/api/lessons');
    const lake = lessons.find(({ waterName }) => waterName === 'Merrow Lake')!;
    await page.select('doceo-strip select', lake.id);
    await byText(page, 'h1', 'Merrow Lake');
    await page.waitForFunction(
      (text) => document.querySelector('doceo-strip')?.textContent?.replace(/\s+/g, ' ').trim() !== text,
      {},
      before,
    );
    await page.waitForFunction(() => !document.querySelector('doceo-strip')?.textContent?.includes('level'));
    expect(await page.$('doceo-wading-card')).toBeNull();
  });

  it('can be read on a phone, with nothing beyond its edge', async () => {
    const { page } = at;
    await page.setViewport(PHONE);
    await at.open('/water');
    await page.waitForSelector('doceo-conditions-chart canvas');
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBe(0);
    const stops = await page.$$eval('doceo-rail nav a', (all) =>
      all.map((one) => one.getBoundingClientRect()).filter(({ width, height }) => width < 44 || height < 44),
    );
    expect(stops).toEqual([]);
  });

  it('the page complained of nothing', () => expect(at.complaints).toEqual([]));
});
