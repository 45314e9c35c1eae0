import { randomUUID } from 'node:crypto';
import { demoScenario, SCHOOL } from '@doceo/demo';
import type supertest from 'supertest';
import { type TestApp, testApp } from './testing/test-app';

type Agent = ReturnType<typeof supertest.agent>;
const scenario = demoScenario(new Date());
const body = scenario.plans[0]?.plan.body as (typeof scenario.plans)[number]['plan']['body'];
const water = scenario.waters.list[0] as (typeof scenario.waters.list)[number];
const rig = scenario.rigs.list[0] as (typeof scenario.rigs.list)[number];

/** What instructors may do with each other's things, by their role in a circle. */
describe('sharing', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeAll(async () => {
    test = await testApp('sharing');
    [lead, fellow, other] = await test.everybody();
  });
  afterAll(() => test.close());

  const made = async (by: Agent, title = 'Mine'): Promise<string> => {
    const id = randomUUID();
    await by.post('/api/plans').send({ id, title, body }).expect(200);
    return id;
  };
  const titles = async (by: Agent): Promise<string[]> =>
    (await by.get('/api/plans').expect(200)).body.map(({ title }: { title: string }) => title);

  it('a copy knows when its origin has a newer version', async () => {
    const id = await made(lead, 'Origin');
    await lead.post(`/api/plans/${id}/share`).send({ circleId: SCHOOL.id }).expect(200);
    const copyId = randomUUID();
    await fellow.post(`/api/plans/${id}/copy`).send({ id: copyId }).expect(200);
    await lead
      .put(`/api/plans/${id}`)
      .send({ title: 'Origin', body: { ...body, aim: 'new' }, baseVersion: 1 })
      .expect(200);
    const origin = async () => (await fellow.get(`/api/plans/${copyId}`)).body.origin;
    // What is only saved is nobody's news; what is shared again is.
    expect(await origin()).toMatchObject({ seen: true, newerAt: null });
    await lead.post(`/api/plans/${id}/share`).send({ circleId: SCHOOL.id, note: 'A new aim' }).expect(200);
    expect((await origin()).newerAt).toEqual(expect.any(String));
    await lead.post(`/api/plans/${id}/share`).send({ circleId: null }).expect(200);
    expect(await origin()).toMatchObject({ title: 'Origin', seen: false, newerAt: null });
  });

  it('a copy is one’s own: changing it leaves the origin as it was', async () => {
    const id = await made(lead, 'Untouched');
    await lead.post(`/api/plans/${id}/share`).send({ circleId: SCHOOL.id }).expect(200);
    const copyId = randomUUID();
    await fellow.post(`/api/plans/${id}/copy`).send({ id: copyId }).expect(200);
    await fellow
      .put(`/api/plans/${copyId}`)
      .send({ title: 'Changed', body: { ...body, blocks: [] }, baseVersion: 1 })
      .expect(200);
    expect((await lead.get(`/api/plans/${id}`)).body).toMatchObject({ title: 'Untouched', version: 1 });
    expect(await titles(lead)).not.toContain('Changed');
  });

  it('only the owner shares, changes and removes a plan', async () => {
    const id = await made(lead, 'Guarded');
    await lead.post(`/api/plans/${id}/share`).send({ circleId: SCHOOL.id }).expect(200);
    for (const request of [
      fellow.put(`/api/plans/${id}`).send({ title: 'x', body, baseVersion: 1 }),
      fellow.delete(`/api/plans/${id}`),
      fellow.post(`/api/plans/${id}/share`).send({ circleId: null }),
    ])
      expect((await request).status).toBe(403);
    expect((await lead.get(`/api/plans/${id}`)).body.title).toBe('Guarded');
  });

  it('a shared plan cannot be given a student’s name later', async () => {
    const id = await made(lead, 'Clean');
    await lead.post(`/api/plans/${id}/share`).send({ circleId: SCHOOL.id }).expect(200);
    const refused = await lead
      .put(`/api/plans/${id}`)
      .send({ title: 'Clean', body: { ...body, aim: 'get Petra to wait' }, baseVersion: 1 });
    expect(refused.status).toBe(400);
    expect(refused.body.error.issues).toEqual([
      expect.objectContaining({ path: 'body.aim', code: 'student-name' }),
    ]);
  });

  it('an id that is taken by somebody else is refused, and shows nothing', async () => {
    const id = await made(lead, 'Taken');
    const reply = await other.post('/api/plans').send({ id, title: 'Mine now', body });
    expect([reply.status, reply.body.error.code]).toEqual([409, 'already-exists']);
    expect((await lead.get(`/api/plans/${id}`)).body.title).toBe('Taken');
    const rigReply = await other.post('/api/rigs').send({ id: rig.id, name: 'x', rig: rig.rig });
    expect(rigReply.status).toBe(409);
  });

  it('waters of the circle are seen and their card may be read by a fellow', async () => {
    expect(
      (await fellow.get('/api/waters')).body.map((one: { water: { name: string } }) => one.water.name),
    ).toContain('River Ostrel');
    const read = await fellow.post(`/api/waters/${water.id}/card-read`).send({}).expect(200);
    expect(read.body.water.rules.checkedBy).toBe('Tobias Lind');
  });

  it('a lesson is made only of parts one may see, each wrong one named', async () => {
    const lesson = {
      planId: randomUUID(),
      waterId: randomUUID(),
      startsAt: '2027-05-01T08:00:00Z',
      studentIds: [randomUUID()],
    };
    const reply = await lead.post('/api/lessons').send({ id: randomUUID(), lesson });
    expect(reply.status).toBe(400);
    expect(reply.body.error.issues.map(({ path }: { path: string }) => path)).toEqual([
      'lesson.planId',
      'lesson.waterId',
      'lesson.studentIds[0]',
    ]);
  });

  it('a lesson with records stays, one without can be taken off', async () => {
    const [past] = scenario.lessons.lessons;
    expect((await lead.delete(`/api/lessons/${past?.id}`)).status).toBe(409);
    const later = scenario.lessons.lessons.at(-1);
    await lead.delete(`/api/lessons/${later?.id}`).expect(200);
    await lead.get(`/api/lessons/${later?.id}`).expect(404);
  });
});
