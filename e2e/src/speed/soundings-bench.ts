import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle } from 'puppeteer-core';
import { byText, clickText, DESK, openTab, signIn } from '../lib/browser';
import { ask } from '../lib/device';

export const SOUNDINGS = 20_000;
const AIM_MS = 1500;
const RUNS = 5;

/** A table of soundings of a lake with one deep in its middle. */
export function soundingsTable(): string {
  const rows = Array.from({ length: SOUNDINGS }, (_, i) => {
    const [x, y] = [100 + ((i * 137.5) % 760), 60 + ((i * 61.25) % 500)];
    return `${x},${y},${(8 * Math.exp(-(((x - 480) / 300) ** 2) - ((y - 310) / 180) ** 2)).toFixed(2)}`;
  });
  return `x_m,y_m,depth_m\r\n${rows.join('\r\n')}\r\n`;
}

/** From asking for the depths to seeing them, and how long the page was held up at most in between. */
export async function timeSoundings(browser: Browser, url: string): Promise<void> {
  const { page } = await openTab(browser, DESK);
  const folder = mkdtempSync(join(tmpdir(), 'doceo-given-'));
  try {
    await signIn(page, url, 'lead@ternalder.example');
    const waters = await ask<{ id: string; water: { name: string } }[]>(page, '/api/waters');
    const lake = waters.find(({ water }) => water.name === 'Merrow Lake');
    await page.goto(`${url}/water/${lake?.id}/lake`);
    const path = join(folder, 'soundings.csv');
    writeFileSync(path, soundingsTable());
    const field = await page.waitForSelector('.sounded input[type=file]');
    await (field as ElementHandle<HTMLInputElement>).uploadFile(path);
    await byText(page, '.sounded dd', /ha$/);
    const times: number[] = [];
    let held = 0;
    for (let i = 0; i < RUNS; i++) {
      await page.evaluate(watchFrames);
      await clickText(page, 'button', 'See the depths');
      await page.waitForFunction('window.seen !== undefined');
      const { tookMs, longestMs } = (await page.evaluate('window.seen')) as {
        tookMs: number;
        longestMs: number;
      };
      times.push(tookMs);
      held = Math.max(held, longestMs);
    }
    const median = times.sort((a, b) => a - b)[Math.floor(RUNS / 2)] ?? 0;
    console.log(
      `depths of ${SOUNDINGS} soundings on 40 000 cells (200 × 200 in the form of the lake), in a worker: ${median.toFixed(0)} ms of ${AIM_MS} ms (${(median / AIM_MS).toFixed(2)} of the aim); the page waited ${held.toFixed(0)} ms at most`,
    );
  } finally {
    await page.browserContext().close();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Runs in the page: tells, when the progress that comes is gone again, how long that took and the longest frame. */
function watchFrames(): void {
  const watched = window as unknown as { seen?: { tookMs: number; longestMs: number } };
  delete watched.seen;
  let began = 0;
  let longestMs = 0;
  let last = performance.now();
  const frame = (now: number): void => {
    const busy = document.querySelector('.sounded progress') !== null;
    if (began > 0) longestMs = Math.max(longestMs, now - last);
    if (busy && began === 0) began = now;
    last = now;
    if (began > 0 && !busy) watched.seen = { tookMs: now - began, longestMs };
    else requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
}
