import { demoScenario } from '@doceo/demo';
import { randomUUID } from 'node:crypto';
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
    const ids = Array.from({ length: 30 }, () => randomUUID());
    for (const [i, id] of ids.entries())
      await other
        .post('/api/plans')
        .send({ id, title: `Zebrafold ${i}`, body })
        .expect(200);
    const first = (await other.get('/api/library').query({ words: 'zebra' }).expect(200)).body;
    expect(first.items).toHaveLength(24);
    const second = (await other.get('/api/library').query({ words: 'zebra', before: first.next })).body;
    expect([second.items.length, second.next]).toEqual([6, null]);
    const seen = [...first.items, ...second.items].map(({ id }: { id: string }) => id);
    expect(new Set(seen)).toEqual(new Set(ids));
  });
});
