import { existsSync } from 'node:fs';
import puppeteer, { type Browser, type ElementHandle, type Page } from 'puppeteer-core';
import { noteRunning } from './left-running';

export const DESK = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true };

/** How often a page is looked at that is waited for, milliseconds. */
const LOOK_MS = 40;

/** How long is waited for a thing that must come: a busy machine can take more than a minute to start a page. */
const PATIENCE_MS = 120_000;

/** @param userDataDir a profile to go on with, for a device that is switched off and on */
export async function launch(userDataDir?: string): Promise<Browser> {
  const executablePath = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync);
  if (!executablePath) throw new Error('Chromium is not installed (Debian package chromium).');
  const sandbox = process.getuid?.() === 0 ? ['--no-sandbox'] : [];
  const browser = await puppeteer.launch({
    executablePath,
    timeout: PATIENCE_MS,
    ...(userDataDir ? { userDataDir } : {}),
    args: [
      ...sandbox,
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--font-render-hinting=none',
    ],
  });
  await noteRunning(() => browser.close());
  return browser;
}

/**
 * A tab of its own session, with what the page complains about collected.
 *
 * @param kept whether the application is kept on this device; doing so is half of the work of a first visit
 */
export async function openTab(
  browser: Browser,
  viewport = DESK,
  kept = false,
): Promise<{ page: Page; complaints: string[] }> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  page.setDefaultTimeout(PATIENCE_MS);
  looksSeldom(page);
  await page.setViewport(viewport);
  // Dialogs stand where they will be clicked from the start.
  await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
  if (!kept)
    await page.evaluateOnNewDocument(() => {
      if (navigator.serviceWorker) navigator.serviceWorker.register = () => new Promise(() => undefined);
    });
  const complaints: string[] = [];
  page.on('pageerror', (error) => complaints.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error' && !/Failed to load resource/.test(message.text()))
      complaints.push(message.text());
  });
  return { page, complaints };
}

/** By default a page that is waited for is looked at before every frame it draws, and draws one for that. */
function looksSeldom(page: Page): void {
  const wait = page.waitForFunction.bind(page);
  page.waitForFunction = (what, options, ...rest) => wait(what, { polling: LOOK_MS, ...options }, ...rest);
}

export async function signIn(page: Page, url: string, email: string, path = '/today'): Promise<void> {
  await page.goto(`${url}${path}`);
  await page.waitForSelector('input[name=email]');
  await page.type('input[name=email]', email);
  await page.type('input[name=password]', 'corvane-demo');
  await page.click('button[type=submit]');
  await page.waitForSelector('doceo-rail, .bank');
}

/** Goes to a screen without loading the application anew; stays where it is there already. */
export async function go(page: Page, path: string): Promise<void> {
  if (new URL(page.url()).pathname === path) return;
  await page.evaluate((to) => {
    window.history.pushState(null, '', to);
    window.dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  // The router numbers what it has gone to.
  await page.waitForFunction(() => (history.state as { navigationId?: number } | null)?.navigationId);
}

/** The first element with this text; waited for as long as for anything else unless more is given. */
export async function byText(
  page: Page,
  selector: string,
  text: string | RegExp,
  patienceMs = PATIENCE_MS,
): Promise<ElementHandle<HTMLElement>> {
  const source = typeof text === 'string' ? text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&') : text.source;
  const handle = await page.waitForFunction(
    (sel, pattern) =>
      [...document.querySelectorAll<HTMLElement>(sel)].find(
        (element) =>
          new RegExp(pattern).test(element.textContent ?? '') && element.getClientRects().length > 0,
      ),
    { timeout: patienceMs },
    selector,
    source,
  );
  return handle as unknown as ElementHandle<HTMLElement>;
}

/** Does this, and once more when the page put another element in the place of the one it was done to. */
async function onceMore(act: () => Promise<void>): Promise<void> {
  await act().catch((error: unknown) => {
    if (!/not clickable|detached/.test(String(error))) throw error;
    return act();
  });
}

/** Clicks the first element with this text. */
export function clickText(page: Page, selector: string, text: string | RegExp): Promise<void> {
  return onceMore(async () => {
    const handle = await byText(page, selector, text);
    await handle.evaluate((element) => element.scrollIntoView({ block: 'center' }));
    await handle.click();
  });
}

/** Types into a field once it is there, in place of what it holds. */
export function fill(page: Page, selector: string, text: string): Promise<void> {
  return onceMore(async () => {
    const field = await page.waitForSelector(selector, { visible: true });
    await field?.click({ count: 3 });
    await field?.type(text);
  });
}

export async function textOf(page: Page, selector: string): Promise<string> {
  await page.waitForSelector(selector);
  return page.$eval(selector, (element) => (element.textContent ?? '').replace(/\s+/g, ' ').trim());
}

/** Waits until nothing on the page is left to save; what was done just now is drawn first. */
export async function saved(page: Page): Promise<void> {
  await page.evaluate(
    () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
  );
  await page.waitForSelector('[data-save-state=saved]');
}

/** Waits until the page has what it fetches and has not changed for a while. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => document.querySelector('doceo-root, doceo-student')?.children.length);
  await page.evaluate(async () => {
    await document.fonts.ready;
    let changed = performance.now();
    const watch = new MutationObserver(() => (changed = performance.now()));
    watch.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
    const fetches = (): boolean =>
      /Loading …|Fetching .* …|Drawing the day …/.test(document.body.textContent ?? '');
    for (let i = 0; fetches() ? i < 300 : i < 100 && performance.now() - changed < 300; i++)
      await new Promise((resolve) => setTimeout(resolve, 50));
    watch.disconnect();
    if (fetches()) throw new Error('The page still fetches.');
  });
}
