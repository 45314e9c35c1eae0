import { randomUUID } from 'node:crypto';
import {
  type HomeEntry,
  type HomeWaiting,
  type OpenedPage,
  type SavedStudent,
  type StudentPage,
  studentPageSchema,
} from '@doceo/contract';
import { type BankEvent, evidenceOf, skillState } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { demoScenario } from '@doceo/demo';
import supertest from 'supertest';
import { rows, write } from '../db/pool';
import { placesNaming } from '../testing/every-table';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const named = (name: string) => scenario.students.list.find(({ student }) => student.name === name)!;
const sam = named('Sam Okande');
const jonas = named('Jonas Wren');

describe('a student’s own page', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  beforeEach(async () => {
    test = await testApp('pages');
    [lead, fellow] = await test.everybody();
  });
  afterEach(() => test.close());

  const lessonOf = async (studentId: string): Promise<string> =>
    (
      await rows<{ lesson_id: string }>(
        test.pool,
        'SELECT lesson_id FROM events WHERE student_id = ? ORDER BY at_ms DESC LIMIT 1',
        [studentId],
      )
    )[0]?.lesson_id ?? '';
  const make = async (studentId: string): Promise<string> =>
    (
      await lead
        .post(`/api/students/${studentId}/pages`)
        .send({ id: randomUUID(), lessonId: await lessonOf(studentId), days: 120 })
        .expect(200)
    ).body.token;
  const my = (act: string, body: object) => supertest(test.app).post(`/api/my/${act}`).send(body);
  const opened = async (token: string): Promise<OpenedPage> => (await my('look', { token }).expect(200)).body;
  const page = async (token: string): Promise<StudentPage> => {
    const found = await opened(token);
    if (found.kind !== 'page') throw new Error('The guardian is asked first.');
    return found.page;
  };
  const entry = (change: Partial<HomeEntry['body']> = {}): HomeEntry => ({
    id: randomUUID(),
    atMs: Date.now() - 60_000,
    body: {
      ...{ kind: 'attempt', skillId: 'hook-setting.see-take', drillId: null, good: true, faultId: null },
      ...{ evidence: 'bench', home: true, ...change },
    },
  });
  const send = (token: string, entries: HomeEntry[]) => my('send', { token, entries });
  const waiting = async (studentId = sam.id): Promise<HomeWaiting[]> =>
    (await lead.get(`/api/students/${studentId}/home`).expect(200)).body;
  const judge = (ids: string[], counts: boolean, by: Agent = lead) =>
    by.post(`/api/students/${sam.id}/home`).send({ ids, counts });
  const eventsOf = async (): Promise<BankEvent[]> =>
    (await lead.get(`/api/events?studentId=${sam.id}`).expect(200)).body;
  const why = async (reply: supertest.Test, status: number): Promise<string> =>
    (await reply.expect(status)).body.error.message;

  it('tells what went well, where he is, the one thing, and what to practise', async () => {
    const told = studentPageSchema.parse(await page(await make(sam.id)));
    expect(told).toMatchObject({ firstName: 'Sam', instructor: 'Maren Voss', units: 'metric' });
    expect(told.streams.map(({ strand }) => strand)).toEqual([
      ...['casting', 'rigging', 'hook-setting', 'water'],
    ]);
    expect(told.well?.tries.length ?? 4).toBeGreaterThanOrEqual(4);
    expect(told.questions).toHaveLength(12);
    expect(told.questions.every(({ choices }) => choices.filter(({ right }) => right).length === 1)).toBe(
      true,
    );
    expect(told.beat.fromS).toBeLessThan(told.beat.toS);
    expect(told.beat.pauseS).toBeGreaterThan(0.3);
    expect(told.tells).toEqual({ beat: true, takes: true });
  });

  it('names nobody else in any answer it gets, also where the instructor did', async () => {
    const others = scenario.students.list
      .map(({ student }) => student.name)
      .filter((name) => name !== 'Sam Okande');
    const lessonId = await lessonOf(sam.id);
    const said = {
      ...{ id: randomUUID(), lessonId, studentId: sam.id, blockId: null, deviceId: randomUUID() },
      ...{ atMs: Date.now(), body: { kind: 'sentence', text: 'Wait as long as Petra does, then go.' } },
    };
    await lead
      .post('/api/events')
      .send({ events: [said] })
      .expect(200);
    const token = await make(sam.id);
    const answers = JSON.stringify([
      (await my('look', { token })).body,
      (await my('open', { token, name: 'Sam' })).body,
      (await send(token, [entry()])).body,
      (await send(token, [entry({ skillId: 'no.such' })])).body,
      (await my('look', { token: 'A'.repeat(22) })).body,
    ]);
    expect((await page(token)).one.sentence).toBe('Wait as long as … does, then go.');
    for (const name of others.flatMap((one) => [one, ...one.split(' ')])) expect(answers).not.toContain(name);
    for (const { id } of scenario.students.list) expect(answers).not.toContain(id);
    expect(answers).not.toContain('hurries the pause');
  });

  it('of a minor is opened by the guardian, who says who he is', async () => {
    const token = await make(jonas.id);
    expect(await opened(token)).toEqual({ kind: 'guardian', firstName: 'Jonas', instructor: 'Maren Voss' });
    expect(await why(send(token, [entry()]), 403)).toBe('The guardian opens this page first.');
    await my('open', { token, name: '' }).expect(400);
    expect((await my('open', { token, name: 'Ruth Wren' }).expect(200)).body.kind).toBe('page');
    expect((await page(token)).firstName).toBe('Jonas');
    const [link] = (await lead.get(`/api/students/${jonas.id}/pages`)).body as {
      openedBy: string;
      views: number;
    }[];
    expect(link).toMatchObject({ openedBy: 'Ruth Wren', views: 2 });
    // Without a consent there is no record, and no page of it.
    await write(test.pool, 'UPDATE students SET guardian_consent_on = NULL WHERE id = ?', [jonas.id]);
    expect(await why(my('look', { token }), 404)).toContain('No record is kept');
    expect(await why(send(token, [entry()]), 404)).toContain('No record is kept');
  });

  it('sends back what was done, which counts for nothing until it was looked at', async () => {
    const token = await make(sam.id);
    const before = await eventsOf();
    const [first, second] = [entry(), entry({ good: false, faultId: 'set.late' })];
    const answer = entry({
      ...{ skillId: 'water.seam', evidence: 'answer', asked: undefined },
    });
    const asked = (await page(token)).questions[0]!;
    answer.body.skillId = asked.skillId;
    answer.body.asked = { questionId: asked.id, choice: 0, choices: asked.choices.length };
    await send(token, [first, second, answer]).expect(200);
    await send(token, [first]).expect(200);
    expect(await eventsOf()).toEqual(before);
    expect((await lead.get('/api/home')).body).toEqual([{ studentId: sam.id, entries: 3 }]);
    const groups = await waiting();
    expect(groups.map(({ evidence, good, of }) => `${evidence} ${good}/${of}`).sort()).toEqual([
      ...['answer 1/1', 'bench 1/2'],
    ]);
    const bench = groups.find(({ evidence }) => evidence === 'bench')!;
    await judge(bench.ids, true, fellow).expect(404);
    expect((await judge(bench.ids, true).expect(200)).body).toHaveLength(1);
    const now = await eventsOf();
    expect(
      now
        .slice(before.length)
        .map(({ id }) => id)
        .sort(),
    ).toEqual([first.id, second.id].sort());
    // What was let go is gone, and what counts already does not come again.
    await judge([answer.id], false).expect(200);
    expect(await waiting()).toEqual([]);
    await send(token, [first]).expect(200);
    expect(await waiting()).toEqual([]);
    expect(await eventsOf()).toHaveLength(before.length + 2);
  });

  it('moves the estimate less than the same in a lesson', async () => {
    const token = await make(sam.id);
    const skillId = 'rigging.improved-clinch';
    const of = SHIPPED.skills.has(skillId) ? skillId : 'hook-setting.see-take';
    const entries = Array.from({ length: 6 }, () => entry({ skillId: of, evidence: 'drill' }));
    await send(token, entries).expect(200);
    const before = await eventsOf();
    await judge(
      entries.map(({ id }) => id),
      true,
    ).expect(200);
    const mastery = (events: BankEvent[]): number =>
      skillState(SHIPPED.skills.all, evidenceOf(events, sam.id), Date.now())[of]!.mastery;
    const atHome = await eventsOf();
    const inLesson = atHome.map((event) =>
      event.body.kind === 'attempt' && event.body.home
        ? { ...event, body: { ...event.body, home: undefined } }
        : event,
    );
    expect(mastery(atHome)).toBeGreaterThan(mastery(before));
    expect(mastery(inLesson)).toBeGreaterThan(mastery(atHome));
  });

  it('refuses what is none of home, names nothing that is taught, or is too much', async () => {
    const token = await make(sam.id);
    const issue = async (entries: unknown[]) =>
      (await my('send', { token, entries }).expect(400)).body.error.issues[0];
    expect(await issue([entry({ home: false })])).toMatchObject({ path: 'entries[0].body.home' });
    expect(await issue([entry(), entry({ skillId: 'no.such' })])).toMatchObject({
      ...{ path: 'entries[1].body.skillId', message: 'is no skill of the graph' },
    });
    expect(await issue([{ ...entry(), body: { kind: 'note', text: 'x', home: true } }])).toBeDefined();
    await my('send', { token, entries: Array.from({ length: 401 }, () => entry()) }).expect(400);
    const ahead = { ...entry(), atMs: Date.now() + 86_400_000 };
    await send(token, [ahead]).expect(200);
    expect((await waiting())[0]?.on).toBe(new Date().toISOString().slice(0, 10));
  });

  it('is made for a lesson of his, counted, closed, and runs out; of its token only a mark is kept', async () => {
    const path = `/api/students/${sam.id}/pages`;
    const { body } = await lead
      .post(path)
      .send({ id: randomUUID(), lessonId: randomUUID(), days: 30 })
      .expect(400);
    expect(body.error.issues[0]).toMatchObject({ path: 'lessonId' });
    const token = await make(sam.id);
    expect(await placesNaming(test.pool, [token])).toEqual([]);
    await page(token);
    const [link] = (await lead.get(path)).body as { id: string; views: number; closed: boolean }[];
    expect(link).toMatchObject({ views: 1, closed: false });
    await fellow.delete(`${path}/${link?.id}`).expect(404);
    await lead.delete(`${path}/${link?.id}`).expect(200);
    await lead.delete(`${path}/${link?.id}`).expect(404);
    expect(await why(my('look', { token }), 404)).toContain('was closed');
    const second = await make(sam.id);
    await write(test.pool, 'UPDATE student_links SET until_at = UTC_TIMESTAMP(3) - INTERVAL 1 MINUTE');
    expect(await why(my('look', { token: second }), 404)).toContain('has run out');
  });

  it('goes with the student, and with whoever keeps him', async () => {
    const token = await make(sam.id);
    await send(token, [entry()]).expect(200);
    await lead.delete(`/api/students/${sam.id}`).expect(200);
    await my('look', { token }).expect(404);
    expect(await placesNaming(test.pool, [sam.id])).toEqual([]);
    expect(((await lead.get('/api/students')).body as SavedStudent[]).map(({ id }) => id)).not.toContain(
      sam.id,
    );
  });
});
