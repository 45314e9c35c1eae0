import { axeFindings } from '../lib/axe';
import { byText, clickText, fill, PHONE, settled, textOf } from '../lib/browser';
import { ask } from '../lib/device';
import { type World, world } from '../lib/world';

/** A water and its day, in the browser. */
describe('the water', () => {
  let at: World;
  beforeAll(async () => {
    at = await world('water');
  });
  afterAll(() => at?.end());

  it('draws the day of the lesson, which the strip tells on every screen', async () => {
    const { page } = at;
    await at.open('/water');
    await byText(page, 'h1', 'River Ostrel');
    await page.waitForSelector('doceo-conditions-chart canvas');
    expect(await axeFindings(page)).toEqual([]);
    const told = await textOf(page, 'doceo-strip');
    expect(told).toMatch(
      /level (?:usual|\+[\d.]+ c?m), (rising|falling|steady)\s*water \d+(\.\d)? °C\s*wind \d+ m\/s/,
    );
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
    await settled(page);
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

  it('lends depth, hour and water to the rig bench, and not to the plan', async () => {
    const { page } = at;
    await at.open('/today');
    const lessons = await ask<{ id: string; planId: string; waterName: string }[]>(page, '/api/lessons');
    const own = lessons.find(({ waterName }) => waterName === 'River Ostrel')!;
    await page.select('doceo-strip select', own.id);
    await at.open('/water');
    await clickText(page, 'button', 'Benches: take depth and speed here');
    await at.open('/rig');
    await clickText(page, 'article a', 'Two nymphs');
    const here = await textOf(page, '[data-here]');
    const ratio = await textOf(page, '[data-figure=indicator-distance]');
    expect(here).toMatch(/Figures for .*, River Ostrel, \d\d:\d\d: [\d.]+ c?m/);

    // Another hour: the river's level goes with it.
    await at.open('/water');
    await page.waitForSelector('.hour input');
    const level = (): Promise<string> => textOf(page, '.hour .figure:last-child');
    const first = await level();
    await page.focus('.hour input');
    for (let i = 0; i < 23 && (await level()).split(',')[0] === first.split(',')[0]; i++)
      await page.keyboard.press(i < 12 ? 'ArrowLeft' : 'End');
    await byText(page, 'doceo-strip .as-if', 'as if at River Ostrel');
    await at.open('/rig');
    await clickText(page, 'article a', 'Two nymphs');
    const later = await textOf(page, '[data-here]');
    expect(later).not.toBe(here);

    // Another water: the same rig stands in another depth.
    await at.open('/water');
    await page.select(
      'label.small.row select',
      await page.$eval(
        'label.small.row select',
        (field) =>
          [...(field as HTMLSelectElement).options].find(({ text }) => text === 'Fennick Beck')!.value,
      ),
    );
    await byText(page, 'h1', 'Fennick Beck');
    await page.waitForFunction(() => document.querySelector('.spot'));
    await at.open('/rig');
    await clickText(page, 'article a', 'Two nymphs');
    await byText(page, '[data-here]', 'Fennick Beck');
    expect(await textOf(page, '[data-figure=indicator-distance]')).not.toBe(ratio);

    // The plan is checked at its own water, and looking elsewhere ends on the way to it.
    await at.open(`/plan/${own.planId}`);
    await page.waitForSelector('doceo-plan-check article');
    expect(await page.$('doceo-strip .as-if')).toBeNull();
    expect(await textOf(page, 'doceo-plan-check')).not.toContain('Fennick Beck');
    await at.open('/water');
    await clickText(page, 'button', 'Benches: the rigs’ own depths');
  });

  it('takes a reading over the station, and back', async () => {
    const { page } = at;
    await at.open('/water');
    await page.waitForSelector('doceo-readings-panel');
    await byText(page, 'h1', 'River Ostrel');
    await page.select('doceo-readings-panel select', 'airC');
    await fill(page, 'input[name=reading]', 'mild');
    await clickText(page, 'button', 'Put it down');
    await byText(page, 'doceo-readings-panel [role=alert]', 'is no number');
    expect(await page.$eval('input[name=reading]', (field) => (field as HTMLInputElement).value)).toBe(
      'mild',
    );
  });

  it('can be read on a phone, with nothing beyond its edge', async () => {
    const { page } = at;
    await page.setViewport(PHONE);
    await at.open('/water');
    await page.waitForSelector('doceo-conditions-chart canvas');
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBe(0);
    await page.click('doceo-rail .rest');
    const stops = await page.$$eval('doceo-rail nav :is(a, button)', (all) =>
      all
        .map((one) => ({ name: one.textContent?.trim(), at: one.getBoundingClientRect() }))
        .filter(
          ({ at }) =>
            at.width < 56 ||
            at.height < 56 ||
            at.left < 0 ||
            at.right > innerWidth ||
            at.bottom > innerHeight,
        ),
    );
    expect(stops).toEqual([]);
    await clickText(page, 'doceo-rail a.far', 'Drift');
    await page.waitForSelector('doceo-top-view');
    expect(await page.$eval('doceo-rail .rest', (button) => button.getAttribute('aria-label'))).toBe(
      'More stops; you are at Drift',
    );
    expect(await page.$$eval('doceo-rail nav.open', (all) => all.length)).toBe(0);
  });

  it('the page complained of nothing', () => expect(at.complaints).toEqual([]));
});
