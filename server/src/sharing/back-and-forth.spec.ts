import type { Incoming, News, PlanComment, PlanVersion, SavedPlan } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';
import { demoScenario, FELLOW, SCHOOL } from '@doceo/demo';
import { randomUUID } from 'node:crypto';
import { rows, write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const body = scenario.plans[0]?.plan.body as PlanBody;
const first = body.blocks[0]!;
const second = body.blocks[1]!;

/** The plan with one block otherwise. */
const withBlock = (plan: PlanBody, id: string, change: object): PlanBody => ({
  ...plan,
  blocks: plan.blocks.map((block) => (block.id === id ? { ...block, ...change } : block)),
});

/** A plan that goes to a fellow, and what comes back of it. */
describe('plans that come back', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeAll(async () => {
    test = await testApp('back');
    [lead, fellow, other] = await test.everybody();
  });
  afterAll(() => test.close());

  const plan = async (by: Agent, id: string): Promise<SavedPlan> =>
    (await by.get(`/api/plans/${id}`).expect(200)).body;
  const saved = async (by: Agent, id: string, changed: PlanBody): Promise<SavedPlan> => {
    const { title, version } = await plan(by, id);
    return (await by.put(`/api/plans/${id}`).send({ title, body: changed, baseVersion: version }).expect(200))
      .body;
  };
  const shared = (by: Agent, id: string, note = '') =>
    by.post(`/api/plans/${id}/share`).send({ circleId: SCHOOL.id, note });
  const news = async (by: Agent, planId: string): Promise<News['items']> =>
    ((await by.get('/api/news').expect(200)).body as News).items.filter((one) => one.planId === planId);
  const versions = async (by: Agent, id: string): Promise<PlanVersion[]> =>
    (await by.get(`/api/plans/${id}/versions`).expect(200)).body.items;

  /** The lead shares a plan, and the fellow takes a copy. */
  const pair = async (title = 'Origin'): Promise<{ origin: string; copy: string }> => {
    const [origin, copy] = [randomUUID(), randomUUID()];
    await lead.post('/api/plans').send({ id: origin, title, body }).expect(200);
    await shared(lead, origin).expect(200);
    await fellow.post(`/api/plans/${origin}/copy`).send({ id: copy }).expect(200);
    return { origin, copy };
  };
  const proposed = async (copy: string, note = 'Tried it twice'): Promise<string> => {
    const id = randomUUID();
    const { version } = await plan(fellow, copy);
    await fellow.post(`/api/plans/${copy}/proposals`).send({ id, baseVersion: version, note }).expect(200);
    return id;
  };

  it('tells a copy that its origin moved on, and puts changes apart together', async () => {
    const { origin, copy } = await pair();
    await saved(fellow, copy, withBlock(body, first.id, { cue: 'mine' }));
    await saved(lead, origin, withBlock(body, second.id, { cue: 'theirs' }));
    expect(await news(fellow, copy)).toEqual([]);
    await shared(lead, origin, 'A better cue').expect(200);
    expect(await news(fellow, copy)).toMatchObject([
      { kind: 'newer', byName: 'Maren Voss', note: 'A better cue' },
    ]);
    const incoming: Incoming = (await fellow.get(`/api/plans/${copy}/incoming`).expect(200)).body;
    expect(incoming.base?.body.blocks[1]?.cue).toBe(second.cue);
    expect(incoming.theirs.body.blocks[1]?.cue).toBe('theirs');
    const merge = { baseVersion: incoming.plan.version, theirsHash: incoming.theirsHash, choices: {} };
    const merged: SavedPlan = (await fellow.post(`/api/plans/${copy}/merge`).send(merge).expect(200)).body;
    expect(merged.body.blocks.slice(0, 2).map(({ cue }) => cue)).toEqual(['mine', 'theirs']);
    expect(await news(fellow, copy)).toEqual([]);
    await fellow.get(`/api/plans/${copy}/incoming`).expect(404);
    // The version of before stands in the chain, and the new one has both parents.
    const [newest, before] = await versions(fellow, copy);
    expect([newest?.why, before?.why, newest?.parents.length]).toEqual(['merged', 'kept', 2]);
    expect(newest?.parents[0]).toBe(before?.id);
  });

  it('asks what both changed, and writes nothing before all is chosen', async () => {
    const { origin, copy } = await pair();
    await saved(fellow, copy, withBlock(body, first.id, { cue: 'mine' }));
    await saved(lead, origin, withBlock(body, first.id, { cue: 'theirs' }));
    await shared(lead, origin).expect(200);
    const incoming: Incoming = (await fellow.get(`/api/plans/${copy}/incoming`)).body;
    const merge = { baseVersion: incoming.plan.version, theirsHash: incoming.theirsHash };
    const refused = await fellow.post(`/api/plans/${copy}/merge`).send({ ...merge, choices: {} });
    expect([refused.status, refused.body.error.issues]).toEqual([
      400,
      [{ path: `choices.blocks/${first.id}/cue`, code: 'open', message: 'was changed by both: choose one' }],
    ]);
    expect((await plan(fellow, copy)).version).toBe(incoming.plan.version);
    const choices = { [`blocks/${first.id}/cue`]: 'theirs' };
    const merged = await fellow
      .post(`/api/plans/${copy}/merge`)
      .send({ ...merge, choices })
      .expect(200);
    expect(merged.body.body.blocks[0].cue).toBe('theirs');
  });

  it('refuses a merge of what was saved meanwhile, here or there', async () => {
    const { origin, copy } = await pair();
    await saved(lead, origin, withBlock(body, second.id, { cue: 'one' }));
    await shared(lead, origin).expect(200);
    const incoming: Incoming = (await fellow.get(`/api/plans/${copy}/incoming`)).body;
    const merge = { baseVersion: incoming.plan.version, theirsHash: incoming.theirsHash, choices: {} };
    await saved(lead, origin, withBlock(body, second.id, { cue: 'two' }));
    await shared(lead, origin).expect(200);
    const there = await fellow.post(`/api/plans/${copy}/merge`).send(merge);
    expect([there.status, there.body.error.code]).toEqual([409, 'version-conflict']);
    await saved(fellow, copy, withBlock(body, first.id, { cue: 'meanwhile' }));
    const again: Incoming = (await fellow.get(`/api/plans/${copy}/incoming`)).body;
    const here = await fellow
      .post(`/api/plans/${copy}/merge`)
      .send({ ...merge, theirsHash: again.theirsHash });
    expect([here.status, here.body.error.code]).toEqual([409, 'version-conflict']);
    expect((await plan(fellow, copy)).body.blocks[0]?.cue).toBe('meanwhile');
  });

  it('lets a copy stay as it is until the origin moves on again', async () => {
    const { origin, copy } = await pair();
    await saved(lead, origin, withBlock(body, second.id, { cue: 'one' }));
    await shared(lead, origin).expect(200);
    const { theirsHash }: Incoming = (await fellow.get(`/api/plans/${copy}/incoming`)).body;
    await fellow.post(`/api/plans/${copy}/pass`).send({ theirsHash }).expect(200);
    expect(await news(fellow, copy)).toEqual([]);
    await saved(lead, origin, withBlock(body, second.id, { cue: 'two' }));
    await shared(lead, origin).expect(200);
    expect(await news(fellow, copy)).toHaveLength(1);
  });

  it('merges by every difference where the base is not kept any more', async () => {
    const { origin, copy } = await pair();
    await saved(lead, origin, withBlock(body, second.id, { cue: 'theirs' }));
    await shared(lead, origin).expect(200);
    await write(test.pool, 'UPDATE plans SET base_hash = NULL WHERE id = ?', [copy]);
    const incoming: Incoming = (await fellow.get(`/api/plans/${copy}/incoming`)).body;
    expect(incoming.base).toBeNull();
    const merge = {
      baseVersion: 1,
      theirsHash: incoming.theirsHash,
      choices: { [`blocks/${second.id}/cue`]: 'mine' },
    };
    const merged = await fellow.post(`/api/plans/${copy}/merge`).send(merge).expect(200);
    expect(merged.body.body.blocks[1].cue).toBe(second.cue);
  });

  it('a proposal goes to the owner, is taken in parts, and says so to who made it', async () => {
    const { origin, copy } = await pair();
    await saved(fellow, copy, withBlock(withBlock(body, first.id, { cue: 'yes' }), second.id, { cue: 'no' }));
    const id = await proposed(copy);
    expect(await news(lead, origin)).toMatchObject([
      { kind: 'proposal', proposalId: id, byName: 'Tobias Lind', note: 'Tried it twice' },
    ]);
    await saved(lead, origin, { ...body, aim: 'Moved on meanwhile' });
    const incoming: Incoming = (await lead.get(`/api/proposals/${id}`).expect(200)).body;
    await fellow.get(`/api/proposals/${id}`).expect(403);
    await other.get(`/api/proposals/${id}`).expect(404);
    const merge = {
      ...{ baseVersion: incoming.plan.version, theirsHash: incoming.theirsHash },
      ...{ choices: { [`blocks/${second.id}/cue`]: 'origin' }, word: 'The first, gladly' },
    };
    const merged: SavedPlan = (await lead.post(`/api/proposals/${id}/merge`).send(merge).expect(200)).body;
    expect([merged.body.aim, ...merged.body.blocks.slice(0, 2).map(({ cue }) => cue)]).toEqual([
      ...['Moved on meanwhile', 'yes', second.cue],
    ]);
    expect(await news(lead, origin)).toEqual([]);
    expect(await news(fellow, copy)).toMatchObject([
      { kind: 'answered', state: 'taken', word: 'The first, gladly' },
      { kind: 'newer' },
    ]);
    expect((await lead.post(`/api/proposals/${id}/merge`).send(merge)).status).toBe(409);
    // Its author is in the lineage: the merged version has his as a parent.
    const mergedVersion = (await versions(lead, origin)).find(({ why }) => why === 'merged');
    const lineage = (await lead.get(`/api/plans/${origin}/lineage`).expect(200)).body;
    expect(mergedVersion?.parents).toHaveLength(2);
    // The copy is the fellow's alone: told is that it proposed something, and no more.
    expect(lineage.plans.map(({ id: one, seen }: { id: string; seen: boolean }) => [one, seen])).toEqual([
      [origin, true],
      [copy, false],
    ]);
    await lead.get(`/api/plans/${copy}`).expect(404);
  });

  it('two who take the same proposal at once take it once', async () => {
    const { copy } = await pair();
    await saved(fellow, copy, withBlock(body, first.id, { cue: 'once' }));
    const id = await proposed(copy);
    const incoming: Incoming = (await lead.get(`/api/proposals/${id}`)).body;
    const merge = { baseVersion: incoming.plan.version, theirsHash: incoming.theirsHash, choices: {} };
    const both = await Promise.all(
      [1, 2].map(() =>
        lead
          .post(`/api/proposals/${id}/merge`)
          .send(merge)
          .then(({ status }) => status),
      ),
    );
    expect(both.sort()).toEqual([200, 409]);
  });

  it('a proposal can be declined with a word, taken back, and made anew in place of one that waits', async () => {
    const { origin, copy } = await pair();
    await saved(fellow, copy, withBlock(body, first.id, { cue: 'a' }));
    const one = await proposed(copy);
    await lead.post(`/api/proposals/${one}/decline`).send({ word: 'Not on our water' }).expect(200);
    expect((await fellow.get(`/api/plans/${copy}/proposals`).expect(200)).body).toMatchObject([
      { id: one, state: 'declined', word: 'Not on our water' },
    ]);
    expect((await lead.post(`/api/proposals/${one}/decline`).send({ word: '' })).status).toBe(409);
    const two = await proposed(copy);
    const three = await proposed(copy, 'Better said');
    expect(await news(lead, origin)).toMatchObject([{ proposalId: three }]);
    await lead.get(`/api/proposals/${two}`).expect(404);
    await lead.delete(`/api/proposals/${three}`).expect(403);
    await fellow.delete(`/api/proposals/${three}`).expect(200);
    expect(await news(lead, origin)).toEqual([]);
  });

  it('nothing can be proposed to a plan that is gone, or by what is no copy', async () => {
    const { origin, copy } = await pair();
    await lead.delete(`/api/plans/${origin}`).expect(200);
    const proposal = { id: randomUUID(), baseVersion: 1, note: '' };
    const gone = await fellow.post(`/api/plans/${copy}/proposals`).send(proposal);
    expect([gone.status, gone.body.error.message]).toEqual([
      404,
      'Its origin is gone, or is not shared with you any more.',
    ]);
    // The copy keeps what it took, and so can still be compared with it.
    const [base] = await rows(
      test.pool,
      'SELECT 1 FROM plans p JOIN plan_contents c ON c.hash = p.base_hash WHERE p.id = ?',
      [copy],
    );
    expect(base).toBeDefined();
    const own = randomUUID();
    await fellow.post('/api/plans').send({ id: own, title: 'Own', body }).expect(200);
    expect(
      (await fellow.post(`/api/plans/${own}/proposals`).send({ ...proposal, id: randomUUID() })).status,
    ).toBe(400);
  });

  it('states are stored once, and go with the last plan that has them', async () => {
    const stored = async (): Promise<number> =>
      Number((await rows<{ n: number }>(test.pool, 'SELECT COUNT(*) AS n FROM plan_contents', []))[0]?.n);
    const before = await stored();
    const { origin, copy } = await pair('Only here');
    expect(await stored()).toBe(before + 1);
    await shared(lead, origin).expect(200);
    expect(await versions(lead, origin)).toHaveLength(1);
    await lead.delete(`/api/plans/${origin}`).expect(200);
    expect(await stored()).toBe(before + 1);
    await fellow.delete(`/api/plans/${copy}`).expect(200);
    expect(await stored()).toBe(before);
  });

  it('what was kept while a plan was one’s own stays one’s own', async () => {
    const id = randomUUID();
    await lead.post('/api/plans').send({ id, title: 'Quiet', body }).expect(200);
    const named = await lead
      .post(`/api/plans/${id}/versions`)
      .send({ baseVersion: 1, note: 'before I shared it' })
      .expect(200);
    await saved(lead, id, { ...body, aim: 'for all' });
    await shared(lead, id).expect(200);
    expect((await versions(lead, id)).map(({ why }) => why)).toEqual(['shared', 'named']);
    expect((await versions(fellow, id)).map(({ why }) => why)).toEqual(['shared']);
    await fellow.get(`/api/plans/${id}/versions/${named.body.id}`).expect(404);
    const own = await lead.get(`/api/plans/${id}/versions/${named.body.id}`).expect(200);
    expect(own.body.plan.body.aim).toBe(body.aim);
  });

  it('a lesson of which something is recorded makes a version, once', async () => {
    const { origin } = await pair('Taught');
    const lesson = scenario.lessons.lessons[0]!;
    const [lessonId, studentId] = [randomUUID(), lesson.lesson.studentIds[0]!];
    const startsAt = new Date(Date.now() - 3_600_000).toISOString();
    await lead
      .post('/api/lessons')
      .send({
        id: lessonId,
        lesson: { planId: origin, waterId: lesson.lesson.waterId, startsAt, studentIds: [studentId] },
      })
      .expect(200);
    const event = {
      ...{ lessonId, studentId, blockId: null, deviceId: randomUUID(), atMs: Date.now() - 1000 },
      body: { kind: 'note', text: 'a good day' },
    };
    for (let i = 0; i < 2; i++) {
      const sent = { events: [{ ...event, id: randomUUID() }], sentAtMs: Date.now() };
      expect((await lead.post('/api/events').send(sent).expect(200)).body.refused).toEqual([]);
    }
    expect(await versions(fellow, origin)).toMatchObject([{ why: 'shared', taught: 1 }]);
  });

  it('comments are asked, answered and settled, and told to whom they concern', async () => {
    const { origin } = await pair();
    const question = { id: randomUUID(), blockId: first.id, answers: null, text: 'On every stop?' };
    await fellow.post(`/api/plans/${origin}/comments`).send(question).expect(200);
    expect(await news(lead, origin)).toMatchObject([
      { kind: 'question', byName: 'Tobias Lind', text: 'On every stop?', blockId: first.id },
    ]);
    await other
      .post(`/api/plans/${origin}/comments`)
      .send({ ...question, id: randomUUID() })
      .expect(404);
    const answer = { id: randomUUID(), blockId: null, answers: question.id, text: 'The first six.' };
    await lead.post(`/api/plans/${origin}/comments`).send(answer).expect(200);
    expect(await news(lead, origin)).toEqual([]);
    expect(await news(fellow, origin)).toMatchObject([{ kind: 'reply', text: 'The first six.' }]);
    await fellow.post(`/api/comments/${question.id}/settle`).send({ settled: true }).expect(200);
    const { items } = (await lead.get(`/api/plans/${origin}/comments`).expect(200)).body as {
      items: PlanComment[];
    };
    expect(items.map(({ text, settled }) => [text, settled])).toEqual([
      ['The first six.', false],
      ['On every stop?', true],
    ]);
    await lead.delete(`/api/comments/${question.id}`).expect(200);
    expect((await lead.get(`/api/plans/${origin}/comments`)).body.items).toEqual([]);
  });

  it('long talk comes a page at a time, each comment once', async () => {
    const { origin } = await pair();
    for (let i = 0; i < 53; i++)
      await fellow
        .post(`/api/plans/${origin}/comments`)
        .send({ id: randomUUID(), blockId: null, answers: null, text: `No. ${i}` })
        .expect(200);
    const one = (await lead.get(`/api/plans/${origin}/comments`)).body;
    const two = (await lead.get(`/api/plans/${origin}/comments?before=${one.next}`)).body;
    const texts = [...one.items, ...two.items].map(({ text }: PlanComment) => text);
    expect([one.items.length, two.items.length, two.next, new Set(texts).size]).toEqual([50, 3, null, 53]);
  });

  it('news are quiet once they were seen, but what waits is told until it is done', async () => {
    const { origin, copy } = await pair();
    await saved(fellow, copy, withBlock(body, first.id, { cue: 'b' }));
    const id = await proposed(copy);
    await lead.post('/api/news/seen').send({}).expect(200);
    const fresh = async (by: Agent): Promise<number> => ((await by.get('/api/news')).body as News).fresh;
    const waiting = await fresh(lead);
    await lead.post(`/api/proposals/${id}/decline`).send({ word: '' }).expect(200);
    expect(await fresh(lead)).toBe(waiting - 1);
    const told = await fresh(fellow);
    await fellow.post('/api/news/seen').send({}).expect(200);
    expect(await fresh(fellow)).toBeLessThan(told);
    expect(await news(fellow, copy)).toMatchObject([{ kind: 'answered', state: 'declined' }]);
    expect((await plan(lead, origin)).ownerName).toBe('Maren Voss');
  });

  it('no student’s name goes with a word, a proposal or a comment', async () => {
    const { origin, copy } = await pair();
    const name = scenario.students.list.find(({ id }) =>
      scenario.students.seenBy.some(
        ({ userId, studentIds }) => userId === FELLOW.id && studentIds.includes(id),
      ),
    )!.student.name;
    const text = `As ${name} did it`;
    const refused = async (
      request: Promise<{ status: number; body: { error: { issues: { code: string }[] } } }>,
    ) => {
      const { status, body: reply } = await request;
      return [status, reply.error.issues.map(({ code }) => code)];
    };
    const is = [400, ['student-name']];
    const comment = { id: randomUUID(), blockId: null, answers: null, text };
    expect(await refused(lead.post(`/api/plans/${origin}/comments`).send(comment))).toEqual(is);
    expect(await refused(shared(lead, origin, text))).toEqual(is);
    expect(
      await refused(lead.post(`/api/plans/${origin}/versions`).send({ baseVersion: 1, note: text })),
    ).toEqual(is);
    const proposal = { id: randomUUID(), baseVersion: 1, note: text };
    expect(await refused(fellow.post(`/api/plans/${copy}/proposals`).send(proposal))).toEqual(is);
    const { version } = await saved(fellow, copy, withBlock(body, first.id, { note: text }));
    expect(
      await refused(
        fellow.post(`/api/plans/${copy}/proposals`).send({ ...proposal, note: '', baseVersion: version }),
      ),
    ).toEqual(is);
  });
});
