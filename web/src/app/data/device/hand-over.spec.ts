import { TestBed } from '@angular/core/testing';
import { api, type Session } from '@doceo/contract';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { lastValueFrom } from 'rxjs';
import { FakeServer, withServer } from '../../../testing/fake-server';
import { subtle } from '../../../testing/web-crypto';
import { event, SAM, SESSION, uuid } from '../../../testing/fixtures';
import { ApiClient } from '../api/api-client';
import { SessionStore } from '../session';
import { BankDatabase } from './bank-database';
import { DeviceUser } from './device-user';
import { HandOver } from './hand-over';
import { UserStorage } from './user-storage';

const MAREN = SESSION.user!.id;
const TOBIAS = uuid(72);
const KEY = btoa(String.fromCharCode(...Array(32).fill(7)));
const OTHER_KEY = btoa(String.fromCharCode(...Array(32).fill(9)));
const SECRET = 'kept her wrist straight';

describe('a device that passes from one to the next', () => {
  let server: FakeServer;
  beforeEach(() => {
    Dexie.dependencies.indexedDB = new IDBFactory();
    localStorage.clear();
    sessionStorage.clear();
    Object.defineProperty(globalThis.crypto, 'subtle', { value: subtle, configurable: true });
    server = new FakeServer().on(api.session.get, SESSION);
    TestBed.configureTestingModule({ providers: withServer(server) });
  });

  const handOver = () => TestBed.inject(HandOver);
  const bank = () => TestBed.inject(BankDatabase);
  const storage = () => TestBed.inject(UserStorage);
  const noKey = () => Promise.resolve(null);
  const kept = (rest: object) => ({
    ...event({ kind: 'note', text: SECRET, aboutId: null }),
    userId: MAREN,
    state: 'waiting' as const,
    ...rest,
  });

  /** Everything that is readable in the browser's stores. */
  async function readable(): Promise<string> {
    const found: unknown[] = [{ ...localStorage }, { ...sessionStorage }];
    for (const name of ['doceo-bank', 'doceo-copies', 'doceo-sealed']) {
      const database = await new Dexie(name).open().catch(() => null);
      for (const table of database?.tables ?? [])
        found.push(
          (await table.toArray()).map((row: Record<string, unknown>) => ({
            ...row,
            sealed: row['sealed'] ? Buffer.from(row['sealed'] as ArrayBuffer).toString('latin1') : undefined,
          })),
        );
      database?.close();
    }
    return JSON.stringify(found);
  }

  async function maren(): Promise<void> {
    await handOver().arrive(MAREN, KEY, noKey);
    TestBed.inject(DeviceUser).set(MAREN);
    await TestBed.inject(ApiClient).keep(api.students.list, [SAM]);
    storage().set('draft.fly-box', `{"value":"${SECRET}"}`);
    storage().set('bank.sun', 'true');
    await bank().events.bulkAdd([
      kept({}),
      kept({ state: 'sent' }),
      kept({ state: 'refused', reason: 'no' }),
    ]);
  }

  it('keeps nothing of who signs out but what was not sent, sealed', async () => {
    await maren();
    expect(await readable()).toContain('Sam Okande');
    await handOver().leave(MAREN, KEY);
    const left = await readable();
    for (const trace of [SECRET, 'Sam Okande', 'bank.sun', SAM.id]) expect(left).not.toContain(trace);
    expect(await bank().events.count()).toBe(0);
  });

  it('gives it back when he comes again, and to nobody else', async () => {
    await maren();
    await handOver().leave(MAREN, KEY);
    await handOver().arrive(TOBIAS, OTHER_KEY, noKey);
    TestBed.inject(DeviceUser).set(TOBIAS);
    expect(storage().get('draft.fly-box')).toBeNull();
    expect(await bank().events.count()).toBe(0);
    await handOver().arrive(MAREN, KEY, noKey);
    TestBed.inject(DeviceUser).set(MAREN);
    expect(storage().get('draft.fly-box')).toContain(SECRET);
    expect((await bank().of(MAREN)).map(({ state }) => state).sort()).toEqual(['refused', 'waiting']);
    expect((await readable()).match(/sealed/g)).toBeNull();
  });

  it('stays sealed for a wrong key', async () => {
    await maren();
    await handOver().leave(MAREN, KEY);
    await handOver().arrive(MAREN, OTHER_KEY, noKey);
    expect(await bank().events.count()).toBe(0);
    await handOver().arrive(MAREN, KEY, noKey);
    expect(await bank().events.count()).toBe(2);
  });

  it('is emptied too of who did not sign out, when another signs in', async () => {
    await maren();
    await handOver().arrive(TOBIAS, OTHER_KEY, (id) => Promise.resolve(id === MAREN ? KEY : null));
    expect(await readable()).not.toContain(SECRET);
    await handOver().arrive(MAREN, KEY, noKey);
    expect(await bank().events.count()).toBe(2);
  });

  it('loses nothing where a browser cannot seal', async () => {
    Object.defineProperty(globalThis.crypto, 'subtle', { value: undefined, configurable: true });
    await maren();
    await handOver().leave(MAREN, KEY);
    expect((await bank().of(MAREN)).map(({ state }) => state).sort()).toEqual(['refused', 'waiting']);
    expect(await readable()).not.toContain('Sam Okande');
  });

  it('finds drafts that a program of before left without a user', async () => {
    localStorage.setItem('doceo.draft.plan.1', 'old draft');
    localStorage.setItem('doceo.bank.sun', '1');
    await handOver().arrive(MAREN, KEY, noKey);
    TestBed.inject(DeviceUser).set(MAREN);
    expect(storage().get('draft.plan.1')).toBe('old draft');
    expect(Object.keys(localStorage).filter((name) => name.startsWith('doceo.'))).toEqual([]);
  });

  it('has the session of who is here, with what seals his things', async () => {
    const session: Session = { ...SESSION, deviceKey: KEY };
    server.on(api.session.get, session);
    await lastValueFrom(TestBed.inject(SessionStore).load());
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(await TestBed.inject(ApiClient).copyOf(MAREN, api.session.get)).toEqual(session);
  });
});

describe('what a browser keeps of a user', () => {
  it('is his own, and follows who signs in', () => {
    localStorage.clear();
    TestBed.configureTestingModule({});
    const user = TestBed.inject(DeviceUser);
    const storage = TestBed.inject(UserStorage);
    const large = storage.value('large', false);
    large.set(true);
    expect([large(), localStorage.length]).toEqual([true, 0]);
    user.set('maren');
    expect(large()).toBe(false);
    large.set(true);
    user.set('tobias');
    expect(large()).toBe(false);
    user.set('maren');
    expect(large()).toBe(true);
    localStorage.setItem('doceo/maren/large', '{{');
    TestBed.resetTestingModule();
    TestBed.inject(DeviceUser).set('maren');
    expect(TestBed.inject(UserStorage).value('large', false)()).toBe(false);
  });
});
