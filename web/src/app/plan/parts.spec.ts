import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { type ComponentFixture } from '@angular/core/testing';
import { api } from '@doceo/contract';
import { type Block, blockFromDrill, emptyPlan, type PlanBody, type PlanEdit } from '@doceo/core';
import { PLAN, RIG, uuid } from '../../testing/fixtures';
import { lessonServer, setDate, type Shown, show, until } from '../../testing/page';
import { BlockInspectorComponent } from './block-inspector.component';
import { DrillShelfComponent } from './timeline/drill-shelf.component';
import { PlanListPage } from './list/plan-list.page';
import { TimelineComponent } from './timeline/timeline.component';

const LANES = [
  { name: 'Petra', note: 'shoulder' },
  { name: 'Sam', note: '' },
];
const block = (n: number, startMin: number, lane: number | null = null): Block => ({
  ...blockFromDrill(SHIPPED.drills.get('count-the-pause'), uuid(n), startMin),
  lane,
});
const plan: PlanBody = {
  ...emptyPlan(),
  lengthMin: 120,
  groupSize: 2,
  blocks: [block(1, 0), block(2, 30, 0), block(3, 30, 1)],
};

/** What a component sends out while something is done. */
function heard<T, K extends keyof T>(fixture: ComponentFixture<T>, name: K): unknown[] {
  const all: unknown[] = [];
  (fixture.componentInstance[name] as { subscribe: (next: (value: unknown) => void) => void }).subscribe(
    (value) => all.push(value),
  );
  return all;
}

describe('the timeline', () => {
  beforeEach(() => setDate());
  afterEach(() => jest.useRealTimers());
  const open = (inputs: Record<string, unknown> = {}): Promise<Shown<TimelineComponent>> =>
    show(TimelineComponent, lessonServer(), { plan, lanes: LANES, ...inputs });
  const style = (n: number): CSSStyleDeclaration =>
    (document.querySelector(`[data-block="${uuid(n)}"]`) as HTMLElement).style;

  it('puts blocks where their time and lane are, and each line of the running order beside its block', async () => {
    const page = await open();
    const px = (text: string): number => Number.parseFloat(text);
    expect([style(1).top, style(1).left, style(1).width]).toEqual(['0px', '0px', '104px']);
    expect([style(2).left, style(3).left, style(3).width]).toEqual(['0px', '52px', '52px']);
    // Half an hour of a day of two hours.
    const perMin = px(style(2).top) / 30;
    expect(px(style(2).height)).toBeCloseTo(10 * perMin, 0);
    expect(page.all('.face')).toEqual([
      expect.stringMatching(/^1 0:00 all Count the pause ?grass/),
      expect.stringMatching(/^2 0:30 all Count the pause ?grass/),
    ]);
    const tops = [...document.querySelectorAll<HTMLElement>('.order li')].map((line) => px(line.style.top));
    expect(tops).toEqual([0, expect.closeTo(30 * perMin, 0)]);
  });

  it.each<[string, KeyboardEventInit, number, PlanEdit]>([
    ['ArrowDown', {}, 1, { kind: 'move', blockId: uuid(1), startMin: 5, lane: null }],
    ['ArrowUp', { altKey: true }, 1, { kind: 'reorder', blockId: uuid(1), direction: -1 }],
    ['ArrowRight', {}, 1, { kind: 'move', blockId: uuid(1), startMin: 0, lane: 0 }],
    ['ArrowLeft', {}, 1, { kind: 'move', blockId: uuid(1), startMin: 0, lane: 1 }],
    ['ArrowDown', { altKey: true, shiftKey: true }, 2, { kind: 'shift', fromMin: 30, byMin: 5 }],
    ['Delete', {}, 1, { kind: 'remove', blockId: uuid(1) }],
    [
      'ArrowUp',
      {},
      2,
      {
        kind: 'all',
        edits: [
          { kind: 'move', blockId: uuid(2), startMin: 25, lane: 0 },
          { kind: 'move', blockId: uuid(3), startMin: 25, lane: 1 },
        ],
      },
    ],
    [
      'ArrowDown',
      { shiftKey: true },
      3,
      {
        kind: 'all',
        edits: [
          { kind: 'resize', blockId: uuid(2), durationMin: 15 },
          { kind: 'resize', blockId: uuid(3), durationMin: 15 },
        ],
      },
    ],
  ])('%s %j on the line of block %i', async (key, rest, n, edit) => {
    const page = await open();
    const edits = heard(page.fixture, 'edited');
    await page.key(`[data-row~="${uuid(n)}"]`, key, rest);
    expect(edits).toEqual([edit]);
  });

  it('says when the blocks end later than the lesson', async () => {
    const page = await open({ plan: { ...plan, lengthMin: 30 } });
    expect(page.all('.ends')).toEqual(['0:30 the lesson ends, the blocks 10 min later']);
  });

  it('changes nothing of a plan that is only read', async () => {
    const page = await open({ editable: false });
    const edits = heard(page.fixture, 'edited');
    await page.key(`[data-row~="${uuid(1)}"]`, 'Delete');
    expect(edits).toEqual([]);
    expect(page.all('.grip')).toEqual([]);
  });

  it('tells each block in words, with its problem', async () => {
    const page = await open({ flagged: new Set([uuid(3)]) });
    expect(page.all('.face')[1]).toMatch(/ 10 minutes, casting, has a problem$/);
    expect(page.all('.face')[0]).toMatch(/ 10 minutes, casting$/);
  });

  it('shows the clock of the water and where the sun is down', async () => {
    const startMs = Date.parse('2026-11-28T13:30:00Z');
    const page = await open({
      startMs,
      timeZone: 'Europe/Copenhagen',
      sun: { sunriseMs: startMs - 5 * 3_600_000, sunsetMs: startMs + 90 * 60_000 },
    });
    expect(page.all('.hours span')).toEqual(['14:30', '15:00', '15:30', '16:00']);
    const night = document.querySelector<HTMLElement>('.night')!.style;
    expect(Number.parseFloat(night.height) * 3).toBeCloseTo(Number.parseFloat(night.top), 0);
  });

  it('invites to begin when it is empty', async () =>
    expect((await open({ plan: emptyPlan() })).text()).toContain('Drag a drill here'));
});

