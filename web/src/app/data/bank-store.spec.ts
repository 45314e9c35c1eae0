import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import { IDBFactory } from 'fake-indexeddb';
import Dexie from 'dexie';
import { lastValueFrom } from 'rxjs';
import { FakeServer, Refusal, withServer } from '../../testing/fake-server';
import { attempt, LESSON, SESSION, uuid } from '../../testing/fixtures';
import { BankStore } from './bank-store';
import { SessionStore } from './session';

const GOOD = 'casting.pause';

// An event that failed to go waits up to five seconds for the next try.
jest.setTimeout(20_000);

describe('the store of the bank book', () => {
  let server: FakeServer;
  beforeEach(() => {
    Dexie.dependencies.indexedDB = new IDBFactory();
    server = new FakeServer().on(api.session.get, SESSION);
  });

  async function open(session = SESSION): Promise<BankStore> {
    server.on(api.session.get, session);
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: withServer(server) });
    await lastValueFrom(TestBed.inject(SessionStore).load());
    return TestBed.inject(BankStore);
  }

  async function until(holds: () => boolean): Promise<void> {
    for (let i = 0; i < 800 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
    expect(holds()).toBe(true);
  }

  const sentIds = (): string[] =>
    server
      .of(api.events.add)
      .flatMap(({ body }) => (body as { events: { id: string }[] }).events.map(({ id }) => id));
  const takeAll = (): void =>
    void server.on(api.events.add, ({ body }) => ({
      stored: (body as { events: { id: string }[] }).events.map(({ id }) => id),
      known: [],
      refused: [],
    }));

  it('has an event before the server has it', async () => {
    server.refuse(api.events.add, 0);
    const store = await open();
    const tap = attempt(GOOD, null);
    await store.add(tap);
    expect(store.waiting()).toBe(1);
    expect((await store.kept(LESSON.id)).map(({ id }) => id)).toEqual([tap.id]);
  });

  it('sends what waits, without what only this device knows, and not again', async () => {
    takeAll();
    const store = await open();
    const tap = attempt(GOOD, null);
    await store.add(tap);
    await until(() => store.waiting() === 0);
    await store.add(attempt(GOOD, 'cast.crack'));
    await until(() => sentIds().length === 2);
    expect(server.of(api.events.add)[0]?.body).toEqual({ events: [tap] });
    expect(new Set(sentIds()).size).toBe(2);
  });

  it('keeps what waits when the application is closed, and sends it at the next start', async () => {
    server.refuse(api.events.add, 0);
    const first = await open();
    const tap = attempt(GOOD, null);
    await first.add(tap);
    await until(() => server.of(api.events.add).length > 0);
    takeAll();
    const second = await open();
    await until(() => sentIds().includes(tap.id) && second.waiting() === 0);
    expect((await second.kept(LESSON.id)).map(({ id }) => id)).toEqual([tap.id]);
  });

  it('takes an event that the server knows already as stored', async () => {
    server.on(api.events.add, ({ body }) => ({
      stored: [],
      known: (body as { events: { id: string }[] }).events.map(({ id }) => id),
      refused: [],
    }));
    const store = await open();
    await store.add(attempt(GOOD, null));
    await until(() => store.waiting() === 0);
    expect(store.refused()).toEqual([]);
  });

  it('tells a refusal with its reason, and lets the others through', async () => {
    const bad = attempt(GOOD, null);
    server.on(api.events.add, ({ body }) => {
      const ids = (body as { events: { id: string }[] }).events.map(({ id }) => id);
      return {
        stored: ids.filter((id) => id !== bad.id),
        known: [],
        refused: ids.includes(bad.id)
          ? [{ id: bad.id, code: 'no-consent' as const, message: 'No consent is on file.' }]
          : [],
      };
    });
    const store = await open();
    await Promise.all([store.add(bad), store.add(attempt(GOOD, null))]);
    await until(() => store.waiting() === 0);
    expect(store.refused()).toEqual([{ id: bad.id, reason: 'No consent is on file.' }]);
  });

  it('shows and sends nothing of somebody else who used this device', async () => {
    server.refuse(api.events.add, 401, 'signed-out');
    const first = await open();
    const tap = attempt(GOOD, null);
    await first.add(tap);
    takeAll();
    const fellow = await open({
      ...SESSION,
      user: { ...(SESSION.user as NonNullable<typeof SESSION.user>), id: uuid(99) },
    });
    expect(await fellow.kept(LESSON.id)).toEqual([]);
    await fellow.add(attempt(GOOD, null));
    await until(() => fellow.waiting() === 0);
    expect(server.of(api.events.add).at(-1)?.body).not.toMatchObject({ events: [{ id: tap.id }] });
    const before = sentIds().filter((id) => id === tap.id).length;
    await open();
    await until(() => sentIds().filter((id) => id === tap.id).length === before + 1);
  });

  it('sends nothing while nobody is signed in', async () => {
    await open({ user: null, demo: [] });
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(server.of(api.events.add)).toEqual([]);
  });

  it('goes on after an answer nobody can read', async () => {
    let first = true;
    server.on(api.events.add, ({ body }) => {
      if (first) {
        first = false;
        throw new Refusal(500, 'internal');
      }
      return {
        stored: (body as { events: { id: string }[] }).events.map(({ id }) => id),
        known: [],
        refused: [],
      };
    });
    const store = await open();
    await store.add(attempt(GOOD, null));
    await store.add(attempt(GOOD, null));
    await until(() => store.waiting() === 0);
  });
});
