import { api } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import type { FakeServer } from '../../testing/fake-server';
import { attempt, JONAS, NOW, SAM, uuid } from '../../testing/fixtures';
import { setDate, lessonServer, type Shown, show } from '../../testing/page';
import { BankPage } from './bank.page';

const PAUSE = 'casting.pause';

describe('the bank book', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    Dexie.dependencies.indexedDB = new IDBFactory();
    // Twenty minutes into the lesson: the pause drill is on.
    setDate(NOW + 110 * 60_000);
    server = lessonServer();
  });
  afterEach(() => jest.useRealTimers());

  const open = async (): Promise<Shown<BankPage>> => {
    const page = await show(BankPage, server);
    await page.quiet();
    return page;
  };
  const tap = async (page: Shown<BankPage>, what: string): Promise<void> => {
    document.querySelector<HTMLElement>(`[data-tap="${what}"]`)?.click();
    await page.quiet();
  };
  const sent = (): BankEvent[] =>
    server.of(api.events.add).flatMap(({ body }) => (body as { events: BankEvent[] }).events);
  const faults = (page: Shown<BankPage>): string[] => page.all('.faults button span');

  it('opens at the block that is on by the clock, with the first student', async () => {
    const page = await open();
    expect(page.all('.what h1')).toEqual(['Count the pause']);
    expect(page.all('.who [aria-pressed=true] small')).toEqual(['Sam']);
    expect(page.all('.blockno')).toEqual(['block 2 of 2']);
  });

  it('logs a cast with one tap, kept here first and then sent', async () => {
    const page = await open();
    await tap(page, 'good');
    await tap(page, 'cast.crack');
    expect(page.all('.count b')).toEqual(['1 of 8']);
    expect(sent().map(({ body }) => body)).toEqual([
      { kind: 'attempt', skillId: PAUSE, drillId: 'count-the-pause', good: true, faultId: null },
      { kind: 'attempt', skillId: PAUSE, drillId: 'count-the-pause', good: false, faultId: 'cast.crack' },
    ]);
    expect(sent().every(({ studentId }) => studentId === SAM.id)).toBe(true);
    expect(page.all('.state')).toEqual(['all stored']);
  });

  it('says how many wait while there is no server', async () => {
    server.refuse(api.events.add, 0);
    const page = await open();
    await tap(page, 'good');
    await tap(page, 'good');
    expect(page.all('.state')).toEqual(['2 kept here']);
    expect(page.all('.count b')).toEqual(['2 of 8']);
  });

  it('takes the last tap back by another event', async () => {
    const page = await open();
    await tap(page, 'good');
    await tap(page, 'good');
    await page.press('Undo');
    await page.quiet();
    expect(page.all('.count b')).toEqual(['1 of 8']);
    expect(sent().map(({ body }) => body.kind)).toEqual(['attempt', 'attempt', 'undo']);
    expect(sent()[2]?.body).toEqual({ kind: 'undo', targetId: sent()[1]?.id });
  });

  it('puts this student’s own faults first, and does not reorder while one taps', async () => {
    const history = Array.from({ length: 6 }, () =>
      attempt(PAUSE, 'cast.crack', { lessonId: uuid(52), atMs: NOW - 86_400_000 }),
    );
    server.on(api.events.list, history);
    const page = await open();
    const before = faults(page);
    expect(before[0]).toBe('Forward too soon');
    const last = [...document.querySelectorAll<HTMLElement>('.faults button')].at(-1)?.dataset['tap'] ?? '';
    for (let i = 0; i < 4; i++) await tap(page, last);
    expect(faults(page)).toEqual(before);
  });

  it('says when the drill’s aim is reached', async () => {
    const page = await open();
    for (let i = 0; i < 8; i++) await tap(page, 'good');
    expect(page.text()).toContain('Done: 8 of 10');
  });

  it('records nothing of a minor without a guardian’s consent', async () => {
    const page = await open();
    await page.press(/Jonas/);
    expect(page.text()).toContain('Jonas Wren is 14 and no guardian’s consent is on file');
    expect(page.all('.good')).toEqual([]);
    await page.press('Tangle');
    expect(sent()).toEqual([]);
    expect(JONAS.student.guardianConsentOn).toBeNull();
  });

  it('logs a fish with its length, a note, and a tangle', async () => {
    const page = await open();
    await page.press('Fish');
    await page.press('grayling');
    await page.press('Longer');
    await page.press('To hand, let go');
    await page.press('Note');
    await page.enter('textarea', '  hurries in wind ');
    await page.press('Keep it');
    await page.press('Tangle');
    await page.quiet();
    expect(sent().map(({ body }) => body)).toEqual([
      { kind: 'fish', species: 'grayling', lengthCm: 29, outcome: 'to-hand' },
      { kind: 'note', text: 'hurries in wind' },
      { kind: 'tangle', seconds: null },
    ]);
  });

  it('steps through the blocks, for each student on his own', async () => {
    const page = await open();
    await page.press('Block before');
    expect(page.all('.what h1')).toEqual(['Safety talk']);
    await page.press(/Jonas/);
    expect(page.all('.what h1')).toEqual(['Count the pause']);
  });

  it('lays itself out for the left hand, and remembers', async () => {
    const page = await open();
    await page.press('Lay out for the left hand');
    expect(page.all('.bank.left')).toHaveLength(1);
    expect(server.of(api.session.settings)[0]?.body).toEqual({ units: 'metric', bankHand: 'left' });
  });

  it('shows what another device logged in this lesson', async () => {
    server.on(api.events.list, [
      attempt(PAUSE, null, { atMs: NOW }),
      attempt(PAUSE, 'cast.crack', { atMs: NOW + 1 }),
    ]);
    const page = await open();
    expect(page.all('.log li b')).toEqual(['Sam', 'Sam']);
    expect(page.text()).toContain('2 entries stand');
  });

  it('says what to do without a lesson', async () => {
    server.on(api.lessons.list, []);
    const page = await open();
    expect(page.text()).toContain('No lesson');
  });
});
