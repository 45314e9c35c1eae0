import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { lastValueFrom } from 'rxjs';
import { FakeServer, withServer } from '../../testing/fake-server';
import { RIG, SESSION } from '../../testing/fixtures';
import { ApiClient } from './api-client';
import { DeviceCopies } from './device-copies';

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
  });
  const rigs = () => lastValueFrom(client.call(api.rigs.list));

  it('stands in for a server that does not answer', async () => {
    await rigs();
    await new Promise((resolve) => setTimeout(resolve, 20));
    server.refuse(api.rigs.list, 0);
    expect(await rigs()).toEqual([RIG]);
    expect(client.fromDevice()).toBe(true);
  });

  it('gives way to the server as soon as that answers', async () => {
    await rigs();
    await new Promise((resolve) => setTimeout(resolve, 20));
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
    await copies.keep('a', 1);
    await copies.ownedBy('maren');
    expect(await copies.find('a')).toMatchObject({ value: 1 });
    await copies.ownedBy('tobias');
    expect(await copies.find('a')).toBeNull();
    await copies.keep('b', 2);
    await copies.clear();
    expect(await copies.find('b')).toBeNull();
  });

  it('a device that cannot keep anything works as without', async () => {
    Dexie.dependencies.indexedDB = undefined as never;
    const none = new DeviceCopies();
    await none.keep('a', 1);
    expect(await none.find('a')).toBeNull();
  });
});
