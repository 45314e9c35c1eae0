import { randomUUID } from 'node:crypto';
import type { SavedLesson, SavedStudent, StudentAccess } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import { demoScenario, FELLOW, LEAD, OTHER, SCHOOL } from '@doceo/demo';
import type supertest from 'supertest';
import { rows, write } from '../db/pool';
import { placesNaming } from '../testing/every-table';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const named = (name: string) => scenario.students.list.find(({ student }) => student.name === name)!;
const sam = named('Sam Okande');
const noor = named('Noor Hadley');
const lidia = named('Lidia Moreau');
const HOUR_MS = 3_600_000;

describe('a lesson of two', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  let lesson: SavedLesson;
  beforeEach(async () => {
    test = await testApp('instructors');
    [lead, fellow, other] = await test.everybody();
    lesson = await made(lead, [sam.id, noor.id, lidia.id], 48 * HOUR_MS);
  });
  afterEach(() => test.close());

  const made = async (by: Agent, studentIds: string[], inMs: number): Promise<SavedLesson> => {
    const [known] = (await lead.get('/api/lessons')).body as SavedLesson[];
    const [plan] = (await by.get('/api/plans')).body as { id: string }[];
    return (
      await by
        .post('/api/lessons')
        .send({
          id: randomUUID(),
          lesson: {
            ...{ planId: plan?.id, waterId: known?.waterId, studentIds },
            startsAt: new Date(Date.now() + inMs).toISOString(),
          },
        })
        .expect(200)
    ).body;
  };
  const ask = (instructors: { userId: string; studentIds: string[] }[], of = lesson) =>
    lead.put(`/api/lessons/${of.id}/instructors`).send({ instructors });
  const tobias = (...studentIds: string[]) => ({ userId: FELLOW.id, studentIds });
  const issues = async (reply: supertest.Test) =>
    ((await reply.expect(400)).body.error.issues as { path: string; message: string }[]).map(
      ({ path, message }) => `${path} ${message}`,
    );
  const ofFellow = async (): Promise<SavedLesson | undefined> =>
    ((await fellow.get('/api/lessons').expect(200)).body as SavedLesson[]).find(({ id }) => id === lesson.id);
  const sees = async (studentId: string): Promise<boolean> =>
    (await fellow.get(`/api/students/${studentId}`)).status === 200;
  const bare = ({ planId, waterId, startsAt, studentIds }: SavedLesson) => ({
    ...{ planId, waterId, startsAt, studentIds },
  });
  const log = async (by: Agent, studentId: string): Promise<string> => {
    const event = {
      ...{ id: randomUUID(), lessonId: lesson.id, studentId, blockId: null, deviceId: randomUUID() },
      atMs: Date.now(),
      body: { kind: 'attempt', skillId: 'casting.stop', drillId: null, good: true, faultId: null },
    };
    const { refused } = (
      await by
        .post('/api/events')
        .send({ events: [event] })
        .expect(200)
    ).body as { refused: { code: string }[] };
    return refused[0]?.code ?? 'stored';
  };

  it('is asked among fellows: who teaches elsewhere then is told', async () => {
    const fellows = () => lead.get(`/api/lessons/${lesson.id}/fellows`).expect(200);
    expect((await fellows()).body).toEqual([{ userId: FELLOW.id, name: FELLOW.name, isTaken: false }]);
    await made(fellow, [], 48 * HOUR_MS + 600_000);
    expect((await fellows()).body).toEqual([{ userId: FELLOW.id, name: FELLOW.name, isTaken: true }]);
  });

  it('is seen by both, each with his part of the group, and each logs', async () => {
    expect(await ofFellow()).toBeUndefined();
    expect(await sees(noor.id)).toBe(false);
    const { body } = await ask([tobias(lidia.id)]).expect(200);
    const instructors = [
      { userId: LEAD.id, name: LEAD.name, studentIds: [sam.id, noor.id] },
      { userId: FELLOW.id, name: FELLOW.name, studentIds: [lidia.id] },
    ];
    expect(body).toMatchObject({ mine: true, instructors });
    expect(await ofFellow()).toMatchObject({
      ...{ mine: false, instructors, studentIds: [sam.id, noor.id, lidia.id], planTitle: lesson.planTitle },
    });
    expect((await fellow.get(`/api/lessons/${lesson.id}/plan`).expect(200)).body.title).toBe(
      lesson.planTitle,
    );
    expect(await sees(noor.id)).toBe(true);
    expect(await log(fellow, noor.id)).toBe('stored');
    expect(await log(fellow, lidia.id)).toBe('stored');
    expect(await log(lead, sam.id)).toBe('stored');
    for (const by of [lead, fellow])
      expect((await by.get(`/api/events?lessonId=${lesson.id}`)).body as BankEvent[]).toHaveLength(3);
  });

  it('is changed by whose it is alone', async () => {
    await ask([tobias()]).expect(200);
    await fellow.put(`/api/lessons/${lesson.id}`).send(bare(lesson)).expect(403);
    await fellow.delete(`/api/lessons/${lesson.id}`).expect(403);
    await fellow.put(`/api/lessons/${lesson.id}/instructors`).send({ instructors: [] }).expect(403);
    await fellow.get(`/api/lessons/${lesson.id}/assistants`).expect(403);
    await other.get(`/api/lessons/${lesson.id}`).expect(404);
  });

  it('leads to a plan only him who sees it anyway', async () => {
    await write(test.pool, 'UPDATE plans SET circle_id = NULL WHERE id = ?', [lesson.planId]);
    await ask([tobias()]).expect(200);
    expect((await ofFellow())?.planId).toBeNull();
    await write(test.pool, 'UPDATE plans SET circle_id = ? WHERE id = ?', [SCHOOL.id, lesson.planId]);
    expect((await ofFellow())?.planId).toBe(lesson.planId);
  });

  it('keeps who has whom when its day or its group changes', async () => {
    await ask([tobias(noor.id, lidia.id)]).expect(200);
    const { body } = await lead
      .put(`/api/lessons/${lesson.id}`)
      .send({ ...bare(lesson), studentIds: [lidia.id, sam.id] })
      .expect(200);
    expect(body.instructors.map(({ studentIds }: { studentIds: string[] }) => studentIds)).toEqual([
      [sam.id],
      [lidia.id],
    ]);
    expect(await sees(noor.id)).toBe(false);
    expect(await log(fellow, noor.id)).toBe('no-student');
  });

  it('opens records through its week, tells so in the list of who sees them, and no longer', async () => {
    await ask([tobias(sam.id)]).expect(200);
    const access = async (): Promise<StudentAccess['people']> =>
      (await lead.get(`/api/students/${sam.id}/access`).expect(200)).body.people;
    const week = new Date(Date.parse(lesson.startsAt) + lesson.lengthMin * 60_000 + 168 * HOUR_MS)
      .toISOString()
      .slice(0, 10);
    expect(await access()).toMatchObject([
      { userId: FELLOW.id, untilOn: week, lesson: { id: lesson.id, title: lesson.planTitle } },
    ]);
    // What is given by name stands beside it, and ends for itself.
    const path = `/api/students/${sam.id}/access/${FELLOW.id}`;
    await lead.delete(path).expect(404);
    await lead.put(path).send({ untilOn: null }).expect(200);
    expect(await access()).toMatchObject([{ userId: FELLOW.id, untilOn: null, lesson: null }]);
    await lead.delete(path).expect(200);
    expect(await sees(sam.id)).toBe(true);
    await write(test.pool, 'UPDATE student_access SET lesson_until = UTC_DATE() - INTERVAL 1 DAY');
    expect(await sees(sam.id)).toBe(false);
    expect(await ofFellow()).toMatchObject({ studentIds: [], instructors: [{}, { studentIds: [] }] });
    expect(await access()).toEqual([]);
  });

  it('that is left, or in which nobody is asked any more, leaves what was given by name alone', async () => {
    await ask([tobias(sam.id)]).expect(200);
    await fellow.post(`/api/lessons/${lesson.id}/leave`).send({}).expect(200);
    expect(await ofFellow()).toBeUndefined();
    expect(await sees(sam.id)).toBe(false);
    expect((await lead.get(`/api/lessons/${lesson.id}`)).body.instructors).toEqual([
      { userId: LEAD.id, name: LEAD.name, studentIds: lesson.studentIds },
    ]);
    await ask([tobias(sam.id)]).expect(200);
    await lead.put(`/api/students/${sam.id}/access/${FELLOW.id}`).send({ untilOn: null }).expect(200);
    await ask([]).expect(200);
    expect(await sees(sam.id)).toBe(true);
    expect(await sees(noor.id)).toBe(false);
    expect(await log(fellow, sam.id)).toBe('no-lesson');
  });

  it('is asked of nobody outside of the circles, twice, too late, or with students who are not in it', async () => {
    expect(await issues(ask([{ userId: OTHER.id, studentIds: [] }]))).toEqual([
      'instructors[0].userId is in no circle with you',
    ]);
    expect(await issues(ask([{ userId: LEAD.id, studentIds: [] }]))).toEqual([
      'instructors[0].userId is in no circle with you',
    ]);
    expect(await issues(ask([tobias(), tobias()]))).toEqual(['instructors names somebody twice']);
    expect(await issues(ask([tobias(named('Emil Starck').id)]))).toEqual([
      'instructors[0].studentIds[0] is not in this lesson',
    ]);
    expect(await issues(ask([tobias(sam.id), { userId: OTHER.id, studentIds: [sam.id] }]))).toContain(
      'instructors gives a student to two',
    );
    await write(test.pool, 'UPDATE lessons SET starts_at = UTC_TIMESTAMP(3) - INTERVAL 1 DAY WHERE id = ?', [
      lesson.id,
    ]);
    expect(await issues(ask([tobias()]))).toEqual([
      'instructors[0].userId cannot be asked: the lesson is over',
    ]);
  });

  it('shows nobody the student of a third', async () => {
    const third = await test.newcomer('third');
    const [mine, theirs] = [randomUUID(), randomUUID()];
    const student: SavedStudent['student'] = { ...sam.student, name: 'Wim Aalto' };
    await third.post('/api/students').send({ id: theirs, student }).expect(200);
    await lead.post('/api/students').send({ id: mine, student }).expect(200);
    await write(test.pool, 'INSERT INTO student_access (student_id, user_id) VALUES (?, ?)', [
      ...[theirs, LEAD.id],
    ]);
    const both = await made(lead, [sam.id, theirs], 72 * HOUR_MS);
    expect(await issues(ask([tobias(sam.id)], both))).toEqual([
      'instructors[0].userId may not see Wim Aalto: whose student that is can let him',
    ]);
    expect(await sees(sam.id)).toBe(false);
    await ask([tobias()]).expect(200);
    const more = (id: string) =>
      lead.put(`/api/lessons/${lesson.id}`).send({ ...bare(lesson), studentIds: [...lesson.studentIds, id] });
    expect(await issues(more(theirs))).toEqual([
      `studentIds[3] is not yours to show to ${FELLOW.name}, who teaches along`,
    ]);
    await more(mine).expect(200);
    expect(await sees(mine)).toBe(true);
  });

  it('is nobody’s but whose it is when they are in no circle together any more', async () => {
    await ask([tobias(sam.id)]).expect(200);
    await fellow.post(`/api/circles/${SCHOOL.id}/leave`).send({}).expect(200);
    expect(await ofFellow()).toBeUndefined();
    expect(await sees(sam.id)).toBe(false);
  });

  it('goes with its students: handed over, deleted, and with the account of either', async () => {
    await ask([tobias(sam.id)]).expect(200);
    expect(await log(fellow, sam.id)).toBe('stored');
    const heir = await test.newcomer('heir');
    const { id: heirId } = (await heir.get('/api/session')).body.user as { id: string };
    await write(
      test.pool,
      `INSERT INTO student_handovers (id, student_id, from_id, to_id, consent_by, consent_on)
       VALUES (?, ?, ?, ?, 'Noor Hadley', UTC_DATE())`,
      [randomUUID(), noor.id, LEAD.id, heirId],
    );
    await heir.post(`/api/hand-overs/${noor.id}`).send({ accept: true }).expect(200);
    expect(await sees(noor.id)).toBe(false);
    await lead.delete(`/api/students/${sam.id}`).expect(200);
    expect((await ofFellow())?.studentIds).toEqual([lidia.id]);
    expect(await placesNaming(test.pool, [sam.id])).toEqual([]);
    await write(test.pool, 'DELETE FROM users WHERE id = ?', [FELLOW.id]);
    expect((await lead.get(`/api/lessons/${lesson.id}`)).body.instructors).toEqual([
      { userId: LEAD.id, name: LEAD.name, studentIds: [lidia.id] },
    ]);
    expect(await rows(test.pool, 'SELECT * FROM lesson_instructors')).toEqual([]);
  });

  it('that is taken off the calendar opens nothing any more', async () => {
    await ask([tobias(sam.id)]).expect(200);
    await lead.delete(`/api/lessons/${lesson.id}`).expect(200);
    expect(await sees(sam.id)).toBe(false);
    expect(await log(fellow, sam.id)).toBe('no-lesson');
  });

  it('keeps its plan as a version by whose lesson it is, whoever logs first', async () => {
    await ask([tobias(sam.id)]).expect(200);
    await log(fellow, sam.id);
    const taught = await rows<{ author_id: string }>(
      test.pool,
      "SELECT author_id FROM plan_versions WHERE plan_id = ? AND why = 'taught' ORDER BY seq DESC LIMIT 1",
      [lesson.planId],
    );
    expect(taught).toEqual([{ author_id: LEAD.id }]);
  });
});
