import { randomUUID } from 'node:crypto';
import type { BankEvent } from '@doceo/core';
import type { Browser, Page } from 'puppeteer-core';
import { byText, clickText, DESK, launch, openTab, PHONE, signIn } from '../lib/browser';
import { acknowledged, ask, onDevice, storesOf, keepOnDevice } from '../lib/device';
import { type OwnDatabase, ownDatabase } from '../lib/own-database';
import { type RunningServer, startServer } from '../lib/server';
import { type Unreliable, unreliableWay } from '../lib/unreliable';
import { LEAD } from '../lib/world';

const TAPS = 40;
const UNDO_EVERY = 8;

/** One lesson on two phones at once, by a bad network, with a database that dies. */
describe('a lesson on two devices', () => {
  let database: OwnDatabase;
  let server: RunningServer;
  let way: Unreliable;
  let browser: Browser;
  let devices: Page[];
  let lessonId: string;
  let studentIds: string[];
  const watched: string[][] = [];

  const stored = async (...pages: Page[]): Promise<void> => {
    for (const page of pages.length > 0 ? pages : devices)
      await page.waitForFunction(() =>
        /all stored/.test(document.querySelector('.state')?.textContent ?? ''),
      );
  };
  const openBank = async (page: Page): Promise<void> => {
    await page.goto(`${way.url}/teach`);
    await page.waitForSelector('[data-tap=good]');
  };
  const ofLesson = async (): Promise<BankEvent[]> =>
    (await ask<BankEvent[]>(devices[0] as Page, `/api/events?lessonId=${lessonId}`)).filter(
      (event) => event.lessonId === lessonId,
    );
  /** Taps on one device, with an undo now and then; resolves when the device has all. */
  const tapOn = async (page: Page, taps: number): Promise<void> => {
    const before = (await onDevice(page)).length;
    let made = 0;
    for (let tap = 0; tap < taps; tap++) {
      await page.evaluate((n) => {
        const pads = document.querySelectorAll<HTMLElement>('[data-tap]');
        pads[n % 3 === 0 ? 1 : 0]?.click();
      }, tap);
      made += 1;
      if (tap % UNDO_EVERY === UNDO_EVERY - 1) {
        await acknowledged(page, before + made);
        await page.click('[data-undo]');
        made += 1;
        await acknowledged(page, before + made);
      }
    }
    await acknowledged(page, before + made);
    expect((await onDevice(page)).length).toBe(before + made);
  };
  const same = async (): Promise<void> => {
    const kept = (await Promise.all(devices.map(onDevice))).flat().map(({ id }) => id);
    const there = (await ofLesson()).map(({ id }) => id);
    expect(there.sort()).toEqual(kept.sort());
    expect(new Set(there).size).toBe(there.length);
  };

  beforeAll(async () => {
    database = ownDatabase();
    server = await startServer(database.url);
    way = await unreliableWay(server.url);
    browser = await launch();
    const tabs = await Promise.all([0, 1].map(() => openTab(browser, PHONE, true)));
    devices = tabs.map(({ page }) => page);
    for (const tab of tabs) watched.push(tab.complaints);
    for (const page of devices) await signIn(page, way.url, LEAD);
    const [page] = devices as [Page];
    const [lessons, students] = [
      await ask<{ planId: string; waterId: string; planTitle: string }[]>(page, '/api/lessons'),
      await ask<{ id: string; student: { name: string } }[]>(page, '/api/students'),
    ];
    const { planId, waterId } = lessons.find(({ planTitle }) => planTitle === 'First nymphs') ?? lessons[0]!;
    lessonId = randomUUID();
    studentIds = students
      .filter(({ student }) => !student.name.startsWith('Jonas'))
      .slice(0, 3)
      .map(({ id }) => id);
    const startsAt = new Date(Date.now() - 1_800_000).toISOString();
    await ask(page, '/api/lessons', { id: lessonId, lesson: { planId, waterId, startsAt, studentIds } });
    for (const device of devices) {
      await keepOnDevice(device, 'lesson', lessonId);
      await openBank(device);
    }
  });
  afterAll(async () => {
    await browser?.close();
    await way?.close();
    await server?.stop();
    await database?.end();
  });

  it('is kept exactly once, though every request is sent twice, overtaken, and answers are lost', async () => {
    await Promise.all(devices.map((page) => tapOn(page, TAPS)));
    await stored();
    await same();
    const { came, went, lost } = way.counts();
    expect(went).toBe(2 * came);
    expect(lost).toBeGreaterThan(0);
  });

  it('is kept exactly once, though the database is killed in the middle and started again', async () => {
    const tapping = Promise.all(devices.map((page) => tapOn(page, TAPS)));
    await new Promise((resolve) => setTimeout(resolve, 400));
    await database.kill();
    await tapping;
    await Promise.all(devices.map((page) => tapOn(page, 5)));
    await Promise.all(devices.map((page) => byText(page, '.state', 'kept here')));
    database.start();
    await stored();
    await same();
    expect(server.process.exitCode).toBeNull();
  });

  it('reads the same on both afterwards', async () => {
    const events = await ofLesson();
    const undone = new Set(events.flatMap(({ body }) => (body.kind === 'undo' ? [body.targetId] : [])));
    const stand = events.filter(({ id, body }) => body.kind !== 'undo' && !undone.has(id));
    expect(stand.length).toBeGreaterThan(4 * (TAPS - 2 * Math.floor(TAPS / UNDO_EVERY)));
    for (const page of devices) {
      // The log stands beside the book where there is room for it.
      await page.setViewport(DESK);
      await page.reload();
      await byText(page, '.log p', `${stand.length} entries stand`);
      await page.setViewport(PHONE);
      await openBank(page);
    }
  });

  it('forgets a student who was deleted on the other one; what was not sent is told, and goes when one says so', async () => {
    const [one, other] = devices as [Page, Page];
    const [gone] = studentIds as [string];
    const name = (await ask<{ id: string; student: { name: string } }[]>(one, '/api/students')).find(
      ({ id }) => id === gone,
    )!.student.name;
    expect(JSON.stringify(await storesOf(other))).toContain(gone);
    await other.setOfflineMode(true);
    const kept = (await onDevice(other)).length;
    await other.evaluate(() => document.querySelector<HTMLElement>('[data-tap=good]')?.click());
    await acknowledged(other, kept + 1);
    await one.evaluate((id) => fetch(`/api/students/${id}`, { method: 'DELETE' }), gone);
    await other.setOfflineMode(false);
    await other.goto(`${way.url}/today`);
    await byText(other, 'h1', /./);
    const left = async (): Promise<boolean> => {
      const all = JSON.stringify(await storesOf(other));
      return all.includes(gone) || all.includes(name);
    };
    await clickText(other, 'button', '1 set aside');
    await byText(other, '.p-dialog li', 'The student is not in this lesson.');
    expect((await onDevice(other)).filter(({ state }) => state === 'refused')).toHaveLength(1);
    await clickText(other, '.p-dialog button', 'Let it go');
    for (let i = 0; i < 100 && (await left()); i++) await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await left()).toBe(false);
    expect(JSON.stringify(await ofLesson())).not.toContain(gone);
  });

  it('tells at once when a device has no room, and goes on when it has', async () => {
    const [page] = devices as [Page];
    await openBank(page);
    const session = await page.createCDPSession();
    const before = (await ofLesson()).length;
    const room = await page.evaluate(async () => (await navigator.storage.estimate()).usage ?? 0);
    await session.send('Storage.overrideQuotaForOrigin', { origin: way.url, quotaSize: room + 1000 });
    const refused = (): Promise<number> =>
      page.$$eval(
        '.p-toast-message',
        (messages) =>
          messages.filter((message) => /Not kept on this device/.test(message.textContent ?? '')).length,
      );
    // The browser goes by a guess of the room that is left, for half a minute: taps go on until it looks again.
    const patience = Date.now() + 60_000;
    let taps = 0;
    while ((await refused()) === 0 && Date.now() < patience) {
      await page.evaluate(() => document.querySelector<HTMLElement>('[data-tap=good]')?.click());
      taps += 1;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    const told = await refused();
    expect(told).toBeGreaterThan(0);
    await session.send('Storage.overrideQuotaForOrigin', { origin: way.url });
    await page.evaluate(() => document.querySelector<HTMLElement>('[data-tap=good]')?.click());
    // A browser without room may also throw away what was sent; what was acknowledged and not sent comes through.
    const all = before + taps - told + 1;
    for (let i = 0; i < 200 && (await ofLesson()).length < all; i++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    expect((await ofLesson()).length).toBe(all);
  });

  it('loses nothing it acknowledged when the browser throws its store away', async () => {
    const [page] = devices as [Page];
    await stored(page);
    await server.stop();
    const before = (await onDevice(page)).length;
    await page.click('[data-tap=good]');
    await acknowledged(page, before + 1);
    const waits = (await onDevice(page)).find(({ state }) => state === 'waiting');
    expect(waits).toBeDefined();
    const session = await page.createCDPSession();
    await session.send('Storage.clearDataForOrigin', { origin: way.url, storageTypes: 'indexeddb' });
    server = await startServer(database.url, { PORT: new URL(server.url).port });
    await stored(page);
    expect((await ofLesson()).map(({ id }) => id)).toContain(waits?.id);
  });

  it('complains of nothing', () => expect(watched).toEqual([[], []]));
});
