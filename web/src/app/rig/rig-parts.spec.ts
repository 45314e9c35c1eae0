import { buildRig, DRESSINGS, floatMargin, flyMass, pointFly, type Rig, type TemplateId } from '@doceo/core';
import { lessonServer, type Shown, show } from '../../testing/page';
import { FigureListComponent } from './figure-list.component';
import { RigDrawingComponent } from './rig-drawing.component';
import { RigMeasuresComponent } from './rig-measures.component';
import { RigTableComponent } from './rig-table.component';

/** Rigs that a part of the bench sends out. */
function editsOf(page: Shown<{ edited: { subscribe: (next: (rig: Rig) => void) => unknown } }>): Rig[] {
  const edits: Rig[] = [];
  page.fixture.componentInstance.edited.subscribe((rig) => edits.push(rig));
  return edits;
}

describe('the parts table', () => {
  const open = async (id: TemplateId) => {
    const page = await show(RigTableComponent, lessonServer(), { rig: buildRig(id), system: 'metric' });
    return { page, edits: editsOf(page as never) };
  };
  const select = async (
    page: Shown<RigTableComponent>,
    part: string,
    label: string,
    value: string,
  ): Promise<void> => {
    const field = document.querySelector(
      `[data-part="${part}"] select[aria-label="${label}"]`,
    ) as HTMLSelectElement;
    field.value = value;
    field.dispatchEvent(new Event('change', { bubbles: true }));
    await page.settle();
  };
  const options = (part: string, label: string): string[] =>
    [
      ...(document.querySelector(`[data-part="${part}"] select[aria-label="${label}"]`) as HTMLSelectElement)
        .options,
    ].map(({ text }) => text.trim());

  it('lists parts from the line down', async () => {
    const { page } = await open('dry-dropper');
    expect(
      [...document.querySelectorAll<HTMLElement>('[data-part]')].map(({ dataset }) => dataset['part']),
    ).toEqual(['butt', 'taper', 'taper-lower', 'end', 'tippet', 'dry', 'dropper', 'point']);
    expect(page.all('th')).toEqual(['Part', 'Length', 'Size', 'Material', 'Knot above', 'Holds']);
  });

  it('offers at each joint only knots that serve there, and the one it has', async () => {
    await open('dry-dropper');
    expect(options('butt', 'Knot above')).toContain('loop to loop');
    expect(options('butt', 'Knot above')).not.toContain('blood');
    expect(options('tippet', 'Knot above')).toContain('blood');
    expect(options('dropper', 'Knot above')).toEqual(
      expect.arrayContaining(['clinch over the bend', 'improved clinch']),
    );
    expect(options('dropper', 'Knot above')).not.toContain('blood');
    expect(options('taper', 'Knot above')[0]).toBe('no knot, tapered');
  });

  it('dresses a fly anew, and forgets what was measured of the old one', async () => {
    const { page, edits } = await open('dry-fly');
    await select(page, 'point', 'Dressing', 'foam');
    expect(edits[0] && pointFly(edits[0])).toMatchObject({
      dressing: 'foam',
      name: DRESSINGS.foam.name,
      measuredKg: null,
    });
  });

  it('sets metal and size of a bead as one choice', async () => {
    const { page, edits } = await open('indicator-nymph');
    await select(page, 'point', 'Bead', 'brass 0.0038');
    await select(page, 'point', 'Bead', 'none');
    expect(edits.map((rig) => pointFly(rig)?.beadDiameterM)).toEqual([0.0038, 0]);
    expect(edits.map((rig) => pointFly(rig)?.bead)).toEqual(['brass', 'none']);
  });

  it('changes size, material, hook and knot in place', async () => {
    const { page, edits } = await open('indicator-nymph');
    await select(page, 'middle', 'Material', 'limp-nylon');
    await select(page, 'point', 'Hook size', options('point', 'Hook size').includes('#12') ? '5: 12' : '');
    await select(page, 'point', 'Knot at the fly', 'snell');
    await select(page, 'indicator', 'Kind of indicator', 'yarn');
    await select(page, 'shot', 'Metal', 'lead');
    expect(edits[0]?.sections.find(({ id }) => id === 'middle')?.material).toBe('limp-nylon');
    expect(pointFly(edits[1] as Rig)?.hookSize).toBe(12);
    expect(pointFly(edits[2] as Rig)?.knot).toBe('snell');
    expect(edits[3]?.fittings[0]).toMatchObject({ kind: 'indicator', style: 'yarn' });
    expect(edits[4]?.fittings[1]).toMatchObject({ kind: 'shot', metal: 'lead' });
  });

  it.each([
    ['0,35 g', 0.00035],
    ['1', 0.001],
  ])('reads a shot of %s', async (text, kg) => {
    const { page, edits } = await open('indicator-nymph');
    await page.enter('[data-part=shot] input[aria-label="Mass in grams"]', text);
    expect(edits[0]?.fittings.find(({ kind }) => kind === 'shot')).toMatchObject({ massKg: kg });
  });

  it.each(['heavy', '0', '-1', '99'])('refuses a shot of %s, at its row', async (text) => {
    const { page, edits } = await open('indicator-nymph');
    await page.enter('[data-part=shot] input[aria-label="Mass in grams"]', text);
    expect(edits).toEqual([]);
    expect(page.all('tr.problem')[0]).toContain('between 0.01 and 10 g');
  });

  it('cannot be edited when it is only read', async () => {
    await show(RigTableComponent, lessonServer(), {
      rig: buildRig('grass'),
      system: 'metric',
      editable: false,
    });
    expect(
      [...document.querySelectorAll<HTMLInputElement>('input, select')].every(({ disabled }) => disabled),
    ).toBe(true);
  });
});