describe('the shelf of drills', () => {
  const open = (): Promise<Shown<DrillShelfComponent>> => show(DrillShelfComponent, lessonServer());

  it('holds all drills, narrows by strand and by words', async () => {
    const page = await open();
    expect(page.all('.drill')).toHaveLength(SHIPPED.drills.all.length);
    await page.press('hook setting');
    expect(page.all('.drill')).toHaveLength(
      SHIPPED.drills.all.filter(({ strand }) => strand === 'hook-setting').length,
    );
    await page.press('all');
    await page.enter('input[type=search]', 'PAUSE');
    expect(page.all('.drill b')).toContain('Count the pause');
    expect(page.all('.drill').length).toBeLessThan(SHIPPED.drills.all.length / 3);
    await page.enter('input[type=search]', 'xyzzy');
    expect(page.text()).toContain('No drill has these words');
  });

  it('gives the drill that is chosen, and plain blocks', async () => {
    const page = await open();
    const chosen = heard(page.fixture, 'chosen');
    const plain = heard(page.fixture, 'plain');
    await page.press(/^Three hoops/);
    await page.press('Break');
    await page.press('Debrief');
    expect(chosen).toEqual([expect.objectContaining({ id: 'hoops' })]);
    expect(plain).toEqual([
      expect.objectContaining({ kind: 'break', minutes: 10 }),
      expect.objectContaining({ kind: 'debrief', title: 'What went well' }),
    ]);
  });
});

describe('the inspector of a block', () => {
  const open = (inputs: Record<string, unknown> = {}): Promise<Shown<BlockInspectorComponent>> =>
    show(BlockInspectorComponent, lessonServer(), {
      curriculum: SHIPPED,
      block: block(2, 30, 0),
      lanes: LANES,
      planRigs: [],
      myRigs: [{ id: RIG.id, name: RIG.name }],
      ...inputs,
    });
  const choose = async (page: Shown<BlockInspectorComponent>, label: string, text: string): Promise<void> => {
    const field = [...document.querySelectorAll('label')].find((one) =>
      one.textContent?.trim().startsWith(label),
    );
    const select = field?.querySelector('select') as HTMLSelectElement;
    select.value = [...select.options].find((option) => option.text.includes(text))?.value ?? '';
    select.dispatchEvent(new Event('change', { bubbles: true }));
    await page.settle();
  };

  it('tells what the drill asks for', async () => {
    const page = await open();
    for (const words of ['Done when', '8 of 10', 'Gear', 'Watch for', 'forward too soon'])
      expect(page.text()).toContain(words);
  });

  it('edits time, who and place as the timeline does', async () => {
    const page = await open();
    const edits = heard(page.fixture, 'edited');
    const [starts, lasts] = [...document.querySelectorAll<HTMLInputElement>('input[type=number]')];
    for (const [field, value] of [
      [starts, '45'],
      [lasts, '0'],
    ] as const) {
      (field as HTMLInputElement).value = value;
      field?.dispatchEvent(new Event('change', { bubbles: true }));
    }
    await choose(page, 'Who', 'everybody');
    await choose(page, 'Place', 'run');
    expect(edits).toEqual([
      { kind: 'move', blockId: uuid(2), startMin: 45, lane: 0 },
      { kind: 'resize', blockId: uuid(2), durationMin: 5 },
      { kind: 'move', blockId: uuid(2), startMin: 30, lane: null },
      { kind: 'change', blockId: uuid(2), change: { place: 'run' } },
    ]);
  });

  it('takes a rig of mine into the plan, and one of the plan by its id', async () => {
    const page = await open();
    const taken = heard(page.fixture, 'rigTaken');
    await choose(page, 'Rig', RIG.name);
    expect(taken).toEqual([RIG.id]);
    const edits = heard(page.fixture, 'edited');
    page.fixture.componentRef.setInput('planRigs', [{ id: RIG.id, name: RIG.name, rig: RIG.rig }]);
    await page.settle();
    await choose(page, 'Rig', RIG.name);
    expect(edits).toEqual([{ kind: 'change', blockId: uuid(2), change: { rigId: RIG.id } }]);
  });

  it('removes the block and closes', async () => {
    const page = await open();
    const edits = heard(page.fixture, 'edited');
    const closed = heard(page.fixture, 'closed');
    await page.press('Remove');
    expect(edits).toEqual([{ kind: 'remove', blockId: uuid(2) }]);
    expect(closed).toHaveLength(1);
  });
});

