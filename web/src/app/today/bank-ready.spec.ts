import { TestBed } from '@angular/core/testing';
import { api, type SavedLesson } from '@doceo/contract';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { LESSON, TAUGHT, uuid } from '../../testing/fixtures';
import type { FakeServer } from '../../testing/fake-server';
import { lessonServer, setDate, type Shown, show, until } from '../../testing/page';
import { dayOf, FORD, savedBeat } from '../../testing/waters';
import { BankReadyComponent } from './bank-ready.component';

const SOON: SavedLesson = {
  ...LESSON,
  id: uuid(52),
  startsAt: '2026-06-12T07:30:00Z',
  planTitle: 'The day after',
};
const FAR: SavedLesson = {
  ...LESSON,
  id: uuid(53),
  startsAt: '2026-07-12T07:30:00Z',
  planTitle: 'Next month',
};

describe('packing a device for the bank', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    Dexie.dependencies.indexedDB = new IDBFactory();
    setDate();
    server = lessonServer()
      .on(api.waters.beats, [savedBeat(91, FORD)])
      .on(api.waters.conditions, dayOf(LESSON.waterId));
    withApplication(true);
  });
  afterEach(() => jest.useRealTimers());

  /** A browser that has, or has not, the application on the device. */
  const withApplication = (here: boolean): void => {
    Object.defineProperty(navigator, 'serviceWorker', {
      configurable: true,
      value: { ready: Promise.resolve({}) },
    });
    Object.defineProperty(window, 'caches', {
      configurable: true,
      value: { match: () => Promise.resolve(here ? {} : undefined) },
    });
  };
  const open = async (): Promise<Shown<BankReadyComponent>> => {
    const page = await show(BankReadyComponent, server, { lesson: LESSON });
    await until(() => !page.text().includes('Packing this device'));
    await page.quiet();
    return page;
  };
  const missing = (page: Shown<BankReadyComponent>): string[] => page.all('li:not(.here)');

  it('is done when application, lesson, water, students and rigs are here', async () => {
    const page = await open();
    expect(page.all('h2')).toEqual(['Ready for the water, with or without a network']);
    expect(missing(page)).toEqual([]);
    expect(page.all('li')).toHaveLength(5);
    expect(server.of(api.waters.beats)).toHaveLength(1);
  });

  it('takes lessons of the next days along, not those of next month', async () => {
    server.on(api.lessons.list, [LESSON, SOON, FAR]).on(api.lessons.plan, TAUGHT);
    const page = await open();
    expect(page.text()).toContain('The day after, Fri 12 Jun: plan, rigs, record');
    expect(page.text()).not.toContain('Next month');
  });

  it('names what is missing, and fetches it when told', async () => {
    server.refuse(api.lessons.plan, 0);
    const page = await open();
    expect(page.all('h2')).toEqual(['Not all is on this device yet']);
    expect(missing(page)).toEqual([expect.stringContaining('First nymphs')]);
    server.on(api.lessons.plan, TAUGHT);
    await page.press('Fetch it now');
    await page.quiet();
    expect(missing(page)).toEqual([]);
  });

  it('is content with what was fetched before', async () => {
    await open();
    server.refuse(api.lessons.plan, 0).refuse(api.rigs.list, 0);
    TestBed.resetTestingModule();
    expect(missing(await open())).toEqual([]);
  });

  it('looks once more when the application comes to the device late', async () => {
    let looks = 0;
    Object.defineProperty(window, 'caches', {
      configurable: true,
      value: { match: () => Promise.resolve(++looks > 1 ? {} : undefined) },
    });
    const page = await open();
    await until(() => missing(page).length === 0);
    expect(page.all('h2')).toEqual(['Ready for the water, with or without a network']);
  });

  it('says so when the application itself is not here', async () => {
    withApplication(false);
    expect(missing(await open())).toEqual([expect.stringContaining('the application')]);
  });
});
