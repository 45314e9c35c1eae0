import { randomUUID } from 'node:crypto';
import { conditionDaySchema } from '@doceo/contract';
import { demoScenario, LEAD } from '@doceo/demo';
import type supertest from 'supertest';
import * as z from 'zod';
import { type TestApp, testApp } from './testing/test-app';

const [river] = demoScenario(new Date()).waters.list;

describe('conditions of a day at a water', () => {
  let test: TestApp;
  let lead: ReturnType<typeof supertest.agent>;
  const day = async (date: string) =>
    conditionDaySchema.parse(
      (await lead.get(`/api/waters/${river!.id}/conditions?date=${date}`).expect(200)).body,
    );
  beforeAll(async () => {
    test = await testApp('conditions');
    lead = await test.signedIn(LEAD.email);
  });
  afterAll(() => test.close());

  it('run from midnight to midnight there, and say that they are simulated', async () => {
    const { hours, source } = await day('2026-06-10');
    expect(source).toBe('a simulated station');
    expect(hours).toHaveLength(24);
    expect(new Date(hours[0]!.atMs).toISOString()).toBe('2026-06-09T22:00:00.000Z');
  });

  it.each([
    ['2026-03-29', 23],
    ['2026-10-25', 25],
  ])('on %s, when the clocks change, have %i hours', async (date, count) =>
    expect((await day(date)).hours).toHaveLength(count),
  );

  it('are the same whenever one asks', async () =>
    expect(await day('2026-06-10')).toEqual(await day('2026-06-10')));

  it('of two weeks are those of each day, also over the change of the clocks', async () => {
    const { body } = await lead.get(`/api/waters/${river!.id}/outlook?date=2026-10-20&days=14`).expect(200);
    const days = z.array(conditionDaySchema).parse(body);
    expect(days.map(({ date }) => date).slice(4, 7)).toEqual(['2026-10-24', '2026-10-25', '2026-10-26']);
    expect(days.map(({ hours }) => hours.length).slice(4, 7)).toEqual([24, 25, 24]);
    expect(days[6]).toEqual(await day('2026-10-26'));
    await lead.get(`/api/waters/${river!.id}/outlook?date=2026-10-20&days=15`).expect(400);
  });

  it('of no day at all are refused at the day', async () => {
    const { body } = await lead.get(`/api/waters/${river!.id}/conditions?date=today`).expect(400);
    expect(body.error.issues[0].path).toBe('date');
  });

  const reading = (atMs: number, value: number) => ({
    id: randomUUID(),
    atMs,
    what: 'waterC' as const,
    value,
    depthM: null,
  });
  const put = (readings: unknown[]) => lead.put(`/api/waters/${river!.id}/readings`).send({ readings });

  it('are as they were read in the hour of a reading, and the station’s again when it is taken back', async () => {
    const before = await day('2026-06-10');
    const one = reading(before.hours[12]!.atMs, 21.5);
    await put([one]).expect(200);
    await put([one]).expect(200);
    const { hours, readings } = await day('2026-06-10');
    expect(hours[12]!.waterC).toBe(21.5);
    expect(readings).toEqual([
      { ...one, by: 'Maren Voss', mine: true, enteredAt: expect.stringMatching(/T.*Z$/) },
    ]);
    await lead.delete(`/api/waters/${river!.id}/readings/${one.id}`).expect(200);
    expect(await day('2026-06-10')).toEqual(before);
  });

  it('take no reading from the future, and none of the others with it', async () => {
    const before = await day('2026-06-10');
    const { body } = await put([
      reading(before.hours[3]!.atMs, 9),
      reading(Date.now() + 86_400_000, 9),
    ]).expect(400);
    expect(body.error.issues).toEqual([
      { path: 'readings[1].atMs', code: 'invalid', message: 'lies in the future' },
    ]);
    expect(await day('2026-06-10')).toEqual(before);
  });
});
