import { api, type SavedPlan, type SavedRig } from '@doceo/contract';
import { type DriftSetup, indicatorOf, type Rig, DEFAULT_SETUP } from '@doceo/core';
import type { FakeServer } from '../../testing/fake-server';
import { PLAN, RIG, keptKey } from '../../testing/fixtures';
import { lessonServer, setDate, show, type Shown, until } from '../../testing/page';
import { FORD, savedBeat } from '../../testing/waters';
import { DriftCardPage } from './card/drift-card.page';
import { DriftPage } from './drift.page';
import { actText } from '../shared/drift/act-kinds';
import { castText, presentationText } from '../shared/drift/drift-texts';
import { rigSet } from './below/side-store';
import { bubbleAt, topScale } from '../shared/drift/top-scale';

// Every picture is computed.
describe('the drift bench', () => {
  let server: FakeServer;
  let rig: SavedRig;
  let plan: SavedPlan;
  beforeEach(() => {
    localStorage.clear();
    sessionStorage.clear();
    setDate();
    rig = structuredClone(RIG);
    plan = structuredClone(PLAN);
    server = lessonServer()
      .on(api.waters.beats, [savedBeat(71, FORD)])
      .on(api.rigs.list, () => [rig])
      .on(api.rigs.update, ({ body }) => {
        rig = { ...rig, ...(body as { rig: Rig }), version: rig.version + 1 };
        return rig;
      })
      .on(api.plans.get, () => plan)
      .on(api.plans.update, ({ body }) => {
        plan = { ...plan, ...(body as Pick<SavedPlan, 'body'>) };
        return plan;
      });
  });
  afterEach(() => jest.useRealTimers());

  const open = async (): Promise<Shown<DriftPage>> => {
    const page = await show(DriftPage, server);
    await until(() => document.querySelector('.told') !== null);
    await page.settle();
    return page;
  };
  const kept = (): DriftSetup => JSON.parse(localStorage.getItem(keptKey('drift')) ?? 'null') as DriftSetup;
  const told = (): string => document.querySelector('.told')?.textContent?.trim() ?? '';

  it('tells when drag begins, why, and what would drift longer, the best first', async () => {
    const page = await open();
    expect(told()).toMatch(/^drag begins, \d\.\d s, \d+ cm$/);
    expect(page.text()).toMatch(/the water runs \d+ cm\/s faster than the fly’s/);
    await until(() => /(\d\d) ways, \1 tried/.test(page.text()));
    await page.settle();
    const metres = page
      .all('doceo-rank-panel li b')
      .map((text) => (text.endsWith(' cm') ? parseFloat(text) / 100 : parseFloat(text)));
    expect(metres.length).toBeGreaterThan(5);
    expect(metres).toEqual([...metres].sort((a, b) => b - a));
    expect(page.text()).toContain('As drawn');
  });

  it('takes a way of the list, and gives it back by undo', async () => {
    const page = await open();
    await until(() => page.all('doceo-rank-panel li').length > 6);
    const before = told();
    document.querySelector<HTMLElement>('doceo-rank-panel li:first-child button')?.click();
    await until(() => told() !== before);
    expect(kept().standM === 0 && kept().handling === 'still' && kept().acts.length === 0).toBe(false);
    await page.press('Undo');
    expect(kept()).toEqual(DEFAULT_SETUP);
  });

  it('puts a mend in at the time shown, sets it beside the same line merely fed, and takes it out by keys', async () => {
    const page = await open();
    await page.press('Mend up');
    await until(() => page.text().includes('the same line fed as slack'));
    expect(page.text()).toMatch(
      /With the mend [\d.]+ c?m, the same line fed as slack [\d.]+ c?m, neither [\d.]+ c?m\./,
    );
    const at = kept().acts[0]!.atS;
    await page.key('.act', 'ArrowLeft');
    expect(kept().acts[0]!.atS).toBeCloseTo(at - 0.1, 6);
    await page.press('The other way');
    expect(kept().acts[0]!.way).toBe('down');
    await page.press('Larger');
    expect(kept().acts[0]!.sizeM).toBeCloseTo(1.2, 6);
    await page.key('.act', 'Delete');
    expect(kept().acts).toEqual([]);
  });

  it('moves lanes, angler and lie by keys, and speeds typed; what cannot be is told where it was typed', async () => {
    const page = await open();
    await page.key('.lane', 'ArrowRight');
    expect(kept().lanes[0]!.speedMs).toBeCloseTo(0.4, 6);
    await page.key('[aria-label^="You,"]', 'ArrowUp');
    expect(kept().outM).toBeCloseTo(0.75, 6);
    await page.key('[aria-label="Where the fly lands"]', 'ArrowDown');
    expect(kept().lieM).toBeCloseTo(6.75, 6);
    document.querySelector<SVGElement>('.lane')?.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await page.settle();
    await page.enter('.picked input', '-30');
    expect(kept().lanes[0]!.speedMs).toBe(-0.3);
    expect(page.text()).toContain('30 cm/s back');
    await page.enter('.picked input', '900');
    expect(page.text()).toContain('a speed up to 250 cm/s');
    expect(kept().lanes[0]!.speedMs).toBe(-0.3);
    await page.press('Split it');
    expect(kept().lanes).toHaveLength(5);
  });

  it('says at once what cannot be, and keeps the last good drift in sight', async () => {
    localStorage.setItem(keptKey('drift'), JSON.stringify({ ...DEFAULT_SETUP, standM: 11 }));
    const page = await open();
    const before = told();
    for (let i = 0; i < 5; i++) await page.key('[aria-label^="You,"]', 'ArrowRight');
    for (let i = 0; i < 30; i++) await page.key('[aria-label="Where the fly lands"]', 'ArrowUp');
    expect(page.all('[role=alert]').join()).toContain('over 15 m');
    expect(told()).not.toBe('');
    expect(before).not.toBe('');
  });

  it('takes lanes, lie and stand from a place of the water', async () => {
    const page = await open();
    await until(() => page.all('.places option').length > 1);
    const name = page.all('.places option')[1]!;
    const field = document.querySelector<HTMLSelectElement>('.places')!;
    field.value = name;
    field.dispatchEvent(new Event('change'));
    await page.settle();
    expect(name).toContain('Ford Pool');
    expect(kept().lanes).not.toEqual(DEFAULT_SETUP.lanes);
    expect(kept().lieM).toBeLessThan(kept().lanes.at(-1)!.toM);
    expect(page.text()).toContain('computed from lanes as at Ford Pool');
    await page.key('.lane', 'ArrowRight');
    expect(page.text()).toContain('computed from the lanes drawn');
    expect(field.value).toBe('');
    await page.press('Undo');
    expect(page.text()).toContain('computed from lanes as at Ford Pool');
  });

  it('is put into a block of a plan, and shown on a card', async () => {
    const page = await open();
    await page.press('Put in a plan');
    await page.quiet();
    await page.press(PLAN.title);
    await page.quiet();
    await page.press(plan.body.blocks[1]!.title);
    await page.quiet();
    expect(plan.body.blocks[1]!.drift).toEqual(DEFAULT_SETUP);
  });

  it('on the card says what to do in order', async () => {
    localStorage.setItem(
      keptKey('drift'),
      JSON.stringify({
        ...DEFAULT_SETUP,
        acts: [{ kind: 'mend', atS: 0.4, sizeM: 1, way: 'up', from: 0.1, to: 0.8 }],
      }),
    );
    const page = await show(DriftCardPage, server);
    await until(() => page.all('li').length > 3);
    expect(page.all('ol li').join(' ')).toMatch(
      /Stand level with the fish.*Cast across.*After 0\.4 s: mend up, 1\.00 m/,
    );
  });

  it('under water: the rig’s own drift, and the rig set from the map with the way back', async () => {
    const page = await open();
    await page.press('Under water');
    await until(() => page.text().includes('In the zone after'));
    await page.settle();
    expect(page.text()).toMatch(/Comes to ?[\d.]+ c?m/);
    expect(page.text()).toMatch(/Your float is 1\.65 m above the point fly, 1\.50 × the depth/);
    await page.enter('.short input', '9 km');
    expect(page.text()).toContain('a depth from 10 cm to 6.00 m');
    await page.enter('.short input', '80 cm');
    expect(page.text()).toContain('2.06 × the depth');
    const { side } = page.fixture.componentInstance as unknown as {
      side: { tried: { set: (one: unknown) => void } };
    };
    side.tried.set({ leaderM: 1.2, addedKg: 0.0002 });
    await page.settle();
    const had = rig.rig.fittings.length;
    await page.press('Set my rig so');
    await page.quiet();
    expect(indicatorOf(rig.rig)?.aboveFlyM).toBe(1.2);
    expect(rig.rig.fittings).toHaveLength(had + 1);
    await page.press('Undo');
    await page.quiet();
    expect(indicatorOf(rig.rig)?.aboveFlyM).toBeCloseTo(1.65, 9);
    expect(rig.rig.fittings).toHaveLength(had);
  });

  it('invites to tie a rig where there is none', async () => {
    server.on(api.rigs.list, []);
    const page = await open();
    await page.press('Under water');
    await page.quiet();
    expect(page.text()).toContain('No rig yet');
  });
});

