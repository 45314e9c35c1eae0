import { randomUUID } from 'node:crypto';
import type { SavedLesson } from '@doceo/contract';
import { demoScenario } from '@doceo/demo';
import { write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';
import { insertLesson } from './lessons.sql';

const scenario = demoScenario(new Date());
const [plan, other] = scenario.plans as [(typeof scenario.plans)[0], (typeof scenario.plans)[0]];
const waterId = scenario.waters.list[0]!.id;
const DAY_MS = 86_400_000;

describe('lists of lessons', () => {
  let test: TestApp;
  let kim: Agent;
  let kimId: string;
  const nowMs = Date.now();
  const at = (days: number): string => new Date(nowMs + days * DAY_MS).toISOString();
  /** A lesson of Kim's so many days from now. */
  const put = async (days: number, taught = plan): Promise<string> => {
    const id = randomUUID();
    await insertLesson(
      test.pool,
      kimId,
      id,
      { planId: taught.plan.id, waterId, startsAt: at(days), studentIds: [] },
      { ...taught.plan, version: 1 },
    );
    return id;
  };
  const list = async (query: Record<string, string> = {}, by = kim): Promise<SavedLesson[]> =>
    (await by.get('/api/lessons').query(query).expect(200)).body;
  const days = (lessons: readonly SavedLesson[]): number[] =>
    lessons.map(({ startsAt }) => Math.round((Date.parse(startsAt) - nowMs) / DAY_MS));
  const span = (from: number, until: number): number[] =>
    Array.from({ length: until - from + 1 }, (_, i) => from + i);

  beforeAll(async () => {
    test = await testApp('lesson_lists');
    kim = await test.newcomer('kim');
    kimId = (await kim.get('/api/session')).body.user.id;
    // Every day from ninety days ago to ninety days from now, put down in no order.
    for (const day of span(-90, 90).sort((a, b) => (a % 7) - (b % 7) || a - b)) if (day !== 0) await put(day);
  });
  afterAll(() => test.close());

  it('tell the last twenty and the next forty, by start', async () => {
    expect(days(await list())).toEqual([...span(-20, -1), ...span(1, 40)]);
  });

  it('go on from the start of the last one, and end with a list that is not full', async () => {
    const more = await list({ from: at(40) });
    expect(days(more)).toEqual(span(40, 90));
    expect(more.length).toBeLessThan(60);
    expect(await list({ from: at(91) })).toEqual([]);
  });

  it('tell the sixty first ones of a time', async () => {
    expect(days(await list({ from: at(-80), until: at(-75) }))).toEqual(span(-80, -76));
    expect(days(await list({ from: at(-90), until: at(90) }))).toEqual([...span(-90, -31)]);
  });

  it('tell the last sixty of a plan', async () => {
    const [early, late] = [await put(-500, other), await put(-400, other)];
    expect((await list({ planId: other.plan.id })).map(({ id }) => id)).toEqual([early, late]);
    // Who teaches along without seeing the plan is told of the lesson, and not which plan it follows.
    const along = await test.newcomer('lee');
    await write(test.pool, 'INSERT INTO lesson_instructors (lesson_id, user_id) VALUES (?, ?)', [
      early,
      (await along.get('/api/session')).body.user.id,
    ]);
    expect((await list({ ids: early }, along)).map(({ id, planId }) => [id, planId])).toEqual([
      [early, null],
    ]);
    expect(await list({ planId: other.plan.id }, along)).toEqual([]);
  });

  it('tell those that are asked for by id, and of nobody else', async () => {
    const [oldest] = await list({ from: at(-90) });
    const [stranger] = await list({}, await test.signedIn('lead@ternalder.example'));
    expect((await list({ ids: `${stranger!.id},${oldest!.id}` })).map(({ id }) => id)).toEqual([oldest!.id]);
    await kim.get('/api/lessons').query({ ids: 'nobody' }).expect(400);
  });
});
