import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { randomUUID } from 'node:crypto';
import { type SavedLesson, type SavedPlan, type SavedStudent, type SavedWater } from '@doceo/contract';
import { attemptsOf, type BankEvent, skillState } from '@doceo/core';
import { FELLOW, LEAD, OTHER } from '@doceo/demo';
import { rows } from './db/pool';
import { oldDatabase } from './testing/old-database';
import { type Agent, type TestApp, testApp } from './testing/test-app';

describe('a database of before', () => {
  let test: TestApp;
  let lead: Agent;
  beforeAll(async () => {
    test = await testApp('old', { url: await oldDatabase('old', 'state-007') });
    lead = await test.signedIn(LEAD.email);
  });
  afterAll(() => test.close());

  const got = async <T>(path: string, by = lead): Promise<T> => (await by.get(path).expect(200)).body as T;

  it('answers every question that every account can ask', async () => {
    let asked = 0;
    for (const email of [LEAD.email, FELLOW.email, OTHER.email]) {
      const by = await test.signedIn(email);
      const [students, lessons, waters, plans] = await Promise.all([
        got<SavedStudent[]>('/api/students', by),
        got<SavedLesson[]>('/api/lessons', by),
        got<SavedWater[]>('/api/waters', by),
        got<SavedPlan[]>('/api/plans', by),
      ]);
      const paths = [
        ...[
          '/session',
          '/drills',
          '/records/progress',
          '/records/effects',
          '/skill-fit',
          '/rigs',
          '/readings',
          '/fly-box',
          '/circles',
        ],
        ...['/invitations', '/account/deletion-preview'],
        ...students.flatMap(({ id, mine }) => [
          ...[`/students/${id}`, `/students/${id}/export`, `/events?studentId=${id}`],
          ...(mine ? [`/students/${id}/deletion-preview`, `/students/${id}/access-log`] : []),
        ]),
        ...lessons.flatMap(({ id }) => [
          ...[`/lessons/${id}`, `/lessons/${id}/plan`, `/events?lessonId=${id}`, `/records?lessonId=${id}`],
        ]),
        ...waters.flatMap(({ id }) => [
          ...[`/waters/${id}`, `/waters/${id}/beats`, `/waters/${id}/lake`],
          `/waters/${id}/conditions?date=2026-11-30`,
        ]),
        ...plans.map(({ id }) => `/plans/${id}`),
        ...(await got<{ id: string }[]>('/api/rigs', by)).map(({ id }) => `/rigs/${id}`),
      ];
      for (const path of paths) {
        const { status } = await by.get(`/api${path}`);
        expect([path, status]).toEqual([path, 200]);
      }
      asked += paths.length;
    }
    expect(asked).toBeGreaterThan(100);
  });

  it('tells a lesson of nine, and takes a change of it only when they fit', async () => {
    const full = (await got<SavedLesson[]>('/api/lessons')).find(({ studentIds }) => studentIds.length > 8);
    expect(full?.studentIds).toHaveLength(9);
    const { planId, waterId, startsAt, studentIds } = full as SavedLesson;
    const save = (ids: string[]) =>
      lead.put(`/api/lessons/${full?.id}`).send({ planId, waterId, startsAt, studentIds: ids });
    expect((await save(studentIds).expect(400)).body.error.issues[0].path).toBe('studentIds');
    await save(studentIds.slice(0, 8)).expect(200);
  });

  it('reads ids that are gone, and lets a plan that names them be saved, but no new one', async () => {
    const summaries = await got<SavedPlan[]>('/api/plans');
    const all = await Promise.all(summaries.map(({ id }) => got<SavedPlan>(`/api/plans/${id}`)));
    const plan = all.find(({ body }) =>
      body.blocks.some(({ drillId }) => drillId === 'gone-drill'),
    ) as SavedPlan;
    expect(plan.body.blocks[1]?.watchFor).toEqual(['cast.gone']);
    const { title, body, version, id } = plan;
    await lead
      .put(`/api/plans/${id}`)
      .send({ title, body: { ...body, aim: 'again' }, baseVersion: version })
      .expect(200);
    const made = await lead.post('/api/plans').send({ id: randomUUID(), title, body });
    expect([made.status, made.body.error.issues[0].path]).toEqual([400, 'body.blocks[1].drillId']);
  });

  it('brings a rig of the first shape up to date', async () => {
    const rig = (
      await got<{ name: string; rig: { measured: object[]; byHand: boolean } }[]>('/api/rigs')
    ).find(({ name }) => name === 'Weighed long ago')?.rig;
    expect(rig?.byHand).toBe(false);
    expect(rig?.measured).toEqual([expect.objectContaining({ kind: 'fly-mass', value: 0.00041 })]);
  });

  it('puts an event from a clock that was ahead to the time it came, and traces past skills that are gone', async () => {
    const sam = (await got<SavedStudent[]>('/api/students')).find(
      ({ student }) => student.name === 'Sam Okande',
    );
    const events = await got<BankEvent[]>(`/api/events?studentId=${sam?.id}`);
    const ahead = events.find(({ atMs }) => atMs === 4_070_908_800_000);
    const [stored] = await rows<{ received_at: Date }>(
      test.pool,
      'SELECT received_at FROM events WHERE id = ?',
      [ahead?.id],
    );
    expect(4_070_908_800_000 - (ahead?.clockAheadMs ?? 0)).toBe(stored?.received_at.getTime());
    const attempts = attemptsOf(events, sam?.id ?? '');
    expect(attempts.map(({ skillId }) => skillId)).toContain('casting.gone');
    expect(Object.keys(skillState(SHIPPED.skills.all, attempts, Date.now()))).not.toContain('casting.gone');
  });

  it('exports a student with records in a lesson that no longer names her', async () => {
    const lidia = (await got<SavedStudent[]>('/api/students')).find(
      ({ student }) => student.name === 'Lidia Moreau',
    );
    const file = await got<{ lessons: { id: string }[]; events: BankEvent[] }>(
      `/api/students/${lidia?.id}/export`,
    );
    const lessons = new Set(file.lessons.map(({ id }) => id));
    expect(file.events.length).toBeGreaterThan(10);
    expect(file.events.every(({ lessonId }) => lessons.has(lessonId))).toBe(true);
  });

  it('gives a lesson on somebody else’s plan its own copy', async () => {
    const fellow = await test.signedIn(FELLOW.email);
    const [lesson] = await got<SavedLesson[]>('/api/lessons', fellow);
    expect(await got(`/api/lessons/${lesson?.id}/plan`, fellow)).toMatchObject({ title: lesson?.planTitle });
  });

  it('is not loaded with the demo again', async () => {
    expect(await rows(test.pool, 'SELECT id FROM users')).toHaveLength(3);
  });
});
