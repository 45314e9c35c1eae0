import { randomUUID } from 'node:crypto';
import { buildRig, type Rig } from '@doceo/core';
import type { Browser, Page } from 'puppeteer-core';
import { emptyDatabase } from '../../../server/src/testing/test-database';
import { timeBenches } from './benches-bench';
import { DESK, launch, openTab, PHONE, settled, signIn } from '../lib/browser';
import { startServer } from '../lib/server';
import { timeScreens } from './screens-bench';
import { timeSoundings } from './soundings-bench';
import { timeVisits } from './visit-bench';

/** A frame at sixty a second, milliseconds. */
const FRAME_MS = 1000 / 60;
const DRAG_MS = 2500;
const MOVE_MS = 10;
/** What of the trace tells when a frame was made, and how long the main thread was busy. */
const CATEGORIES = ['devtools.timeline', 'disabled-by-default-devtools.timeline.frame', 'toplevel'];

interface TraceEvent {
  name: string;
  ts: number;
  dur?: number;
  tid: number;
}

/** A rig of twenty parts: fifteen sections, three flies, indicator and shot. */
function twentyParts(): Rig {
  const lake = buildRig('lake-long-leader');
  const more = Array.from({ length: 15 - lake.sections.length }, (_, i) => ({
    ...(lake.sections[0] as Rig['sections'][number]),
    id: `more-${i}`,
    lengthM: 0.2,
  }));
  const { fittings } = buildRig('indicator-nymph', { shotMassKg: 0.0003 });
  return { ...lake, sections: [...more, ...lake.sections], fittings };
}

/** Drags the indicator up and down for a while, with more moves than frames, as a mouse makes them. */
async function dragAbout(page: Page): Promise<void> {
  const handle = await page.waitForSelector('[data-handle=indicator]');
  const box = await handle?.boundingBox();
  if (!box) throw new Error('The indicator is not drawn');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const start = Date.now();
  const moves: Promise<void>[] = [];
  for (let i = 0; Date.now() - start < DRAG_MS; i++) {
    moves.push(page.mouse.move(x + 30 * Math.sin(i / 12), y + 60 * Math.sin(i / 12)));
    await new Promise((resolve) => setTimeout(resolve, MOVE_MS));
  }
  await Promise.all(moves);
  await page.mouse.up();
}

/** Frames a second while the drag went on, and the times between moves and their frames, from the trace. */
function readTrace(trace: string): { fps: number; medianMs: number; slow: number; frames: number } {
  const { traceEvents } = JSON.parse(trace) as { traceEvents: TraceEvent[] };
  const moves = traceEvents.filter(({ name }) => name === 'EventDispatch').map(({ ts }) => ts);
  const [from, to] = [Math.min(...moves), Math.max(...moves)];
  const during = traceEvents.filter(({ ts }) => ts >= from && ts <= to);
  const frames = during
    .filter(({ name }) => name === 'DrawFrame')
    .map(({ ts }) => ts)
    .sort((a, b) => a - b);
  const gaps = frames.slice(1).map((ts, i) => (ts - (frames[i] as number)) / 1000);
  const sorted = [...gaps].sort((a, b) => a - b);
  return {
    frames: frames.length,
    fps: frames.length / ((to - from) / 1e6),
    medianMs: sorted[Math.floor(sorted.length / 2)] ?? Number.POSITIVE_INFINITY,
    slow: gaps.filter((gap) => gap > FRAME_MS * 1.5).length,
  };
}

/** What can be measured alone. */
const PARTS = { screens: timeScreens, visit: timeVisits };

/** All of it, or what is named. */
async function main(): Promise<void> {
  const named = Object.entries(PARTS).filter(([name]) => process.argv.includes(name));
  if (named.length > 0) {
    const browser = await launch();
    try {
      for (const [, time] of named) await time(browser);
      return;
    } finally {
      await browser.close();
    }
  }
  const server = await startServer(await emptyDatabase('dragbench'));
  const browser = await launch();
  try {
    const { page } = await openTab(browser, DESK);
    await signIn(page, server.url, 'lead@ternalder.example', '/rig');
    const id = randomUUID();
    await page.evaluate(
      async (body) => {
        await fetch('/api/rigs', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body });
      },
      JSON.stringify({ id, name: 'Twenty parts', rig: twentyParts() }),
    );
    await page.goto(`${server.url}/rig/${id}`);
    await settled(page);
    await dragAbout(page);
    await page.tracing.start({ categories: CATEGORIES });
    await dragAbout(page);
    const trace = await page.tracing.stop();
    const { fps, medianMs, slow, frames } = readTrace(Buffer.from(trace ?? []).toString());
    console.log(
      `drag in the drawing of a rig of 20 parts: ${fps.toFixed(0)} frames/s of 60 (${(fps / 60).toFixed(2)} of the aim), median ${medianMs.toFixed(1)} ms, ${slow} of ${frames} frames late`,
    );
    await page.browserContext().close();
    await timeTaps(browser, server.url);
    await timeSoundings(browser, server.url);
    await timeBenches(browser, server.url);
    for (const time of Object.values(PARTS)) await time(browser);
  } finally {
    await browser.close();
    await server.stop();
  }
}