describe('the drawing', () => {
  const open = async (id: TemplateId, inputs = {}) => {
    const page = await show(RigDrawingComponent, lessonServer(), {
      rig: buildRig(id),
      system: 'metric',
      ...inputs,
    });
    return { page, edits: editsOf(page as never) };
  };
  const shot = '[data-fitting=shot]';

  it.each([
    ['ArrowUp', {}, 0.28],
    ['ArrowDown', {}, 0.26],
    ['ArrowUp', { shiftKey: true }, 0.37],
  ])('slides the shot by %s %j', async (key, rest, aboveFlyM) => {
    const { page, edits } = await open('indicator-nymph');
    await page.key(shot, key, rest);
    expect(edits[0]?.fittings.find(({ kind }) => kind === 'shot')?.aboveFlyM).toBeCloseTo(aboveFlyM, 9);
  });

  it('snaps to half inches for those who measure so', async () => {
    const { page, edits } = await open('indicator-nymph', { system: 'imperial' });
    await page.key(shot, 'ArrowUp');
    const inches = (edits[0]?.fittings.find(({ kind }) => kind === 'shot')?.aboveFlyM ?? 0) / 0.0254;
    expect(inches * 2).toBeCloseTo(Math.round(inches * 2), 6);
    expect(page.text()).toContain('To scale, 1 in is');
  });

  it('does not move what is only read', async () => {
    const { page, edits } = await open('indicator-nymph', { editable: false });
    await page.key(shot, 'ArrowUp');
    expect(edits).toEqual([]);
  });

  it('says what it cannot draw', async () => {
    const rig = buildRig('grass');
    const { page } = await open('grass', { rig: { ...rig, flies: [] } });
    expect(page.text()).toContain('needs a section and a point fly');
  });

  it('tells lengths, knots and what to say', async () => {
    const { page } = await open('tight-line');
    for (const words of [
      '50 cm 1X sighter mono',
      'blood, 88 %',
      'rod tip',
      'Lead the flies, do not drag them.',
    ])
      expect(page.text()).toContain(words);
  });
});

describe('measures', () => {
  const open = async (id: TemplateId) => {
    const page = await show(RigMeasuresComponent, lessonServer(), { rig: buildRig(id), system: 'metric' });
    return { page, edits: editsOf(page as never) };
  };
  const field = (fly: string, label: string): string =>
    `[data-fly=${fly}] input[aria-label="${label}, grams"]`;

  it('ask what floats how much it carries, and every fly what it weighs', async () => {
    await open('dry-dropper');
    expect(document.querySelectorAll('input')).toHaveLength(3);
    expect((document.querySelector(field('dry', 'Carries')) as HTMLInputElement).placeholder).toMatch(
      /^about 0\.\d+ g$/,
    );
  });

  it('replace the estimate in what is computed of the rig', async () => {
    const { page, edits } = await open('dry-dropper');
    await page.enter(field('dry', 'Carries'), '0,9');
    await page.enter(field('point', 'Weighs'), '0.2 g');
    expect(floatMargin(edits[0] as Rig)?.measured).toBe(true);
    expect(flyMass(pointFly(edits[1] as Rig) as never)).toMatchObject({
      measured: true,
      totalKg: expect.closeTo(0.0002, 9),
    });
  });

  it('go back to the estimate when emptied', async () => {
    const { page, edits } = await open('dry-dropper');
    await page.enter(field('point', 'Weighs'), '');
    expect(pointFly(edits[0] as Rig)?.measuredKg).toBeNull();
  });

  it.each(['much', '-1', '0', '900'])('refuse “%s” where it was typed', async (text) => {
    const { page, edits } = await open('dry-dropper');
    await page.enter(field('point', 'Weighs'), text);
    expect(page.all('.wrong')).toEqual(['a number of grams up to 50']);
    expect(edits).toEqual([]);
  });
});

describe('figures', () => {
  const figure = {
    id: 'hook-count',
    label: 'Hooks',
    value: 3,
    unit: 'hooks',
    limit: 2,
    text: '3 of 2',
    inputs: [{ label: 'point', text: '#14' }],
    rule: 'One hook a fly.',
    certainty: 'computed',
  };

  it('open to their inputs, their rule and how sure they are', async () => {
    const page = await show(FigureListComponent, lessonServer(), { figures: [figure] });
    for (const words of ['Hooks', '3 of 2', 'point', '#14', 'One hook a fly.', 'How sure: computed.'])
      expect(page.text()).toContain(words);
    expect(document.querySelector('.bar.over')).not.toBeNull();
  });
});
