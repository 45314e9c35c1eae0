import { randomUUID } from 'node:crypto';
import type { SavedLesson, SavedPlan } from '@doceo/contract';
import { demoScenario, FELLOW, LEAD, SCHOOL } from '@doceo/demo';
import { write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const body = scenario.plans[0]!.plan.body;
const water = scenario.waters.list[0]!.id;

describe('the plan of a lesson', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  beforeAll(async () => {
    test = await testApp('taught');
    [lead, fellow] = (await Promise.all([LEAD, FELLOW].map(({ email }) => test.signedIn(email)))) as [
      Agent,
      Agent,
    ];
  });
  afterAll(() => test.close());

  const shared = async (): Promise<string> => {
    const id = randomUUID();
    await lead.post('/api/plans').send({ id, title: 'Lent', body }).expect(200);
    await lead.post(`/api/plans/${id}/share`).send({ circleId: SCHOOL.id }).expect(200);
    return id;
  };
  const lessonOn = async (planId: string, by = fellow): Promise<string> => {
    const id = randomUUID();
    const startsAt = new Date(Date.now() + 3 * 24 * 3_600_000).toISOString();
    await by
      .post('/api/lessons')
      .send({ id, lesson: { planId, waterId: water, startsAt, studentIds: [] } })
      .expect(200);
    return id;
  };
  const taught = async (id: string, by = fellow): Promise<string> =>
    (await by.get(`/api/lessons/${id}/plan`).expect(200)).body.body.aim;
  const saveAim = async (planId: string, aim: string): Promise<void> => {
    const { title, body: now, version } = (await lead.get(`/api/plans/${planId}`)).body as SavedPlan;
    await lead
      .put(`/api/plans/${planId}`)
      .send({ title, body: { ...now, aim }, baseVersion: version })
      .expect(200);
  };

  it('follows the plan until the lesson is over, and then stays as it was taught', async () => {
    const planId = await shared();
    const id = await lessonOn(planId, lead);
    await saveAim(planId, 'before');
    expect(await taught(id, lead)).toBe('before');
    await write(test.pool, "UPDATE lessons SET starts_at = '2026-01-10 09:00:00' WHERE id = ?", [id]);
    await saveAim(planId, 'afterwards');
    expect(await taught(id, lead)).toBe('before');
  });

  it('stays under a fellow’s lesson when it is no longer shared, and follows it no more', async () => {
    const planId = await shared();
    const id = await lessonOn(planId);
    await saveAim(planId, 'while shared');
    await lead.post(`/api/plans/${planId}/share`).send({ circleId: null }).expect(200);
    await saveAim(planId, 'private');
    await fellow.get(`/api/plans/${planId}`).expect(404);
    expect(await taught(id)).toBe('while shared');
    const lesson = (await fellow.get(`/api/lessons/${id}`).expect(200)).body as SavedLesson;
    expect([lesson.planId, lesson.planTitle, lesson.lengthMin]).toEqual([null, 'Lent', body.lengthMin]);
    const { startsAt, waterId } = lesson;
    await fellow
      .put(`/api/lessons/${id}`)
      .send({ planId: null, waterId, startsAt, studentIds: [] })
      .expect(200);
    expect(await taught(id)).toBe('while shared');
  });

  it('can be deleted by its owner; lessons, his own and those of a fellow, go on with their copy', async () => {
    const planId = await shared();
    const [his, own] = [await lessonOn(planId), await lessonOn(planId, lead)];
    await lead.delete(`/api/plans/${planId}`).expect(200);
    expect(await taught(his)).toBe(body.aim);
    const mine = (await lead.get(`/api/lessons/${own}`).expect(200)).body as SavedLesson;
    expect([mine.planId, mine.planTitle]).toEqual([null, 'Lent']);
    expect((await lead.get(`/api/lessons/${own}/plan`).expect(200)).body.body.aim).toBe(body.aim);
    expect((await fellow.get('/api/lessons')).body.map(({ id }: SavedLesson) => id)).toContain(his);
  });

  it('is chosen anew with the plan', async () => {
    const [one, two] = [await shared(), await shared()];
    await saveAim(two, 'the other');
    const id = await lessonOn(one);
    const { startsAt, waterId } = (await fellow.get(`/api/lessons/${id}`)).body as SavedLesson;
    await fellow
      .put(`/api/lessons/${id}`)
      .send({ planId: two, waterId, startsAt, studentIds: [] })
      .expect(200);
    expect(await taught(id)).toBe('the other');
    const unknown = { planId: randomUUID(), waterId, startsAt, studentIds: [] };
    expect((await fellow.put(`/api/lessons/${id}`).send(unknown)).body.error.issues[0].path).toBe('planId');
  });

  it('is not scheduled for a year long ago, nor for a day that is over without anybody', async () => {
    const planId = await shared();
    const [{ waterId }] = (await lead.get('/api/lessons')).body as [SavedLesson];
    const [someone] = (await lead.get('/api/students')).body as [{ id: string }];
    const add = (startsAt: string, studentIds: string[]) =>
      lead.post('/api/lessons').send({ id: randomUUID(), lesson: { planId, waterId, startsAt, studentIds } });
    const daysAgo = (days: number): string => new Date(Date.now() - days * 86_400_000).toISOString();
    const path = async (startsAt: string, studentIds: string[]): Promise<string> =>
      (await add(startsAt, studentIds).expect(400)).body.error.issues[0].path;
    expect(await path('2019-05-01T08:00:00Z', [someone.id])).toBe('lesson.startsAt');
    expect(await path(daysAgo(3), [])).toBe('lesson.studentIds');
    await add(daysAgo(3), [someone.id]).expect(200);
    await add(daysAgo(-3), []).expect(200);
  });
});
