import { randomUUID } from 'node:crypto';
import type { IncomingStudent, StudentAccess } from '@doceo/contract';
import { demoScenario, FELLOW, LEAD, OTHER } from '@doceo/demo';
import supertest from 'supertest';
import { rows, write } from '../db/pool';
import { placesNaming } from '../testing/every-table';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const named = (name: string) => scenario.students.list.find(({ student }) => student.name === name)!;
const sam = named('Sam Okande');
const day = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

describe('a record', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeEach(async () => {
    test = await testApp('access_given');
    [lead, fellow, other] = await test.everybody();
    // What the demo gives is taken away, so that each case begins with nobody.
    await write(test.pool, 'DELETE FROM student_access');
  });
  afterEach(() => test.close());

  const access = async (): Promise<StudentAccess> =>
    (await lead.get(`/api/students/${sam.id}/access`).expect(200)).body;
  const give = (untilOn: string | null = null, userId: string = FELLOW.id) =>
    lead.put(`/api/students/${sam.id}/access/${userId}`).send({ untilOn });
  const sees = async (by: Agent): Promise<boolean> =>
    (await by.get(`/api/students/${sam.id}`)).status === 200;
  const issue = async (reply: supertest.Test) => (await reply.expect(400)).body.error.issues[0];

  it('is given by name, seen in the list and in the log of looks, and ended', async () => {
    expect((await access()).people).toEqual([]);
    expect((await access()).fellows).toEqual([{ userId: FELLOW.id, name: FELLOW.name }]);
    expect(await sees(fellow)).toBe(false);
    const { body } = await give().expect(200);
    expect(body.people).toEqual([
      { userId: FELLOW.id, name: FELLOW.name, since: expect.any(String), untilOn: null, lesson: null },
    ]);
    expect(body.fellows).toEqual([]);
    expect(await sees(fellow)).toBe(true);
    await fellow.get(`/api/events?studentId=${sam.id}`).expect(200);
    const looks = (await lead.get(`/api/students/${sam.id}/access-log`)).body as { who: string }[];
    expect(looks.map(({ who }) => who)).toContain(FELLOW.name);
    await lead.delete(`/api/students/${sam.id}/access/${FELLOW.id}`).expect(200);
    expect(await sees(fellow)).toBe(false);
    await lead.delete(`/api/students/${sam.id}/access/${FELLOW.id}`).expect(404);
  });

  it('is given for a time: through the last day, and not a day more, by every route', async () => {
    await give(day(0)).expect(200);
    expect(await sees(fellow)).toBe(true);
    await write(test.pool, 'UPDATE student_access SET until_on = UTC_DATE() - INTERVAL 1 DAY');
    expect(await sees(fellow)).toBe(false);
    await fellow.get(`/api/events?studentId=${sam.id}`).expect(404);
    await fellow.get(`/api/students/${sam.id}/export`).expect(404);
    for (const path of ['students', 'records/progress', `records?ids=${sam.id}`, 'readings'])
      expect(JSON.stringify((await fellow.get(`/api/${path}`).expect(200)).body)).not.toContain(sam.id);
    expect((await access()).people).toEqual([]);
    // Given anew it is since then.
    await write(test.pool, 'UPDATE student_access SET given_at = UTC_TIMESTAMP(3) - INTERVAL 30 DAY');
    const [again] = (await give(day(7))).body.people as { since: string; untilOn: string }[];
    expect(again?.untilOn).toBe(day(7));
    expect(Date.now() - Date.parse(again?.since ?? '')).toBeLessThan(60_000);
  });

  it('is given to nobody outside of one’s circles, nor until a day that is over', async () => {
    expect(await issue(give(null, OTHER.id))).toMatchObject({ path: 'userId', code: 'unknown' });
    expect(await issue(give(null, randomUUID()))).toMatchObject({ path: 'userId', code: 'unknown' });
    expect(await issue(give(null, LEAD.id))).toMatchObject({ path: 'userId' });
    expect(await issue(give(day(-1)))).toMatchObject({ path: 'untilOn', message: 'must be today or later' });
    expect(await sees(other)).toBe(false);
  });

  it('that is ended leaves the fellow’s lesson without the student and what was written of him', async () => {
    await give().expect(200);
    const [lesson] = (await lead.get('/api/lessons')).body as { planId: string; waterId: string }[];
    const id = randomUUID();
    const circleId = (await lead.get('/api/circles')).body[0].id;
    await lead.post(`/api/plans/${lesson?.planId}/share`).send({ circleId }).expect(200);
    const at = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString();
    const put = (lessonId: string, days: number) =>
      fellow
        .post('/api/lessons')
        .send({
          id: lessonId,
          lesson: {
            planId: lesson?.planId,
            waterId: lesson?.waterId,
            startsAt: at(days),
            studentIds: [sam.id],
          },
        })
        .expect(200);
    await put(id, -7);
    const coming = randomUUID();
    await put(coming, 7);
    const event = {
      id: randomUUID(),
      lessonId: id,
      studentId: sam.id,
      blockId: null,
      deviceId: randomUUID(),
      atMs: Date.now() - 6 * 86_400_000,
      body: { kind: 'note', text: 'hurries', aboutId: null },
    };
    await fellow
      .post('/api/events')
      .send({ events: [event] })
      .expect(200);
    await lead.delete(`/api/students/${sam.id}/access/${FELLOW.id}`).expect(200);
    for (const lessonId of [id, coming])
      expect((await fellow.get(`/api/lessons/${lessonId}`).expect(200)).body.studentIds).toEqual([]);
    expect((await fellow.get(`/api/events?lessonId=${id}`).expect(200)).body).toEqual([]);
    expect(
      await rows(test.pool, 'SELECT lesson_id FROM lesson_students WHERE student_id = ? AND lesson_id = ?', [
        sam.id,
        coming,
      ]),
    ).toEqual([]);
    // The keeper has it in the record.
    const record = (await lead.get(`/api/events?studentId=${sam.id}`)).body as { id: string }[];
    expect(record.map((one) => one.id)).toContain(event.id);
    // A device that still had him open is told, and the entry is not stored.
    const late = { ...event, id: randomUUID() };
    const told = (
      await fellow
        .post('/api/events')
        .send({ events: [late] })
        .expect(200)
    ).body;
    expect([told.stored, told.refused.length]).toEqual([[], 1]);
  });

  describe('goes over to another instructor', () => {
    const offer = (body: object = {}) =>
      lead
        .post(`/api/students/${sam.id}/hand-over`)
        .send({ userId: FELLOW.id, consentBy: 'Sam Okande', consentOn: day(0), ...body });
    const incoming = async (by: Agent): Promise<IncomingStudent[]> =>
      (await by.get('/api/hand-overs').expect(200)).body;
    const answer = (by: Agent, accept = true) => by.post(`/api/hand-overs/${sam.id}`).send({ accept });

    it('with who agreed, when he takes it; then it is his, and who had it sees it no more', async () => {
      const before = (await lead.get(`/api/students/${sam.id}/export`).expect(200)).body;
      expect((await offer().expect(200)).body.handOver).toMatchObject({
        name: FELLOW.name,
        consentBy: 'Sam Okande',
      });
      expect(await sees(fellow)).toBe(false);
      expect(await incoming(fellow)).toEqual([
        {
          ...{ studentId: sam.id, name: 'Sam Okande', from: LEAD.name },
          ...{ consentBy: 'Sam Okande', consentOn: day(0), at: expect.any(String) },
        },
      ]);
      await answer(fellow).expect(200);
      expect([await sees(lead), await sees(fellow)]).toEqual([false, true]);
      const after = (await fellow.get(`/api/students/${sam.id}/export`).expect(200)).body;
      expect(after.events).toEqual(before.events);
      expect(after.readings).toEqual(before.readings);
      expect((await fellow.get(`/api/students/${sam.id}/access`)).body.before).toEqual([
        { from: LEAD.name, consentBy: 'Sam Okande', consentOn: day(0) },
      ]);
      for (const { startsAt, studentIds } of (await lead.get('/api/lessons')).body as {
        startsAt: string;
        studentIds: string[];
      }[])
        expect([startsAt, studentIds.includes(sam.id)]).toEqual([startsAt, false]);
      for (const { course } of (await lead.get('/api/courses')).body as {
        course: { studentIds: string[] };
      }[])
        expect(course.studentIds).not.toContain(sam.id);
      await answer(fellow).expect(404);
    });

    it('only to whom it was offered, and not when it was taken back or declined', async () => {
      await offer().expect(200);
      await answer(other).expect(404);
      await answer(lead).expect(404);
      await lead.delete(`/api/students/${sam.id}/hand-over`).expect(200);
      expect((await answer(fellow).expect(404)).body.error.message).toContain('taken back');
      await offer().expect(200);
      await answer(fellow, false).expect(200);
      expect(await incoming(fellow)).toEqual([]);
      expect([await sees(lead), (await access()).handOver, (await access()).before]).toEqual([
        true,
        null,
        [],
      ]);
    });

    it('once, when it is answered twice at the same moment', async () => {
      await offer().expect(200);
      const both = await Promise.all([answer(fellow), answer(fellow, false)]);
      expect(both.map(({ status }) => status).sort()).toEqual([200, 404]);
    });

    it('with somebody’s word for it, of today or before, and within one’s circles', async () => {
      expect(await issue(offer({ consentBy: ' ' }))).toMatchObject({ path: 'consentBy' });
      expect(await issue(offer({ consentOn: day(2) }))).toMatchObject({ path: 'consentOn', code: 'future' });
      expect(await issue(offer({ userId: OTHER.id }))).toMatchObject({ path: 'userId' });
    });
  });

  it('that is deleted by its keeper goes for all who had part in it, told before, and leaves no trace', async () => {
    await give().expect(200);
    const effect = (await lead.get(`/api/students/${sam.id}/deletion-preview`).expect(200)).body;
    expect(effect.others).toEqual([FELLOW.name]);
    await fellow.delete(`/api/students/${sam.id}`).expect(403);
    await lead.delete(`/api/students/${sam.id}`).expect(200);
    expect(await sees(fellow)).toBe(false);
    expect(await placesNaming(test.pool, [sam.id, 'Sam Okande'])).toEqual([]);
  });
});
