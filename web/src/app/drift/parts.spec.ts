import { DeviceUser } from '../data/device/device-user';
import { keptKey, SAM, uuid } from '../../testing/fixtures';
import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import {
  type Act,
  type BankEvent,
  setupDrift,
  sideDrift,
  surfaceDrift,
  DEFAULT_SETUP,
  DEFAULT_SIDE,
  whyOf,
} from '@doceo/core';
import { lessonServer, setDate, show, type Shown, until } from '../../testing/page';
import { ActTimelineComponent } from './surface/action-timeline.component';
import { FAULT_TEXTS, presentationText, whyText } from '../shared/drift/drift-texts';
import { BenchDrift } from '../data/kept-drift';
import { BenchRecord } from '../data/records/bench-record';
import { RankPanelComponent } from './rank/rank-panel.component';
import { RankStore } from './rank/rank-store';
import { SideViewComponent } from './below/side-view.component';
import { SlipChartComponent } from './surface/slip-chart.component';
import { laneArrows, topScale, waterColour } from '../shared/drift/top-scale';
import { TopViewComponent } from '../shared/drift/top-view.component';

const act = (atS: number, rest: Partial<Act> = {}): Act => ({
  ...{ kind: 'mend', atS, sizeM: 1, way: 'up', from: 0.1, to: 0.8 },
  ...rest,
});
const run = surfaceDrift(setupDrift(DEFAULT_SETUP));
const kept = { setup: DEFAULT_SETUP, told: { run, fedCleanM: null, leftCleanM: null } };

beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  setDate();
});
afterEach(() => jest.useRealTimers());

describe('the timeline of a drift', () => {
  const open = async (acts: Act[]): Promise<[Shown<ActTimelineComponent>, Act[][]]> => {
    const page = await show(ActTimelineComponent, lessonServer(), {
      ...{ acts, endS: 9, atS: 1, onsetS: 1.3, chosen: 0 },
    });
    const edits: Act[][] = [];
    page.fixture.componentInstance.edited.subscribe((edited) => edits.push(edited));
    return [page, edits];
  };

  it('shows seconds, drag and what is done, each named for whoever does not see it', async () => {
    const [page] = await open([act(0.4), act(3, { kind: 'feed' })]);
    expect(page.all('.second')).toEqual(['0 s', '2 s', '4 s', '6 s', '8 s']);
    expect(document.querySelector<HTMLElement>('.onset')?.style.left).toBe(`${(1.3 / 9) * 100}%`);
    expect([...document.querySelectorAll('.act')].map((one) => one.getAttribute('aria-label'))).toEqual([
      'mend up, 1.00 m at 0.4 s',
      'feed 1.00 m at 3.0 s',
    ]);
  });

  it('puts what lies close together in two rows', async () => {
    await open([act(0.4), act(0.6), act(6)]);
    const tops = [...document.querySelectorAll<HTMLElement>('.act')].map(({ style }) => style.top);
    expect(tops[0]).not.toBe(tops[1]);
    expect(tops[2]).toBe(tops[0]);
  });

  it('moves an act by keys, held within the drift, and takes it out', async () => {
    const [page, edits] = await open([act(0.1)]);
    await page.key('.act', 'ArrowLeft');
    await page.key('.act', 'ArrowLeft');
    await page.key('.act', 'Delete');
    expect(edits[0]![0]!.atS).toBe(0);
    expect(edits[1]![0]!.atS).toBe(0);
    expect(edits[2]).toEqual([]);
  });
});

