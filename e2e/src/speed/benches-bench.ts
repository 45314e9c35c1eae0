import type { Browser, Page } from 'puppeteer-core';
import { byText, clickText, DESK, openTab, signIn } from '../lib/browser';

const RANK_AIM_MS = 3000;
const FIRST_AIM_MS = 300;
const SWEEP_AIM_MS = 10_000;
const TASK_AIM_MS = 50;
const PLAY_MS = 2500;
const KEY_EVERY_MS = 40;

/** What held the page up, milliseconds. */
interface Held {
  /** The longest task of fifty or more; zero when there was none: shorter ones are not told by the browser. */
  taskMs: number;
  /** The longest that a key waited for the page. */
  keyMs: number;
  /** The longest between two turns of a timer, whatever else was to be done between them. */
  turnMs: number;
}

/** Runs in the page: watches from now on, into `window.held`. */
function watchHeld(): void {
  const watched = window as unknown as { held: Held; watching?: AbortController };
  watched.watching?.abort();
  const { signal } = (watched.watching = new AbortController());
  const held = (watched.held = { taskMs: 0, keyMs: 0, turnMs: 0 });
  const tasks = new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) held.taskMs = Math.max(held.taskMs, duration);
  });
  tasks.observe({ entryTypes: ['longtask'] });
  signal.addEventListener('abort', () => tasks.disconnect());
  window.addEventListener(
    'keydown',
    ({ timeStamp }) => (held.keyMs = Math.max(held.keyMs, performance.now() - timeStamp)),
    { signal, capture: true },
  );
  let last = performance.now();
  const look = (): void => {
    if (signal.aborted) return;
    const now = performance.now();
    // A timer of zero comes after four milliseconds.
    held.turnMs = Math.max(held.turnMs, now - last - 4);
    last = now;
    setTimeout(look);
  };
  look();
}

/** Presses a key again and again while something is computed; what held the page up meanwhile, in words. */
async function heldDuring<T>(page: Page, work: Promise<T>): Promise<[T, string]> {
  let done = false;
  const end = work.finally(() => (done = true));
  while (!done) {
    await page.keyboard.press('Shift');
    await new Promise((resolve) => setTimeout(resolve, KEY_EVERY_MS));
  }
  const { taskMs, keyMs, turnMs } = (await page.evaluate('window.held')) as Held;
  const task =
    taskMs === 0
      ? `no task of ${TASK_AIM_MS} ms`
      : `longest task ${taskMs.toFixed(0)} ms of ${TASK_AIM_MS} ms`;
  return [
    await end,
    `${task}, a key waited ${keyMs.toFixed(0)} ms at most, turns ${turnMs.toFixed(0)} ms apart at most`,
  ];
}

/** Runs in the page: from the start of a ranking to its first row, and to its last. */
function watchRanking(): Promise<{ ways: number; firstMs: number; allMs: number }> {
  return new Promise((resolve) => {
    let [began, firstMs] = [0, 0];
    const look = (now: number): void => {
      const text = document.querySelector('doceo-rank-panel p')?.textContent ?? '';
      const [, ways = '0', done = '0'] = /(\d+) ways, (\d+) tried/.exec(text) ?? [];
      const rows = document.querySelectorAll('doceo-rank-panel li:not(.drawn)').length;
      if (began === 0 && /Stop/.test(text) && Number(done) < Number(ways)) began = now;
      if (began > 0 && firstMs === 0 && rows > 0) firstMs = now - began;
      if (began > 0 && done === ways) resolve({ ways: Number(ways), firstMs, allMs: now - began });
      else requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  });
}

/** Runs in the page: pictures a second for a while, and how many came late. */
function countFrames(forMs: number): Promise<{ fps: number; late: number; frames: number }> {
  return new Promise((resolve) => {
    const times: number[] = [];
    const look = (now: number): void => {
      times.push(now);
      const first = times[0] ?? now;
      if (now - first < forMs) requestAnimationFrame(look);
      else {
        const gaps = times.slice(1).map((at, i) => at - (times[i] ?? at));
        resolve({
          fps: (gaps.length / (now - first)) * 1000,
          late: gaps.filter((gap) => gap > 25).length,
          frames: gaps.length,
        });
      }
    };
    requestAnimationFrame(look);
  });
}

/** Runs in the page: until nothing is left to do of opening the view, so that what comes next is timed alone. */
function atRest(): Promise<void> {
  return new Promise((resolve) => {
    let quiet = 0;
    const look = ({ didTimeout }: IdleDeadline): void => {
      quiet = didTimeout ? 0 : quiet + 1;
      if (quiet === 10) resolve();
      else setTimeout(() => requestIdleCallback(look, { timeout: 50 }), 50);
    };
    requestIdleCallback(look, { timeout: 50 });
  });
}

/** Ranking, map and playing of the benches, with both workers. */
export async function timeBenches(browser: Browser, url: string): Promise<void> {
  const { page } = await openTab(browser, DESK);
  await signIn(page, url, 'lead@ternalder.example', '/drift');
  await byText(page, 'doceo-rank-panel p', /(\d\d) ways, \1 tried/);

  await page.evaluate(watchHeld);
  const ranking = page.evaluate(watchRanking);
  await clickText(page, '.segments button', 'much');
  const [{ ways, firstMs, allMs }, rankHeld] = await heldDuring(page, ranking);
  console.log(
    `ranking of ${ways} presentations, nine runs each: ${allMs.toFixed(0)} ms of ${RANK_AIM_MS} ms (${(allMs / RANK_AIM_MS).toFixed(2)} of the aim), the first on the screen after ${firstMs.toFixed(0)} ms of ${FIRST_AIM_MS} ms; ${rankHeld}`,
  );

  const played = async (what: string): Promise<void> => {
    const { fps, late, frames } = await page.evaluate(countFrames, PLAY_MS);
    console.log(
      `${what} playing: ${fps.toFixed(0)} frames/s of 60 (${(fps / 60).toFixed(2)} of the aim), ${late} of ${frames} frames late`,
    );
  };
  await page.$eval('.play ~ * input[type=range], input[type=range]', (field) => {
    (field as HTMLInputElement).value = '0';
    field.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await clickText(page, '.play button', 'Play');
  await played('drift');

  await clickText(page, 'button', 'Under water');
  await byText(page, 'doceo-side-figures dt', 'Comes to');
  await page.evaluate(atRest);
  await page.evaluate(watchHeld);
  const start = Date.now();
  await clickText(page, 'button', 'Work out the map');
  await page.waitForSelector('doceo-sweep-map progress');
  const mapped = page
    .waitForFunction(() => !document.querySelector('doceo-sweep-map progress'), { timeout: 120_000 })
    .then(() => Date.now() - start);
  const [sweepMs, sweepHeld] = await heldDuring(page, mapped);
  console.log(
    `map of 400 drifts under water: ${sweepMs} ms of ${SWEEP_AIM_MS} ms (${(sweepMs / SWEEP_AIM_MS).toFixed(2)} of the aim); ${sweepHeld}`,
  );

  await page.goto(`${url}/cast`);
  await page.waitForFunction(() => document.querySelectorAll('doceo-loop-gallery button').length === 8, {
    timeout: 60_000,
  });
  await page.$eval('input[type=range]', (field) => {
    (field as HTMLInputElement).value = '0';
    field.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await clickText(page, '.play button', 'Play');
  await played('loop');
  await page.browserContext().close();
}
