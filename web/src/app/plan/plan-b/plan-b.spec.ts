import { TestBed } from '@angular/core/testing';
import { api, type SavedPlan } from '@doceo/contract';
import { type Block, blockFromDrill, type PlanBody, type Score } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { Subject } from 'rxjs';
import type { FakeServer } from '../../../testing/fake-server';
import { PLAN, uuid, WATER } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { dayOf } from '../../../testing/waters';
import type { PlanNews, PlanRequest } from '../../workers/plans/make-plans';
import { PlanRunner } from '../../workers/plans/plan-runner';
import { PlanPage } from '../plan.page';

describe('plan B', () => {
  let server: FakeServer;
  let stored: SavedPlan;
  let news: Subject<PlanNews>;
  let asked: PlanRequest[];
  beforeEach(() => {
    localStorage.clear();
    setDate();
    stored = structuredClone(PLAN);
    server = lessonServer()
      .on(api.plans.get, () => stored)
      // A stand-in says that thunder comes at ten.
      .on(
        api.waters.conditions,
        dayOf(WATER.id, (hour) => ({ thunder: hour === 10 ? 0.5 : 0 })),
      )
      .on(api.plans.update, ({ body }) => {
        const sent = body as { title: string; body: PlanBody };
        stored = { ...stored, body: sent.body, version: stored.version + 1 };
        return stored;
      });
    asked = [];
    const nothing = (): void => undefined;
    const run = (request: PlanRequest): Subject<PlanNews> => {
      asked.push(request);
      return (news = new Subject());
    };
    TestBed.configureTestingModule({
      providers: [{ provide: PlanRunner, useValue: { run, warm: nothing, cool: nothing } }],
    });
  });
  afterEach(() => jest.useRealTimers());

  const open = (): Promise<Shown<PlanPage>> => show(PlanPage, server, { id: PLAN.id });
  const rows = (page: Shown<PlanPage>): string[] => page.all('.branch li');
  const answer = async (page: Shown<PlanPage>, ...list: PlanNews[]): Promise<void> => {
    for (const one of list) news.next(one);
    news.complete();
    await page.settle();
  };
  const hut: Block[] = [
    blockFromDrill(SHIPPED.drills.get('clinch-race'), uuid(81), 15, 0),
    blockFromDrill(SHIPPED.drills.get('clinch-race'), uuid(82), 15, 1),
    blockFromDrill(SHIPPED.drills.get('seam-on-paper'), uuid(83), 30),
  ];
  const plan = (): PlanNews => ({
    kind: 'plan',
    plan: { ...stored.body, blocks: [...stored.body.blocks.slice(0, 1), ...hut] },
    score: {} as Score,
    share: 1,
    outlook: null,
  });

  it('is made for what the weather may bring, from the hour one says, of what is packed anyway', async () => {
    const page = await open();
    expect(page.all('.branch .alert')).toEqual(['Thunder is likely, from 10:00 (simulated)']);
    expect(page.all('.branch [aria-pressed=true]')).toEqual(['thunder']);
    await page.press('Make it');
    const grounds = asked[0]!.task.closed.flatMap((one) => one.grounds);
    expect(new Set(grounds)).toEqual(new Set(['grass', 'river', 'stillwater']));
    // A race of knots wants hooks and tippet, which a plan of the pause does not have along.
    expect(asked[0]!.task.drillIds).not.toContain('clinch-race');
    await answer(page, plan());
    expect(page.all('.branch .leaves')[0]).toMatch(/^leaves at 09:45, at the first thunder/);
    expect(rows(page)).toEqual([
      'a 09:45 Clinch against the clock Sam and Jonas',
      'b 10:00 Seams on paper all',
    ]);
    expect(page.text()).toContain('Packed besides: 2 × hooks without point');
    await page.saved();
    expect(stored.body.planB).toMatchObject({ trigger: 'thunder', fromMin: 15 });
    expect(stored.body.planB?.blocks.map(({ id }) => id)).toEqual([uuid(81), uuid(82), uuid(83)]);
    expect(stored.body.carries?.drills.map(({ id }) => id)).toContain('seam-on-paper');
  });

  it('goes by an undo, and by its own button', async () => {
    const page = await open();
    await page.press('Make it');
    await answer(page, plan());
    await page.press('Undo');
    expect(rows(page)).toEqual([]);
    await page.press('Redo');
    expect(rows(page)).toHaveLength(2);
    await page.press('Take it out');
    await page.saved();
    expect(stored.body.planB).toBeUndefined();
  });

  it('tells why there is none, and the plan stays', async () => {
    const page = await open();
    await page.press('Make it');
    await answer(page, { kind: 'none', whyNot: { why: 'no-drill' } });
    expect(page.all('.branch [role=alert]')[0]).toBeTruthy();
    expect(stored.body.planB).toBeUndefined();
    expect(page.all('.branch .btn')).toContain('Make it');
  });

  it('is only read in the plan of somebody else', async () => {
    stored = {
      ...stored,
      mine: false,
      body: { ...stored.body, planB: { trigger: 'wind', fromMin: 15, blocks: hut } },
    };
    const page = await open();
    expect(rows(page)).toHaveLength(2);
    expect(page.all('.branch .btn')).toEqual([]);
  });
});
