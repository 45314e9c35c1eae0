import { randomUUID } from 'node:crypto';
import type { ConditionDay, EventReceipt } from '@doceo/contract';
import { attemptsOf, type BankEvent, type BankEventBody } from '@doceo/core';
import { demoScenario, LEAD } from '@doceo/demo';
import { rows } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const next = scenario.lessons.lessons.at(-2)!;
const sam = scenario.students.list[2]!;
const MINUTE_MS = 60_000;

describe('events', () => {
  let test: TestApp;
  let lead: Agent;
  beforeAll(async () => {
    test = await testApp('events');
    lead = await test.signedIn(LEAD.email);
  });
  afterAll(() => test.close());

  const attempt: BankEventBody = {
    kind: 'attempt',
    skillId: 'casting.stop',
    drillId: null,
    good: true,
    faultId: null,
  };
  const tap = (rest: Partial<BankEvent> = {}): BankEvent => ({
    id: randomUUID(),
    lessonId: next.id,
    studentId: sam.id,
    blockId: null,
    deviceId: randomUUID(),
    atMs: Date.now(),
    body: attempt,
    ...rest,
  });
  const send = (events: unknown[], sentAtMs?: number) => lead.post('/api/events').send({ events, sentAtMs });
  /** As a device does: what finds the server too busy is sent again. */
  const sendUntilTaken = async (events: unknown[]) => {
    for (;;) {
      const reply = await send(events);
      if (reply.status !== 503) return reply;
    }
  };
  const count = async (): Promise<number> =>
    Number((await rows<{ n: number }>(test.pool, 'SELECT COUNT(*) AS n FROM events'))[0]?.n);

  it('that read a thermometer are readings of the water, by the clock of the server; taken back they go there too', async () => {
    const atMs = Date.now();
    const date = new Date(atMs).toISOString().slice(0, 10);
    const body: BankEventBody = { kind: 'temperature', celsius: 17.5, depthM: null };
    const read = tap({ body, studentId: null, atMs: atMs + 3 * 60_000 });
    const readings = async (): Promise<unknown[]> => {
      const reply = await lead.get(`/api/waters/${next.lesson.waterId}/conditions?date=${date}`);
      return (reply.body as ConditionDay).readings.filter(({ id }) => id === read.id);
    };
    await send([read], atMs + 3 * 60_000);
    expect(await readings()).toEqual([
      expect.objectContaining({ what: 'waterC', value: 17.5, depthM: null, mine: true }),
    ]);
    const [kept] = (await readings()) as { atMs: number }[];
    expect(Math.abs((kept?.atMs ?? 0) - atMs)).toBeLessThan(MINUTE_MS);
    await send([tap({ body: { kind: 'undo', targetId: read.id }, studentId: null })]);
    expect(await readings()).toEqual([]);
  });

  it('come from two tabs at once in different orders, and are each stored once', async () => {
    const before = await count();
    const events = Array.from({ length: 40 }, () => tap());
    const shuffled = (by: number): BankEvent[] => events.map((_, i) => events[(i * by) % 40] as BankEvent);
    const replies = await Promise.all(
      Array.from({ length: 60 }, (_, i) => sendUntilTaken(shuffled([1, 39, 7, 13, 11][i % 5] as number))),
    );
    expect(replies.map(({ status }) => status)).toEqual(Array(60).fill(200));
    const stored = replies.flatMap(({ body }) => (body as EventReceipt).stored);
    expect(stored.sort()).toEqual(events.map(({ id }) => id).sort());
    expect(await count()).toBe(before + 40);
  });

  it('that come while their lesson is deleted are stored with it or refused, and nothing fails', async () => {
    for (let time = 0; time < 25; time++) {
      const id = randomUUID();
      await lead.post('/api/lessons').send({ id, lesson: next.lesson }).expect(200);
      const [added, removed] = await Promise.all([
        send([tap({ lessonId: id })]),
        lead.delete(`/api/lessons/${id}`),
      ]);
      expect(added.status).toBe(200);
      const { stored, refused } = added.body as EventReceipt;
      expect([stored.length, refused.length, removed.status]).toEqual(
        removed.status === 200 ? [0, 1, 200] : [1, 0, 409],
      );
    }
  });

  it('are judged alone: one that can never be stored holds up no other', async () => {
    const bad = [
      { ...tap(), body: { kind: 'note', text: 'half \ud83d', aboutId: null } },
      { ...tap(), body: { ...attempt, skillId: 'casting.gone' } },
      { id: 7 },
      null,
    ];
    const good = Array.from({ length: 496 }, () => tap());
    const { stored, refused } = (await send([...good.slice(0, 200), ...bad, ...good.slice(200)]).expect(200))
      .body as EventReceipt;
    expect(stored).toHaveLength(496);
    expect(refused.map(({ index, code }) => [index, code])).toEqual(
      [200, 201, 202, 203].map((index) => [index, 'invalid']),
    );
    expect(refused[0]).toMatchObject({
      id: bad[0]?.id,
      issues: [{ path: 'body.text', code: 'half-character' }],
    });
  });

  it('with an id in capitals are the same event, and are told as they were sent', async () => {
    const event = tap();
    const shouted = { ...event, id: event.id.toUpperCase() };
    expect((await send([shouted])).body).toMatchObject({ stored: [shouted.id], known: [] });
    expect((await send([event])).body).toMatchObject({ stored: [], known: [event.id] });
    const told = (await lead.get('/api/events').query({ lessonId: next.id })).body as BankEvent[];
    expect(told.filter(({ id }) => id === event.id)).toHaveLength(1);
  });

  it.each([
    ['years ahead', 20 * 365 * 24 * 60 * MINUTE_MS],
    ['an hour behind', -60 * MINUTE_MS],
  ])('from a clock that is %s count from when they happened', async (_, aheadMs) => {
    const happened = Date.now() - 5 * MINUTE_MS;
    const event = tap({ atMs: happened + aheadMs });
    const reply = (await send([event], Date.now() + aheadMs).expect(200)).body as EventReceipt;
    expect(Math.abs(reply.clockAheadMs - aheadMs)).toBeLessThan(10_000);
    const told = (await lead.get('/api/events').query({ lessonId: next.id })).body as BankEvent[];
    const stored = told.find(({ id }) => id === event.id) as BankEvent;
    expect(stored.atMs).toBe(event.atMs);
    const [counted] = attemptsOf([stored], sam.id);
    expect(Math.abs((counted?.atMs ?? 0) - happened)).toBeLessThan(10_000);
  });

  it('dated later than they come happened when they came, also when the clock was put right before', async () => {
    const event = tap({ atMs: Date.parse('2099-01-01') });
    await send([event], Date.now()).expect(200);
    const told = (await lead.get('/api/events').query({ lessonId: next.id })).body as BankEvent[];
    const [counted] = attemptsOf(
      told.filter(({ id }) => id === event.id),
      sam.id,
    );
    expect(Math.abs((counted?.atMs ?? 0) - Date.now())).toBeLessThan(10_000);
  });

  it('from a clock that nobody would call wrong stay as they are', async () => {
    const reply = (await send([tap()], Date.now() - MINUTE_MS).expect(200)).body as EventReceipt;
    expect(reply.clockAheadMs).toBe(0);
  });
});
