import { api } from '@doceo/contract';
import { demoScenario, GRASS_PROPOSAL, RIFFLE_COPY } from '@doceo/demo';
import { randomUUID } from 'node:crypto';
import supertest from 'supertest';
import { rows, write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const { title, body } = scenario.plans[0]!.plan;
const STUDENT = scenario.students.list[0]!.student;

let test: TestApp;
let lead: Agent;
let other: Agent;
beforeAll(async () => {
  test = await testApp('leaving');
  [lead, , other] = await test.everybody();
});
afterAll(() => test.close());

const made = async (change: Partial<typeof body> = {}): Promise<string> => {
  const id = randomUUID();
  await lead
    .post('/api/plans')
    .send({ id, title, body: { ...body, ...change } })
    .expect(200);
  return id;
};
const changed = async (id: string, baseVersion: number, aim: string): Promise<void> =>
  void (await lead
    .put(`/api/plans/${id}`)
    .send({ title, body: { ...body, aim }, baseVersion })
    .expect(200));
const fileOf = async (ids: string[], withoutNames = false): Promise<{ text: string; named: object[] }> =>
  (await lead.post(api.planFiles.make.path).send({ ids, withoutNames }).expect(200)).body;
const look = async (by: Agent, text: string): Promise<{ what: string; with: { id: string } | null }[]> =>
  (await by.post(api.planFiles.look.path).send({ text }).expect(200)).body;

describe('plans as a file', () => {
  it('come to another school whole, and are known there afterwards', async () => {
    const id = await made();
    const { text } = await fileOf([id]);
    expect(await look(other, text)).toEqual([{ id, title, what: 'new', with: null }]);
    const as = randomUUID();
    const take = { text, plans: [{ id, how: 'add', as }] };
    expect((await other.post(api.planFiles.take.path).send(take).expect(200)).body).toEqual({
      ...{ added: 1, moved: 0 },
    });
    // The same once more, as when the answer was lost.
    expect((await other.post(api.planFiles.take.path).send(take).expect(200)).body.added).toBe(0);
    expect(await look(other, text)).toEqual([{ id, title, what: 'same', with: { id: as, title } }]);
    const sentOn = (await other.post(api.planFiles.make.path).send({ ids: [as], withoutNames: true })).body;
    const [back] = JSON.parse(sentOn.text).plans;
    expect([back.hash, back.body]).toEqual([JSON.parse(text).plans[0].hash, JSON.parse(text).plans[0].body]);
    expect(back.lineage.map(({ why }: { why: string }) => why)).toEqual(['sent', 'copied']);
    expect(back.lineage[1].parents).toEqual([back.lineage[0].id]);
  });

  it('that went on are followed, or lie beside where both went on', async () => {
    const id = await made();
    const first = (await fileOf([id])).text;
    const as = randomUUID();
    await other
      .post(api.planFiles.take.path)
      .send({ text: first, plans: [{ id, how: 'add', as }] })
      .expect(200);
    await changed(id, 1, 'Longer pauses');
    const second = (await fileOf([id])).text;
    expect((await look(other, second))[0]).toMatchObject({ what: 'newer', with: { id: as } });
    const follow = { text: second, plans: [{ id, how: 'follow', as: randomUUID() }] };
    expect((await other.post(api.planFiles.take.path).send(follow).expect(200)).body.moved).toBe(1);
    const here = (await other.get(`/api/plans/${as}`).expect(200)).body;
    expect([here.version, here.body.aim]).toEqual([2, 'Longer pauses']);
    const versions = (await other.get(`/api/plans/${as}/versions`)).body.items;
    expect(versions.map(({ why }: { why: string }) => why)).toEqual(['merged', 'copied']);
    expect((await look(other, first))[0]?.what).toBe('older');
    await other
      .put(`/api/plans/${as}`)
      .send({ title, body: { ...body, aim: 'My own way' }, baseVersion: 2 })
      .expect(200);
    await changed(id, 2, 'Longer pauses, then a rest');
    const third = (await fileOf([id])).text;
    expect((await look(other, third))[0]).toMatchObject({ what: 'apart', with: { id: as } });
    const over = { text: third, plans: [{ id, how: 'follow', as: randomUUID() }] };
    await other.post(api.planFiles.take.path).send(over).expect(409);
    expect((await other.get(`/api/plans/${as}`)).body.body.aim).toBe('My own way');
  });

  it('are taken all or not at all', async () => {
    const ids = [await made(), await made({ aim: 'Another' })];
    const { text } = await fileOf(ids);
    const before = (await other.get('/api/plans')).body.length;
    const taken = randomUUID();
    await lead.post('/api/plans').send({ id: taken, title, body }).expect(200);
    const plans = [
      { id: ids[0], how: 'add', as: randomUUID() },
      // The id is of somebody else’s plan already.
      { id: ids[1], how: 'add', as: taken },
    ];
    await other.post(api.planFiles.take.path).send({ text, plans }).expect(409);
    expect((await other.get('/api/plans')).body).toHaveLength(before);
    const unknown = [{ id: randomUUID(), how: 'add', as: randomUUID() }];
    const refused = await other.post(api.planFiles.take.path).send({ text, plans: unknown }).expect(400);
    expect(refused.body.error.issues[0].path).toBe('plans[0].id');
  });

  it('that are cut or name what is not taught are refused by path and line', async () => {
    const { text } = await fileOf([await made()]);
    const cut = await other
      .post(api.planFiles.look.path)
      .send({ text: text.slice(0, text.lastIndexOf('\n', 900)) });
    expect([cut.status, cut.body.error.issues[0].path]).toEqual([400, 'file']);
    expect(cut.body.error.issues[0].message).toMatch(/^line \d+: the file ends too early/);
    const large = await other.post(api.planFiles.look.path).send({ text: ' '.repeat(4_000_001) });
    expect([large.status, large.body.error.issues[0].path]).toEqual([400, 'text']);
  });

  it('warn of students’ names, and leave without them', async () => {
    const student = { ...STUDENT, name: 'Quorvela Dravennesson' };
    await lead.post('/api/students').send({ id: randomUUID(), student }).expect(200);
    const id = await made({ aim: 'As Quorvela did it' });
    const warned = await fileOf([id]);
    expect(warned).toEqual({
      text: '',
      named: [{ path: 'plans[0].body.aim', code: 'student-name', message: 'names a student: “Quorvela”' }],
    });
    const { text } = await fileOf([id], true);
    expect(JSON.parse(text).plans[0].body.aim).toBe('As … did it');
    expect((await lead.get(`/api/plans/${id}`)).body.body.aim).toBe('As Quorvela did it');
    const link = await lead.post(`/api/plans/${id}/links`).send({ id: randomUUID(), days: 7 });
    expect([link.status, link.body.error.issues[0].path]).toEqual([400, 'body.aim']);
  });

  it('of a fellow leave no version of his behind', async () => {
    const versions = async (): Promise<number> =>
      (await lead.get(`/api/plans/${RIFFLE_COPY}/versions`)).body.items.length;
    const before = await versions();
    await fileOf([RIFFLE_COPY]);
    await fileOf([RIFFLE_COPY]);
    expect((await versions()) - before).toBeLessThanOrEqual(1);
    expect(GRASS_PROPOSAL).not.toBe(RIFFLE_COPY);
  });
});

describe('a link to a plan', () => {
  const open = (token: string) => supertest(test.app).post(api.links.open.path).send({ token });
  const linked = async (): Promise<{ planId: string; linkId: string; token: string }> => {
    const [planId, linkId] = [await made(), randomUUID()];
    const reply = await lead.post(`/api/plans/${planId}/links`).send({ id: linkId, days: 30 }).expect(200);
    return { planId, linkId, token: reply.body.token };
  };

  it('shows its holder the plan as it was, without an account, a student or an id of anybody', async () => {
    const { planId, token } = await linked();
    await changed(planId, 1, 'Written later');
    const reply = await open(token).expect(200);
    expect(reply.body).toMatchObject({ title, authorName: 'Maren Voss', body: { aim: body.aim } });
    expect(Object.keys(reply.body).sort()).toEqual(['at', 'authorName', 'body', 'title', 'until']);
    expect(Date.parse(reply.body.until) - Date.parse(reply.body.at)).toBe(30 * 86_400_000);
  });

  it('is kept as a hash, counts its views, and can be closed', async () => {
    const { planId, linkId, token } = await linked();
    const [kept] = await rows<Record<string, unknown>>(test.pool, 'SELECT * FROM plan_links WHERE id = ?', [
      linkId,
    ]);
    expect(JSON.stringify(kept)).not.toContain(token);
    for (let i = 0; i < 3; i++) await open(token).expect(200);
    await write(test.pool, 'UPDATE plan_links SET views = views + 9997 WHERE id = ?', [linkId]);
    const list = (await lead.get(`/api/plans/${planId}/links`).expect(200)).body;
    expect(list).toEqual([expect.objectContaining({ id: linkId, title, views: 10_000, revokedAt: null })]);
    expect(JSON.stringify(list)).not.toContain(token);
    await lead.delete(`/api/links/${linkId}`).expect(200);
    const closed = await open(token).expect(404);
    expect(closed.body.error.message).toBe('This link was closed by whoever made it.');
    expect((await lead.get(`/api/plans/${planId}/links`)).body[0].views).toBe(10_000);
  });

  it('runs out, and is not guessed', async () => {
    const { linkId, token } = await linked();
    await write(
      test.pool,
      'UPDATE plan_links SET until_at = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND WHERE id = ?',
      [linkId],
    );
    expect((await open(token).expect(404)).body.error.message).toContain('has run out');
    const guessed = `${token.slice(0, -1)}${token.endsWith('A') ? 'B' : 'A'}`;
    expect((await open(guessed).expect(404)).body.error.message).not.toContain('run out');
    await open('x').expect(400);
  });

  it('goes with its plan', async () => {
    const { planId, token } = await linked();
    await lead.delete(`/api/plans/${planId}`).expect(200);
    await open(token).expect(404);
  });

  it('is for no search engine', async () => {
    await supertest(test.app)
      .get('/robots.txt')
      .expect(200)
      .expect(/Disallow: \//);
  });
});
