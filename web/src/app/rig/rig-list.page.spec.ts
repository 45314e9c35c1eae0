import { api, type SavedRig } from '@doceo/contract';
import { RIG, uuid, WATER } from '../../testing/fixtures';
import { lessonServer, setDate, show } from '../../testing/page';
import { PutInPlanDialogComponent } from './put-in-plan-dialog.component';
import { RigListPage } from './rig-list.page';

beforeEach(() => setDate());
afterEach(() => jest.useRealTimers());

describe('the list of rigs', () => {
  it('shows each with its lengths and where it breaks first', async () => {
    const page = await show(RigListPage, lessonServer());
    expect(page.all('article b')).toEqual(['Two nymphs']);
    expect(page.text()).toContain('3.15 m leader, 2 flies, for 1.10 m of water');
    expect(page.text()).toContain('breaks first: improved clinch at the point nymph');
    expect(page.text()).not.toContain('stop snag');
  });

  it('counts stop snags against the card of the chosen water', async () => {
    const strict = { ...WATER, water: { ...WATER.water, rules: { ...WATER.water.rules, maxHooks: 1 } } };
    const page = await show(RigListPage, lessonServer().on(api.waters.list, [strict]));
    expect(page.text()).toContain('1 stop snag');
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

describe('putting a rig in a plan', () => {
  const inputs = { rigId: RIG.id, name: 'Deeper', rig: RIG.rig };

  it('replaces the copy the plan has, on the version it was read at', async () => {
    const server = lessonServer();
    server.on(api.plans.update, ({ body }) => body as never);
    const page = await show(PutInPlanDialogComponent, server, inputs);
    await page.press('First nymphs');
    expect(server.of(api.plans.update)[0]?.body).toMatchObject({
      baseVersion: 1,
      body: { rigs: [{ id: RIG.id, name: 'Deeper' }] },
    });
  });

  it('says so when the plan was changed in between', async () => {
    const server = lessonServer().refuse(api.plans.update, 409, 'version-conflict');
    const page = await show(PutInPlanDialogComponent, server, inputs);
    await page.press('First nymphs');
    expect(page.all('[role=alert]')).toHaveLength(1);
  });

  it('offers only my own plans', async () => {
    const server = lessonServer().on(api.plans.list, []);
    const page = await show(PutInPlanDialogComponent, server, { ...inputs, rigId: uuid(9) });
    expect(page.text()).toContain('You have no plan yet');
  });
});
