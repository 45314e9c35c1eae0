import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readBeatFile, readSoundings } from '@doceo/contract';
import type { ElementHandle, Page } from 'puppeteer-core';
import { axeFindings } from '../lib/axe';
import { byText, clickText, PHONE, saved } from '../lib/browser';
import { ask } from '../lib/device';
import { SOUNDINGS, soundingsTable } from '../speed/soundings-bench';
import { type World, world } from '../lib/world';

interface Drawn {
  id: string;
  beat: {
    name: string;
    pieces: { kind: string; name: string; depthM: number | null; shape: { x: number; y: number }[] }[];
  };
}

/** Waters drawn by hand, taken in from files and saved to them, in the browser. */
describe('drawing a water', () => {
  let at: World;
  let page: Page;
  /** Where files are saved to, and where those lie that are given. */
  let folder: string;
  let given: string;
  let waters: Record<string, string>;
  beforeAll(async () => {
    at = await world('draw');
    page = at.page;
    folder = mkdtempSync(join(tmpdir(), 'doceo-files-'));
    given = mkdtempSync(join(tmpdir(), 'doceo-given-'));
    const session = await at.browser.target().createCDPSession();
    await session.send('Browser.setDownloadBehavior', {
      behavior: 'allow',
      downloadPath: folder,
      browserContextId: page.browserContext().id ?? '',
    });
    await at.open('/today');
    const list = await ask<{ id: string; water: { name: string } }[]>(page, '/api/waters');
    waters = Object.fromEntries(list.map(({ id, water }) => [water.name, id]));
  });
  afterAll(async () => {
    await at?.end();
    for (const one of [folder, given]) rmSync(one, { recursive: true, force: true });
  });

  const beats = (): Promise<Drawn[]> => ask<Drawn[]>(page, `/api/waters/${waters['River Ostrel']}/beats`);
  /** The first beat once it is so on the server, or as it is when it never gets so. */
  const storedBeat = async (so: (beat: Drawn['beat']) => boolean): Promise<Drawn['beat']> => {
    let [found] = await beats();
    for (let i = 0; i < 100 && !so(found!.beat); i++) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      [found] = await beats();
    }
    return found!.beat;
  };
  const like =
    (wanted: Drawn['beat']) =>
    (beat: Drawn['beat']): boolean =>
      JSON.stringify(beat) === JSON.stringify(wanted);
  const openBeat = async (): Promise<Drawn> => {
    const [first] = await beats();
    await at.open(`/water/${waters['River Ostrel']}/beats/${first!.id}`);
    await page.waitForSelector('doceo-sheet-editor .work > svg .piece');
    return first!;
  };
  const sheet = async (): Promise<{ left: number; top: number; scale: number }> => {
    const svg = (await page.$('doceo-sheet-editor .work > svg')) as ElementHandle<SVGSVGElement>;
    return svg.evaluate((element) => {
      element.scrollIntoView({ block: 'center' });
      const { left, top, width } = element.getBoundingClientRect();
      const [x = 0, y = 0, wide = 1] = (element.getAttribute('viewBox') ?? '').split(' ').map(Number);
      const scale = width / wide;
      return { left: left - x * scale, top: top - y * scale, scale };
    });
  };
  /** Waits for a file whose name ends so, and reads it. */
  const downloaded = async (ending: string): Promise<string> => {
    for (let i = 0; i < 100; i++) {
      const name = readdirSync(folder).find((one) => one.endsWith(ending));
      if (name) {
        const text = readFileSync(join(folder, name), 'utf8');
        rmSync(join(folder, name));
        return text;
      }
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error(`no file ${ending}`);
  };
  const upload = async (label: string, name: string, text: string): Promise<void> => {
    const path = join(given, name);
    writeFileSync(path, text);
    const field = await page.evaluateHandle(
      (words) =>
        [...document.querySelectorAll('label')]
          .find((one) => one.textContent?.includes(words))
          ?.querySelector('input') as HTMLInputElement,
      label,
    );
    await (field as ElementHandle<HTMLInputElement>).uploadFile(path);
  };

  it('puts a pool down with the mouse, on the grid, and gives it a depth; undo takes it back', async () => {
    const before = await openBeat();
    await clickText(page, '.kind', 'pocket');
    const { left, top, scale } = await sheet();
    for (const [x, y] of [
      [61.2, 25.1],
      [66.1, 25.1],
      [66.1, 28.9],
      [61.2, 28.9],
      [61.2, 25.1],
    ] as const)
      await page.mouse.click(left + x * scale, top + y * scale);
    await byText(page, 'doceo-piece-inspector h2', 'pocket');
    await page.$eval(
      'doceo-piece-inspector input[name=depth]',
      (field) => ((field as HTMLInputElement).value = '80 cm'),
    );
    await page.$eval('doceo-piece-inspector input[name=depth]', (field) =>
      field.dispatchEvent(new Event('change')),
    );
    await saved(page);
    const drawn = (await storedBeat(({ pieces }) => pieces.at(-1)?.depthM === 0.8)).pieces.at(-1);
    expect(drawn).toMatchObject({
      kind: 'pocket',
      depthM: 0.8,
      shape: [
        { x: 61, y: 25 },
        { x: 66, y: 25 },
        { x: 66, y: 29 },
        { x: 61, y: 29 },
      ],
    });
    await clickText(page, 'button', 'Undo');
    await clickText(page, 'button', 'Undo');
    await saved(page);
    expect(await storedBeat(like(before.beat))).toEqual(before.beat);
  });

  it('is done by keys alone: a piece drawn, moved and taken out', async () => {
    const before = await openBeat();
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('.kind')]
        .find((one) => one.textContent?.includes('riffle'))
        ?.focus(),
    );
    const keys = async (...names: Parameters<Page['keyboard']['press']>[0][]): Promise<void> => {
      for (const name of names) await page.keyboard.press(name);
    };
    await keys('Enter');
    await byText(page, '[role=status]', 'Corners of the riffle');
    await keys('Space', 'ArrowRight', 'ArrowRight', 'Space', 'ArrowDown', 'ArrowDown', 'Space', 'Enter');
    await byText(page, 'doceo-piece-inspector h2', 'riffle');
    await page.evaluate(() =>
      [...document.querySelectorAll<SVGElement>('doceo-sheet-editor .piece')].at(-1)?.focus(),
    );
    await keys('ArrowUp');
    await saved(page);
    const drawn = (await storedBeat(({ pieces }) => pieces.at(-1)?.shape[0]?.y === 22.5)).pieces.at(-1)!;
    expect(drawn.shape[1]!.x - drawn.shape[0]!.x).toBe(1);
    expect(drawn.shape[0]!.y).toBe(22.5);
    await keys('Delete');
    await saved(page);
    expect(await storedBeat(like(before.beat))).toEqual(before.beat);
  });

  it('drags a corner, and says which piece crosses itself while nothing is lost', async () => {
    await openBeat();
    const { left, top, scale } = await sheet();
    await clickText(page, '.kind', 'gravel bar');
    for (const [x, y] of [
      [2, 38],
      [8, 38],
      [8, 42],
      [2, 42],
      [2, 38],
    ] as const)
      await page.mouse.click(left + x * scale, top + y * scale);
    await byText(page, 'doceo-piece-inspector h2', 'gravel bar');
    await page.mouse.move(left + 8 * scale, top + 38 * scale);
    await page.mouse.down();
    await page.mouse.move(left + 4 * scale, top + 44 * scale, { steps: 5 });
    await page.mouse.up();
    await byText(
      page,
      '[role=alert]',
      'gravel bar “gravel bar”, corner 1: its side crosses the one from corner 3',
    );
    await page.waitForSelector('[data-save-state=refused]');
    await page.reload();
    await byText(page, '[role=alert]', 'its side crosses');
    await page.$eval('doceo-sheet-editor .piece.faulty', (piece) => (piece as SVGElement).focus());
    await page.keyboard.press('Delete');
    await saved(page);
  });

  it('goes to GeoJSON and back exactly, and a broken file is named and changes nothing', async () => {
    const before = await openBeat();
    await clickText(page, 'button', 'Save as GeoJSON');
    const text = await downloaded('.geojson');
    expect(readBeatFile(text).file?.pieces).toEqual(before.beat.pieces);
    await upload('Open GeoJSON', 'broken.geojson', text.replace('"Polygon"', '"LineString"'));
    await byText(page, '[role=alert]', 'is a LineString');
    expect(await storedBeat(like(before.beat))).toEqual(before.beat);
    await upload(
      'Open GeoJSON',
      'other.geojson',
      text.replace('"name": "Ford Pool"', '"name": "Ford Pool, mended"'),
    );
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('input[name=title]')?.value === 'Ford Pool, mended',
    );
    await saved(page);
    await clickText(page, 'button', 'Save as GeoJSON');
    expect(await downloaded('.geojson')).toBe(
      text.replace('"name": "Ford Pool"', '"name": "Ford Pool, mended"'),
    );
    await clickText(page, 'button', 'Undo');
    await saved(page);
    expect(await storedBeat(like(before.beat))).toEqual(before.beat);
  });

  it('refuses fifty megabytes before reading them', async () => {
    await openBeat();
    await upload('Open GeoJSON', 'huge.geojson', ' '.repeat(50_000_000));
    await byText(page, '[role=alert]', 'is too large: 50.0 MB of at most 5.0 MB');
  });

  it('draws a new beat and takes it out again', async () => {
    await at.open('/water');
    await clickText(page, 'a', 'New beat');
    await page.waitForSelector('doceo-sheet-editor .work > svg .piece');
    const count = (await beats()).length;
    await page.$eval('input[name=title]', (field) => {
      (field as HTMLInputElement).value = 'Mill leat';
      field.dispatchEvent(new Event('change'));
    });
    await saved(page);
    for (let i = 0; i < 50 && (await beats()).length === count; i++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect((await beats()).map(({ beat }) => beat.name)).toContain('Mill leat');
    await clickText(page, 'button', 'Delete this beat');
    await byText(page, 'h1', 'River Ostrel');
    expect(await beats()).toHaveLength(count);
    // One tap too many is taken back from its message.
    await clickText(page, 'p-toast button', 'Undo');
    await page.waitForSelector('doceo-sheet-frame');
    expect((await beats()).map(({ beat }) => beat.name)).toContain('Mill leat');
    await clickText(page, 'button', 'Delete this beat');
    await byText(page, 'h1', 'River Ostrel');
  });

  it('takes in twenty thousand soundings in a worker, with progress, stop, and the page awake', async () => {
    await at.open(`/water/${waters['Merrow Lake']}/lake`);
    await page.waitForSelector('doceo-sheet-editor .work > svg .piece');
    const text = soundingsTable();
    await upload('Import soundings', 'soundings.csv', text);
    await byText(page, '.sounded dd', /ha$/);
    await byText(page, '.sounded', `${SOUNDINGS} soundings`);
    await saved(page);
    await clickText(page, 'button', 'Save soundings');
    const sheetOf = { lengthM: 960, widthM: 620, origin: { longitude: 0, latitude: 0, bearingDeg: 90 } };
    expect(readSoundings(await downloaded('.csv'), sheetOf).file).toEqual(readSoundings(text, sheetOf).file);
    await clickText(page, 'button', 'See the depths');
    await clickText(page, 'button', 'Stop').catch(() => undefined);
    await page.waitForFunction(() => !document.querySelector('.sounded progress'));
    await clickText(page, 'button', 'Take all out');
    await byText(page, '.sounded', '0 soundings');
    await saved(page);
  });

  it('names the line of a broken table and takes in none of it', async () => {
    await at.open(`/water/${waters['Merrow Lake']}/lake`);
    await page.waitForSelector('doceo-sheet-editor .work > svg .piece');
    await upload('Import soundings', 'broken.csv', 'x_m,y_m,depth_m\n100,100,3\n"100,5",100,3\n');
    await byText(page, '[role=alert]', 'line 3, x_m');
    await byText(page, '.sounded', '0 soundings');
  });

  it('shows a chosen piece with its corners, and nothing of the room for a thumb around them', async () => {
    await openBeat();
    await page.$eval('svg .piece', (piece) => (piece as SVGElement).focus());
    await page.waitForSelector('.corner .touch');
    const fills = await page.$$eval('.touch', (all) => all.map((one) => getComputedStyle(one).fill));
    expect(new Set(fills)).toEqual(new Set(['rgba(0, 0, 0, 0)']));
  });

  it('meets the rules of access, and fits a phone', async () => {
    await openBeat();
    expect(await axeFindings(page)).toEqual([]);
    await page.setViewport(PHONE);
    await at.open(`/water/${waters['Merrow Lake']}/lake`);
    await page.waitForSelector('doceo-sheet-editor .work > svg .piece');
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBe(0);
    expect(await axeFindings(page)).toEqual([]);
  });

  it('the page complained of nothing', () => expect(at.complaints).toEqual([]));
});
