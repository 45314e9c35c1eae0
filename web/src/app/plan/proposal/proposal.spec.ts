import { TestBed } from '@angular/core/testing';
import { api, type SavedPlan } from '@doceo/contract';
import { blockFromDrill, type PlanBody, type ScheduleTask, type Score } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { Subject } from 'rxjs';
import type { FakeServer } from '../../../testing/fake-server';
import { JONAS, PLAN, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import type { PlanNews, PlanRequest } from '../../workers/plans/make-plans';
import { PlanRunner } from '../../workers/plans/plan-runner';
import { PlanPage } from '../plan.page';

const score = (gainSkills: number, idleMin: number): Score =>
  ({ total: gainSkills, parts: {}, figures: { gainSkills, idleMin, walks: 1 } }) as unknown as Score;

describe('a plan that is proposed', () => {
  let server: FakeServer;
  let stored: SavedPlan;
  let news: Subject<PlanNews>;
  let asked: PlanRequest[];
  let isEnough: () => boolean;

  beforeEach(() => {
    localStorage.clear();
    setDate();
    stored = structuredClone(PLAN);
    server = lessonServer()
      .on(api.plans.get, () => stored)
      .on(api.plans.update, ({ body }) => {
        const sent = body as { title: string; body: PlanBody };
        stored = { ...stored, title: sent.title, body: sent.body, version: stored.version + 1 };
        return stored;
      });
    asked = [];
    const nothing = (): void => undefined;
    const run = (request: PlanRequest, enough: () => boolean): Subject<PlanNews> => {
      asked.push(request);
      isEnough = enough;
      return (news = new Subject());
    };
    TestBed.configureTestingModule({
      providers: [{ provide: PlanRunner, useValue: { run, warm: nothing, cool: nothing } }],
    });
  });
  afterEach(() => jest.useRealTimers());

  const open = (): Promise<Shown<PlanPage>> => show(PlanPage, server, { id: PLAN.id });
  /** The talk stays, the pause comes ten minutes later, and hoops are new. */
  const proposed = (): PlanBody => ({
    ...stored.body,
    blocks: [
      stored.body.blocks[0]!,
      { ...blockFromDrill(SHIPPED.drills.get('hoops'), uuid(77), 15), durationMin: 10 },
      { ...stored.body.blocks[1]!, startMin: 25 },
    ],
  });
  const tell = async (page: Shown<PlanPage>, ...list: PlanNews[]): Promise<void> => {
    for (const one of list) news.next(one);
    await page.settle();
  };
  const shown = async (use = 'For this group'): Promise<Shown<PlanPage>> => {
    const page = await open();
    await page.press(use);
    await tell(page, {
      kind: 'plan',
      plan: proposed(),
      score: score(2.4, 5),
      share: 0.5,
      outlook: null,
    });
    return page;
  };
  const done = async (page: Shown<PlanPage>): Promise<void> => {
    await tell(page, { kind: 'end', before: { score: score(1.1, 20), faults: 2 }, gone: [] });
    news.complete();
    await page.settle();
  };

  it('is looked into where it is made: until that comes what was told before stands', async () => {
    const page = await open();
    const before = page.all('doceo-plan-check li');
    await page.press('For this group');
    const plan = proposed();
    const told = { kind: 'plan' as const, plan, score: score(2.4, 5), share: 0.5 };
    await tell(page, { ...told, outlook: null });
    expect(page.all('doceo-plan-check li')).toEqual(before);
    expect(asked[0]!.outlookFor!.lesson).toEqual(asked[0]!.task.lesson);
    const outlook = { overrun: null, cut: null, problems: [] };
    await tell(page, { ...told, outlook });
    expect(page.all('doceo-plan-check li')).toEqual([]);
  });

  it('is shown over the plan with what it does and gains, and changes nothing until it is taken', async () => {
    const page = await shown();
    expect(page.all('.told')).toEqual(['Preview: for this group 1 comes, 1 moves']);
    expect(page.all('.face .tag')).toEqual(['comes', '10 min later']);
    expect(page.all('h2#plan-check')).toEqual(['Check of the preview']);
    // Nothing is dragged or added while it is shown.
    expect(document.querySelector('doceo-drill-shelf')).toBeNull();
    await done(page);
    expect(page.all('.bead')).toEqual(['Gain 1.1 → 2.4 skills', 'Waiting 20 → 5 min', 'Walks 1.0 → 1.0']);
    expect(server.of(api.plans.update)).toEqual([]);
    await page.press('Leave');
    expect(page.all('.face .title')).toEqual(['Safety talk', 'Count the pause']);
    expect(document.querySelector('doceo-drill-shelf')).not.toBeNull();
  });

  it('tells of what goes why, once the search has ended', async () => {
    const page = await open();
    await page.press('For this group');
    const [talk, pause] = stored.body.blocks;
    const plan = { ...stored.body, blocks: [talk!] };
    await tell(page, { kind: 'plan', plan, score: score(2.4, 5), share: 0.5, outlook: null });
    const line = () => page.all('.face.gone .title, .face.gone .say');
    expect(line()).toEqual(['Count the pause', pause!.cue]);
    const gone = [{ blockIds: [pause!.id], breaks: 'supervision' as const, needs: [], byPoints: 0.2 }];
    await tell(page, { kind: 'end', before: { score: score(1.1, 20), faults: 2 }, gone });
    expect(line()).toEqual(['Count the pause', 'Nobody free to watch.']);
    expect(page.all('.face.gone .visually-hidden')[0]).toMatch(/goes: Nobody free to watch\.$/);
  });

  it('is taken whole, saved, and undone in one step', async () => {
    const page = await shown();
    await done(page);
    await page.press('Take');
    await page.saved();
    expect(stored.body.blocks.map(({ id }) => id)).toEqual([uuid(41), uuid(77), uuid(42)]);
    await page.press('Undo');
    await page.saved();
    expect(stored.body.blocks.map(({ startMin }) => startMin)).toEqual([0, 15]);
  });

  it('is taken in part: what is not ticked stays as it was', async () => {
    const page = await shown();
    await done(page);
    await page.press('Parts');
    expect(page.all('doceo-proposal-parts li')).toEqual([
      'Three hoops comes',
      'Count the pause 10 min later',
    ]);
    document.querySelector<HTMLElement>('doceo-proposal-parts input')?.click();
    await page.settle();
    await page.press('Take these');
    await page.saved();
    expect(stored.body.blocks.map(({ id, startMin }) => [id, startMin])).toEqual([
      [uuid(41), 0],
      [uuid(42), 25],
    ]);
  });

  it('asks what each button says', async () => {
    const page = await open();
    const task = (): Omit<ScheduleTask, 'curriculum'> => asked.at(-1)!.task;
    await page.press('Fill it anew');
    expect(task().plan.blocks).toEqual([]);
    await page.press('Leave');
    await page.press('Fill the rest');
    expect(task().lockedIds).toEqual([uuid(41), uuid(42)]);
    await page.press('Leave');
    await page.press('Shorter by …');
    await page.press('30 min');
    expect(task().plan.lengthMin).toBe(90);
    await page.press('Leave');
    await page.press('Without …');
    await page.press('Jonas');
    expect(task().absentIds).toEqual([JONAS.id]);
    expect(page.all('.told b')).toEqual(['Preview: without Jonas']);
    await page.press('Leave');
    await page.press('With an assistant');
    expect(task().staff).toEqual({ instructors: 1, assistants: 1 });
    await page.press('Leave');
    await page.press('In groups …');
    await page.press(/^2 by readiness/);
    expect(task().groups?.map((group) => group.length)).toEqual([1, 1]);
  });

  it('remembers an assistant who was asked for when it is taken', async () => {
    const page = await shown('With an assistant');
    await page.press('Take');
    await page.saved();
    expect(stored.body.staff).toEqual({ instructors: 1, assistants: 1 });
    expect(page.text()).toContain('1 assistant');
  });

  it('is made anew by other goals, which this instructor finds again', async () => {
    const page = await shown();
    const before = asked.length;
    const slider = document.querySelector<HTMLInputElement>('doceo-plan-goals input[type=range]')!;
    slider.value = '4';
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    await page.settle();
    expect(asked).toHaveLength(before + 1);
    expect(asked.at(-1)!.task.weights.gain).toBe(2);
    await page.press('As usual');
    expect(asked.at(-1)!.task.weights.gain).toBe(1);
  });

  it('says which wishes cannot stand together, and that it failed', async () => {
    const page = await open();
    await page.press('For this group');
    const wishes = [
      { wish: 'kept' as const, blockId: uuid(41), title: 'Tea' },
      { wish: 'length' as const, lengthMin: 20 },
    ];
    await tell(page, { kind: 'none', whyNot: { why: 'wishes', wishes, rules: [] } });
    expect(page.all('.told')).toEqual([
      'These cannot stand together “Tea” in the plan and a length of 20 min. Let one of them go.',
    ]);
    await page.press('Leave it');
    await page.press('For this group');
    news.error(new Error('The computation could not be started.'));
    await page.settle();
    expect(page.all('.told')).toEqual(['It could not be planned The computation could not be started.']);
    await page.press('Leave it');
    expect(page.all('.face .title')).toEqual(['Safety talk', 'Count the pause']);
  });

  it('can be stopped: the best until now is kept', async () => {
    const page = await shown();
    await page.press('Stop');
    expect(document.querySelector('progress')).toBeNull();
    await page.press('Take');
    await page.saved();
    expect(stored.body.blocks).toHaveLength(3);
  });

  it('tells how it stood and what went even when it was stopped, and changes nothing that is being chosen', async () => {
    const page = await shown();
    expect(isEnough()).toBe(false);
    await page.press('Stop');
    expect(isEnough()).toBe(true);
    await page.press('Parts');
    const late = { plan: stored.body, score: score(3, 0), share: 0.6, outlook: null };
    await tell(page, { kind: 'plan', ...late });
    expect(page.all('doceo-proposal-parts li')).toHaveLength(2);
    const whole = page.text();
    await done(page);
    expect(page.text()).not.toBe(whole);
    expect(page.text()).toContain('1.1 → 2.4');
  });

  it('tells of a chosen drill why it is there and what else could be', async () => {
    const page = await open();
    document.querySelector<HTMLElement>(`[data-row~="${uuid(42)}"]`)?.click();
    await page.settle();
    expect(page.all('doceo-block-why h3')).toEqual([
      'Why this',
      'Why now',
      'Beside what else could stand here',
    ]);
    expect(page.all('doceo-block-why .name')[0]).toBe('Count the pause');
    expect(page.all('doceo-block-why .name').length).toBeGreaterThan(1);
  });

  it('keeps what is locked, and says when it ends at the soonest and latest', async () => {
    const page = await open();
    document.querySelector<HTMLElement>(`[data-row~="${uuid(42)}"]`)?.click();
    await page.settle();
    document.querySelector<HTMLElement>('.lock input')?.click();
    await page.settle();
    await page.saved();
    expect(stored.body.blocks[1]?.locked).toBe(true);
    expect(page.all('.ends')[0]).toMatch(/^Ends 09:\d\d to 09:\d\d, likely 09:\d\d\. Past 11:30 seldom\.$/);
    await page.press('Fill it anew');
    expect(asked.at(-1)!.task.lockedIds).toEqual([uuid(42)]);
  });
});
