import { randomUUID } from 'node:crypto';
import { type SavedBeat, type SavedLake, savedBeatSchema, savedLakeSchema } from '@doceo/contract';
import { demoScenario, LEAD } from '@doceo/demo';
import type supertest from 'supertest';
import { type TestApp, testApp } from './testing/test-app';

const scenario = demoScenario(new Date());
const [river] = scenario.waters.list;
const [drawn] = scenario.beats;
const [lake] = scenario.lakes;

describe('drawings of waters', () => {
  let test: TestApp;
  let lead: ReturnType<typeof supertest.agent>;
  const beats = async (): Promise<SavedBeat[]> =>
    savedBeatSchema.array().parse((await lead.get(`/api/waters/${river!.id}/beats`).expect(200)).body);
  const put = (id: string, beat: SavedBeat['beat'], baseVersion: number) =>
    lead.put(`/api/waters/${river!.id}/beats/${id}`).send({ beat, baseVersion });
  beforeAll(async () => {
    test = await testApp('drawings');
    lead = await test.signedIn(LEAD.email);
  });
  afterAll(() => test.close());

  it('come with two beats to each running water and one drawing to each still one', async () => {
    expect((await beats()).map(({ beat }) => beat.name)).toEqual(['Ford Pool', expect.any(String)]);
    const { body } = await lead.get(`/api/waters/${lake!.waterId}/lake`).expect(200);
    expect(savedLakeSchema.parse(body.saved)).toEqual({ ...lake, version: 1 });
    expect((await lead.get(`/api/waters/${river!.id}/lake`).expect(200)).body).toEqual({ saved: null });
  });

  it('take a new beat below the others, once however often it is sent, and let it go again', async () => {
    const id = randomUUID();
    const beat = { ...drawn!.beat, id, name: 'Below the ford' };
    for (let i = 0; i < 2; i++)
      expect((await put(id, beat, 0).expect(200)).body).toEqual({ id, waterId: river!.id, beat, version: 1 });
    expect((await beats()).map(({ beat: { name } }) => name).at(-1)).toBe('Below the ford');
    await put(id, { ...beat, name: 'Another' }, 0).expect(409);
    await lead.delete(`/api/waters/${river!.id}/beats/${id}`).expect(200);
    expect(await beats()).toHaveLength(2);
  });

  it('tell of a conflict when somebody saved in between', async () => {
    const [one] = await beats();
    const changed = { ...one!.beat, name: 'Upper Ford Pool' };
    expect((await put(one!.id, changed, one!.version).expect(200)).body.version).toBe(one!.version + 1);
    await put(one!.id, { ...one!.beat, name: 'Mine' }, one!.version).expect(409);
    await put(one!.id, one!.beat, one!.version + 1).expect(200);
  });

  it('refuse what cannot be at its place, and keep what was there', async () => {
    const [one] = await beats();
    const wrong = structuredClone(one!.beat);
    const water = wrong.pieces.findIndex(({ speedMs }) => speedMs !== null);
    wrong.pieces[water]!.speedMs = 40;
    wrong.pieces[0]!.shape[0]!.x = -3;
    const { body } = await put(one!.id, wrong, one!.version).expect(400);
    expect(body.error.issues.map(({ path }: { path: string }) => path)).toEqual([
      'beat.pieces[0].shape[0]',
      `beat.pieces[${water}].speedMs`,
    ]);
    expect(await beats()).toContainEqual(one);
  });

  it('keep a lake with twenty thousand soundings', async () => {
    const soundings = Array.from({ length: 20_000 }, (_, i) => ({
      x: i % 900,
      y: i % 500,
      depthM: (i % 90) / 10,
    }));
    const body = { lake: { ...lake!.lake, soundings }, baseVersion: 1 };
    const saved = (await lead.put(`/api/waters/${lake!.waterId}/lake`).send(body).expect(200))
      .body as SavedLake;
    expect([saved.version, saved.lake.soundings.length]).toEqual([2, 20_000]);
    await lead
      .put(`/api/waters/${lake!.waterId}/lake`)
      .send({ lake: { ...lake!.lake, pieces: [] }, baseVersion: 2 })
      .expect(400);
  });
});
