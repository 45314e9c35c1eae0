import { api, type SavedRig } from '@doceo/contract';
import { formatLength, type Rig } from '@doceo/core';
import type { FakeServer } from '../../../testing/fake-server';
import { PLAN, RIG, SESSION, WATER } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { RigPage } from './rig.page';

describe('the rig bench', () => {
  let server: FakeServer;
  let stored: SavedRig;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    stored = structuredClone(RIG);
    server = lessonServer()
      .on(api.rigs.get, () => stored)
      .on(api.rigs.update, ({ body }) => {
        stored = { ...stored, ...(body as { name: string; rig: Rig }), version: stored.version + 1 };
        return stored;
      });
  });
  afterEach(() => jest.useRealTimers());

  const open = (): Promise<Shown<RigPage>> => show(RigPage, server, { id: RIG.id });
  const figure = (page: Shown<RigPage>, id: string): string => page.all(`[data-figure="${id}"]`).join();
  const problems = (): string[] =>
    [...document.querySelectorAll<HTMLElement>('[data-problem]')].map(
      ({ dataset }) => dataset['problem'] ?? '',
    );
  const field = (label: string): string => `input[aria-label="${label}"]`;

  it('shows lengths, indicator, weakest link, net reach and hooks', async () => {
    const page = await open();
    expect(figure(page, 'indicator-distance')).toContain('1.65 m');
    expect(figure(page, 'hook-count')).toContain('2 of 2');
    expect(figure(page, 'leader-length')).toContain('3.15 m');
    expect(figure(page, 'breaks-first')).toMatch(/\d\.\d kg/);
    expect(figure(page, 'net-reach')).toMatch(/1\.65 m? ?of \d/);
  });

  it('tells of each figure whether it is computed or what is usual', async () => {
    const page = await open();
    const marks = (id: string): string[] => page.all(`[data-figure="${id}"] doceo-origin`);
    expect([marks('leader-length'), marks('breaks-first'), marks('turnover')]).toEqual([
      ['computed'],
      ['typical'],
      ['typical'],
    ]);
    expect(page.all('.origins doceo-origin')).toEqual(['computed', 'typical']);
  });

  it.each([
    ['1.5 × depth', '1.65 m'],
    ['2 × depth', '2.20 m'],
    ['suspended', '95 cm'],
  ])('places the indicator by the school “%s”', async (school, distance) => {
    const page = await open();
    await page.press(school);
    expect(figure(page, 'indicator-distance')).toContain(distance);
    await page.saved();
    expect(
      formatLength(stored.rig.fittings.find(({ kind }) => kind === 'indicator')?.aboveFlyM ?? 0, 'metric'),
    ).toBe(distance);
  });

  it('follows the water’s depth, typed in any unit', async () => {
    const page = await open();
    await page.enter('.depth input', '80 cm');
    expect(figure(page, 'indicator-distance')).toContain('1.20 m');
    await page.enter('.depth input', '4 ft');
    await page.saved();
    expect(stored.rig.waterDepthM).toBeCloseTo(1.2192, 4);
  });

  it.each(['deep', '-1', '40 m', ''])('says that “%s” is no depth, and changes nothing', async (text) => {
    const page = await open();
    await page.enter('.depth input', text);
    expect(page.all('.depth .wrong')).toHaveLength(1);
    expect(figure(page, 'indicator-distance')).toContain('1.65 m');
  });

  it('edits a part in its row, and the figures follow', async () => {
    const page = await open();
    await page.enter(`[data-part=butt] ${field('Length')}`, '1.1 m');
    await page.saved();
    expect(stored.rig.sections[0]?.lengthM).toBe(1.1);
    await page.press('Undo');
    await page.saved();
    expect(stored.rig.sections[0]?.lengthM).toBe(0.9);
  });

  it.each([
    ['long', 'is no length'],
    ['0', 'between'],
    ['99 m', 'between'],
    ['-0.5', 'is no length'],
  ])('tells at the row what is wrong with “%s”', async (text, words) => {
    const page = await open();
    await page.enter(`[data-part=butt] ${field('Length')}`, text);
    expect(page.all('tr.problem')).toEqual([expect.stringContaining(words)]);
    expect(page.all('tr.problem')[0]).toContain('Left as it was');
    await page.enter(`[data-part=butt] ${field('Length')}`, '1 m');
    expect(page.all('tr.problem')).toEqual([]);
  });

  it('has one fly or two, and one problem less with one', async () => {
    const page = await open();
    expect(problems()).toContain('tangle-risk');
    await page.press('one');
    expect(figure(page, 'hook-count')).toContain('1 of 2');
    expect(problems()).not.toContain('tangle-risk');
  });

  it('mends a problem by its fix, and takes that back', async () => {
    const page = await open();
    await page.press(/^One fly/);
    expect(figure(page, 'hook-count')).toContain('1 of 2');
    await page.key('body', 'z', { ctrlKey: true });
    expect(figure(page, 'hook-count')).toContain('2 of 2');
  });

  it('holds hooks against the card of the chosen water', async () => {
    server.on(api.waters.list, [
      { ...WATER, water: { ...WATER.water, rules: { ...WATER.water.rules, maxHooks: 1 } } },
    ]);
    const page = await open();
    expect(figure(page, 'hook-count')).toContain('2 of 1');
    expect(problems().some((id) => id.startsWith('hook'))).toBe(true);
  });

  it('shows feet and inches to those who want them', async () => {
    const user = SESSION.user as NonNullable<typeof SESSION.user>;
    server.on(api.session.get, {
      ...SESSION,
      user: { ...user, settings: { ...user.settings, units: 'imperial' } },
    });
    const page = await open();
    expect(figure(page, 'indicator-distance')).toMatch(/5 ft 5/);
  });

  it('keeps its name, and refuses an empty one', async () => {
    const page = await open();
    await page.enter('input.title', '   ');
    await page.enter('input.title', 'Deep water');
    await page.saved();
    expect(stored.name).toBe('Deep water');
  });

  it('can be copied', async () => {
    server.on(api.rigs.create, RIG);
    const page = await open();
    await page.press('Copy');
    expect(server.of(api.rigs.create)[0]?.body).toMatchObject({ name: 'Two nymphs, copy', rig: RIG.rig });
  });

  it('goes into a plan', async () => {
    server.on(api.plans.update, PLAN);
    const page = await open();
    await page.press('Put in a plan');
    expect(page.text()).toContain('First nymphs');
  });

  it('says so when there is no such rig', async () => {
    server.refuse(api.rigs.get, 404, 'not-found');
    expect((await open()).text()).toContain('No such rig');
  });
});
