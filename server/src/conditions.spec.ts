import { conditionDaySchema } from '@doceo/contract';
import { demoScenario, LEAD } from '@doceo/demo';
import type supertest from 'supertest';
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
    expect(source).toBe('simulated station');
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

  it('of no day at all are refused at the day', async () => {
    const { body } = await lead.get(`/api/waters/${river!.id}/conditions?date=today`).expect(400);
    expect(body.error.issues[0].path).toBe('date');
  });
});
