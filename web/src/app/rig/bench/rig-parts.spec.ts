import { api, type SavedReading } from '@doceo/contract';
import {
  buildRig,
  leaderLength,
  pointFly,
  type Rig,
  rigEdits,
  type TakenReading,
  type TemplateId,
} from '@doceo/core';
import { SAM } from '../../../testing/fixtures';
import { lessonServer, type Shown, show } from '../../../testing/page';
import { FigureListComponent } from '../figures/figure-list.component';
import { RigDrawingComponent } from '../drawing/rig-drawing.component';
import { RigMeasuresComponent } from '../figures/rig-measures.component';
import { RigTableComponent } from '../table/rig-table.component';

/** Rigs that a part of the bench sends out. */
function editsOf(page: Shown<{ edited: { subscribe: (next: (rig: Rig) => void) => unknown } }>): Rig[] {
  const edits: Rig[] = [];
  page.fixture.componentInstance.edited.subscribe((rig) => edits.push(rig));
  return edits;
}

describe('the parts table', () => {
  const open = async (id: TemplateId, inputs = {}) => {
    const page = await show(RigTableComponent, lessonServer(), {
      rig: buildRig(id),
      system: 'metric',
      ...inputs,
    });
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

  it('dresses a fly anew', async () => {
    const { page, edits } = await open('dry-fly');
    await select(page, 'point', 'Dressing', 'foam');
    expect(edits[0] && pointFly(edits[0])).toMatchObject({ dressing: 'foam', name: 'foam beetle' });
  });

  it('says why no section can be taken off or added', async () => {
    const titles = (page: Shown<RigTableComponent>): (string | null)[] =>
      [...page.element.querySelectorAll('.parts button[disabled]')].map((one) => one.getAttribute('title'));
    expect(titles((await open('own')).page)).toEqual(['Choose a section in the table first.']);
  });

  it('adds sections below the one chosen and at the line, and takes them off', async () => {
    const { page, edits } = await open('own', { selectedId: 'butt' });
    await page.press('Add below butt');
    await page.press('Add at the line');
    await page.press('Take off butt');
    expect(edits.map(({ sections }) => sections.map(({ id }) => id))).toEqual([
      ['butt', 'section-3', 'tippet'],
      ['section-3', 'butt', 'tippet'],
      ['tippet'],
    ]);
    await page.key('table', 'Enter', { ctrlKey: true });
    await page.key('table', 'Delete', { ctrlKey: true });
    expect(edits.slice(3).map(({ sections }) => sections.length)).toEqual([3, 1]);
  });

  it('says when a leader has as many sections as it can', async () => {
    let rig = buildRig('own');
    for (let i = 0; i < 40; i++) rig = rigEdits.addSection(rig, null);
    const { page, edits } = await open('own', { rig });
    expect(page.text()).toContain('20 sections are the most a leader can have.');
    await page.press('Add at the line');
    await page.key('table', 'Enter', { ctrlKey: true });
    expect(edits.every(({ sections }) => sections.length === 20)).toBe(true);
  });

  it('names sections, and says what they are', async () => {
    const { page, edits } = await open('own', { selectedId: 'tippet' });
    await page.enter('[data-part=tippet] input.name', ' fine end ');
    await page.enter('[data-part=tippet] input.name', '  ');
    expect(edits.map(({ sections }) => sections[1]?.name)).toEqual(['fine end']);
    const link = [...document.querySelectorAll('a')].find((a) => a.textContent?.includes('How to tie it'));
    expect(link?.getAttribute('href')).toBe('/rig/knots#tippet-ring');
  });

  it('takes shot in grains from those who weigh so', async () => {
    const { page, edits } = await open('indicator-nymph', { system: 'imperial' });
    await page.enter('[data-part=shot] input[aria-label=Mass]', '5 gr');
    expect(edits[0]?.fittings.find(({ kind }) => kind === 'shot')).toMatchObject({
      massKg: expect.closeTo(5 * 6.479891e-5, 9),
    });
    await page.enter('[data-part=shot] input[aria-label=Mass]', '4000');
    expect(page.all('.problem')[0]).toContain('between 0.2 gr and 154.3 gr');
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
    await select(page, 'point', 'Hook size', options('point', 'Hook size').includes('#12') ? '12' : '');
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
    await page.enter('[data-part=shot] input[aria-label=Mass]', text);
    expect(edits[0]?.fittings.find(({ kind }) => kind === 'shot')).toMatchObject({ massKg: kg });
  });

  it.each(['heavy', '0', '-1', '99'])('refuses a shot of %s, at its row', async (text) => {
    const { page, edits } = await open('indicator-nymph');
    await page.enter('[data-part=shot] input[aria-label=Mass]', text);
    expect(edits).toEqual([]);
    expect(page.all('tr.problem')[0]).toContain('between 0.01 g and 10.0 g');
  });

  it('cuts a bought leader at its tip or butt, and says where it ends then', async () => {
    const { page, edits } = await open('dry-fly', { selectedId: 'end' });
    expect(page.text()).toContain('bought leader, ends at 4X: cut 10 cm');
    await page.press('off the tip');
    await page.press('off the butt');
    const lengths = edits.map(({ sections }) => sections.map(({ lengthM }) => +lengthM.toFixed(2)));
    expect(lengths).toEqual([
      [1.2, 0.36, 0.36, 0.38, 1.1],
      [1.1, 0.36, 0.36, 0.48, 1.1],
    ]);
  });

  it('does not cut what is tied', async () => {
    const { page } = await open('dry-fly', { selectedId: 'tippet' });
    expect(page.text()).not.toContain('bought leader');
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
  const shot = '[data-handle=shot]';

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
    await open('indicator-nymph', { editable: false });
    expect(document.querySelectorAll('[data-handle]')).toHaveLength(0);
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

describe('dragging in the drawing', () => {
  const open = async (id: TemplateId) => {
    const page = await show(RigDrawingComponent, lessonServer(), { rig: buildRig(id), system: 'metric' });
    const previews: (Rig | null)[] = [];
    page.fixture.componentInstance.previewed.subscribe((rig) => previews.push(rig));
    return { page, edits: editsOf(page as never), previews };
  };
  const pointer = (type: string, x: number, y: number) =>
    new MouseEvent(type, { clientX: x, clientY: y, button: 0, bubbles: true });
  const drag = async (page: Shown<unknown>, handle: string, dx: number, dy: number, end = 'pointerup') => {
    document.querySelector(`[data-handle="${handle}"]`)?.dispatchEvent(pointer('pointerdown', 100, 100));
    for (let i = 1; i <= 4; i++) {
      window.dispatchEvent(pointer('pointermove', 100 + (dx * i) / 4, 100 + (dy * i) / 4));
      await new Promise((resolve) => requestAnimationFrame(resolve));
    }
    if (end === 'Escape') window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    else window.dispatchEvent(pointer(end, 100 + dx, 100 + dy));
    await page.settle();
  };
  const cm = (metres: number): number => Math.round(metres * 1e4) / 100;

  it('a knot gives to one section what it takes from the other, to the centimetre', async () => {
    const { page, edits, previews } = await open('indicator-nymph');
    const before = buildRig('indicator-nymph');
    await drag(page, 'knot/middle', -12, 20);
    const [rig] = edits as [Rig];
    expect(previews.length).toBeGreaterThan(3);
    expect(previews.at(-1)).toBeNull();
    expect(leaderLength(rig)).toBeCloseTo(leaderLength(before), 9);
    expect(rig.sections[0]?.lengthM).toBeGreaterThan(before.sections[0]?.lengthM ?? 9);
    expect(cm(rig.sections[0]?.lengthM ?? 0) % 1).toBeCloseTo(0, 6);
  });

  it('the point fly takes the last section with it, a fly on a tag its tag', async () => {
    const { page, edits } = await open('indicator-nymph');
    await drag(page, 'point', -30, 30);
    await drag(page, 'dropper', -20, 5);
    const last = buildRig('indicator-nymph').sections.at(-1)?.lengthM ?? 9;
    expect(edits[0]?.sections.at(-1)?.lengthM).toBeGreaterThan(last);
    const tag = edits[1]?.flies.find(({ id }) => id === 'dropper')?.at;
    expect(tag).toMatchObject({ kind: 'tag' });
    expect((tag as { lengthM: number }).lengthM).toBeGreaterThan(0.09);
  });

  it('Escape lets go without a change', async () => {
    const { page, edits, previews } = await open('indicator-nymph');
    await drag(page, 'indicator', 30, -40, 'Escape');
    expect(edits).toEqual([]);
    expect(previews.at(-1)).toBeNull();
  });

  it.each<[string, string, (rig: Rig) => number | undefined, number]>([
    ['knot/upper', 'ArrowUp', ({ sections }) => sections[2]?.lengthM, 0.01],
    ['point', 'ArrowDown', ({ sections }) => sections.at(-1)?.lengthM, 0.01],
    [
      'dropper',
      'ArrowRight',
      ({ flies }) => flies.flatMap(({ at }) => (at.kind === 'tag' ? [at.lengthM] : []))[0],
      0.01,
    ],
  ])('%s answers %s', async (handle, key, lengthOf, by) => {
    const { page, edits } = await open('indicator-nymph');
    await page.key(`[data-handle="${handle}"]`, key);
    const [before, after] = [buildRig('indicator-nymph'), edits[0] as Rig].map((rig) => lengthOf(rig) ?? 0);
    expect(after).toBeCloseTo((before ?? 0) + by, 9);
  });
});

describe('measures', () => {
  const open = async (id: TemplateId, inputs = {}) => {
    const server = lessonServer().on(api.readings.create, ({ body }) => ({
      ...(body as SavedReading),
      mine: true,
    }));
    const page = await show(RigMeasuresComponent, server, {
      rig: buildRig(id),
      system: 'metric',
      tiedBy: null,
      ...inputs,
    });
    const sent = () => server.of(api.readings.create).map(({ body }) => body as TakenReading);
    return { page, server, sent };
  };
  const row = (id: string): string => `[data-measurable^="${id}"]`;

  it('ask what can be measured of each thing, with the estimate it replaces', async () => {
    const { page } = await open('dry-dropper');
    expect(page.all(`${row('fly-lift/10')} td`)[1]).toMatch(/^0\.\d+ g$/);
    for (const id of [
      'fly-mass/',
      'fly-sink/',
      'material-strength/',
      'knot/triple-surgeon',
      'material-stiffness/',
    ])
      expect(page.all(row(id)).length).toBeGreaterThan(0);
    expect(page.all(row('line-sink/'))).toEqual([]);
  });

  it('keep a reading in SI, and show it beside what it replaced', async () => {
    const { page, sent } = await open('dry-dropper');
    await page.enter(`${row('fly-lift/10')} input`, '0,9');
    await page.enter(`${row('fly-sink/')} input`, '4 s');
    expect(sent().map(({ reading }) => reading)).toMatchObject([
      { kind: 'fly-lift', fly: { hookSize: 10, dressing: 'foam' }, value: expect.closeTo(0.0009, 9) },
      { kind: 'fly-sink', value: 0.25 },
    ]);
    expect(page.all(`${row('fly-lift/10')} .taken b`)).toEqual(['0.90 g']);
    expect(page.text()).toContain('2 of');
  });

  it('a student’s knot is kept as that student’s', async () => {
    const { page, sent } = await open('dry-fly', { tiedBy: SAM.id });
    await page.enter(`${row('knot/improved-clinch')} input`, '1.1');
    expect(sent()).toMatchObject([{ studentId: SAM.id, reading: { kind: 'knot', value: 10.787315 } }]);
    expect(page.all(row('knot/improved-clinch'))[0]).toContain('by Sam Okande');
    expect(page.all(`${row('knot/improved-clinch')} .taken`)).toHaveLength(1);
  });

  it('can be struck, and come back when the server does not take it', async () => {
    const { page, server } = await open('dry-dropper');
    await page.enter(`${row('fly-mass/16')} input`, '0.2');
    server.on(api.readings.remove, { ok: true });
    await page.press(/^Strike$/);
    expect(page.all('.taken')).toEqual([]);
    server.refuse(api.readings.create, 403, 'forbidden');
    await page.enter(`${row('fly-mass/16')} input`, '0.3');
    await page.settle();
    expect(page.all('.taken')).toEqual([]);
  });

  it.each(['much', '-1', '0', '900'])('refuse “%s” where it was typed', async (text) => {
    const { page, sent } = await open('dry-dropper');
    await page.enter(`${row('fly-mass/16')} input`, text);
    expect(page.all('.wrong')).toEqual(['a number from 0.001 to 50 g']);
    expect(sent()).toEqual([]);
  });
});

describe('figures', () => {
  const figure = {
    ...{ id: 'hook-count', value: 3, unit: 'hooks', limit: 2, certainty: 'computed', measured: null },
    facts: { flies: [{ name: 'point', hookSize: 14 }] },
  };

  it('open to their inputs, their rule and how sure they are', async () => {
    const page = await show(FigureListComponent, lessonServer(), {
      figures: [figure],
      units: 'metric',
    });
    for (const words of ['Hooks', '3 of 2', 'point', '#14', 'One hook a fly', 'How sure: computed.'])
      expect(page.text()).toContain(words);
    expect(document.querySelector('.bar.over')).not.toBeNull();
  });
});
