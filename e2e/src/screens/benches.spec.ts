import { axeFindings } from '../lib/axe';
import { byText, clickText, openTab, PHONE, settled, signIn, textOf } from '../lib/browser';
import { ask } from '../lib/device';
import { type World, world } from '../lib/world';

/** Drift, Cast and Strike in the browser, with their workers. */
describe('the benches that make the invisible visible', () => {
  let at: World;
  beforeAll(async () => {
    at = await world('benches');
  });
  afterAll(() => at?.end());

  const told = (): Promise<string> => textOf(at.page, 'doceo-top-view .told');
  const untilOther = (before: string): Promise<unknown> =>
    at.page.waitForFunction(
      (text) => document.querySelector('doceo-top-view .told')?.textContent?.trim() !== text,
      {},
      before,
    );

  it('computes a drift, ranks what else may be done, and takes the best', async () => {
    const { page } = at;
    await at.open('/drift');
    await byText(page, 'doceo-top-view .told', /drag begins|clean to the end/);
    await byText(page, 'doceo-rank-panel p', /(\d\d) ways, \1 tried/);
    expect(await axeFindings(page)).toEqual([]);
    const before = await told();
    await page.click('doceo-rank-panel li:first-child button');
    await untilOther(before);
    const metres = (text: string): number => {
      const [, value, unit] = /([\d.]+) (c?m)$/.exec(text) ?? [];
      return Number(value) / (unit === 'cm' ? 100 : 1);
    };
    expect(metres(await told())).toBeGreaterThan(metres(before));
  });

  it('follows a lane and the angler dragged by the mouse, and plays', async () => {
    const { page } = at;
    await at.open('/drift');
    await byText(page, 'doceo-top-view .told', /drag begins|clean to the end/);
    const drag = async (selector: string, dx: number, dy: number): Promise<void> => {
      const box = (await (await page.waitForSelector(selector))!.boundingBox())!;
      const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
      await page.mouse.move(x, y);
      await page.mouse.down();
      await page.mouse.move(x + dx, y + dy, { steps: 6 });
      await page.mouse.up();
    };
    const speed = (): Promise<string> => textOf(page, '.lane text');
    const first = await speed();
    await drag('.lane .plate', -200, 0);
    await page.waitForFunction(
      (text) => document.querySelector('.lane text')?.textContent?.trim() !== text,
      {},
      first,
    );
    expect(await speed()).toContain('back');
    const words = await page.$eval('[aria-label^="You,"]', (one) => one.getAttribute('aria-label'));
    await drag('[aria-label^="You,"] .you', 70, -20);
    await page.waitForFunction(
      (text) => document.querySelector('[aria-label^="You,"]')?.getAttribute('aria-label') !== text,
      {},
      words,
    );
    await page.$eval('input[type=range]', (field) => {
      (field as HTMLInputElement).value = '0';
      field.dispatchEvent(new Event('input', { bubbles: true }));
    });
    await clickText(page, '.play button', 'Play');
    await page.waitForFunction(
      () => parseFloat(document.querySelector('.play .time')?.textContent ?? '0') > 0.5,
    );
    await clickText(page, '.play button', 'Stop');
  });

  it('maps where to set the float, sets the rig so, and takes that back', async () => {
    const { page } = at;
    await at.open('/drift');
    await clickText(page, 'button', 'Under water');
    await byText(page, 'doceo-side-figures dt', 'Comes to');
    await clickText(page, 'button', 'Work out the map');
    await page.waitForSelector('doceo-sweep-map progress');
    await page.waitForFunction(() => !document.querySelector('doceo-sweep-map progress'));
    const chart = (await page.$('doceo-sweep-map doceo-chart'))!;
    await chart.scrollIntoView();
    const box = (await chart.boundingBox())!;
    await page.mouse.click(box.x + box.width * 0.5, box.y + box.height * 0.45);
    await byText(page, '.tried', 'of shot added');
    await clickText(page, '.tried button', 'Set my rig so');
    await byText(page, '.tried', 'is set so');
    await clickText(page, '.tried button', 'Undo');
    await page.waitForFunction(() => !document.querySelector('.tried'));
  });

  it('shows the fault of a stroke, and the beat of a line', async () => {
    const { page } = at;
    await at.open('/cast');
    await byText(page, 'doceo-loop-signs', 'No fault of the catalogue is seen');
    await page.waitForFunction(() => document.querySelectorAll('doceo-loop-gallery button').length === 8);
    expect(await axeFindings(page)).toEqual([]);
    await clickText(page, 'doceo-loop-gallery button', 'too soon');
    await byText(page, '.fault', 'Forward too soon');
    await clickText(page, 'button', 'Pause');
    await clickText(page, 'button', 'Beat');
    await byText(page, '.say', /wait|back|forward/);
    expect(await axeFindings(page)).toEqual([]);
    await clickText(page, 'button', 'Casts');
    await clickText(page, 'button', 'Steeple');
    await byText(page, '.say', /./);
    expect(await axeFindings(page)).toEqual([]);
  });

  it('trains: results go into the record of a student and move the estimate', async () => {
    const { page } = at;
    await at.open('/strike');
    const lessons = await ask<{ id: string; studentIds: string[]; startsAt: string }[]>(page, '/api/lessons');
    const next = lessons.find(({ startsAt }) => Date.parse(startsAt) > Date.now())!;
    const studentId = next.studentIds[0]!;
    await page.select('doceo-record-for select', studentId);
    expect(await axeFindings(page)).toEqual([]);
    await clickText(page, 'button', 'Begin');
    await page.waitForSelector('.stage.on');
    // A blind player, often enough to meet something.
    for (let i = 0; i < 16; i++) {
      await new Promise((resolve) => setTimeout(resolve, 1300));
      await page.keyboard.press('Space');
    }
    await page.keyboard.press('Escape');
    const kept = await textOf(page, 'doceo-kept-on-bench [role=status]');
    expect(kept.trim()).toMatch(/^(That is|These [1-9]\d* attempts are) in the record of/);
    await page.waitForFunction(
      async (lessonId, id) => {
        const reply = await fetch(`/api/events?lessonId=${lessonId}`);
        const events = (await reply.json()) as {
          studentId: string;
          body: { kind: string; skillId?: string; drillId: string | null };
        }[];
        return events.some(
          ({ studentId: of, body }) =>
            of === id &&
            body.kind === 'attempt' &&
            body.skillId?.startsWith('hook-setting.') &&
            body.drillId === null,
        );
      },
      {},
      next.id,
      studentId,
    );
    await clickText(page, 'button', 'The set');
    await byText(page, '.verdict', /./);
    expect(await axeFindings(page)).toEqual([]);
  });

  it('fits a phone, and the trainer runs there by taps without a network', async () => {
    const { page } = await openTab(at.browser, PHONE);
    await signIn(page, at.server.url, 'lead@ternalder.example', '/strike');
    for (const path of ['/drift', '/cast', '/strike']) {
      await page.goto(`${at.server.url}${path}`);
      await page.waitForSelector('h1');
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    }
    await page.setOfflineMode(true);
    await clickText(page, 'button', 'Begin');
    await page.waitForSelector('.stage.on');
    await new Promise((resolve) => setTimeout(resolve, 2800));
    await page.touchscreen.tap(180, 300);
    await page.waitForSelector('.said');
    await clickText(page, 'button', 'End');
    await byText(page, 'doceo-trainer-score', 'takes seen');
    await page.setOfflineMode(false);
    await page.browserContext().close();
  });

  it.each([
    ['/drift', 'Where the fly lands', -30],
    ['/cast', 'Point 3 of the tip’s path', 50],
    ['/strike', 'Where the rod tip sweeps', 40],
    ['/water', 'Depth of the fish', 30],
  ])('on a phone, %s: a finger moves “%s” up and down, and not the page', async (path, label, byPx) => {
    const { page } = await openTab(at.browser, PHONE);
    await signIn(page, at.server.url, 'lead@ternalder.example', path);
    if (path === '/strike') await clickText(page, 'button', 'The set');
    // What is still fetched or computed moves the picture under the finger: above it the stands come last.
    if (path === '/water') {
      await page.waitForSelector('doceo-beat-board svg');
      await byText(page, '.places', 'places for');
      await page.waitForFunction(() => !document.querySelector('.places')?.textContent.includes('looking'));
    }
    await settled(page);
    const handle = (await page.waitForSelector(`[aria-label="${label}"]`))!;
    const value = (): Promise<string> =>
      handle.evaluate((one) => `${one.getAttribute('aria-valuenow')} ${one.getAttribute('aria-valuetext')}`);
    await handle.evaluate((one) => one.scrollIntoView({ block: 'center' }));
    const [before, scrolled] = [await value(), await page.$eval('main', (main) => main.scrollTop)];
    const box = (await (await handle.$('.touch'))!.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const finger = await page.touchscreen.touchStart(x, y);
    for (let i = 1; i <= 6; i++) await finger.move(x, y + (byPx * i) / 6);
    await finger.end();
    await page.waitForFunction(
      (name, was) => {
        const one = document.querySelector(`[aria-label="${name}"]`);
        return `${one?.getAttribute('aria-valuenow')} ${one?.getAttribute('aria-valuetext')}` !== was;
      },
      {},
      label,
      before,
    );
    expect(await page.$eval('main', (main) => main.scrollTop)).toBe(scrolled);
    await page.browserContext().close();
  });
});
