import { randomUUID } from 'node:crypto';
import { demoScenario, FELLOW, LEAD, SCHOOL } from '@doceo/demo';
import { accountFileSchema } from '@doceo/contract';
import { TOTP } from 'otpauth';
import supertest from 'supertest';
import { placesNaming } from '../testing/every-table';
import { lettersTo } from '../testing/letters';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const [plan] = scenario.plans;
const [student] = scenario.students.list;
const password = 'ten letters';

describe('an account that is deleted', () => {
  let test: TestApp;
  let lead: Agent;
  beforeEach(async () => {
    test = await testApp('leaves_nothing', { settings: { DOCEO_MAIL: 'stand-in' } });
    lead = await test.signedIn(LEAD.email);
  });
  afterEach(() => test.close());

  it('leaves nothing that names her in any table, whatever she did', async () => {
    const email = 'wandaquill@example.org';
    const wanda = supertest.agent(test.app);
    await supertest(test.app)
      .post('/api/session/register')
      .send({ email, password, name: 'Wanda Quill' })
      .expect(200);
    const session = await wanda.post('/api/session').send({ email, password }).expect(200);
    const userId = session.body.user.id as string;
    await lead.post(`/api/circles/${SCHOOL.id}/invitations`).send({ email, role: 'editor' }).expect(200);
    await wanda.post(`/api/invitations/${SCHOOL.id}`).send({ accept: true }).expect(200);
    const [mine, copy] = [randomUUID(), randomUUID()];
    await wanda.post('/api/plans').send({ id: mine, title: 'Hers', body: plan?.plan.body }).expect(200);
    await wanda.post(`/api/plans/${mine}/share`).send({ circleId: SCHOOL.id }).expect(200);
    await lead.post(`/api/plans/${mine}/copy`).send({ id: copy }).expect(200);
    const comment = { id: randomUUID(), blockId: null, answers: null, text: 'A word of hers' };
    await wanda.post(`/api/plans/${mine}/comments`).send(comment).expect(200);
    await wanda.post(`/api/plans/${mine}/links`).send({ id: randomUUID(), days: 7 }).expect(200);
    // A file of hers that the lead takes in tells who made its states.
    const { text } = (
      await wanda
        .post('/api/plans/file')
        .send({ ids: [mine], withoutNames: true })
        .expect(200)
    ).body;
    await lead
      .post('/api/plans/file/take')
      .send({ text, plans: [{ id: mine, how: 'add', as: randomUUID() }] })
      .expect(200);
    const studentId = randomUUID();
    await wanda
      .post('/api/students')
      .send({ id: studentId, student: { ...student?.student, name: 'Xaver Quill' } })
      .expect(200);
    const { secret } = (await wanda.post('/api/account/second-factor').send({ password }).expect(200)).body;
    await wanda
      .put('/api/account/second-factor')
      .send({ code: new TOTP({ secret }).generate() })
      .expect(200);
    await supertest(test.app).post('/api/session/lost').send({ email }).expect(200);
    await lettersTo(test, email, 3);
    const words = [email, 'Wanda', 'Xaver', userId, studentId];
    expect((await placesNaming(test.pool, words)).length).toBeGreaterThan(10);

    await wanda.post('/api/account/removal').send({ password }).expect(200);
    expect(await placesNaming(test.pool, words)).toEqual([]);
    // What he took of hers is his, and says that somebody was there.
    const kept = (await lead.get(`/api/plans/${copy}`).expect(200)).body;
    expect(kept.origin.ownerName).toBe('somebody who left');
  });

  it('leaves nothing of the lead of a whole school but what others go on with, without her name', async () => {
    await lead.put(`/api/circles/${SCHOOL.id}/members/${FELLOW.id}`).send({ role: 'owner' }).expect(200);
    await lead.post('/api/account/removal').send({ password: 'corvane-demo' }).expect(200);
    expect(await placesNaming(test.pool, [LEAD.email, LEAD.id, LEAD.name])).toEqual([]);
    const names = scenario.students.list.map((one) => one.student.name);
    expect(await placesNaming(test.pool, names)).toEqual([]);
  });

  it('can be taken along before, whole, with the password', async () => {
    const asked = await lead.post('/api/account/file').send({ password: 'guess' }).expect(401);
    expect(asked.body.error.issues[0].path).toBe('password');
    const reply = await lead.post('/api/account/file').send({ password: 'corvane-demo' }).expect(200);
    const file = accountFileSchema.parse(reply.body);
    expect(file.account).toMatchObject({ name: LEAD.name, email: LEAD.email });
    expect(file.students.map((one) => one.student.name).sort()).toEqual(
      scenario.students.list.map((one) => one.student.name).sort(),
    );
    expect(file.students.every(({ events }) => events.length > 0)).toBe(true);
    expect(file.waters.map(({ water }) => water.water.name)).toContain('River Ostrel');
    expect([file.plans.length > 1, file.rigs.length > 1, file.lessons.length > 1]).toEqual([
      true,
      true,
      true,
    ]);
    // Whoever takes records along has looked at them.
    const looks = (await lead.get(`/api/students/${student?.id}/access-log`)).body as { what: string }[];
    expect(looks.map(({ what }) => what)).toContain('export');
  });

  it('of somebody else, given to see, is not in the file', async () => {
    const fellow = await test.signedIn(FELLOW.email);
    const { body } = await fellow.post('/api/account/file').send({ password: 'corvane-demo' }).expect(200);
    expect((await fellow.get('/api/students')).body.length).toBeGreaterThan(0);
    expect(body.students).toEqual([]);
    expect(JSON.stringify(body)).not.toContain('Jonas Wren');
  });
});

