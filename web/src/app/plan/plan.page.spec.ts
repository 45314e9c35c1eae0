import { api, type SavedPlan } from '@doceo/contract';
import type { Block, PlanBody } from '@doceo/core';
import type { FakeServer } from '../../testing/fake-server';
import { Refusal } from '../../testing/fake-server';
import { CIRCLE, LESSON, PLAN, RIG, SAM, uuid, WATER, keptKey } from '../../testing/fixtures';
import { setDate, lessonServer, type Shown, show, until } from '../../testing/page';
import { PlanPage } from './plan.page';

describe('the plan page', () => {
  let server: FakeServer;
  let stored: SavedPlan;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    stored = structuredClone(PLAN);
    server = lessonServer()
      .on(api.plans.get, () => stored)
      .on(api.plans.update, ({ body }) => {
        const sent = body as { title: string; body: PlanBody; baseVersion: number };
        if (sent.baseVersion !== stored.version) throw new Refusal(409, 'version-conflict');
        stored = { ...stored, title: sent.title, body: sent.body, version: stored.version + 1 };
        return stored;
      });
  });
  afterEach(() => jest.useRealTimers());

  const open = (): Promise<Shown<PlanPage>> => show(PlanPage, server, { id: PLAN.id });
  const titles = (page: Shown<PlanPage>): string[] => page.all('.face .title');
  const face = (n: number): string => `[data-row~="${uuid(n)}"]`;

  it('shows the plan in the light of its day', async () => {
    const page = await open();
    expect(page.text()).toContain('Wed 10 Jun, River Ostrel, 09:30–11:30');
    expect(titles(page)).toEqual(['Safety talk', 'Count the pause']);
    expect(page.all('.name b')).toEqual(['Sam', 'Jonas']);
    expect(page.all('.face')[1]).toMatch(/^2 09:45 all Count the pause/);
  });

  it('tells what stands against it: a minor without consent', async () => {
    const page = await open();
    expect(page.all('.problem.must-fix h4')).toEqual(['No guardian’s consent for Jonas']);
    expect(page.all('.problem.tip h4')).toEqual([expect.stringMatching(/^Look first: .* of Sam and Jonas$/)]);
  });

  it('changes for all what several students do alike, and goes on to the next line when one is removed', async () => {
    const [talk, drill] = stored.body.blocks as [Block, Block];
    stored.body.blocks = [talk, { ...drill, lane: 0 }, { ...drill, id: uuid(43), lane: 1 }];
    const page = await open();
    expect(page.all('.face')).toHaveLength(2);
    await page.press(/Sam|all Count the pause/);
    await page.key(face(43), 'ArrowDown');
    await page.saved();
    expect(stored.body.blocks.map(({ startMin, lane }) => [startMin, lane])).toEqual([
      [0, null],
      [20, 0],
      [20, 1],
    ]);
    document.querySelector<HTMLElement>(face(43))?.click();
    await page.settle();
    await page.enter('doceo-block-inspector input[type=number]', '40');
    await page.saved();
    expect(stored.body.blocks.map(({ startMin }) => startMin)).toEqual([0, 40, 40]);
    await page.key(face(41), 'Delete');
    await until(() => document.activeElement?.matches(face(43)) ?? false);
  });

  it('takes a drill from the shelf to the end of the plan, and saves it', async () => {
    const page = await open();
    document.querySelector<HTMLElement>('[data-drill="hoops"]')?.click();
    await page.settle();
    expect(titles(page)).toHaveLength(3);
    expect(page.all('.added')).toEqual([expect.stringContaining('Three hoops is in the plan')]);
    await page.saved();
    expect(stored.body.blocks.at(-1)).toMatchObject({ drillId: 'hoops', startMin: 25 });
    expect(page.all('[data-save-state]')).toEqual(['saved']);
  });

  it('copies a line to the end of the plan, by keys or a button', async () => {
    const page = await open();
    await page.key(face(42), 'c', { ctrlKey: true });
    expect(page.all('.added')).toEqual([expect.stringContaining('Count the pause is copied')]);
    await page.key('body', 'v', { ctrlKey: true });
    await page.saved();
    const [, drill, copy] = stored.body.blocks;
    expect(copy).toEqual({ ...drill, id: copy!.id, startMin: drill!.startMin + drill!.durationMin });
    expect(copy!.id).not.toBe(drill!.id);
    await page.press('Paste');
    await page.saved();
    expect(stored.body.blocks).toHaveLength(4);
  });

  it('is worked by keys: later, longer, to a student, swapped, removed, undone', async () => {
    const page = await open();
    await page.key(face(42), 'ArrowDown');
    await page.key(face(42), 'ArrowDown', { shiftKey: true });
    await page.key(face(42), 'ArrowRight');
    await page.saved();
    expect(stored.body.blocks.find(({ id }) => id === uuid(42))).toMatchObject({
      startMin: 20,
      durationMin: 15,
      lane: 0,
    });
    await page.key(face(42), 'Delete');
    expect(titles(page)).toHaveLength(1);
    await page.key('body', 'z', { ctrlKey: true });
    expect(titles(page)).toHaveLength(2);
    await page.key('body', 'z', { ctrlKey: true, shiftKey: true });
    expect(titles(page)).toHaveLength(1);
  });

  it('does not take keys typed into a field for commands', async () => {
    const page = await open();
    await page.key(face(42), 'Delete');
    await page.key('input.title', 'z', { ctrlKey: true });
    expect(titles(page)).toHaveLength(1);
  });

  it('mends what a fix promises', async () => {
    stored.body.blocks = stored.body.blocks.filter(({ id }) => id !== uuid(41));
    const page = await open();
    expect(page.all('[data-problem="safety-first"] h4')).toHaveLength(1);
    await page.press('Put a safety talk first');
    expect(page.all('[data-problem="safety-first"]')).toHaveLength(0);
    expect(titles(page)[0]).toContain('Safety talk');
  });

  it('puts together what was changed apart, here and elsewhere, and undo takes back only what was done here', async () => {
    const page = await open();
    stored = { ...stored, version: 7, body: { ...stored.body, aim: 'A fish each.' } };
    await page.enter('input.title', 'Changed here');
    await page.saved();
    await until(() => stored.title === 'Changed here');
    expect(stored.body.aim).toBe('A fish each.');
    expect(page.text()).not.toContain('saved elsewhere');
    await page.press('Undo');
    await until(() => stored.title === PLAN.title);
    expect(stored.body.aim).toBe('A fish each.');
  });

  it('tells of a plan saved elsewhere, and takes the other one only when told', async () => {
    const page = await open();
    stored = { ...stored, title: 'Changed elsewhere', version: 7 };
    await page.enter('input.title', 'Changed here');
    await page.saved();
    expect(page.text()).toContain('saved elsewhere');
    expect(stored.title).toBe('Changed elsewhere');
    await page.press('Take the one saved elsewhere');
    expect(document.querySelector<HTMLInputElement>('input.title')?.value).toBe('Changed elsewhere');
    await page.press('Undo');
    await page.saved();
    expect(stored.title).toBe('Changed here');
  });

  it('keeps mine as a plan of its own when told so', async () => {
    server.on(api.plans.create, ({ body }) => ({ ...PLAN, ...(body as object) }) as SavedPlan);
    const page = await open();
    stored = { ...stored, title: 'Changed elsewhere', version: 7 };
    await page.enter('input.title', 'Changed here');
    await page.saved();
    await page.press('Keep both: mine as a copy');
    expect(server.of(api.plans.create)[0]?.body).toMatchObject({ title: 'Changed here (mine)' });
  });

  it('says what the server refused, and keeps the edit', async () => {
    server.refuse(api.plans.update, 400, 'invalid', [
      { path: 'body.aim', code: 'too_big', message: 'is too long' },
    ]);
    const page = await open();
    await page.enter('input.title', 'Another');
    await page.saved();
    expect(page.text()).toContain('body.aim is too long');
    expect(page.all('[data-save-state]')).toEqual(['not saved']);
    expect(localStorage.getItem(keptKey(`draft.plan.${PLAN.id}`))).toContain('Another');
  });

  it('is only read, and copied, when it is somebody else’s', async () => {
    stored = { ...stored, mine: false, ownerName: 'Tobias Lind', circleName: CIRCLE.name };
    server.on(api.plans.copy, PLAN);
    const page = await open();
    expect(page.text()).toContain('By Tobias Lind, shared with Tern & Alder River School');
    expect(page.all('doceo-drill-shelf')).toEqual([]);
    await page.key(face(42), 'Delete');
    expect(titles(page)).toHaveLength(2);
    await page.press('Take my own copy');
    expect(server.of(api.plans.copy)).toHaveLength(1);
  });

  it('says so when there is no such plan', async () => {
    server.refuse(api.plans.get, 404, 'not-found');
    const page = await open();
    expect(page.text()).toContain('No such plan');
  });

  it('puts the plan on another day, at wall time of the water', async () => {
    server.on(api.lessons.create, ({ body }) => {
      const sent = body as { id: string; lesson: typeof LESSON };
      return { ...LESSON, ...sent.lesson, id: sent.id };
    });
    const page = await open();
    await page.press('Schedule');
    document.querySelector<HTMLElement>('.student input')?.click();
    await page.press('Schedule it');
    const sent = server.of(api.lessons.create)[0]?.body as { lesson: typeof LESSON };
    expect(sent.lesson).toMatchObject({ planId: PLAN.id, waterId: WATER.id, studentIds: [SAM.id] });
    expect(sent.lesson.startsAt).toMatch(/^2026-06-11T07:30:00/);
  });

  it('takes one of my rigs into the block', async () => {
    const page = await open();
    await page.press(/Count the pause/);
    const select = [...document.querySelectorAll('select')].find(({ textContent }) =>
      textContent?.includes(RIG.name),
    ) as HTMLSelectElement;
    select.value = [...select.options].find(({ text }) => text.includes(RIG.name))?.value ?? '';
    select.dispatchEvent(new Event('change', { bubbles: true }));
    await page.settle();
    await page.saved();
    expect(stored.body.rigs.map(({ name }) => name)).toEqual([RIG.name]);
    expect(stored.body.blocks[1]?.rigId).toBe(RIG.id);
  });

  it('shares with a circle', async () => {
    server.on(api.plans.share, ({ body }) => ({
      ...stored,
      circleId: (body as { circleId: string }).circleId,
      circleName: CIRCLE.name,
    }));
    const page = await open();
    await page.press('Share');
    await page.press(/Tern & Alder/);
    expect(server.of(api.plans.share)[0]?.body).toEqual({ circleId: CIRCLE.id, note: '' });
  });
});
