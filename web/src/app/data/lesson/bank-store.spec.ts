import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import { IDBFactory } from 'fake-indexeddb';
import Dexie from 'dexie';
import { lastValueFrom } from 'rxjs';
import { FakeServer, Refusal, withServer } from '../../../testing/fake-server';
import { attempt, event, LESSON, receipt, SESSION, STRANGER, uuid } from '../../../testing/fixtures';
import { BankStore } from './bank-store';
import { SessionStore } from '../session';

const GOOD = 'casting.pause';

// An event that failed to go waits up to five seconds for the next try.
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
  const takeAll = (): void => void server.on(api.events.add, ({ body }) => receipt(body));
  const idsIn = (body: unknown): string[] =>
    (body as { events: { id: string }[] }).events.map(({ id }) => id);

  it('sends all it has again when the server was brought back, once, and what it lost meanwhile', async () => {
    takeAll();
    const store = await open();
    const [first, second] = [attempt(GOOD, null), attempt(GOOD, 'cast.crack')];
    await store.addAll([first, second]);
    await until(() => store.waiting() === 0);
    const back = { life: 'second', backTo: '2026-06-09T22:00:00.000Z' };
    server.refuse(api.events.add, 0);
    const later = await open({ ...SESSION, installation: back });
    const told: number[] = [];
    later.broughtBack.subscribe(({ count }) => told.push(count));
    // Of a student whom the server does not know any more too.
    await later.forgetOthers(new Set());
    await until(() => later.waiting() === 2);
    expect(told).toEqual([2]);
    takeAll();
    await until(() => later.waiting() === 0);
    expect(sentIds().slice(-2).sort()).toEqual([first.id, second.id].sort());
    const sent = sentIds().length;
    const again = await open({ ...SESSION, installation: back });
    await until(() => again.counted());
    await again.add(attempt(GOOD, null));
    await until(() => again.waiting() === 0);
    expect(sentIds()).toHaveLength(sent + 1);
  });

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
    expect(server.of(api.events.add)[0]?.body).toEqual({ events: [tap], sentAtMs: expect.any(Number) });
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
    server.on(api.events.add, ({ body }) => receipt(body, { known: idsIn(body) }));
    const store = await open();
    await store.add(attempt(GOOD, null));
    await until(() => store.waiting() === 0);
    expect(store.setAside()).toEqual([]);
  });

  it('tells a refusal with its reason, and lets the others through', async () => {
    const bad = attempt(GOOD, null);
    server.on(api.events.add, ({ body }) =>
      receipt(body, {
        refused: idsIn(body).includes(bad.id)
          ? [{ id: bad.id, code: 'no-consent', message: 'No consent is on file.' }]
          : [],
      }),
    );
    const store = await open();
    let told = 0;
    store.unconsented.subscribe(() => (told += 1));
    await Promise.all([store.add(bad), store.add(attempt(GOOD, null))]);
    await until(() => store.waiting() === 0);
    expect(store.setAside()).toEqual([{ event: bad, reason: 'No consent is on file.' }]);
    expect(told).toBe(1);
    // Still told at the next start, and still here.
    const next = await open();
    await until(() => next.counted());
    expect(next.setAside()).toEqual([{ event: bad, reason: 'No consent is on file.' }]);
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
    await open(STRANGER);
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
      return receipt(body);
    });
    const store = await open();
    await store.add(attempt(GOOD, null));
    await store.add(attempt(GOOD, null));
    await until(() => store.waiting() === 0);
  });

  it('puts back what the browser threw away under a running page, and sends it', async () => {
    server.refuse(api.events.add, 0);
    const store = await open();
    const taps = [attempt(GOOD, null), attempt(GOOD, 'cast.crack')];
    await store.addAll(taps);
    await until(() => server.of(api.events.add).length > 0);
    await new Dexie('doceo-bank').open().then(async (other) => {
      await other.table('events').clear();
      other.close();
    });
    expect(await store.kept(LESSON.id)).toEqual([]);
    takeAll();
    window.dispatchEvent(new Event('online'));
    const all = (): boolean => taps.every(({ id }) => sentIds().slice(-2).includes(id));
    await until(all);
    await until(() => store.waiting() === 0);
    expect((await store.kept(LESSON.id)).map(({ id }) => id).sort()).toEqual(taps.map(({ id }) => id).sort());
  });

  it('drops what was sent of a student who is gone, and never what was not', async () => {
    takeAll();
    const store = await open();
    await store.add(attempt(GOOD, null, { studentId: uuid(19) }));
    await until(() => store.waiting() === 0 && sentIds().length === 1);
    server.refuse(api.events.add, 0);
    const unsent = attempt(GOOD, null, { studentId: uuid(19) });
    await store.add(unsent);
    await store.forgetOthers(new Set());
    expect((await store.kept(LESSON.id)).map(({ id }) => id)).toEqual([unsent.id]);
    server.on(api.events.add, ({ body }) =>
      receipt(body, { refused: [{ id: unsent.id, code: 'no-student', message: 'Not in this lesson.' }] }),
    );
    window.dispatchEvent(new Event('online'));
    await until(() => store.setAside().length === 1);
    expect(store.setAside()).toEqual([{ event: unsent, reason: 'Not in this lesson.' }]);
  });

  it('finds the one entry for which a whole request is refused, and sends all others', async () => {
    const bad = event({ kind: 'note', text: 'too much', aboutId: null });
    server.on(api.events.add, ({ body }) => {
      if (idsIn(body).includes(bad.id)) throw new Refusal(413, 'too-large');
      return receipt(body);
    });
    const store = await open();
    const good = Array.from({ length: 30 }, () => attempt(GOOD, null));
    await store.addAll([...good.slice(0, 11), bad, ...good.slice(11)]);
    await until(() => store.waiting() === 0);
    expect(store.setAside().map((one) => one.event.id)).toEqual([bad.id]);
    const sent = new Set(sentIds());
    expect(good.every(({ id }) => sent.has(id))).toBe(true);
  });

  it('sends what was set aside again when it is mended, and lets it go when told', async () => {
    const [one, two] = [attempt(GOOD, null), attempt(GOOD, null)];
    server.on(api.events.add, ({ body }) =>
      receipt(body, { refused: idsIn(body).map((id) => ({ id, message: 'no' })) }),
    );
    const store = await open();
    await store.addAll([one, two]);
    await until(() => store.setAside().length === 2);
    takeAll();
    await store.sendAgain({ ...one, body: { kind: 'note', text: 'mended', aboutId: null } });
    await until(() => store.waiting() === 0 && store.setAside().length === 1);
    expect(server.of(api.events.add).at(-1)?.body).toMatchObject({
      events: [{ id: one.id, body: { kind: 'note', text: 'mended' } }],
    });
    await store.letGo([two.id]);
    expect(store.setAside()).toEqual([]);
  });

  it('tells that the clock is off, and counts what it kept by the right time', async () => {
    server.on(api.events.add, ({ body }) => receipt(body, { clockAheadMs: 3_600_000 }));
    const store = await open();
    await store.add(attempt(GOOD, null));
    await until(() => store.waiting() === 0 && store.clockAheadMs() !== 0);
    expect(store.clockAheadMs()).toBe(3_600_000);
    expect((await store.kept(LESSON.id))[0]?.clockAheadMs).toBe(3_600_000);
  });

  it('refuses aloud what the device has no room for, and acknowledges none of it', async () => {
    server.refuse(api.events.add, 0);
    const store = await open();
    await store.add(attempt(GOOD, null));
    const full = jest
      .spyOn(Dexie.prototype, 'transaction' as never)
      .mockRejectedValueOnce(new Error('QuotaExceededError') as never);
    await expect(store.addAll([attempt(GOOD, null), attempt(GOOD, null)])).rejects.toThrow('Quota');
    full.mockRestore();
    expect(await store.kept(LESSON.id)).toHaveLength(1);
    expect(store.waiting()).toBe(1);
  });

  it('keeps an entry once, though two tabs send it', async () => {
    const there: string[] = [];
    server.on(api.events.add, ({ body }) => {
      const ids = (body as { events: { id: string }[] }).events.map(({ id }) => id);
      const known = ids.filter((id) => there.includes(id));
      there.push(...ids.filter((id) => !known.includes(id)));
      return receipt(body, { known });
    });
    const one = await open();
    const other = TestBed.runInInjectionContext(() => new BankStore());
    const taps = Array.from({ length: 6 }, () => attempt(GOOD, null));
    await Promise.all(taps.map((tap, i) => (i % 2 ? one : other).add(tap)));
    await until(() => new Set(there).size === 6);
    await until(() => one.waiting() === 0);
    expect(there).toHaveLength(6);
  });
});
