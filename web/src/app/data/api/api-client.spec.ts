import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import { firstValueFrom, lastValueFrom } from 'rxjs';
import { FakeServer, Refusal, withServer } from '../../../testing/fake-server';
import { CIRCLE, PLAN, uuid } from '../../../testing/fixtures';
import { ApiClient } from './api-client';
import type { ApiError } from './api-error';

describe('the way to the server', () => {
  let server: FakeServer;
  let client: ApiClient;
  beforeEach(() => {
    jest.useFakeTimers();
    // As long as it ever waits.
    jest.spyOn(Math, 'random').mockReturnValue(0);
    server = new FakeServer();
    TestBed.configureTestingModule({ providers: withServer(server) });
    client = TestBed.inject(ApiClient);
  });
  afterEach(() => {
    jest.useRealTimers();
    jest.restoreAllMocks();
  });

  const settle = (ms: number): Promise<void> => jest.advanceTimersByTimeAsync(ms);
  const errorOf = (work: Promise<unknown>): Promise<ApiError> =>
    work.then(
      () => Promise.reject(new Error('went through')),
      (error: ApiError) => error,
    );

  it('puts ids into the path, queries behind it, and a body only where one belongs', async () => {
    server.on(api.plans.get, PLAN).on(api.events.list, []).on(api.plans.share, PLAN);
    void firstValueFrom(client.call(api.plans.get, { params: { id: PLAN.id } }));
    void firstValueFrom(client.call(api.events.list, { query: { lessonId: uuid(9) } }));
    void firstValueFrom(client.call(api.plans.share, { params: { id: PLAN.id }, body: { circleId: null } }));
    await settle(10);
    expect(server.calls).toEqual([
      { method: 'get', path: `/api/plans/${PLAN.id}`, query: {}, body: null },
      { method: 'get', path: '/api/events', query: { lessonId: uuid(9) }, body: null },
      { method: 'post', path: `/api/plans/${PLAN.id}/share`, query: {}, body: { circleId: null } },
    ]);
  });

  it('tries again while nobody answers, says so, and gives the answer when it comes', async () => {
    let down = true;
    server.on(api.circles.list, () => {
      if (down) throw new Refusal(0);
      return [CIRCLE];
    });
    const answer = firstValueFrom(client.call(api.circles.list));
    await settle(400);
    expect([server.calls.length, client.unreachable()]).toEqual([1, 1]);
    await settle(1200);
    expect(server.calls.length).toBe(3);
    down = false;
    await settle(5000);
    expect(await answer).toEqual([CIRCLE]);
    expect(client.unreachable()).toBe(0);
  });

  it('does not try again at the same moment as every other device', async () => {
    server.refuse(api.circles.list, 0);
    jest.spyOn(Math, 'random').mockReturnValue(0.8);
    const asked = client.call(api.circles.list).subscribe();
    await settle(290);
    expect(server.calls).toHaveLength(1);
    await settle(20);
    expect(server.calls).toHaveLength(2);
    asked.unsubscribe();
  });

  it('tries again while the database is away', async () => {
    let tries = 0;
    server.on(api.circles.list, () => {
      tries += 1;
      if (tries < 4) throw new Refusal(503, 'unavailable');
      return [];
    });
    const answer = lastValueFrom(client.call(api.circles.list));
    await settle(10_000);
    expect([await answer, tries]).toEqual([[], 4]);
  });

  it('does not try again what was refused', async () => {
    server.refuse(api.plans.get, 404, 'not-found');
    const error = errorOf(firstValueFrom(client.call(api.plans.get, { params: { id: PLAN.id } })));
    await settle(60_000);
    expect((await error).code).toBe('not-found');
    expect(server.calls).toHaveLength(1);
  });

  it('gives up after some minutes, with words', async () => {
    server.refuse(api.circles.list, 0);
    const error = errorOf(firstValueFrom(client.call(api.circles.list)));
    await settle(200_000);
    expect(await error).toMatchObject({
      code: 'offline',
      message: 'The server does not answer. Trying again; nothing is lost.',
    });
    expect(server.calls).toHaveLength(25);
  });

  it('waits through an ended session and sends each call again after signing in', async () => {
    let signedIn = false;
    server.on(api.circles.list, () => {
      if (!signedIn) throw new Refusal(401, 'signed-out');
      return [CIRCLE];
    });
    const answers = Promise.all([
      firstValueFrom(client.call(api.circles.list)),
      firstValueFrom(client.call(api.circles.list)),
    ]);
    await settle(10);
    expect(client.sessionEnded()).toBe(true);
    signedIn = true;
    client.sessionOpened();
    await settle(10);
    expect(client.sessionEnded()).toBe(false);
    expect(await answers).toEqual([[CIRCLE], [CIRCLE]]);
  });

  it('tries once where told to', async () => {
    server.refuse(api.circles.list, 0);
    const error = errorOf(firstValueFrom(client.once(api.circles.list)));
    await settle(60_000);
    expect((await error).transient).toBe(true);
    expect(server.calls).toHaveLength(1);
  });

  it('tells at which field a refusal stands', async () => {
    server.refuse(api.circles.create, 400, 'invalid', [
      { path: 'name', code: 'too_big', message: 'is too long' },
    ]);
    const error = errorOf(
      firstValueFrom(client.call(api.circles.create, { body: { id: uuid(1), name: 'x' } })),
    );
    await settle(10);
    expect([(await error).at('name'), (await error).at('id')]).toEqual(['is too long', null]);
  });
});
