import { join } from 'node:path';
import type { UnitSystem } from '@doceo/core';
import type { Page } from 'puppeteer-core';
import { clickText, DESK, openTab, PHONE, settled, signIn } from '../lib/browser';
import { lowContrast } from '../lib/contrast';
import { ask } from '../lib/device';
import { LEAD, type World, world } from '../lib/world';
import { layoutFlaws } from './layout';
import { demoScreens, emptyScreens, type Press, type Screen } from './screens';
import { shiftFlaws, watchShifts } from './shifts';
import { foreignUnits } from './units';

// As low as a lying tablet with the bars of its browser.
const TABLET = { width: 1024, height: 600 };
const DEVICES = {
  desk: [DESK, TABLET],
  phone: [PHONE],
} as const;
type Device = keyof typeof DEVICES;

/** A folder for a picture of each of them, when one is named. */
const PICTURES = process.env['DOCEO_PICTURES'];

/** Least contrast of small text with what lies behind it, after WCAG 2 AA. */
const READABLE = 4.5;

/** Every screen, as somebody sees it who goes through all of them with and without data. */
describe('a walk through every screen', () => {
  let at: World;
  const tabs = new Map<string, Page>();
  const screens: Record<string, Screen[]> = {};

  beforeAll(async () => {
    at = await world('walk');
    for (const device of ['desk', 'phone'] as const)
      for (const whose of ['demo', 'none'] as const) {
        const { page } = await openTab(at.browser, DEVICES[device][0]);
        await watchShifts(page);
        if (whose === 'demo') await signIn(page, at.server.url, LEAD);
        else await newcomer(page, at.server.url, device);
        tabs.set(`${whose} ${device}`, page);
      }
    screens['demo'] = await demoScreens(tabs.get('demo desk') as Page);
    screens['none'] = emptyScreens;
  });
  afterAll(() => at?.end());

  it.each([
    ['demo', 'desk'],
    ['demo', 'phone'],
    ['none', 'desk'],
    ['none', 'phone'],
  ] as const)(
    'with data of %s at a %s finds nothing wrong',
    async (whose, device) => {
      const page = tabs.get(`${whose} ${device}`) as Page;
      const found: string[] = [];
      for (const screen of screens[whose] as Screen[])
        found.push(...(await walkScreen(page, device, screen, `${whose} ${screen.name}`)));
      expect(found).toEqual([]);
    },
    900_000,
  );

  async function walkScreen(page: Page, device: Device, screen: Screen, name: string): Promise<string[]> {
    const found: string[] = [];
    await page.setViewport(DEVICES[device][0]);
    await page.goto(`${at.server.url}${screen.path}`);
    await page.waitForSelector(
      'doceo-rail, .bank, doceo-shown-page, doceo-lost-page, doceo-consent-page, doceo-assist-page, doceo-mailbox-page',
    );
    await settled(page);
    found.push(...(await shiftFlaws(page)), ...(await look(page, device, name)));
    for (const one of screen.presses ?? [])
      found.push(...(await pressed(page, one)), ...(await look(page, device, `${name}, ${one.name}`)));
    return [...new Set(found)].map((flaw) => `${screen.name}: ${flaw}`);
  }

  /** All sizes and both units; ends in the first of each. */
  async function look(page: Page, device: Device, name: string): Promise<string[]> {
    const found = (await lowContrast(page, READABLE)).map((text) => `too pale: ${text}`);
    for (const size of DEVICES[device]) {
      await page.setViewport(size);
      for (const system of ['metric', 'imperial'] as const) {
        await speak(page, system);
        if (PICTURES) await takePicture(page, PICTURES, `${name} ${size.width} ${system}`);
        found.push(
          ...(await layoutFlaws(page, device === 'phone')).map((text) => `${size.width} ${system}: ${text}`),
        );
        if (size === DEVICES[device][0]) found.push(...(await foreignUnits(page, system)));
      }
      await speak(page, 'metric');
    }
    await page.setViewport(DEVICES[device][0]);
    return found;
  }
});

async function pressed(page: Page, { name, selector, text, then }: Press): Promise<string[]> {
  try {
    await clickText(page, selector, text);
  } catch {
    return [`nothing to press: ${name}`];
  }
  if (then) await page.waitForSelector(then);
  await settled(page);
  const lost = await page.evaluate(() => document.activeElement === document.body);
  return lost ? [`the focus is lost after ${name}`] : [];
}

/** A picture for whoever wants to look with his own eyes. */
async function takePicture(page: Page, folder: string, name: string): Promise<void> {
  await page.screenshot({ path: join(folder, `${name.replace(/[^\w, ]+/g, '')}.png`) as `${string}.png` });
}

async function speak(page: Page, system: UnitSystem): Promise<void> {
  await page.evaluate(async (wanted) => {
    const chip = document.querySelector<HTMLElement>('doceo-strip [aria-label^=Units], [data-units]');
    if (chip && !(chip.textContent ?? '').includes(wanted)) chip.click();
    for (let frame = 0; frame < 3; frame++) await new Promise((next) => requestAnimationFrame(next));
    await new Promise((next) => setTimeout(next, 30));
  }, system);
}

/** An account of its own with nothing in it. */
async function newcomer(page: Page, url: string, device: Device): Promise<void> {
  await page.goto(`${url}/today`);
  await page.waitForSelector('input[name=email]');
  const account = {
    name: 'Ines Alder',
    email: `ines.${device}@example.org`,
    password: 'long enough for this',
  };
  await ask(page, '/api/session/register', account);
  await ask(page, '/api/session', { email: account.email, password: account.password });
  await page.reload();
  await page.waitForSelector('doceo-rail');
}
