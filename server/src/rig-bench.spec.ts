import { randomUUID } from 'node:crypto';
import { buildRig, DEFAULT_SCHOOLS, type TakenReading, usualCalendar } from '@doceo/core';
import { demoScenario, FELLOW, FELLOW_SCHOOLS, LEAD, OTHER } from '@doceo/demo';
import type supertest from 'supertest';
import { type TestApp, testApp } from './testing/test-app';

const scenario = demoScenario(new Date());
const sam = scenario.students.list.find(({ key }) => key.startsWith('Sam'))!;
const shared = scenario.students.list[0]!;
const water = scenario.waters.list[0]!;

const clinch = (studentId: string | null): TakenReading => ({
  id: randomUUID(),
  studentId,
  on: '2026-05-02',
  reading: { kind: 'knot', knot: 'improved-clinch', material: 'copolymer', diameterM: 0.0001524, value: 12 },
});

describe('the bench on the server', () => {
  let test: TestApp;
  let lead: ReturnType<typeof supertest.agent>;
  let fellow: ReturnType<typeof supertest.agent>;
  let other: ReturnType<typeof supertest.agent>;
  beforeAll(async () => {
    test = await testApp('rigbench');
    lead = await test.signedIn(LEAD.email);
    fellow = await test.signedIn(FELLOW.email);
    other = await test.signedIn(OTHER.email);
  });
  afterAll(() => test.close());

  const idsSeen = async (by: typeof lead): Promise<string[]> =>
    (await by.get('/api/readings').expect(200)).body.map(({ id }: TakenReading) => id);

  it('keeps a reading once, however often it is sent, and strikes it', async () => {
    const before = (await idsSeen(lead)).length;
    const mine = clinch(null);
    for (let i = 0; i < 3; i++) await lead.post('/api/readings').send(mine).expect(200);
    expect((await idsSeen(lead)).length).toBe(before + 1);
    await other.delete(`/api/readings/${mine.id}`).expect(404);
    await lead.delete(`/api/readings/${mine.id}`).expect(200);
    expect(await idsSeen(lead)).not.toContain(mine.id);
  });

  it('shows a student’s knots to those who may see the student, nobody else', async () => {
    const [ofShared, ofSam] = [clinch(shared.id), clinch(sam.id)];
    await lead.post('/api/readings').send(ofShared).expect(200);
    await lead.post('/api/readings').send(ofSam).expect(200);
    expect(await idsSeen(fellow)).toContain(ofShared.id);
    expect(await idsSeen(fellow)).not.toContain(ofSam.id);
    expect(await idsSeen(other)).toEqual([]);
    await fellow.delete(`/api/readings/${ofShared.id}`).expect(404);
  });

  it('refuses a reading or a rig of a student one may not see, at the field', async () => {
    const reading = await other.post('/api/readings').send(clinch(sam.id)).expect(400);
    const rig = { id: randomUUID(), name: 'x', rig: buildRig('grass'), studentId: sam.id };
    const saved = await other.post('/api/rigs').send(rig).expect(400);
    for (const { body } of [reading, saved]) expect(body.error.issues).toMatchObject([{ path: 'studentId' }]);
  });

  it('keeps whose knots a rig has beside the rig', async () => {
    const id = randomUUID();
    await lead
      .post('/api/rigs')
      .send({ id, name: 'Sam’s', rig: buildRig('dry-fly'), studentId: sam.id })
      .expect(200);
    const { body } = await lead.get(`/api/rigs/${id}`).expect(200);
    expect(body.studentId).toBe(sam.id);
    expect(JSON.stringify(body.rig)).not.toContain(sam.id);
    const change = { name: 'nobody’s', rig: body.rig, studentId: null, baseVersion: body.version };
    expect((await lead.put(`/api/rigs/${id}`).send(change).expect(200)).body.studentId).toBeNull();
  });

  it('keeps a fly box on the version it came from', async () => {
    const fly = { stage: 'nymph', colour: 'dark', weight: 'bead', hookSize: 14, count: 2 };
    const empty = (await other.get('/api/fly-box').expect(200)).body;
    expect(empty).toEqual({ box: { flies: [] }, version: 0 });
    const put = (count: number, baseVersion: number) =>
      other.put('/api/fly-box').send({ box: { flies: [{ ...fly, count }] }, baseVersion });
    expect((await put(2, 0).expect(200)).body.version).toBe(1);
    await put(9, 0).expect(409);
    expect((await put(3, 1).expect(200)).body).toMatchObject({ version: 2, box: { flies: [{ count: 3 }] } });
    expect((await lead.get('/api/fly-box')).body.box.flies.length).toBeGreaterThan(20);
  });

  it('keeps what lives in a water, and goes back to the usual', async () => {
    const calendar = usualCalendar('river').slice(0, 2);
    const set = async (value: unknown) =>
      (await lead.put(`/api/waters/${water.id}/calendar`).send({ calendar: value }).expect(200)).body;
    const saved = await set(calendar);
    expect(saved.water.calendar).toEqual(calendar);
    expect(saved.water.rules).toEqual(water.water.rules);
    expect((await set(null)).water.calendar).toBeNull();
  });

  it('keeps the schools of each instructor apart', async () => {
    const schoolsOf = async (by: typeof lead) => (await by.get('/api/session')).body.user.settings.schools;
    expect(await schoolsOf(fellow)).toEqual(FELLOW_SCHOOLS);
    expect(await schoolsOf(lead)).toEqual(DEFAULT_SCHOOLS);
    const schools = { ...DEFAULT_SCHOOLS, dropper: 'tag' };
    await lead
      .put('/api/session/settings')
      .send({ units: 'imperial', bankHand: 'left', schools })
      .expect(200);
    expect(await schoolsOf(lead)).toEqual(schools);
    expect(await schoolsOf(fellow)).toEqual(FELLOW_SCHOOLS);
  });
});