describe('words of a drift', () => {
  it.each([
    [6, 'Quarter up'],
    [2, 'A little up'],
    [0, 'Across'],
    [-6, 'Quarter down'],
  ])('standing %d m below a lie 7 m away is %s', (standM, words) =>
    expect(castText({ standM, lieM: 9, outM: 2 })).toBe(words),
  );

  it('names rod and mend in either unit', () => {
    const way = { standM: 0, handling: 'reach-up', mend: { way: 'up', atS: 1.2, sizeM: 1.2 } } as const;
    const elsewhere = { ...DEFAULT_SETUP, standM: -6 };
    expect(presentationText(way, elsewhere, 'metric')).toBe('Across, reach up, 1.20 m mend up at 1.2 s');
    expect(actText({ kind: 'step', atS: 1, sizeM: -1, way: 'up', from: 0, to: 1 }, 'imperial')).toBe(
      'step up, 3 ft 3.5 in',
    );
  });
});

describe('the picture from above', () => {
  it('is to scale, turned over it is its mirror, and the angler is always in it', () => {
    const right = topScale(DEFAULT_SETUP, 800, 400, false);
    const left = topScale(DEFAULT_SETUP, 800, 400, true);
    expect(right.x(3) - right.x(0)).toBeCloseTo(3 * right.pxPerM, 9);
    expect(right.y(0) - right.y(12)).toBeCloseTo(12 * right.pxPerM, 9);
    expect(left.x(2) + right.x(2)).toBeCloseTo(800, 9);
    for (const standM of [-12, 0, 12]) {
      const { x } = topScale({ ...DEFAULT_SETUP, standM }, 800, 400, false);
      expect(x(standM)).toBeGreaterThan(0);
      expect(x(standM)).toBeLessThan(800);
    }
  });

  it('carries its bubbles with the water', () => {
    const bubble = { alongM: 1, yM: 4, sizePx: 1 };
    expect(bubbleAt(DEFAULT_SETUP, bubble, 20, 2)).toBeCloseTo(1 + 0.95 * 2, 1);
    expect(bubbleAt(DEFAULT_SETUP, bubble, 20, 200)).toBeLessThan(20);
  });
});

describe('a rig set from the map', () => {
  it('moves its indicator, adds the shot, and leaves the rest', () => {
    const set = rigSet(RIG.rig, { leaderM: 1.333, addedKg: 0.00031 });
    expect(indicatorOf(set)?.aboveFlyM).toBe(1.33);
    expect(set.fittings.at(-1)).toMatchObject({ kind: 'shot', massKg: 0.00031, aboveFlyM: 0.2 });
    expect(set.flies).toEqual(RIG.rig.flies);
    expect(rigSet(RIG.rig, { leaderM: 1, addedKg: 0 }).fittings).toHaveLength(RIG.rig.fittings.length);
  });
});