describe('the picture of a drift', () => {
  const open = (inputs: Record<string, unknown> = {}): Promise<Shown<TopViewComponent>> =>
    show(TopViewComponent, lessonServer(), { setup: DEFAULT_SETUP, ran: kept, atS: 0, ...inputs });

  it('shows what pulls only once the fly drags', async () => {
    const page = await open();
    expect(document.querySelector('.pulls')?.getAttribute('d')).toBe('');
    page.fixture.componentRef.setInput('atS', run.onsetS! + 1);
    await page.settle();
    expect(document.querySelector('.pulls')?.getAttribute('d')).toMatch(/^M/);
  });

  it('has three ghosts, a clean track and a dragging one, and tells where it changes', async () => {
    const page = await open();
    expect(document.querySelectorAll('.ghost')).toHaveLength(3);
    expect(document.querySelector('.clean')?.getAttribute('d')).toMatch(/^M.*L/);
    expect(document.querySelector('.dragging')?.getAttribute('d')).toMatch(/^M.*L/);
    expect(page.text()).toContain(`drag begins, ${run.onsetS!.toFixed(1)} s`);
  });

  it('to be looked at only has no handles', async () => {
    await open({ editable: false });
    expect(document.querySelectorAll('[role=slider]')).toHaveLength(0);
    expect(document.querySelector('.you')).not.toBeNull();
  });

  it('without a run still shows the water', async () => {
    await open({ ran: null });
    expect(document.querySelectorAll('.lane')).toHaveLength(DEFAULT_SETUP.lanes.length);
    expect(document.querySelector('.fly')).toBeNull();
  });

  it('turned over, the right arrow still takes the angler to the right', async () => {
    const page = await open({ toLeft: true });
    const edits: { standM?: number }[] = [];
    page.fixture.componentInstance.edited.subscribe((edited) => edits.push(edited));
    await page.key('[aria-label^="You,"]', 'ArrowRight');
    expect(edits[0]!.standM).toBeCloseTo(-0.25, 9);
  });

  it('has arrows as long as the water is fast, backwards where it runs back', () => {
    const setup = {
      ...DEFAULT_SETUP,
      lanes: DEFAULT_SETUP.lanes.map((lane, i) => ({ ...lane, speedMs: i === 1 ? -0.5 : 0.4 })),
    };
    const arrows = laneArrows(setup, topScale(setup, 900, 400, false));
    expect(arrows.length).toBeGreaterThan(8);
    for (const { fromM, toM, yM } of arrows) {
      const back = yM > 2.5 && yM < 5.5;
      expect(toM - fromM).toBeCloseTo(back ? -0.6 : 0.48, 9);
    }
  });

  it('is darker where the water is faster', () => {
    const dark = (colour: string): number =>
      /\d+/g[Symbol.match](colour)!.reduce((sum, one) => sum + Number(one), 0);
    expect(dark(waterColour(1))).toBeLessThan(dark(waterColour(0.3)));
    expect(waterColour(-0.3)).not.toBe(waterColour(0.3));
  });
});

describe('the slip of the fly', () => {
  it('is told in words for whoever does not see it', async () => {
    await show(SlipChartComponent, lessonServer(), { run, atS: 0, endS: 9 });
    const words = (): string => document.querySelector('[role=img]')?.getAttribute('aria-label') ?? '';
    expect(words()).toBe(
      `The fly leaves its water after ${run.onsetS!.toFixed(1)} seconds and ${run.cleanM.toFixed(1)} metres.`,
    );
  });
});

describe('the leader under water', () => {
  it('is drawn from the float to the fly, with its depth and how much the float is slowed', async () => {
    const side = sideDrift({ durationS: 6 });
    const page = await show(SideViewComponent, lessonServer(), {
      ...{ drift: { ...DEFAULT_SIDE, durationS: 6 }, run: side, atS: 4 },
    });
    expect(page.text()).toMatch(/\d+ cm\/s slower just now/);
    expect(page.text()).toMatch(/deep at 4\.0 s/);
    expect(document.querySelectorAll('.load')).toHaveLength(1);
    page.fixture.componentRef.setInput('atS', 0);
    await page.settle();
    expect(page.text()).toContain('0 cm deep at 0.0 s');
  });
});