const WAITING = 5000;
const TAPS = 300;
const TAP_AIM_MS = 50;

/** From a tap to its being on the device, with thousands of entries waiting for a server that does not take them. */
async function timeTaps(browser: Browser, url: string): Promise<void> {
  const { page } = await openTab(browser, PHONE);
  await signIn(page, url, 'lead@ternalder.example', '/teach');
  await page.waitForSelector('.who button');
  await page.setRequestInterception(true);
  page.on('request', (request) => {
    if (request.method() === 'POST' && request.url().endsWith('/api/events')) void request.abort();
    else void request.continue();
  });
  await page.evaluate(fillStore, WAITING);
  await page.reload();
  await page.waitForSelector('.state.wait');
  await page.waitForSelector('[data-tap=good], [aria-label="Next block"]');
  for (let i = 0; i < 8 && !(await page.$('[data-tap=good]')); i++)
    await page.click('[aria-label="Next block"]');
  await page.waitForSelector('[data-tap=good]');
  const { taps, writes } = await page.evaluate(tapAndWait, TAPS);
  const at = (times: number[], share: number): number =>
    [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(share * times.length))] ?? 0;
  console.log(
    `tap to stored on the device, ${WAITING} waiting: median ${at(taps, 0.5).toFixed(1)} ms, 99 of 100 within ${at(taps, 0.99).toFixed(1)} ms of ${TAP_AIM_MS} ms (${(at(taps, 0.99) / TAP_AIM_MS).toFixed(2)} of the aim); one bare write to this disk: median ${at(writes, 0.5).toFixed(1)} ms, 99 of 100 within ${at(writes, 0.99).toFixed(1)} ms`,
  );
  await page.browserContext().close();
}

/** Runs in the page: puts entries that wait into the device's store, of the lesson that is open. */
async function fillStore(count: number): Promise<void> {
  const json = async (path: string): Promise<never> => (await (await fetch(path)).json()) as never;
  const { user } = await json('/api/session');
  const [lesson] = (
    (await json('/api/lessons')) as { id: string; studentIds: string[]; startsAt: string }[]
  ).filter(({ startsAt }) => Date.parse(startsAt) > Date.now());
  const store = await new Promise<IDBDatabase>((resolve) => {
    const open = indexedDB.open('doceo-bank');
    open.onsuccess = () => resolve(open.result);
  });
  const transaction = store.transaction('events', 'readwrite');
  for (let i = 0; i < count; i++)
    transaction.objectStore('events').put({
      id: crypto.randomUUID(),
      lessonId: lesson?.id,
      studentId: lesson?.studentIds[i % 4],
      blockId: null,
      deviceId: crypto.randomUUID(),
      atMs: Date.now() - 86_400_000 + i * 1000,
      body: { kind: 'attempt', skillId: 'casting.pause', drillId: null, good: i % 3 > 0, faultId: null },
      userId: (user as { id: string }).id,
      state: 'waiting',
    });
  await new Promise((resolve) => (transaction.oncomplete = resolve));
}

/**
 * Runs in the page: taps, and waits each time until the page says that the device has it. Between the taps it times one
 * bare write of the same size, as strict as the bank book's: what the disk alone takes.
 */
async function tapAndWait(count: number): Promise<{ taps: number[]; writes: number[] }> {
  const state = document.querySelector('.state') as HTMLElement;
  const bare = await new Promise<IDBDatabase>((resolve) => {
    const open = indexedDB.open('bare', 1);
    open.onupgradeneeded = () => open.result.createObjectStore('writes');
    open.onsuccess = () => resolve(open.result);
  });
  const taps: number[] = [];
  const writes: number[] = [];
  for (let i = 0; i < count; i++) {
    const before = state.textContent;
    const start = performance.now();
    document.querySelector<HTMLElement>('[data-tap=good]')?.click();
    await new Promise<void>((resolve) => {
      const watch = new MutationObserver(() => {
        if (state.textContent === before) return;
        watch.disconnect();
        resolve();
      });
      watch.observe(state, { childList: true, characterData: true, subtree: true });
    });
    taps.push(performance.now() - start);
    await new Promise((resolve) => setTimeout(resolve, 30));
    const written = performance.now();
    await new Promise<void>((resolve) => {
      const transaction = bare.transaction('writes', 'readwrite', { durability: 'strict' });
      transaction.objectStore('writes').put('x'.repeat(400), i);
      transaction.oncomplete = () => resolve();
    });
    writes.push(performance.now() - written);
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  return { taps, writes };
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
