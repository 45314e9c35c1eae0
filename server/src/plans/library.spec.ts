import type { PlanSummary, SavedPlan } from '@doceo/contract';
import { demoScenario } from '@doceo/demo';
import { randomUUID } from 'node:crypto';
import { write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const { body } = demoScenario(new Date()).plans[0]!.plan;

describe('the library', () => {
  let test: TestApp;
  let lead: Agent;
  let other: Agent;
  beforeAll(async () => {
    test = await testApp('library');
    [lead, , other] = await test.everybody();
  });
  afterAll(() => test.close());

  const found = async (query: Record<string, string>, by = lead): Promise<string[]> =>
    (await by.get('/api/library').query(query).expect(200)).body.items
      .map(({ title }: { title: string }) => title)
      .sort();

  /** So many new plans of somebody, one after the other; their ids. */
  const made = async (by: Agent, name: string, count: number): Promise<string[]> => {
    const ids = Array.from({ length: count }, () => randomUUID());
    for (const [i, id] of ids.entries())
      await by
        .post('/api/plans')
        .send({ id, title: `${name} ${i}`, body })
        .expect(200);
    return ids;
  };

  it.each<[string, Record<string, string>, string[]]>([
    ['a word of the title', { words: 'grass seven' }, ['Grass before water']],
    [
      'the beginning of a word, in any letters',
      { words: 'NYM riff' },
      ['Nymphs in the riffle', 'Riffle morning, four rods'],
    ],
    ['what is said in a block', { words: 'bubbles seam' }, ['First nymphs', 'Nymphs in the riffle']],
    ['a kind of water', { water: 'lake' }, ['Grass before water', 'Still water, one fly']],
    ['a strand', { strand: 'hook-setting' }, ['First nymphs', 'Still water, one fly']],
    [
      'a length',
      { longest: '150', strand: 'rigging' },
      ['Grass before water', 'Nymphs in the riffle', 'Riffle morning, four rods'],
    ],
    [
      'signs that mean something to the database',
      { words: '+(grass) ~"before*" -@' },
      ['Grass before water'],
    ],
    ['whose they are', { whose: 'mine', words: 'nymphs' }, ['First nymphs', 'Riffle morning, four rods']],
    ['what is nowhere', { words: 'submarine' }, []],
  ])('finds by %s', async (_, query, titles) => expect(await found(query)).toEqual(titles));

  it('follows what is changed', async () => {
    const id = randomUUID();
    await lead.post('/api/plans').send({ id, title: 'Heronry', body }).expect(200);
    expect(await found({ words: 'heronry' })).toEqual(['Heronry']);
    await lead.put(`/api/plans/${id}`).send({ title: 'Otterholt', body, baseVersion: 1 }).expect(200);
    expect(await found({ words: 'heronry' })).toEqual([]);
    expect(await found({ words: 'otter' })).toEqual(['Otterholt']);
    await lead.delete(`/api/plans/${id}`).expect(200);
  });

  it('tells only what one may see', async () => {
    expect(await found({ words: 'riffle' }, other)).toEqual([]);
    expect(await found({}, other)).toEqual(['Jetty evening']);
  });

  it('is told a page at a time, each plan once', async () => {
    const ids = await made(other, 'Zebrafold', 30);
    const first = (await other.get('/api/library').query({ words: 'zebra' }).expect(200)).body;
    expect(first.items).toHaveLength(24);
    const second = (await other.get('/api/library').query({ words: 'zebra', before: first.next })).body;
    expect([second.items.length, second.next]).toEqual([6, null]);
    const seen = [...first.items, ...second.items].map(({ id }: { id: string }) => id);
    expect(new Set(seen)).toEqual(new Set(ids));
    await other.delete(`/api/plans/${first.next}`).expect(200);
    const lost = (await other.get('/api/library').query({ words: 'zebra', before: first.next })).body;
    expect(lost).toEqual({ items: [], next: null });
  });

  it('tells plans with all that is in them, fewer where they are large', async () => {
    const page = (await lead.get('/api/library').query({ strand: 'hook-setting' }).expect(200)).body;
    const whole = (await lead.get('/api/library/plans').query({ strand: 'hook-setting' }).expect(200)).body;
    const each: SavedPlan[] = [];
    for (const { id } of page.items) each.push((await lead.get(`/api/plans/${id}`).expect(200)).body);
    expect(each.map(({ title }) => title)).toEqual(['Still water, one fly', 'First nymphs']);
    expect(whole).toEqual({ items: each, next: null });
    const wide = await test.newcomer('wide');
    await made(wide, 'Sandbar', 5);
    await write(
      test.pool,
      "UPDATE plans SET body = CONCAT(body, SPACE(150000)) WHERE title LIKE 'Sandbar %'",
    );
    const titles: string[][] = [];
    for (let before: string | null = ''; before !== null;) {
      const { body: part } = await wide.get('/api/library/plans').query(before ? { before } : {});
      titles.push(part.items.map(({ title }: SavedPlan) => title));
      before = part.next;
    }
    expect(titles).toEqual([['Sandbar 4', 'Sandbar 3'], ['Sandbar 2', 'Sandbar 1'], ['Sandbar 0']]);
    expect((await wide.get('/api/library/plans').query({ words: 'nowhere' })).body).toEqual({
      items: [],
      next: null,
    });
  });

  it('lists the newest hundred at once; the others come after them, a page at a time', async () => {
    const many = await test.newcomer('many');
    await made(many, 'Lapwing', 130);
    const listed = (await many.get('/api/plans').expect(200)).body as PlanSummary[];
    expect([listed.length, listed[0]?.title, listed[99]?.title]).toEqual([100, 'Lapwing 129', 'Lapwing 30']);
    const after = (await many.get('/api/library').query({ before: listed[99]?.id })).body;
    expect([after.items[0].title, after.items.length]).toEqual(['Lapwing 29', 24]);
  });

  it('lists what is shared with circles among what is one’s own, in one order', async () => {
    const listed = (await lead.get('/api/plans').expect(200)).body as PlanSummary[];
    const page = (await lead.get('/api/library').expect(200)).body.items as PlanSummary[];
    expect(page.map(({ id }) => id)).toEqual(listed.map(({ id }) => id));
    expect(new Set(page.map(({ mine }) => mine))).toEqual(new Set([true, false]));
    const { body: whole } = await lead.get(`/api/plans/${page[0]?.id}`).expect(200);
    expect(page[0]).toEqual(Object.fromEntries(Object.keys(page[0] ?? {}).map((key) => [key, whole[key]])));
  });
});
