import { randomUUID } from 'node:crypto';
import type { Assistants, SavedLesson, SavedStudent, StudentColumns, User } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import { demoScenario } from '@doceo/demo';
import supertest from 'supertest';
import { clearExpired } from '../http/sessions';
import { rows, write } from '../db/pool';
import { placesNaming } from '../testing/every-table';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const named = (name: string) => scenario.students.list.find(({ student }) => student.name === name)!;
const sam = named('Sam Okande');
const jonas = named('Jonas Wren');
const petra = named('Petra Holm');

describe('an assistant', () => {
  let test: TestApp;
  let lead: Agent;
  let other: Agent;
  let lesson: SavedLesson;
  beforeEach(async () => {
    test = await testApp('assistants');
    [lead, , other] = await test.everybody();
    const [known] = (await lead.get('/api/lessons')).body as SavedLesson[];
    const id = randomUUID();
    lesson = (
      await lead
        .post('/api/lessons')
        .send({
          id,
          lesson: {
            ...{ planId: known?.planId, waterId: known?.waterId, studentIds: [sam.id, jonas.id] },
            startsAt: new Date(Date.now() - 1_800_000).toISOString(),
          },
        })
        .expect(200)
    ).body;
  });
  afterEach(() => test.close());

  const code = async (): Promise<string> =>
    (await lead.post(`/api/lessons/${lesson.id}/assistants`).send({}).expect(200)).body.token;
  const begin = async (token: string, name = 'Kim'): Promise<Agent> => {
    const agent = supertest.agent(test.app);
    await agent.post('/api/assist/begin').send({ token, name }).expect(200);
    return agent;
  };
  const people = async (): Promise<Assistants['people']> =>
    (await lead.get(`/api/lessons/${lesson.id}/assistants`).expect(200)).body.people;
  const event = (studentId: string, lessonId = lesson.id): object => ({
    ...{ id: randomUUID(), lessonId, studentId, blockId: null, deviceId: randomUUID(), atMs: Date.now() },
    body: { kind: 'attempt', skillId: 'casting.stop', drillId: null, good: true, faultId: null },
  });
  const log = async (by: Agent, one: object): Promise<string> => {
    const { stored, refused } = (
      await by
        .post('/api/events')
        .send({ events: [one] })
        .expect(200)
    ).body as {
      stored: string[];
      refused: { code: string }[];
    };
    return stored.length > 0 ? 'stored' : (refused[0]?.code ?? '');
  };
  const later = (minutes: number) =>
    write(test.pool, 'UPDATE lessons SET starts_at = starts_at - INTERVAL ? MINUTE WHERE id = ?', [
      minutes,
      lesson.id,
    ]);
  const why = async (reply: supertest.Test, status: number): Promise<string> =>
    (await reply.expect(status)).body.error.message;

  it('begins by a code with a name, and logs in the one lesson under it', async () => {
    const token = await code();
    expect(
      (await supertest(test.app).post('/api/assist/look').send({ token }).expect(200)).body,
    ).toMatchObject({
      ...{ instructor: 'Maren Voss', title: lesson.planTitle, water: lesson.waterName },
    });
    const kim = await begin(token);
    const { user } = (await kim.get('/api/session')).body as { user: User };
    expect(user).toMatchObject({ name: 'Kim', admin: false, assists: { lessonId: lesson.id, over: false } });
    expect(((await kim.get('/api/lessons')).body as SavedLesson[]).map(({ id }) => id)).toEqual([lesson.id]);
    expect((await kim.get(`/api/lessons/${lesson.id}/plan`).expect(200)).body.title).toBe(lesson.planTitle);
    expect((await kim.get('/api/waters')).body).toHaveLength(1);
    expect(await log(kim, event(sam.id))).toBe('stored');
    expect(await people()).toMatchObject([{ name: 'Kim', ended: false, entries: 1 }]);
    const seen = (await lead.get(`/api/events?lessonId=${lesson.id}`)).body as BankEvent[];
    expect(seen).toHaveLength(1);
  });

  it('sees who is there and today’s log: no record of before, no note, no guardian', async () => {
    const kim = await begin(await code());
    const students = (await kim.get('/api/students').expect(200)).body as SavedStudent[];
    expect(students.map(({ student }) => student.name).sort()).toEqual(['Jonas Wren', 'Sam Okande']);
    expect(students.find(({ id }) => id === jonas.id)?.student).toMatchObject({
      ...{ bornOn: null, note: '', guardianName: '', guardianContact: '', guardianConsentOn: null },
      ...{ needs: ['cannot-swim'], saidAdult: true },
    });
    await log(kim, event(sam.id));
    const records = (await kim.get(`/api/records?lessonId=${lesson.id}`).expect(200))
      .body as StudentColumns[];
    expect(records.map(({ studentId, columns }) => [studentId, columns.ids.length])).toEqual([[sam.id, 1]]);
    expect((await kim.get('/api/records/progress')).body).toEqual([]);
    for (const path of [`records?ids=${sam.id}`, 'records/effects'])
      await kim.get(`/api/${path}`).expect(403);
    expect((await kim.get('/api/readings')).body).toEqual([]);
    for (const path of [`events?studentId=${sam.id}`, `students/${sam.id}`, `students/${sam.id}/export`])
      await kim.get(`/api/${path}`).expect(403);
    for (const path of ['plans', 'rigs', 'circles', 'account/deletion-preview', 'courses', 'news'])
      expect((await kim.get(`/api/${path}`)).status).toBe(403);
    await kim.post('/api/circles').send({ id: randomUUID(), name: 'Mine' }).expect(403);
  });

  it('logs of nobody else, in no other lesson, and of no minor without a consent', async () => {
    const kim = await begin(await code());
    expect(await log(kim, event(petra.id))).toBe('no-student');
    const foreign = ((await lead.get('/api/lessons')).body as SavedLesson[]).find(
      ({ id }) => id !== lesson.id,
    )!;
    expect(await log(kim, event(sam.id, foreign.id))).toBe('no-lesson');
    await write(test.pool, 'UPDATE students SET guardian_consent_on = NULL WHERE id = ?', [jonas.id]);
    expect(await log(kim, event(jonas.id))).toBe('no-consent');
    const [masked] = ((await kim.get('/api/students')).body as SavedStudent[]).filter(
      ({ id }) => id === jonas.id,
    );
    expect(masked?.student.saidAdult).toBe(false);
  });

  it('sees whoever is put into the lesson, and nobody who is taken out', async () => {
    const kim = await begin(await code());
    const { planId, waterId, startsAt } = lesson;
    await lead
      .put(`/api/lessons/${lesson.id}`)
      .send({ planId, waterId, startsAt, studentIds: [sam.id, petra.id] })
      .expect(200);
    const names = ((await kim.get('/api/students')).body as SavedStudent[]).map(
      ({ student }) => student.name,
    );
    expect(names.sort()).toEqual(['Petra Holm', 'Sam Okande']);
    expect(await log(kim, event(petra.id))).toBe('stored');
  });

  it('whose lesson is over sees nothing; what he logged meanwhile still comes in for a day', async () => {
    const kim = await begin(await code(), 'Kim Quill');
    const late = event(sam.id);
    await later(lesson.lengthMin + 61);
    expect((await kim.get('/api/session')).body.user.assists.over).toBe(true);
    expect(await why(kim.get('/api/lessons'), 403)).toBe('The lesson is over.');
    expect(await log(kim, late)).toBe('stored');
    await later(24 * 60);
    expect((await kim.get('/api/session')).body.user).toBeNull();
    await kim
      .post('/api/events')
      .send({ events: [event(sam.id)] })
      .expect(401);
    await clearExpired(test.pool);
    expect(await people()).toEqual([]);
    expect(await placesNaming(test.pool, ['@assistant.invalid', 'Kim Quill'])).toEqual([]);
    // What he logged is the lesson's.
    expect((await lead.get(`/api/events?lessonId=${lesson.id}`)).body).toHaveLength(1);
  });

  it('is ended by the instructor, and his code closed and replaced', async () => {
    const first = await code();
    const kim = await begin(first);
    const second = await code();
    await supertest(test.app).post('/api/assist/look').send({ token: first }).expect(404);
    const ana = await begin(second, 'Ana');
    const [one] = await people();
    await lead.delete(`/api/lessons/${lesson.id}/assistants/${one?.userId}`).expect(200);
    await lead.delete(`/api/lessons/${lesson.id}/assistants/${one?.userId}`).expect(404);
    await kim.get('/api/students').expect(403);
    await ana.get('/api/students').expect(200);
    await lead.delete(`/api/lessons/${lesson.id}/assistants`).expect(200);
    await lead.delete(`/api/lessons/${lesson.id}/assistants`).expect(404);
    await supertest(test.app).post('/api/assist/begin').send({ token: second, name: 'Eve' }).expect(404);
    await other.post(`/api/lessons/${lesson.id}/assistants`).send({}).expect(404);
  });

  it('cannot begin when the lesson is over, nor without a name, nor as the thirteenth', async () => {
    const token = await code();
    await supertest(test.app).post('/api/assist/begin').send({ token, name: ' ' }).expect(400);
    for (let i = 0; i < 12; i++) await begin(token, `Helper ${i}`);
    await supertest(test.app).post('/api/assist/begin').send({ token, name: 'One more' }).expect(429);
    await later(lesson.lengthMin + 61);
    expect(await why(supertest(test.app).post('/api/assist/look').send({ token }), 404)).toContain(
      'has run out',
    );
    expect(await why(lead.post(`/api/lessons/${lesson.id}/assistants`).send({}), 400)).toBe(
      'The lesson is over.',
    );
  });

  it('takes no account, and nobody signs in as one', async () => {
    await begin(await code());
    const [{ email } = { email: '' }] = await rows<{ email: string }>(
      test.pool,
      "SELECT email FROM users WHERE email LIKE '%@assistant.invalid'",
    );
    await supertest(test.app).post('/api/session').send({ email, password: ' ' }).expect(401);
    await supertest(test.app).post('/api/session').send({ email, password: 'corvane-demo' }).expect(401);
  });

  it('on a device that somebody was signed in on replaces him there', async () => {
    const token = await code();
    await lead.post('/api/assist/begin').send({ token, name: 'Kim' }).expect(200);
    expect((await lead.get('/api/session')).body.user.name).toBe('Kim');
    await lead.get('/api/plans').expect(403);
  });
});
