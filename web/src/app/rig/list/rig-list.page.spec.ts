import { api, type SavedRig, writeRigFile } from '@doceo/contract';
import { buildRig, TEMPLATE_IDS } from '@doceo/core';
import { RIG, uuid, WATER } from '../../../testing/fixtures';
import { lessonServer, setDate, show } from '../../../testing/page';
import { RigComparePage } from '../compare/rig-compare.page';
import { RigCardPage } from '../card/rig-card.page';
import { RigListPage } from './rig-list.page';

beforeEach(() => setDate());
afterEach(() => jest.useRealTimers());

describe('the list of rigs', () => {
  it('shows each with its lengths and where it breaks first', async () => {
    const page = await show(RigListPage, lessonServer());
    expect(page.all('article b')).toEqual(['Two nymphs']);
    expect(page.text()).toContain('3.15 m leader, 2 flies, for 1.10 m of water');
    expect(page.text()).toContain('breaks first: improved clinch at the point nymph');
    expect(page.text()).not.toContain('stop problem');
  });

  it('counts stop problems against the card of the chosen water', async () => {
    const strict = { ...WATER, water: { ...WATER.water, rules: { ...WATER.water.rules, maxHooks: 1 } } };
    const page = await show(RigListPage, lessonServer().on(api.waters.list, [strict]));
    expect(page.text()).toContain('1 stop problem');
  });

  it('makes a new one, and removes one after asking at its card', async () => {
    const server = lessonServer()
      .on(api.rigs.create, ({ body }) => ({ ...RIG, ...(body as object) }) as SavedRig)
      .on(api.rigs.remove, { ok: true });
    const page = await show(RigListPage, server);
    await page.press(/^Nymphs under an indicator/);
    expect(server.of(api.rigs.create)[0]?.body).toMatchObject({ rig: { template: 'indicator-nymph' } });
    await page.press('Remove Two nymphs');
    await page.press('Keep');
    await page.press('Remove Two nymphs');
    await page.press('Remove for good');
    expect(server.of(api.rigs.remove)).toHaveLength(1);
    expect(page.text()).toContain('No rig yet');
  });
});

describe('rigs from elsewhere', () => {
  const choose = async (page: Awaited<ReturnType<typeof show<RigListPage>>>, text: string): Promise<void> => {
    const field = document.querySelector('input[type=file]') as HTMLInputElement;
    Object.defineProperty(field, 'files', {
      value: [{ name: 'given.json', text: () => Promise.resolve(text) }],
      configurable: true,
    });
    Object.defineProperty(field, 'value', { value: '', writable: true });
    field.dispatchEvent(new Event('change', { bubbles: true }));
    await page.settle();
  };

  it.each(TEMPLATE_IDS)('begin from the template %s, drawn', async (id) => {
    const server = lessonServer().on(
      api.rigs.create,
      ({ body }) => ({ ...RIG, ...(body as object) }) as SavedRig,
    );
    const page = await show(RigListPage, server);
    expect(document.querySelectorAll(`[data-template="${id}"] svg line`).length).toBeGreaterThan(2);
    document.querySelector<HTMLElement>(`[data-template="${id}"]`)?.click();
    await page.settle();
    expect(server.of(api.rigs.create)[0]?.body).toMatchObject({ rig: { template: id } });
  });

  it('come from a file', async () => {
    const server = lessonServer().on(
      api.rigs.create,
      ({ body }) => ({ ...RIG, ...(body as object) }) as SavedRig,
    );
    const page = await show(RigListPage, server);
    const rig = buildRig('streamer');
    await choose(page, writeRigFile('Deep streamer', rig));
    expect(server.of(api.rigs.create)[0]?.body).toMatchObject({ name: 'Deep streamer', rig });
  });

  it('are refused whole when the file has faults, each named', async () => {
    const server = lessonServer();
    const page = await show(RigListPage, server);
    await choose(page, writeRigFile('x', buildRig('grass')).replace('"copolymer"', '"silk"'));
    expect(page.text()).toContain('given.json was not taken; nothing was changed');
    expect(page.all('.refused li')[0]).toMatch(/^rig\.sections\[1\]\.material /);
    expect(server.of(api.rigs.create)).toEqual([]);
  });
});

describe('two rigs side by side', () => {
  const tight = { ...RIG, id: uuid(32), name: 'Tight line', rig: buildRig('tight-line') };
  const open = (other: string) =>
    show(RigComparePage, lessonServer().on(api.rigs.list, [RIG, tight]), { id: RIG.id, other });

  it('show their figures in one table, differences marked', async () => {
    const page = await open(tight.id);
    expect(page.all('th')).toEqual(['Figure', 'Two nymphs', 'Tight line']);
    expect(page.all('[data-row=leader-length] td')).toEqual(['Leader', '3.15 m', '4.69 m']);
    expect(page.all('[data-row=indicator-distance] td')).toEqual([
      'Indicator above point fly',
      '1.65 m',
      '–',
    ]);
    expect(document.querySelector('[data-row=hook-count]')?.classList.contains('differs')).toBe(false);
    expect(document.querySelectorAll('doceo-rig-drawing')).toHaveLength(2);
  });

  it('name the problems that only one of them has', async () => {
    const page = await open(tight.id);
    expect(page.all('.figures p')[0]).toContain('Tangle risk for beginners: high');
  });

  it('mark nothing when they are the same', async () => {
    await open(RIG.id);
    expect(document.querySelectorAll('.differs')).toHaveLength(0);
  });

  it('say so when one is gone', async () => expect((await open(uuid(99))).text()).toContain('No such pair'));
});

describe('the teaching card', () => {
  it('has the drawing, the cuts, the knots in order and what to say', async () => {
    const page = await show(RigCardPage, lessonServer(), { id: RIG.id });
    expect(page.all('doceo-rig-sheet ol li')).toEqual([
      'loop to loop, fly line to butt holds about 9.5 kg',
      'double uni, butt to middle holds about 9.9 kg',
      'double uni, middle to upper tippet holds about 2.3 kg',
      'triple surgeon’s, upper tippet to tippet holds about 1.6 kg',
      'double surgeon’s, tippet to lower tippet holds about 1.5 kg',
      'improved clinch, tag to #16 mayfly nymph holds about 1.5 kg',
      'improved clinch, end of the leader to #14 mayfly nymph holds about 1.5 kg: breaks first',
    ]);
    expect(page.all('doceo-rig-sheet ul')[0]).toContain('1.49 m fluorocarbon 5X');
    expect(page.text()).toContain('Set on anything.');
    expect(page.text()).toContain('Hat and glasses');
  });

  it('lists no knot where the leader is tapered through', async () => {
    const rig = { ...RIG, rig: buildRig('dry-fly') };
    const page = await show(RigCardPage, lessonServer().on(api.rigs.get, rig), { id: RIG.id });
    expect(page.all('doceo-rig-sheet ol li')).toHaveLength(3);
  });

  it('says so when there is no such rig', async () => {
    const page = await show(RigCardPage, lessonServer().refuse(api.rigs.get, 404, 'not-found'), {
      id: uuid(9),
    });
    expect(page.text()).toContain('No such rig');
  });
});
