import { randomUUID } from 'node:crypto';
import type { ConditionDay } from '@doceo/contract';
import { demoScenario, FELLOW, LEAD, OTHER } from '@doceo/demo';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const weighed = { ...scenario.readings.list[0]!, studentId: null };
const water = scenario.waters.list[0]!.id;

describe('readings of two people', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  beforeAll(async () => {
    test = await testApp('readings');
    [lead, fellow] = (await Promise.all([LEAD, FELLOW].map(({ email }) => test.signedIn(email)))) as [
      Agent,
      Agent,
    ];
  });
  afterAll(() => test.close());

  it('of the scale: one of an id that is taken is told, and not dropped', async () => {
    const mine = { ...weighed, id: randomUUID() };
    await lead.post('/api/readings').send(mine).expect(200);
    await lead.post('/api/readings').send(mine).expect(200);
    const his = await fellow.post('/api/readings').send(mine);
    expect([his.status, his.body.error.issues[0].path]).toEqual([409, 'id']);
    await lead
      .post('/api/readings')
      .send({ ...mine, on: '2026-01-01' })
      .expect(409);
  });

  const read = (by: Agent, value: number, id: string = randomUUID()) =>
    by.put(`/api/waters/${water}/readings`).send({
      readings: [{ id, atMs: Date.parse('2026-06-10T10:00:00Z'), what: 'waterC', value, depthM: null }],
    });
  const told = async (by: Agent): Promise<ConditionDay['readings']> =>
    ((await by.get(`/api/waters/${water}/conditions?date=2026-06-10`).expect(200)).body as ConditionDay)
      .readings;

  it('of the water: stand side by side with author and time, and nobody replaces another’s', async () => {
    const id = randomUUID();
    await read(lead, 11, id).expect(200);
    await read(lead, 11.5, id).expect(200);
    const his = await read(fellow, 14, id);
    expect([his.status, his.body.error.issues[0].path]).toEqual([409, 'readings[0].id']);
    await read(fellow, 14).expect(200);
    expect((await told(lead)).map(({ value, by, mine }) => [value, by, mine])).toEqual(
      expect.arrayContaining([
        [11.5, LEAD.name, true],
        [14, FELLOW.name, false],
      ]),
    );
    expect(
      (await told(lead)).every(({ enteredAt }) => Math.abs(Date.parse(enteredAt) - Date.now()) < 60_000),
    ).toBe(true);
  });

  it('of the water: are struck by who read them, or by the water’s owner', async () => {
    const id = randomUUID();
    await read(lead, 12, id).expect(200);
    await fellow.delete(`/api/waters/${water}/readings/${id}`).expect(403);
    expect((await told(fellow)).map((reading) => reading.id)).toContain(id);
    const own = randomUUID();
    await read(fellow, 13, own).expect(200);
    await lead.delete(`/api/waters/${water}/readings/${own}`).expect(200);
    await lead.delete(`/api/waters/${water}/readings/${id}`).expect(200);
    await (await test.signedIn(OTHER.email)).delete(`/api/waters/${water}/readings/${id}`).expect(404);
  });
});
