import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BankEvent } from '@doceo/core';
import type { Browser, Page } from 'puppeteer-core';
import { emptyDatabase } from '../../../server/src/testing/test-database';
import { byText, DESK, launch, PHONE, signIn } from '../lib/browser';
import { acknowledged, ask, onDevice, keepOnDevice } from '../lib/device';
import { type RunningServer, startServer } from '../lib/server';
import { LEAD } from '../lib/world';

const TAPS_A_STUDENT = 25;
const UNDO_EVERY = 10;
const STUDENTS = '.who button:not(.all)';

/** A device that leaves the network, is switched off, and comes back after a day at the water. */
describe('without a network', () => {
  let folder: string;
  let databaseUrl: string;
  let server: RunningServer;
  let browser: Browser;
  let page: Page;
  let url: string;
  const lessonIds = [randomUUID(), randomUUID(), randomUUID()];

  const up = async (): Promise<void> => {
    server = await startServer(databaseUrl, url ? { PORT: new URL(url).port } : {});
    url = server.url;
  };
  const down = async (): Promise<void> => {
    server.process.kill('SIGKILL');
    await new Promise((resolve) => server.process.once('exit', resolve));
  };
  const tab = async (): Promise<Page> => {
    browser = await launch(folder);
    const opened = await browser.newPage();
    await opened.setViewport(PHONE);
    return opened;
  };
  const openBank = async (lessonId: string): Promise<void> => {
    await page.goto(`${url}/today`);
    await keepOnDevice(page, 'lesson', lessonId);
    await page.goto(`${url}/teach`);
    await page.waitForSelector(STUDENTS);
  };

  const title = (): Promise<string> => page.$eval('.what h1', ({ textContent }) => textContent ?? '');
  const placeNumber = async (): Promise<number | null> => {
    const text = await page.$eval('.blockno', ({ textContent }) => textContent ?? '');
    return Number(/place (\d+)/.exec(text)?.[1] ?? 0) || null;
  };

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'doceo-device-'));
    databaseUrl = await emptyDatabase('offline');
    await up();
    page = await tab();
    await signIn(page, url, LEAD);
    const [lessons, students] = [
      await ask<{ planId: string; waterId: string; planTitle: string }[]>(page, '/api/lessons'),
      await ask<{ id: string; student: { name: string } }[]>(page, '/api/students'),
    ];
    const { planId, waterId } = lessons.find(({ planTitle }) => planTitle === 'First nymphs') ?? lessons[0]!;
    const studentIds = students
      .filter(({ student }) => !student.name.startsWith('Jonas'))
      .slice(0, 4)
      .map(({ id }) => id);
    for (const [i, id] of lessonIds.entries())
      await ask(page, '/api/lessons', {
        id,
        lesson: {
          planId,
          waterId,
          startsAt: new Date(Date.now() + (i * 5 - 0.5) * 3_600_000).toISOString(),
          studentIds,
        },
      });
  });
  afterAll(async () => {
    await browser?.close();
    await server?.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('says when all is on the device', async () => {
    await page.goto(`${url}/today`);
    await byText(page, '.ready h2', 'Ready for the water, with or without a network');
    expect(await page.$$eval('.ready li:not(.here)', (items) => items.length)).toBe(0);
  });

  it('starts from nothing with no network, and keeps three hundred taps over three lessons', async () => {
    await down();
    browser.process()?.kill('SIGKILL');
    await new Promise((resolve) => setTimeout(resolve, 500));
    page = await tab();
    await page.goto(`${url}/today`);
    await byText(page, '.unreachable', 'No connection');
    let expected = 0;
    for (const lessonId of lessonIds) {
      await openBank(lessonId);
      await page.waitForSelector('[data-tap=good]');
      const count = await page.$$eval(STUDENTS, (buttons) => buttons.length);
      for (let student = 0; student < count; student++) {
        await page.evaluate(
          (n, selector) => document.querySelectorAll<HTMLElement>(selector)[n]?.click(),
          student,
          STUDENTS,
        );
        for (let tap = 0; tap < TAPS_A_STUDENT; tap++) {
          await page.evaluate((n) => {
            const pads = document.querySelectorAll<HTMLElement>('[data-tap]');
            pads[n % 3 === 0 ? 1 : 0]?.click();
          }, tap);
          expected += 1;
          if (tap % UNDO_EVERY === UNDO_EVERY - 1) {
            await acknowledged(page, expected);
            await page.click('[data-undo]');
            expected += 1;
            await acknowledged(page, expected);
          }
        }
        await acknowledged(page, expected);
      }
    }
    await page.waitForFunction(() => /kept here/.test(document.querySelector('.state')?.textContent ?? ''));
    const kept = await onDevice(page);
    const taps = lessonIds.length * 4 * TAPS_A_STUDENT;
    expect(kept).toHaveLength(taps + lessonIds.length * 4 * Math.floor(TAPS_A_STUDENT / UNDO_EVERY));
    expect(kept.every(({ state }) => state === 'waiting')).toBe(true);
  });

  it('has them still after the browser was killed once more', async () => {
    const before = await onDevice(page);
    browser.process()?.kill('SIGKILL');
    await new Promise((resolve) => setTimeout(resolve, 500));
    page = await tab();
    await openBank(lessonIds[0] as string);
    expect((await onDevice(page)).map(({ id }) => id).sort()).toEqual(before.map(({ id }) => id).sort());
  });

  /** By the button itself: what still moves on the screen could lie under a pointer. */
  const step = (label: string): Promise<void> =>
    page.$eval(`[aria-label="${label}"]`, (button) => (button as HTMLElement).click());

  it('plans the rest anew in thunder, alone, and one undo brings back what was', async () => {
    await openBank(lessonIds[1] as string);
    // To the third place of the plan.
    for (let place = (await placeNumber()) ?? 1; place !== 3; place = (await placeNumber()) ?? 3)
      await step(place < 3 ? 'Next block' : 'Block before');
    await page.waitForSelector('[data-tap=good]');
    await page.click('[data-tap=good]');
    const before = await title();
    const entries = (await onDevice(page)).length;
    await page.evaluate(() => {
      const solid = [...document.querySelectorAll<HTMLElement>('.more .solid')];
      solid.find(({ textContent }) => /Thunder/.test(textContent ?? ''))?.click();
    });
    await page.waitForSelector('doceo-replan-sheet .take:not([disabled])');
    await page.click('doceo-replan-sheet .take');
    await page.waitForFunction(() => !document.querySelector('doceo-replan-sheet'));
    await acknowledged(page, entries + 1);
    expect(await title()).not.toBe(before);
    await page.click('[data-undo]');
    await acknowledged(page, entries + 2);
    // The tap that was logged before still belongs to its block.
    for (let tries = 0; tries < 20 && (await placeNumber()) !== 3; tries++)
      await step(((await placeNumber()) ?? 1) < 3 ? 'Next block' : 'Block before');
    expect(await title()).toBe(before);
    expect(await page.$eval('.count', (count) => /[1-9]/.test(count.getAttribute('aria-label') ?? ''))).toBe(
      true,
    );
  });

  it('brings exactly those to the server, though it is killed in the middle', async () => {
    await up();
    await new Promise((resolve) => setTimeout(resolve, 300));
    await down();
    await up();
    // A killed browser may have forgotten its cookie: then the bank book asks for the password, and loses nothing.
    const stored = () => /all stored/.test(document.querySelector('.state')?.textContent ?? '');
    await page.waitForFunction(
      () =>
        document.querySelector('input[name=password]') !== null ||
        /all stored/.test(document.querySelector('.state')?.textContent ?? ''),
    );
    if (await page.$('input[name=password]')) {
      await page.type('input[name=password]', 'corvane-demo');
      await page.click('.p-dialog button[type=submit]');
    }
    await page.waitForFunction(stored);
    const kept = (await onDevice(page)).map(({ id }) => id);
    const there: string[] = [];
    for (const lessonId of lessonIds)
      there.push(...(await ask<BankEvent[]>(page, `/api/events?lessonId=${lessonId}`)).map(({ id }) => id));
    expect(there.sort()).toEqual(kept.sort());
  });

  it('shows them on another device', async () => {
    const other = await launch();
    try {
      const second = await other.newPage();
      await second.setViewport(DESK);
      await signIn(second, url, LEAD);
      await keepOnDevice(second, 'lesson', lessonIds[0] as string);
      await second.goto(`${url}/teach`);
      await byText(second, '.log p', /9[0-9] entries stand/);
    } finally {
      await other.close();
    }
  });
});
