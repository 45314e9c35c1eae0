import { randomUUID } from 'node:crypto';
import { api, type SavedWater } from '@doceo/contract';
import { demoScenario, FELLOW, OTHER, SCHOOL } from '@doceo/demo';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const river = (scenario.waters.list[0] as (typeof scenario.waters.list)[number]).water;

describe('a water of an instructor', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeAll(async () => {
    test = await testApp('waters');
    [lead, fellow, other] = await test.everybody();
  });
  afterAll(() => test.close());

  const added = async (name = 'Mill Leat'): Promise<string> => {
    const id = randomUUID();
    const water = { ...river, name, latitude: null, longitude: null, timeZone: 'Europe/London' };
    await lead.post('/api/waters').send({ id, water }).expect(200);
    return id;
  };
  const change = async (by: Agent, id: string, body: object): Promise<SavedWater> =>
    api.waters.change.reply.parse(
      (await by.patch(`/api/waters/${id}`).send(body).expect(200)).body,
    ) as SavedWater;

  it('may lie nowhere yet: then it has no weather, and no other clock than it came with', async () => {
    const id = await added();
    const day = await lead.get(`/api/waters/${id}/conditions?date=2026-06-10`).expect(200);
    expect([day.body.hours, day.body.simulated]).toEqual([[], false]);
    const placed = await change(lead, id, { latitude: -33.5, longitude: 19 });
    expect(placed.water.timeZone).toBe('Africa/Johannesburg');
    expect((await lead.get(`/api/waters/${id}/conditions?date=2026-06-10`)).body.hours).toHaveLength(24);
  });

  it('is renamed, and two people’s changes of it both stand', async () => {
    const id = await added();
    await lead.post(`/api/waters/${id}/share`).send({ circleId: SCHOOL.id }).expect(200);
    await Promise.all([
      change(lead, id, { name: 'Upper Leat', source: 'the map' }),
      change(fellow, id, { rules: { maxHooks: 3 }, source: 'the sign' }),
    ]);
    const { water } = (await lead.get(`/api/waters/${id}`)).body as SavedWater;
    expect([water.name, water.rules.maxHooks]).toEqual(['Upper Leat', 3]);
    expect(water.said['rules.maxHooks']).toMatchObject({ by: 'Tobias Lind', source: 'the sign' });
    expect(water.said['name']).toMatchObject({ by: 'Maren Voss', source: 'the map' });
  });

  it('is given away to a fellow, and to nobody who is in no circle with its owner', async () => {
    const id = await added();
    const refused = await lead.post(`/api/waters/${id}/give`).send({ userId: OTHER.id });
    expect([refused.status, refused.body.error.issues[0].path]).toEqual([400, 'userId']);
    await lead.post(`/api/waters/${id}/give`).send({ userId: FELLOW.id }).expect(200);
    expect((await fellow.get(`/api/waters/${id}`)).body.mine).toBe(true);
    await lead.get(`/api/waters/${id}`).expect(404);
  });

  it('says what goes with it, and stays as long as there are lessons at it', async () => {
    const { id } = scenario.waters.list[0] as { id: string };
    const preview = (await lead.get(`/api/waters/${id}/deletion-preview`).expect(200)).body;
    expect([preview.lessons > 0, preview.beats > 0]).toEqual([true, true]);
    const kept = await lead.delete(`/api/waters/${id}`);
    expect([kept.status, kept.body.error.code]).toEqual([409, 'in-use']);
    const free = await added();
    expect((await lead.get(`/api/waters/${free}/deletion-preview`)).body).toEqual({
      beats: 0,
      lakes: 0,
      readings: 0,
      lessons: 0,
    });
    await other.delete(`/api/waters/${free}`).expect(404);
    await lead.delete(`/api/waters/${free}`).expect(200);
    await lead.get(`/api/waters/${free}`).expect(404);
  });
});