describe('the list of plans', () => {
  const FOREIGN = { ...PLAN, id: uuid(22), title: 'Margins first', mine: false, ownerName: 'Tobias Lind' };

  it('keeps mine and those shared with me apart, and finds by words', async () => {
    const page = await show(PlanListPage, lessonServer().on(api.plans.list, [PLAN, FOREIGN]));
    expect(page.all('h2')).toEqual(['Mine', 'Shared with me', 'Files']);
    await page.enter('input[type=search]', 'margin');
    expect(page.all('doceo-plan-row b')).toEqual(['Margins first']);
    expect(page.text()).toContain('None has these words');
  });

  it('shows the newest, then older ones a page at a time, and looks among all there are', async () => {
    const many = Array.from({ length: 100 }, (_, i) => ({ ...PLAN, id: uuid(2000 + i), title: `Plan ${i}` }));
    const OLD = { ...PLAN, id: uuid(3000), title: 'Before all that' };
    const server = lessonServer()
      .on(api.plans.list, many)
      .on(api.plans.library, { items: [FOREIGN], next: FOREIGN.id });
    const page = await show(PlanListPage, server);
    expect(page.all('doceo-plan-row')).toHaveLength(100);
    expect(page.all('button')).toContain('Save these 100 as a file');
    await page.press('Older plans');
    expect(server.of(api.plans.library)[0]?.query).toEqual({ before: uuid(2099) });
    expect(page.all('h2')).toEqual(['Mine', 'Shared with me', 'Files']);
    server.on(api.plans.library, { items: [OLD], next: null });
    await page.enter('input[type=search]', 'before');
    await until(() => server.of(api.plans.library).length === 2);
    await page.settle();
    expect(server.of(api.plans.library)[1]?.query).toEqual({ words: 'before' });
    expect(page.all('doceo-plan-row b')).toEqual(['Before all that']);
    expect(page.text()).toContain('Looked for among all there are.');
    await page.enter('input[type=search]', '');
    await page.press('Older plans');
    expect(page.all('button')).not.toContain('Older plans');
    expect(page.all('doceo-plan-row')).toHaveLength(102);
  });

  it('removes a plan after asking at its row, and says why one stays', async () => {
    const server = lessonServer().on(api.plans.remove, { ok: true });
    const page = await show(PlanListPage, server);
    await page.press('Remove First nymphs');
    await page.press('Keep');
    expect(server.of(api.plans.remove)).toEqual([]);
    await page.press('Remove First nymphs');
    await page.press('Remove for good');
    expect(server.of(api.plans.remove)).toHaveLength(1);
    expect(page.text()).toContain('No plan yet');
  });

  it('cannot remove what belongs to somebody else', async () => {
    const page = await show(PlanListPage, lessonServer().on(api.plans.list, [FOREIGN]));
    expect(page.all('doceo-plan-row button')).toEqual([]);
  });

  it('begins with an example that starts with the safety talk', async () => {
    const server = lessonServer()
      .on(api.plans.list, [])
      .on(api.plans.create, () => PLAN);
    const page = await show(PlanListPage, server);
    await page.press('Load an example');
    const { body } = server.of(api.plans.create)[0]?.body as { body: PlanBody };
    expect(body.blocks.map(({ drillId }) => drillId)[0]).toBe('hats-and-glasses');
    expect(body.blocks.length).toBeGreaterThan(3);
  });
});
