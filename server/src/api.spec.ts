import { randomUUID } from 'node:crypto';
import type { BankEvent } from '@doceo/core';
import { demoScenario, FELLOW, LEAD, OTHER, SCHOOL } from '@doceo/demo';
import supertest from 'supertest';
import { type TestApp, testApp } from './testing/test-app';

const scenario = demoScenario(new Date());
const plan = scenario.plans[0]?.plan as (typeof scenario.plans)[number]['plan'];
const next = scenario.lessons.lessons.at(-2) as (typeof scenario.lessons.lessons)[number];
const sam = scenario.students.list[2] as (typeof scenario.students.list)[number];
const jonas = scenario.students.list[1] as (typeof scenario.students.list)[number];
const stranger = scenario.students.list[5] as (typeof scenario.students.list)[number];

describe('the API', () => {
  let test: TestApp;
  let lead: ReturnType<typeof supertest.agent>;
  beforeAll(async () => {
    test = await testApp('api');
    lead = await test.signedIn(LEAD.email);
  });
  afterAll(() => test.close());

  const tap = (rest: Partial<BankEvent> = {}): BankEvent => ({
    id: randomUUID(),
    lessonId: next.id,
    studentId: sam.id,
    blockId: null,
    deviceId: randomUUID(),
    atMs: Date.now(),
    body: { kind: 'attempt', skillId: 'casting.stop', drillId: null, good: true, faultId: null },
    ...rest,
  });
  const add = async (events: BankEvent[]) =>
    (await lead.post('/api/events').send({ events }).expect(200)).body;
  const stored = async (): Promise<BankEvent[]> =>
    (await lead.get('/api/events').query({ lessonId: next.id }).expect(200)).body;

  describe('sessions', () => {
    it('open with the right password only, and end', async () => {
      const wrong = await supertest(test.app)
        .post('/api/session')
        .send({ email: LEAD.email, password: 'not it' });
      expect([wrong.status, wrong.body.error.code]).toEqual([401, 'wrong-credentials']);
      const agent = await test.signedIn(FELLOW.email);
      expect((await agent.get('/api/session')).body.user.name).toBe('Tobias Lind');
      await agent.delete('/api/session').expect(200);
      await agent.get('/api/plans').expect(401);
    });

    it('can be registered once, and see nothing of others', async () => {
      const agent = supertest.agent(test.app);
      const account = { email: 'New@Example.org', password: 'ten letters', name: 'Somebody New' };
      await agent.post('/api/session/register').send(account).expect(200);
      const { email, password } = account;
      expect((await agent.post('/api/session').send({ email, password }).expect(200)).body.user.email).toBe(
        'new@example.org',
      );
      for (const path of ['plans', 'lessons', 'students', 'waters', 'rigs', 'circles'])
        expect((await agent.get(`/api/${path}`).expect(200)).body).toEqual([]);
    });
  });

  describe('plans', () => {
    it('are saved on the version they came from, never over another', async () => {
      const { version, body, title } = (await lead.get(`/api/plans/${plan.id}`)).body;
      const save = (baseVersion: number, aim: string) =>
        lead.put(`/api/plans/${plan.id}`).send({ title, body: { ...body, aim }, baseVersion });
      expect((await save(version, 'first').expect(200)).body.version).toBe(version + 1);
      expect((await save(version, 'second').expect(409)).body.error.code).toBe('version-conflict');
      expect((await lead.get(`/api/plans/${plan.id}`)).body.aim).toBe('first');
    });

    it('are shared, found, copied with their origin, and stay hidden from another circle', async () => {
      await lead.post(`/api/plans/${plan.id}/share`).send({ circleId: SCHOOL.id }).expect(200);
      const fellow = await test.signedIn(FELLOW.email);
      const copyId = randomUUID();
      const copy = (await fellow.post(`/api/plans/${plan.id}/copy`).send({ id: copyId }).expect(200)).body;
      expect(copy).toMatchObject({
        mine: true,
        circleId: null,
        origin: { planId: plan.id, ownerName: 'Maren Voss' },
      });
      expect(copy.body.rigs).toHaveLength(1);
      await fellow.post(`/api/plans/${plan.id}/copy`).send({ id: copyId }).expect(200);
      expect(
        (await fellow.get('/api/plans')).body.filter(({ id }: { id: string }) => id === copyId),
      ).toHaveLength(1);
      await fellow
        .put(`/api/plans/${plan.id}`)
        .send({ title: 'x', body: copy.body, baseVersion: 1 })
        .expect(403);
      const other = await test.signedIn(OTHER.email);
      expect((await other.get('/api/plans')).body.map(({ title }: { title: string }) => title)).toEqual([
        'Jetty evening',
      ]);
      await other.get(`/api/plans/${plan.id}`).expect(404);
      await lead.post(`/api/plans/${plan.id}/share`).send({ circleId: null }).expect(200);
      await fellow.get(`/api/plans/${plan.id}`).expect(404);
    });

    it('are not shared while they name a student', async () => {
      const id = randomUUID();
      await lead.post('/api/plans').send({ id, title: 'What Petra needs', body: plan.body }).expect(200);
      const refused = await lead.post(`/api/plans/${id}/share`).send({ circleId: SCHOOL.id });
      expect(refused.status).toBe(400);
      expect(refused.body.error.issues[0]).toMatchObject({ path: 'title', code: 'student-name' });
    });
  });

  describe('bank book events', () => {
    it('are stored once, however often and in whatever order they come', async () => {
      const before = (await stored()).length;
      const events = Array.from({ length: 20 }, () => tap());
      expect((await add(events)).stored).toHaveLength(20);
      const again = await add([...events].reverse());
      expect([again.stored, again.known.length]).toEqual([[], 20]);
      await Promise.all([add(events), add(events)]);
      expect(await stored()).toHaveLength(before + 20);
    });

    it('take back by an event, even when it comes first', async () => {
      const event = tap();
      const undo = tap({ body: { kind: 'undo', targetId: event.id } });
      expect((await add([undo])).stored).toEqual([undo.id]);
      expect((await add([event])).stored).toEqual([event.id]);
      expect((await stored()).filter(({ id }) => id === event.id || id === undo.id)).toHaveLength(2);
    });

    it('come back as they were sent', async () => {
      const note = tap({
        body: { kind: 'note', text: '<script>alert("ø")</script> 🎣', aboutId: null },
        blockId: randomUUID(),
      });
      await add([note]);
      expect((await stored()).find(({ id }) => id === note.id)).toEqual(note);
    });

    it('are refused one by one with a reason', async () => {
      const good = tap();
      const receipt = await add([tap({ lessonId: randomUUID() }), tap({ studentId: stranger.id }), good]);
      expect(receipt.stored).toEqual([good.id]);
      expect(receipt.refused.map(({ code }: { code: string }) => code)).toEqual(['no-lesson', 'no-student']);
      expect(
        (await add([{ ...good, lessonId: (scenario.lessons.lessons[0] as typeof next).id }])).refused[0].code,
      ).toBe('id-taken');
    });

    it('of a minor need a guardian’s consent', async () => {
      await lead
        .put(`/api/students/${jonas.id}`)
        .send({ ...jonas.student, guardianConsentOn: null })
        .expect(200);
      expect((await add([tap({ studentId: jonas.id })])).refused[0].code).toBe('no-consent');
      await lead.put(`/api/students/${jonas.id}`).send(jonas.student).expect(200);
      expect((await add([tap({ studentId: jonas.id })])).refused).toEqual([]);
    });

    it('of a student are seen by those given access, and by no one else of the circle', async () => {
      const fellow = await test.signedIn(FELLOW.email);
      expect(
        (await fellow.get('/api/students')).body.map(
          ({ student }: { student: { name: string } }) => student.name,
        ),
        // Emil by a lesson in which he has him, and Lidia, who is in it too.
      ).toEqual(['Emil Starck', 'Jonas Wren', 'Lidia Moreau', 'Petra Holm']);
      await fellow.get('/api/events').query({ studentId: jonas.id }).expect(200);
      await fellow.get('/api/events').query({ studentId: sam.id }).expect(404);
      await fellow.put(`/api/students/${jonas.id}`).send(jonas.student).expect(403);
    });
  });

  it('notes who read a rule card, and nothing else of the water', async () => {
    const river = scenario.waters.list[0] as (typeof scenario.waters.list)[number];
    const read = (await lead.post(`/api/waters/${river.id}/card-read`).send({}).expect(200)).body.water;
    expect(read.rules.checkedBy).toBe('Maren Voss');
    expect({ ...read, rules: { ...read.rules, checkedOn: null, checkedBy: null } }).toEqual({
      ...river.water,
      rules: { ...river.water.rules, checkedOn: null, checkedBy: null },
    });
  });
});