describe('the ranking', () => {
  it('counts, comes in as it is computed, and can be stopped and gone on with', async () => {
    const page = await show(RankPanelComponent, lessonServer(), {
      ...{ setup: DEFAULT_SETUP, lanesFrom: 'the lanes drawn' },
    });
    const store = page.fixture.debugElement.injector.get(RankStore);
    await until(() => store.done() > 2);
    store.stop();
    await page.settle();
    const done = store.done();
    expect(done).toBeLessThan(store.tried());
    expect(page.all('li').length).toBeGreaterThan(0);
    await page.press('Go on');
    await until(() => !store.running());
    expect(store.done()).toBe(store.tried());
    expect(store.ways().length).toBe(store.tried());
  });

  it('is hidden while a student says first, who is told how it is and may take it back', async () => {
    Dexie.dependencies.indexedDB = new IDBFactory();
    const server = lessonServer();
    const page = await show(RankPanelComponent, server, {
      ...{ setup: DEFAULT_SETUP, lanesFrom: 'the lanes drawn' },
    });
    const store = page.fixture.debugElement.injector.get(RankStore);
    await until(() => store.tried() > 0 && !store.running());
    await page.settle();
    await page.press('Let a student say first');
    TestBed.inject(BenchRecord).studentId.set(SAM.id);
    await page.settle();
    expect(page.all('doceo-rank-quiz li')).toHaveLength(3);
    expect(page.all('doceo-rank-quiz .bar')).toEqual([]);
    const metresOf = (text: string): number =>
      store.ways().find(({ way }) => text.endsWith(presentationText(way, DEFAULT_SETUP, 'metric')))!.ranked
        .cleanM;
    const order = page.all('doceo-rank-quiz li').sort((a, b) => metresOf(b) - metresOf(a));
    for (const text of order)
      [...document.querySelectorAll<HTMLElement>('doceo-rank-quiz li button')]
        .find((button) => button.textContent?.trim() === text)
        ?.click();
    await page.quiet();
    expect(page.text()).toContain('In the right order. That shows:');
    expect(page.all('doceo-rank-quiz .place.right')).toHaveLength(3);
    const sent = () =>
      server.of(api.events.add).flatMap(({ body }) => (body as { events: BankEvent[] }).events);
    expect(sent()).toEqual([
      expect.objectContaining({
        studentId: SAM.id,
        body: expect.objectContaining({ kind: 'attempt', good: true, evidence: 'bench' }),
      }),
    ]);
    await page.press('Take it back');
    await page.quiet();
    expect(sent().at(-1)?.body).toEqual({ kind: 'undo', targetId: sent()[0]?.id });
    await page.press('Three others');
    expect(page.all('doceo-rank-quiz .bar')).toEqual([]);
  });

  it('says so where nothing is in reach', async () => {
    const page = await show(RankPanelComponent, lessonServer(), {
      setup: { ...DEFAULT_SETUP, lieM: 30, lanes: [{ toM: 40, speedMs: 0.4 }] },
      lanesFrom: 'the lanes drawn',
    });
    await new Promise((resolve) => setTimeout(resolve, 600));
    await page.settle();
    expect(page.text()).toContain('the lie is out of reach');
  });
});

describe('a drift kept on the device', () => {
  it('comes back as it was; one that cannot be, or cannot be read, is the usual one', () => {
    const setup = { ...DEFAULT_SETUP, lieM: 6, acts: [act(1)] };
    TestBed.configureTestingModule({});
    TestBed.inject(DeviceUser).set(uuid(71));
    const kept = TestBed.inject(BenchDrift);
    kept.keep(setup);
    expect(kept.get()).toEqual(setup);
    kept.keep({ ...DEFAULT_SETUP, lieM: 60 });
    expect(kept.get()).toEqual(DEFAULT_SETUP);
    for (const text of ['{"lanes":', '{"lieM":4}']) {
      localStorage.setItem(keptKey('drift'), text);
      TestBed.resetTestingModule();
      TestBed.inject(DeviceUser).set(uuid(71));
      expect(TestBed.inject(BenchDrift).get()).toEqual(DEFAULT_SETUP);
    }
  });
});

describe('why, in words', () => {
  it('names the water that takes the line, and which mend is for it', () => {
    const words = whyText(whyOf(DEFAULT_SETUP, run), DEFAULT_SETUP, run.onsetS, 'metric');
    expect(words).toMatch(/^2\.\d\d m out the water runs \d+ cm\/s faster than the fly’s\./);
    expect(words).toContain('mend up');
  });

  it('names the other mend where the water between runs back', () => {
    const setup = {
      ...DEFAULT_SETUP,
      lanes: [
        { toM: 5, speedMs: -0.3 },
        { toM: 8, speedMs: 0.5 },
        { toM: 12, speedMs: 0.5 },
      ],
    };
    const told = surfaceDrift(setupDrift(setup));
    expect(whyText(whyOf(setup, told), setup, told.onsetS, 'imperial')).toMatch(
      /in\/s slower than.*mend down/,
    );
  });

  it('says nothing of drag where there is none', () =>
    expect(whyText(whyOf(DEFAULT_SETUP, run), DEFAULT_SETUP, null, 'metric')).toBe(
      'Nothing tightens before the drift ends.',
    ));

  it('has a sentence for every fault of a setup', () => {
    for (const text of Object.values(FAULT_TEXTS)) expect(text).toMatch(/\.$/);
    TestBed.resetTestingModule();
  });
});
