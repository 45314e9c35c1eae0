import { type SavedLesson, studentFileSchema } from '@doceo/contract';
import { demoScenario, FELLOW, LEAD, OTHER } from '@doceo/demo';
import type supertest from 'supertest';
import { rows } from './db/pool';
import { type TestApp, testApp } from './testing/test-app';

const scenario = demoScenario(new Date());
const sam = scenario.students.list.find(({ key }) => key.startsWith('Sam'))!;
/** One the fellow instructor may see. */
const shared = scenario.students.list[0]!;

describe('a student’s own data', () => {
  let test: TestApp;
  let lead: ReturnType<typeof supertest.agent>;
  let fellow: ReturnType<typeof supertest.agent>;
  beforeAll(async () => {
    test = await testApp('privacy');
    lead = await test.signedIn(LEAD.email);
    fellow = await test.signedIn(FELLOW.email);
  });
  afterAll(() => test.close());

  it('can be taken along, all of it', async () => {
    const { body } = await lead.get(`/api/students/${sam.id}/export`).expect(200);
    const file = studentFileSchema.parse(body);
    const own = scenario.lessons.events.filter(({ studentId }) => studentId === sam.id);
    expect(file.events).toHaveLength(own.length);
    expect(file.student.name).toBe('Sam Okande');
    expect(file.readings).toHaveLength(2);
    expect(file.lessons.length).toBeGreaterThan(2);
    expect(JSON.stringify(file)).not.toContain('Jonas');
  });

  it('tells who looked at it, once an hour', async () => {
    for (let i = 0; i < 3; i++) await fellow.get(`/api/events?studentId=${shared.id}`).expect(200);
    await fellow.get(`/api/students/${shared.id}/export`).expect(200);
    const { body } = await lead.get(`/api/students/${shared.id}/access-log`).expect(200);
    expect(body.map(({ who, what }: { who: string; what: string }) => `${who} ${what}`).sort()).toEqual([
      'Tobias Lind export',
      'Tobias Lind record',
    ]);
    await fellow.get(`/api/students/${shared.id}/access-log`).expect(403);
  });

  it('is deleted whole, by the own instructor only, with the effect told beforehand', async () => {
    await fellow.delete(`/api/students/${shared.id}`).expect(403);
    const effect = (await lead.get(`/api/students/${sam.id}/deletion-preview`).expect(200)).body;
    const own = scenario.lessons.events.filter(({ studentId }) => studentId === sam.id);
    expect(effect).toMatchObject({ events: own.length, readings: 2 });
    expect(effect.lessons).toBeGreaterThanOrEqual(effect.comingLessons);
    await lead.delete(`/api/students/${sam.id}`).expect(200);
    for (const table of ['events', 'readings', 'lesson_students', 'looks', 'student_access'])
      expect(await rows(test.pool, `SELECT 1 FROM ${table} WHERE student_id = ?`, [sam.id])).toEqual([]);
    for (const path of ['students', 'lessons', 'readings', 'rigs'])
      expect(JSON.stringify((await lead.get(`/api/${path}`).expect(200)).body)).not.toContain(sam.id);
    await lead.get(`/api/students/${sam.id}/export`).expect(404);
  });

  it('comes back whole from the file, and the file written then is the same', async () => {
    const other = scenario.students.list.find(({ key }) => key.startsWith('Emil'))!;
    const before = (await lead.get(`/api/students/${other.id}/export`).expect(200)).body;
    await lead.post('/api/students/import').send(before).expect(409);
    await lead.delete(`/api/students/${other.id}`).expect(200);
    const { body } = await lead.post('/api/students/import').send(before).expect(200);
    expect(body).toMatchObject({ id: other.id, mine: true, student: { name: 'Emil Starck' } });
    const after = (await lead.get(`/api/students/${other.id}/export`).expect(200)).body;
    expect({ ...after, writtenAt: '' }).toEqual({ ...before, writtenAt: '' });
  });

  it('can be taken in by a stranger, who gets copies of his own and no plan of the school', async () => {
    const stranger = await test.signedIn(OTHER.email);
    const file = (await lead.get(`/api/students/${shared.id}/export`).expect(200)).body;
    const { body } = await stranger.post('/api/students/import').send(file).expect(200);
    expect(body.id).not.toBe(shared.id);
    const taken = studentFileSchema.parse(
      (await stranger.get(`/api/students/${body.id}/export`).expect(200)).body,
    );
    expect(taken.lessons.map(({ title, water, startsAt }) => [title, water, startsAt])).toEqual(
      file.lessons.map(({ title, water, startsAt }: (typeof taken.lessons)[number]) => [
        title,
        water,
        startsAt,
      ]),
    );
    expect(taken.events.map(({ atMs, body: what }) => [atMs, what])).toEqual(
      file.events.map((event: (typeof taken.events)[number]) => [event.atMs, event.body]),
    );
    expect((await stranger.get('/api/lessons').expect(200)).body).toEqual([]);
    const events = (await lead.get(`/api/events?studentId=${shared.id}`).expect(200)).body;
    expect(events).toHaveLength(file.events.length);
  });

  it('is not half taken in: a broken file names the path, and a minor needs consent', async () => {
    const file = (await lead.get(`/api/students/${shared.id}/export`).expect(200)).body;
    const count = async (): Promise<number> => (await lead.get('/api/students').expect(200)).body.length;
    const before = await count();
    const id = '00000000-0000-4000-8000-000000000001';
    const faults = async (change: object): Promise<string[]> =>
      (
        await lead
          .post('/api/students/import')
          .send({ ...file, ...change })
          .expect(400)
      ).body.error.issues.map(({ path }: { path: string }) => path);
    expect(await faults({ events: [{ ...file.events[0], lessonId: id }] })).toEqual(['events[0].lessonId']);
    expect(await faults({ lessons: [] })).toContain('events[0].lessonId');
    expect(await faults({ format: 'other' })).toEqual(['format']);
    const child = {
      ...file.student,
      id,
      bornOn: new Date().toISOString().slice(0, 10),
      guardianConsentOn: null,
    };
    expect(await faults({ student: child, events: [], readings: [] })).toEqual(['student.guardianConsentOn']);
    expect(await count()).toBe(before);
  });

  it('is seen by no reader of the circle to whom it was not given', async () => {
    const given = (await fellow.get('/api/students').expect(200)).body.map(({ id }: { id: string }) => id);
    const all = (await lead.get('/api/students').expect(200)).body.map(({ id }: { id: string }) => id);
    expect(given).toContain(shared.id);
    const hidden = all.filter((id: string) => !given.includes(id));
    expect(hidden).toHaveLength(2);
    for (const id of hidden) {
      for (const path of [
        `students/${id}`,
        `students/${id}/export`,
        `students/${id}/deletion-preview`,
        `students/${id}/access-log`,
        `events?studentId=${id}`,
      ])
        expect([path, (await fellow.get(`/api/${path}`)).status]).toEqual([path, 404]);
      await fellow.put(`/api/students/${id}`).send(file(id)).expect(404);
      await fellow.delete(`/api/students/${id}`).expect(404);
      for (const path of ['students', 'readings', 'lessons', 'rigs', 'plans', 'skill-fit'])
        expect((await fellow.get(`/api/${path}`).expect(200)).text).not.toContain(id);
    }
    const lessons = (await lead.get('/api/lessons').expect(200)).body as SavedLesson[];
    const alone = lessons.filter(({ instructors }) => instructors.length === 1);
    expect(alone).toHaveLength(lessons.length - 1);
    for (const lesson of alone) {
      await fellow.get(`/api/events?lessonId=${lesson.id}`).expect(404);
      await fellow.get(`/api/records?lessonId=${lesson.id}`).expect(404);
    }
  });
});

const file = (id: string): object | undefined => scenario.students.list.find((one) => one.id === id)?.student;
