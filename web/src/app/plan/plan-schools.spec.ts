import { buildRig, DEFAULT_SCHOOLS, type PlanRig } from '@doceo/core';
import { lessonServer, type Shown, show } from '../../testing/page';
import { PlanSchoolsComponent } from './plan-schools.component';

const THEIRS = { ...DEFAULT_SCHOOLS, indicator: 'double', shot: 'near-fly' } as const;
const nymphs: PlanRig = {
  id: 'n',
  name: 'Two nymphs',
  rig: buildRig('indicator-nymph', { schools: THEIRS, shotMassKg: 0.0002 }),
};
const grass: PlanRig = { id: 'g', name: 'Tuft', rig: buildRig('grass', { schools: THEIRS }) };

describe('schools of a plan that came from somebody else', () => {
  const open = async (inputs = {}) => {
    const page: Shown<PlanSchoolsComponent> = await show(PlanSchoolsComponent, lessonServer(), {
      rigs: [nymphs, grass],
      mine: DEFAULT_SCHOOLS,
      from: 'Tobias Lind',
      editable: true,
      ...inputs,
    });
    const edits: PlanRig[][] = [];
    page.fixture.componentInstance.edited.subscribe((rigs) => edits.push(rigs));
    return { page, edits };
  };

  it('are told with both ways and both reasons, only where they matter', async () => {
    const { page } = await open();
    expect(page.all('summary')).toEqual(['Tobias Lind rigs another way than you in 2 points']);
    expect(page.text()).toContain('2 × depth');
    expect(page.text()).toContain('in slow water it lies on the bottom');
    expect(page.text()).toContain('You: 1.5 × depth');
    expect(page.text()).not.toContain('Tuft');
  });

  it('are taken over one by one, with what follows on the rig', async () => {
    const { page, edits } = await open();
    await page.press('Rig it my way');
    const [[mended, other] = []] = edits;
    expect(mended?.rig.schools).toEqual({ ...THEIRS, indicator: 'one-and-half' });
    const indicator = mended?.rig.fittings.find(({ kind }) => kind === 'indicator');
    expect(indicator?.aboveFlyM).toBeCloseTo(1.5 * (mended?.rig.waterDepthM ?? 0), 2);
    expect(other).toBe(grass);
  });

  it('cannot be changed on a plan that is not mine, and are silent where there is no difference', async () => {
    const { page } = await open({ editable: false });
    expect(page.all('button')).toEqual([]);
    page.fixture.componentRef.setInput('mine', THEIRS);
    await page.settle();
    expect(page.all('details')).toEqual([]);
  });
});
