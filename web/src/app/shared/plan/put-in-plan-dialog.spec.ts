import { TestBed } from '@angular/core/testing';
import { api } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';
import { MessageService } from 'primeng/api';
import type { FakeServer } from '../../../testing/fake-server';
import { PLAN, RIG } from '../../../testing/fixtures';
import { lessonServer, show, type Shown } from '../../../testing/page';
import { PutInPlanDialogComponent } from './put-in-plan-dialog.component';

const FIRST = PLAN.body.blocks[0]!;
const withRig = (body: PlanBody): PlanBody => ({ ...body, rigs: [{ ...RIG, name: 'Deeper' }] });
const named = (body: PlanBody, blockId: string | null): PlanBody => ({ ...body, aim: `at ${blockId}` });

const open = (
  server: FakeServer,
  inputs: Record<string, unknown>,
): Promise<Shown<PutInPlanDialogComponent>> => show(PutInPlanDialogComponent, server, inputs);
const taking = (): FakeServer => lessonServer().on(api.plans.update, ({ body }) => body as never);

describe('putting something in a plan', () => {
  it('changes the plan chosen, on the version it was read at, says so and closes', async () => {
    const server = taking();
    const page = await open(server, { what: 'rig', change: withRig });
    const said = jest.spyOn(TestBed.inject(MessageService), 'add');
    const closed = jest.fn();
    page.fixture.componentInstance.closed.subscribe(closed);
    await page.press(PLAN.title);
    expect(server.of(api.plans.update)[0]?.body).toMatchObject({
      ...{ title: PLAN.title, baseVersion: PLAN.version },
      body: { rigs: [{ id: RIG.id, name: 'Deeper' }], blocks: PLAN.body.blocks },
    });
    expect(said).toHaveBeenCalledWith(expect.objectContaining({ summary: `Put into “${PLAN.title}”` }));
    expect(closed).toHaveBeenCalledTimes(1);
  });

  it('asks for the block where it belongs to one, telling which has one already', async () => {
    const server = taking();
    const page = await open(server, {
      what: 'drift',
      hasOne: ({ id }: { id: string }) => id === FIRST.id,
      change: named,
    });
    await page.press(PLAN.title);
    expect(server.of(api.plans.update)).toHaveLength(0);
    const blocks = page.all('.list button');
    expect(blocks).toEqual([
      `${FIRST.title}, in place of the drift it has`,
      PLAN.body.blocks[1]!.title,
      'Another plan',
    ]);
    await page.press(PLAN.body.blocks[1]!.title);
    expect(server.of(api.plans.update)[0]?.body).toMatchObject({
      body: { aim: `at ${PLAN.body.blocks[1]!.id}` },
    });
  });

  it('offers no pause between blocks', async () => {
    const blocks = [{ ...FIRST, kind: 'break' as const }];
    const server = taking().on(api.plans.get, { ...PLAN, body: { ...PLAN.body, blocks } });
    const page = await open(server, { what: 'drift', hasOne: () => false, change: named });
    await page.press(PLAN.title);
    expect(page.text()).toContain('This plan has no block yet.');
    await page.press('Another plan');
    expect(page.all('.list button')).toEqual([PLAN.title]);
  });

  it('reads a plan anew that was changed in between, when it is chosen again', async () => {
    const server = lessonServer().refuse(api.plans.update, 409, 'version-conflict');
    const page = await open(server, { what: 'drift', hasOne: () => false, change: named });
    await page.press(PLAN.title);
    await page.press(FIRST.title);
    expect(page.all('[role=alert]')).toHaveLength(1);
    server.on(api.plans.get, { ...PLAN, version: 9 }).on(api.plans.update, ({ body }) => body as never);
    await page.press('Another plan');
    expect(page.all('[role=alert]')).toEqual([]);
    await page.press(PLAN.title);
    await page.press(FIRST.title);
    expect(server.of(api.plans.update).at(-1)?.body).toMatchObject({ baseVersion: 9 });
  });

  it('says so when the plan was changed in between, and stays open', async () => {
    const server = lessonServer().refuse(api.plans.update, 409, 'version-conflict');
    const page = await open(server, { what: 'rig', change: withRig });
    const closed = jest.fn();
    page.fixture.componentInstance.closed.subscribe(closed);
    await page.press(PLAN.title);
    expect(page.all('[role=alert]')).toHaveLength(1);
    expect(closed).not.toHaveBeenCalled();
  });

  it('says so when plans cannot be fetched, and fetches them when asked again', async () => {
    const server = lessonServer().refuse(api.plans.library, 500, 'internal');
    const page = await open(server, { what: 'rig', change: withRig });
    expect(page.all('[role=alert]')).toHaveLength(1);
    expect(page.text()).not.toContain('Fetching');
    server.on(api.plans.library, { items: [PLAN], next: null });
    await page.press('Try again');
    expect(page.all('.list button')).toEqual([PLAN.title]);
    expect(page.all('[role=alert]')).toEqual([]);
    expect(page.text()).toContain('Choose the block there');
  });

  it('says so when there is none of one’s own', async () => {
    const server = lessonServer().on(api.plans.library, { items: [], next: null });
    const page = await open(server, { what: 'rig', change: withRig });
    expect(page.text()).toContain('You have no plan yet.');
    expect(page.text()).not.toContain('Choose the block there');
    expect(page.all('a[href="/plan"]')).toEqual(['Make a plan first']);
  });

  it('looks for others by words where there are more than the newest', async () => {
    const server = lessonServer().on(api.plans.library, { items: [PLAN], next: PLAN.id });
    const page = await open(server, { what: 'rig', change: withRig });
    server.on(api.plans.library, { items: [], next: null });
    await page.enter('input[type=search]', 'margins');
    expect(server.of(api.plans.library).map(({ query }) => query)).toEqual([
      { whose: 'mine' },
      { whose: 'mine', words: 'margins' },
    ]);
    expect(page.text()).toContain('None has these words.');
  });
});
