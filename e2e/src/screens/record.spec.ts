import { existsSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { axeFindings } from '../lib/axe';
import { byText, clickText, PHONE, textOf } from '../lib/browser';
import { ask } from '../lib/device';
import { pagesOf } from '../lib/pdf';
import { type World, world } from '../lib/world';

/** What a record teaches, in the browser. */
describe('the record', () => {
  let at: World;
  let folder: string;
  let sam: string;
  /** The file that a click brings, moved out of the way of the next one. */
  const fileOf = async (click: () => Promise<void>, name: string): Promise<string> => {
    await click();
    const done = (): string | undefined => readdirSync(folder).find((one) => /^sam.*\.(pdf|json)$/.test(one));
    for (let i = 0; i < 200 && !done(); i++) await new Promise((resolve) => setTimeout(resolve, 100));
    const path = join(folder, name);
    renameSync(join(folder, done() ?? ''), path);
    return path;
  };

  beforeAll(async () => {
    at = await world('record');
    folder = mkdtempSync(join(tmpdir(), 'doceo-files-'));
    const session = await at.browser.target().createCDPSession();
    await session.send('Browser.setDownloadBehavior', {
      behavior: 'allow',
      downloadPath: folder,
      browserContextId: at.page.browserContext().id ?? '',
    });
    const students = await ask<{ id: string; student: { name: string } }[]>(at.page, '/api/students');
    sam = students.find(({ student }) => student.name === 'Sam Okande')!.id;
  });
  afterAll(async () => {
    await at?.end();
    if (folder && existsSync(folder)) rmSync(folder, { recursive: true, force: true });
  });

  it('flows as four streams that join, and goes back through the season by keys', async () => {
    const { page } = at;
    await at.open(`/record/${sam}`);
    expect(await page.$$eval('.join', (joins) => joins.length)).toBe(4);
    const label = (): Promise<string> =>
      page.$eval('[data-skill="casting.pause"]', (reach) => reach.getAttribute('aria-label') ?? '');
    const today = await label();
    await page.focus('input[type=range]');
    await page.keyboard.press('Home');
    await byText(page, 'output', /^\d+ \w+ \d{4}$/);
    expect(await label()).not.toBe(today);
    await page.keyboard.press('End');
    await byText(page, 'output', 'Today');
    expect(await label()).toBe(today);
    expect(await axeFindings(page)).toEqual([]);
  });

  it('can be read on a phone, with nothing beyond its edge', async () => {
    const { page } = at;
    await page.setViewport(PHONE);
    for (const path of [`/record/${sam}`, '/record/group', '/record', `/record/${sam}/card`]) {
      await at.open(path);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect([path, wide]).toEqual([path, 0]);
    }
    await at.open(`/record/${sam}`);
    expect(await page.$('svg.phone')).not.toBeNull();
    await page.setViewport({ width: 1280, height: 800 });
  });

  it('is fitted to the school’s records by a job, which says that there are too few', async () => {
    const { page } = at;
    await at.open(`/record/${sam}`);
    await page.click('doceo-skill-panel > details > summary');
    await page.click('doceo-skill-fit summary');
    await byText(page, 'doceo-skill-fit', 'In use: the priors that ship');
    await clickText(page, 'doceo-skill-fit button', 'Fit to all records now');
    await byText(page, 'doceo-skill-fit', /needs 12 students and 200 attempts; there are \d+ and \d+, as of/);
    expect(await textOf(page, 'doceo-skill-fit')).toContain('In use: the priors that ship');
  });

  it('shows who of the group is ready for what, and how well the drills worked', async () => {
    const { page } = at;
    await at.open('/record/group');
    await byText(page, 'h2', 'How well each drill worked');
    expect(await page.$$eval('doceo-effect-list circle', (dots) => dots.length)).toBeGreaterThan(3);
    expect(await axeFindings(page)).toEqual([]);
    await clickText(page, '.segments button', 'all students');
    await page.waitForFunction(() => document.querySelectorAll('thead a').length === 6);
  });

  it.each([
    ['A4', 595.28, 841.89],
    ['Letter', 612, 792],
  ])('becomes a card on one page of %s, with no word beyond its margins', async (paper, width, height) => {
    const { page } = at;
    await at.open(`/record/${sam}/card`);
    await clickText(page, '.segments button', paper);
    const file = await fileOf(() => clickText(page, 'button', 'Save as PDF'), `${paper}.pdf`);
    const pages = pagesOf(file);
    expect(pages).toHaveLength(1);
    const [only] = pages;
    expect(only?.width).toBeCloseTo(width, 1);
    expect(only?.height).toBeCloseTo(height, 1);
    const text = only?.words.map((word) => word.text).join(' ') ?? '';
    for (const told of ['Sam’s day', 'Work on one thing', 'It comes from', 'Glasses on', 'Maren Voss'])
      expect(text).toContain(told);
    for (const { text: word, left, top, right, bottom } of only?.words ?? [])
      expect([word, left >= 47, right <= width - 47, top >= 40, bottom <= height - 20]).toEqual([
        word,
        true,
        true,
        true,
        true,
      ]);
    for (const name of await page.$$eval('.good b', (things) => things.map((thing) => thing.textContent)))
      expect(text).toContain(name);
  });

  it('prints each card on one page, a lesson on both sides of a sheet, and no screen on pages of which the last is mostly blank', async () => {
    const { page } = at;
    const [lessons, rigs, plans] = await Promise.all([
      ask<{ id: string }[]>(page, '/api/lessons'),
      ask<{ id: string }[]>(page, '/api/rigs'),
      ask<{ id: string }[]>(page, '/api/plans'),
    ]);
    const printed = async (path: string): Promise<ReturnType<typeof pagesOf>> => {
      await at.open(path);
      const file = join(folder, 'printed.pdf');
      await page.pdf({ path: file, format: 'A4', printBackground: true });
      return pagesOf(file);
    };
    const cards = [
      ...lessons.flatMap(({ id }): [string, number][] => [
        [`/lesson/${id}`, 2],
        [`/lesson/${id}/kit`, 1],
      ]),
      ...[`/rig/${rigs[0]?.id}/card`, '/cast/card', '/drift/card'].map((path): [string, number] => [path, 1]),
    ];
    for (const [path, sides] of cards) expect([path, (await printed(path)).length]).toEqual([path, sides]);
    const screens = ['/today', '/water', `/rig/${rigs[0]?.id}`, '/record/group', `/plan/${plans[0]?.id}`];
    for (const path of screens) {
      const last = (await printed(path)).at(-1);
      const down = Math.max(0, ...(last?.words ?? []).map(({ bottom }) => bottom)) / (last?.height ?? 1);
      expect([path, down > 0.25]).toEqual([path, true]);
    }
  });

  it('goes with the student, and comes back from the file', async () => {
    const { page } = at;
    await at.open(`/record/${sam}`);
    const attempts = await textOf(page, 'header .small');
    const file = await fileOf(() => clickText(page, 'button', 'Everything, as JSON'), 'everything.json');
    expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({ format: 'doceo-student' });
    await clickText(page, 'button', /^Delete this student/);
    await clickText(page, 'button', 'Delete for good');
    await byText(page, 'h1', 'Students');
    await page.waitForFunction(() => !document.body.textContent?.includes('Sam Okande'));
    const field = await page.waitForSelector('input[type=file]');
    await (field as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(file);
    await byText(page, 'h1', 'Sam Okande');
    await byText(page, 'h2', 'What was seen');
    expect(await textOf(page, 'header .small')).toBe(attempts);
  });

  it('the page complained of nothing', () => expect(at.complaints).toEqual([]));
});