describe('sign-ins', () => {
  let test: TestApp;
  beforeEach(async () => {
    test = await testApp('sign_ins');
  });
  afterEach(() => test.close());

  it('are listed by browser, and ended one by one or all at once', async () => {
    const open = async (agentOf: string): Promise<Agent> => {
      const agent = supertest.agent(test.app).set('User-Agent', agentOf) as unknown as Agent;
      await agent.post('/api/session').send({ email: FELLOW.email, password: 'corvane-demo' }).expect(200);
      return agent;
    };
    const desk = await open(
      'Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:140.0) Gecko/20100101 Firefox/140.0',
    );
    const phone = await open(
      'Mozilla/5.0 (Linux; Android 14; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/130.0.0.0 Mobile Safari/537.36',
    );
    const script = await open('');
    type Place = { id: string; browser: string; here: boolean; since: string; usedAt: string };
    const list = (await desk.get('/api/account/sign-ins').expect(200)).body as Place[];
    expect(list.map(({ browser }) => browser).sort()).toEqual([
      'Chrome on Android',
      'Firefox on Windows',
      'a program',
    ]);
    expect(list[0]).toMatchObject({ browser: 'Firefox on Windows', here: true });
    expect(Math.abs(Date.parse(list[0]?.since ?? '') - Date.now())).toBeLessThan(60_000);
    const other = list.find(({ browser }) => browser === 'Chrome on Android');
    expect((await desk.delete(`/api/account/sign-ins/${other?.id}`).expect(200)).body).toHaveLength(2);
    await phone.get('/api/plans').expect(401);
    await desk.delete(`/api/account/sign-ins/${other?.id}`).expect(404);
    expect((await desk.delete('/api/account/sign-ins').expect(200)).body).toHaveLength(1);
    await script.get('/api/plans').expect(401);
    await desk.get('/api/plans').expect(200);
    // Somebody else's is none of mine.
    const lead = await test.signedIn(LEAD.email);
    const [his] = (await lead.get('/api/account/sign-ins')).body as Place[];
    await desk.delete(`/api/account/sign-ins/${his?.id}`).expect(404);
  });
});
