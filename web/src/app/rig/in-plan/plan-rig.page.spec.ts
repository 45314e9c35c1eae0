import { api, type SavedPlan } from '@doceo/contract';
import { type Block, type PlanBody, rigEdits } from '@doceo/core';
import { type FakeServer, Refusal } from '../../../testing/fake-server';
import { PLAN, RIG, uuid } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { FORD, savedBeat } from '../../../testing/waters';
import { PlanRigPage } from './plan-rig.page';

const [talk, drill] = PLAN.body.blocks as [Block, Block];
/** Two students mend in a run with one rig, then a third thing is done with it by all. */
const fished = (id: number, startMin: number, lane: number | null): Block => ({
  ...{ ...drill, id: uuid(id), place: 'run', rigId: RIG.id, startMin, lane },
});

describe('the rig of a plan’s block', () => {
  let server: FakeServer;
  let stored: SavedPlan;
  beforeEach(() => {
    localStorage.clear();
    setDate();
    stored = {
      ...structuredClone(PLAN),
      body: {
        ...PLAN.body,
        rigs: [{ id: RIG.id, name: RIG.name, rig: rigEdits.depth(RIG.rig, 1.5) }],
        blocks: [talk, fished(45, 20, 0), fished(46, 20, 1), { ...fished(47, 50, null), title: 'Fish it' }],
      },
    };
    server = lessonServer()
      .on(api.rigs.list, [{ ...RIG, name: 'My own' }])
      .on(api.waters.beats, [savedBeat(91, FORD)])
      .on(api.plans.get, () => stored)
      .on(api.plans.update, ({ body }) => {
        const sent = body as { title: string; body: PlanBody; baseVersion: number };
        if (sent.baseVersion !== stored.version) throw new Refusal(409, 'version-conflict');
        stored = { ...stored, body: sent.body, version: stored.version + 1 };
        return stored;
      });
  });
  afterEach(() => jest.useRealTimers());

  const open = (block = 45): Promise<Shown<PlanRigPage>> =>
    show(PlanRigPage, server, { planId: PLAN.id, blockId: uuid(block) });
  const depths = (): number[] => stored.body.rigs.map(({ rig }) => rig.waterDepthM);

  it('is drawn at the depth it was planned for, with the depth of its place as drawn', async () => {
    const page = await open();
    expect(page.all('output')).toEqual(['1.50 m']);
    expect(page.text()).toMatch(/The run of River Ostrel, as drawn in .*: \d/);
    expect(page.text()).toContain('and in 1 more');
    expect(page.all('.differs')).toEqual([]);
    expect(page.element.querySelector('.go')).toBeNull();
  });

  it('is tied anew for that depth, beside itself as it was, and put into all that fish it', async () => {
    const page = await open();
    await page.press(/As deep as drawn/);
    expect(page.all('.differs').length).toBeGreaterThan(0);
    const run = FORD.pieces.find(({ kind }) => kind === 'run');
    await page.press('Fish it like this in all its blocks');
    expect(depths()).toEqual([run?.depthM]);
    expect(stored.body.blocks.map(({ rigId }) => rigId)).toEqual([null, RIG.id, RIG.id, RIG.id]);
    // What is shown now is what is planned.
    expect(page.all('.differs')).toEqual([]);
  });

  it('is put into one thing only, for all who do it together, and leaves the rest as it was', async () => {
    const page = await open();
    await page.press(/As deep as drawn/);
    await page.press(`Only in “${drill.title}”`);
    expect(depths()).toHaveLength(2);
    const own = stored.body.rigs[1]?.id;
    expect(stored.body.blocks.map(({ rigId }) => rigId)).toEqual([null, own, own, RIG.id]);
    expect(depths()[0]).toBe(1.5);
  });

  it('goes back to what was planned', async () => {
    const page = await open();
    await page.press(/As deep as drawn/);
    await page.press(/As planned/);
    expect(page.all('output')).toEqual(['1.50 m']);
    expect(page.element.querySelector('.go')).toBeNull();
  });

  it('says that nobody has drawn the place, and still tries other depths', async () => {
    server.on(api.waters.beats, []);
    const page = await open();
    expect(page.text()).toContain('is not drawn: nobody has said how deep it is');
    const slider = page.element.querySelector<HTMLInputElement>('input[type=range]')!;
    slider.value = '0.8';
    slider.dispatchEvent(new Event('change'));
    await page.settle();
    expect(page.all('output')).toEqual(['80 cm']);
  });

  it('of another’s plan is tried and not put in', async () => {
    stored = { ...stored, mine: false };
    const page = await open();
    await page.press(/As deep as drawn/);
    expect(page.text()).toContain('take a copy of it');
    expect(page.element.querySelector('.go')).toBeNull();
  });

  it('says so when the block fishes none', async () => {
    expect((await open(41)).text()).toContain('No such rig');
  });
});
