import Dexie from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { api, type SavedReading } from '@doceo/contract';
import { type BankEvent, KNOT_IDS, materialStrength, type TakenReading } from '@doceo/core';
import { JONAS, SAM, uuid } from '../../../testing/fixtures';
import { lessonServer, show } from '../../../testing/page';
import { KNOT_STEPS, STEP_HEIGHT, STEP_WIDTH } from '.';
import { arrowHead, coil, smooth, turned } from './rope';
import { KnotsPage } from './knots.page';

const FIVE_X_M = 0.0001524;
const broke = (n: number, share: number, studentId: string | null): SavedReading => ({
  id: uuid(n),
  studentId,
  on: '2026-05-02',
  mine: true,
  reading: {
    kind: 'knot',
    knot: 'improved-clinch',
    material: 'copolymer',
    diameterM: FIVE_X_M,
    value: materialStrength('copolymer', FIVE_X_M) * share,
  },
});

describe('the drawings of knots', () => {
  const tied = Object.entries(KNOT_STEPS);

  it('there are for every knot there is to tie', () =>
    expect(Object.keys(KNOT_STEPS).sort()).toEqual(KNOT_IDS.filter((id) => id !== 'tapered').sort()));

  it.each(tied)('%s has three to six steps that fit their frame', (_, steps) => {
    expect(steps.length).toBeGreaterThanOrEqual(3);
    expect(steps.length).toBeLessThanOrEqual(6);
    for (const { say, pieces } of steps) {
      expect(say.length).toBeGreaterThan(8);
      const lines = pieces.filter(({ tone }) => tone !== 'aid' && tone !== 'metal');
      const places = lines.flatMap(({ path }) => [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)]);
      for (const [, x, y] of places) {
        expect(Number(x)).toBeGreaterThanOrEqual(0);
        expect(Number(x)).toBeLessThanOrEqual(STEP_WIDTH);
        expect(Number(y)).toBeGreaterThanOrEqual(0);
        expect(Number(y)).toBeLessThanOrEqual(STEP_HEIGHT);
      }
    }
  });

  it.each(tied)('%s says to wet it before it is drawn down, or is no knot of its own', (id, steps) => {
    const words = steps.map(({ say }) => say).join(' ');
    if (['loop-to-loop', 'slip-loop'].includes(id)) expect(words).toMatch(/[Pp]ull/);
    else expect(words).toMatch(/Wet it|wet it/);
  });

  it('wrap over and under by turns', () => {
    const pieces = coil({ tone: 'working', x: 10, y: 60, radius: 8, pitch: 10, turns: 3 });
    expect(pieces.map(({ height }) => height)).toEqual([7, 3, 7, 3, 7, 3]);
    expect(pieces.at(-1)?.path).toMatch(/40 52$/);
  });

  it('turned twice are as they were', () => {
    const pieces = coil({ tone: 'standing', x: 30, y: 60, radius: 8, pitch: 10, turns: 2 });
    const swap = { standing: 'second', second: 'standing' } as const;
    expect(turned(turned(pieces, swap), swap)).toEqual(pieces);
    expect(turned(pieces, swap)[0]?.tone).toBe('second');
  });

  it('put an arrow where the line goes', () => {
    expect(
      arrowHead(
        smooth([
          [0, 0],
          [100, 0],
        ]),
      ),
    ).toMatch(/^M109 0 L94 7 L94 -7 Z$/);
  });
});

describe('the page of knots', () => {
  const open = async (readings: SavedReading[] = []) => {
    const server = lessonServer()
      .on(api.readings.list, readings)
      .on(api.readings.create, ({ body }) => ({ ...(body as SavedReading), mine: true }));
    const page = await show(KnotsPage, server);
    const sent = () => server.of(api.readings.create).map(({ body }) => body as TakenReading);
    return { page, sent, server };
  };
  const shares = (page: { all: (selector: string) => string[] }): string[] =>
    page.all('[data-knot=improved-clinch] dl > div');
  const select = (label: number, value: string): void => {
    const field = document.querySelectorAll('.scale select')[label] as HTMLSelectElement;
    field.value = value;
    field.dispatchEvent(new Event('change', { bubbles: true }));
  };
  const at = '[data-knot=improved-clinch] input';

  it('has an index that leads to each knot', async () => {
    const { page } = await open();
    expect(page.all('nav.index a')).toHaveLength(15);
    expect(document.querySelector('nav.index a')?.getAttribute('href')).toBe('/rig/knots#improved-clinch');
  });

  it('tells what is typical when nothing was broken yet', async () => {
    const { page } = await open();
    expect(shares(page)).toEqual(['typical85 %± 8, rule of thumb']);
    expect(page.all('article')).toHaveLength(15);
  });

  it('sets each person’s own knots beside it', async () => {
    const { page } = await open([broke(1, 0.6, SAM.id), broke(2, 0.7, SAM.id), broke(3, 0.9, null)]);
    expect(shares(page).slice(1)).toEqual([
      'me90 %1 broken, last 2 May 2026',
      'Sam Okande65 %2 broken, last 2 May 2026',
    ]);
  });

  it('keeps where a knot broke, of whom and in what', async () => {
    const { page, sent } = await open();
    select(0, JONAS.id);
    select(1, 'fluorocarbon');
    await page.settle();
    await page.enter(at, '1,25 kg');
    expect(sent()).toMatchObject([
      {
        studentId: JONAS.id,
        reading: {
          kind: 'knot',
          knot: 'improved-clinch',
          material: 'fluorocarbon',
          value: expect.closeTo(12.258, 3),
        },
      },
    ]);
    expect(shares(page)[1]).toContain('Jonas Wren');
  });

  it('shows on the record of a student of the lesson how well he ties it, and takes that back', async () => {
    Dexie.dependencies.indexedDB = new IDBFactory();
    const { page, server } = await open();
    select(0, SAM.id);
    await page.settle();
    await page.enter(at, '1.7 kg');
    await page.quiet();
    const kept = () =>
      server
        .of(api.events.add)
        .flatMap(({ body }) => (body as { events: BankEvent[] }).events)
        .map(({ body, studentId }) => ({ studentId, body }));
    expect(kept()).toEqual([
      {
        studentId: SAM.id,
        body: {
          ...{ kind: 'attempt', skillId: 'rigging.knots.clinch', drillId: null, good: true },
          ...{ faultId: null, evidence: 'bench' },
        },
      },
    ]);
    expect(page.text()).toContain('Clinch knot: good. That is in the record of Sam Okande.');
    await page.press('Take it back');
    await page.quiet();
    expect(kept().at(-1)?.body.kind).toBe('undo');
    select(0, '');
    await page.settle();
    await page.enter(at, '1.6 kg');
    await page.quiet();
    expect(kept()).toHaveLength(2);
  });

  it.each([
    ['strong', 'a number from 0.02 to 40 kg'],
    ['0', 'a number from 0.02 to 40 kg'],
    ['9', 'more than the line itself holds, about 2.0 kg'],
  ])('refuses “%s” where it was typed', async (text, words) => {
    const { page, sent } = await open();
    await page.enter(at, text);
    expect(page.all('[role=alert]')).toEqual([words]);
    expect(sent()).toEqual([]);
  });
});
