import { DEMO_KIT, LEAD, OTHER } from '@doceo/demo';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

describe('the kit on hand', () => {
  let test: TestApp;
  let lead: Agent;
  beforeAll(async () => {
    test = await testApp('kit');
    lead = await test.signedIn(LEAD.email);
  });
  afterAll(() => test.close());

  it('is there for the demo, and empty for everybody else', async () => {
    expect((await lead.get('/api/kit').expect(200)).body).toEqual({ kit: DEMO_KIT, version: 1 });
    const other = await test.signedIn(OTHER.email);
    expect((await other.get('/api/kit').expect(200)).body).toEqual({
      kit: { currency: 'EUR', entries: [] },
      version: 0,
    });
  });

  it('is saved over the version one has read, and over no other', async () => {
    const kit = { ...DEMO_KIT, entries: DEMO_KIT.entries.slice(1) };
    expect((await lead.put('/api/kit').send({ kit, baseVersion: 1 }).expect(200)).body).toEqual({
      kit,
      version: 2,
    });
    await lead.put('/api/kit').send({ kit: DEMO_KIT, baseVersion: 1 }).expect(409);
    expect((await lead.get('/api/kit')).body.kit).toEqual(kit);
  });

  it.each([
    [{ currency: 'euro' }, 'kit.currency'],
    [{ entries: [{ ...DEMO_KIT.entries[0], count: -1 }] }, 'kit.entries[0].count'],
    [{ entries: [{ ...DEMO_KIT.entries[0], lengthM: 60 }] }, 'kit.entries[0].lengthM'],
    [{ entries: [{ ...DEMO_KIT.entries[0], item: '' }] }, 'kit.entries[0].item'],
  ])('refuses %j where it is wrong', async (change, path) => {
    const { body } = await lead
      .put('/api/kit')
      .send({ kit: { ...DEMO_KIT, ...change }, baseVersion: 2 })
      .expect(400);
    expect(body.error.issues).toMatchObject([{ path }]);
  });
});
