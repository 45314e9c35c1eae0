import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { lastValueFrom } from 'rxjs';
import { FakeServer, Refusal, withServer } from '../../../testing/fake-server';
import { JONAS, LESSON, RIG, SAM, SESSION } from '../../../testing/fixtures';
import { ApiClient } from '../api/api-client';
import { DeviceCopies } from './device-copies';
import { DeviceUser } from './device-user';

describe('what a device keeps for later', () => {
  let server: FakeServer;
  let client: ApiClient;
  let copies: DeviceCopies;
  beforeEach(async () => {
    Dexie.dependencies.indexedDB = new IDBFactory();
    server = new FakeServer().on(api.rigs.list, [RIG]).on(api.session.get, SESSION);
    TestBed.configureTestingModule({ providers: withServer(server) });
    client = TestBed.inject(ApiClient);
    copies = TestBed.inject(DeviceCopies);
    await copies.ownedBy('maren');
    TestBed.inject(DeviceUser).set('maren');
  });
  const rigs = () => lastValueFrom(client.call(api.rigs.list));
  /** Answers are put on the device behind the back of who asked. */
  const kept = async (list: typeof api.rigs.list | typeof api.students.list | typeof api.lessons.list) => {
    for (let tries = 0; tries < 1000 && !(await client.hasCopy(list as typeof api.rigs.list)); tries++)
      await new Promise((resolve) => setTimeout(resolve, 10));
    expect(await client.hasCopy(list as typeof api.rigs.list)).toBe(true);
  };

  it('stands in for a server that does not answer', async () => {
    await rigs();
    await kept(api.rigs.list);
    server.refuse(api.rigs.list, 0);
    expect(await rigs()).toEqual([RIG]);
    expect(client.fromDevice()).toBe(true);
  });

  it('gives way to the server as soon as that answers', async () => {
    await rigs();
    await kept(api.rigs.list);
    server.refuse(api.rigs.list, 0);
    await rigs();
    server.on(api.rigs.list, []);
    expect(await rigs()).toEqual([]);
    expect(client.fromDevice()).toBe(false);
  });

  it('never hides a refusal of the server', async () => {
    await rigs();
    server.refuse(api.rigs.list, 403, 'forbidden');
    await expect(rigs()).rejects.toMatchObject({ code: 'forbidden' });
  });

  it('knows what it has', async () => {
    expect(await client.hasCopy(api.rigs.list)).toBe(false);
    await client.keep(api.rigs.list, [RIG]);
    expect(await client.hasCopy(api.rigs.list)).toBe(true);
    expect(await client.hasCopy(api.rigs.get, { params: { id: RIG.id } })).toBe(false);
  });

  it('shows nothing of one user to another, and forgets when told', async () => {
    await copies.keep('maren', 'a', 1);
    await copies.ownedBy('maren');
    expect(await copies.find('maren', 'a')).toMatchObject({ value: 1 });
    expect(await copies.find('tobias', 'a')).toBeNull();
    await copies.ownedBy('tobias');
    expect(await copies.find('maren', 'a')).toBeNull();
    await copies.keep('tobias', 'b', 2);
    await copies.clear();
    expect(await copies.find('tobias', 'b')).toBeNull();
  });

  it('keeps no answer that comes when somebody else has the device already', async () => {
    await copies.ownedBy('tobias');
    await copies.keep('maren', 'late', 1);
    expect(await copies.find('maren', 'late')).toBeNull();
    expect(await copies.find('tobias', 'late')).toBeNull();
  });

  it('tells of each answer whether it came from here, whatever else did', async () => {
    const where = async (): Promise<boolean> =>
      (await lastValueFrom(client.answer(api.rigs.list))).fromDevice;
    expect(await where()).toBe(false);
    await kept(api.rigs.list);
    server.refuse(api.rigs.list, 0);
    expect(await where()).toBe(true);
    // Another question that the server answers does not make this one fresh.
    await lastValueFrom(client.call(api.session.get));
    expect(client.fromDevice()).toBe(true);
  });

  it('a device that cannot keep anything works as without', async () => {
    Dexie.dependencies.indexedDB = undefined as never;
    const none = new DeviceCopies();
    await none.keep('maren', 'a', 1);
    expect(await none.find('maren', 'a')).toBeNull();
  });

  describe('of a list that comes in pages', () => {
    const rest = { ...SAM, id: JONAS.id };
    const whole = () =>
      lastValueFrom(
        client.whole(api.students.list, ([one]) =>
          one?.id === SAM.id ? { afterName: SAM.student.name, afterId: SAM.id } : null,
        ),
      );
    beforeEach(() => server.on(api.students.list, ({ query }) => [query['afterId'] ? rest : SAM]));

    it('is the whole of it', async () => {
      expect(await whole()).toEqual({ value: [SAM, rest], fromDevice: false });
      await kept(api.students.list);
      server.refuse(api.students.list, 0);
      expect(await whole()).toEqual({ value: [SAM, rest], fromDevice: true });
    });

    it('stays whole when the server goes away between two pages', async () => {
      await whole();
      await kept(api.students.list);
      server.on(api.students.list, ({ query }) => {
        if (query['afterId']) throw new Refusal(0);
        return [SAM];
      });
      expect(await whole()).toEqual({ value: [SAM, rest], fromDevice: true });
    });
  });

  it('is taken at once where a screen can do without, and missed at once where there is none', async () => {
    const lessons = () => lastValueFrom(client.ifThere(api.lessons.list));
    server.refuse(api.lessons.list, 0);
    expect(await lessons()).toBeNull();
    server.on(api.lessons.list, [LESSON]);
    expect(await lessons()).toEqual([LESSON]);
    await kept(api.lessons.list);
    server.refuse(api.lessons.list, 0);
    expect(await lessons()).toEqual([LESSON]);
  });
});
