import { api } from '@doceo/contract';
import { type Beat, waterAt } from '@doceo/core';
import type { FakeServer } from '../../../testing/fake-server';
import { WATER } from '../../../testing/fixtures';
import { lessonServer, setDate, type Shown, show } from '../../../testing/page';
import { dayOf, FORD, GLIDE, piece, rectangle, savedBeat } from '../../../testing/waters';
import { beatLabels } from '../../shared/water/board/beat-labels';
import { WaterPage } from '../water.page';

const day = (rise: number) =>
  dayOf(WATER.id, (hour) => ({ windFromDeg: 200, cloud: 0.5, levelM: 0.2 + rise * hour, waterC: 12 }));

describe('the board of a beat', () => {
  let server: FakeServer;
  beforeEach(() => {
    localStorage.clear();
    sessionStorage.clear();
    setDate();
    server = lessonServer()
      .on(api.waters.conditions, day(0))
      .on(api.waters.beats, [savedBeat(91, FORD), savedBeat(92, GLIDE)]);
  });
  afterEach(() => jest.useRealTimers());
  const open = (): Promise<Shown<WaterPage>> => show(WaterPage, server);
  const stands = (): (string | null)[] =>
    [...document.querySelectorAll('.stand')].map((stand) => stand.getAttribute('aria-label'));

  it('draws the water, its seams, the way out, and a place for every student of the lesson', async () => {
    const page = await open();
    expect(page.element.querySelectorAll('.area')).toHaveLength(6);
    expect(page.element.querySelectorAll('.seam').length).toBeGreaterThan(1);
    expect(page.element.querySelectorAll('.gate')).toHaveLength(1);
    expect(stands().sort()).toEqual([
      expect.stringMatching(/^Stand 1, (Sam|Jonas): cast \d(\.5)? m to the \w/),
      expect.stringMatching(/^Stand 2, (Sam|Jonas): cast/),
    ]);
    expect(page.text()).toContain('Judge on the spot');
  });

  it('opens a stand by click and by key, with the parts of its score', async () => {
    const page = await open();
    expect(page.all('doceo-beat-panel h2')[0]).toMatch(/^Stand 1, /);
    expect(page.all('.part span:first-child')).toEqual([
      'Holds fish',
      'Unseen by it',
      'Seen by you',
      'Easy drift',
      'Casting room',
      'Footing',
      'Teaches',
      'Within reach',
      'Rod hand clear',
    ]);
    document
      .querySelectorAll('.stand')[1]
      ?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await page.settle();
    expect(page.all('doceo-beat-panel h2')[0]).toMatch(/^Stand 2, /);
    expect(page.text()).toContain('Tail before head');
  });

  it('hatches all the water of a rising river, and sends nobody into it', async () => {
    server.on(api.waters.conditions, day(0.03));
    const page = await open();
    const water = FORD.pieces.filter(({ depthM }) => depthM !== null).length;
    expect(page.element.querySelectorAll('doceo-beat-board .over')).toHaveLength(water);
    expect(page.text()).not.toContain('in the water, cast');
  });

  it('turns to the other beat', async () => {
    const page = await open();
    await page.press('Long Glide');
    expect(page.element.querySelectorAll('.area')).toHaveLength(3);
    expect(page.element.querySelector('svg[aria-label^="Long Glide"]')).not.toBeNull();
  });

  it('says how many find no place', async () => {
    const bank: Beat = { ...GLIDE, lengthM: 6, pieces: [piece('open-bank', 'left', rectangle(0, 0, 6, 4))] };
    server.on(api.waters.beats, [savedBeat(91, bank)]);
    expect((await open()).text()).toContain('No place here at the same time for Sam and Jonas');
  });
});

describe('names on the board', () => {
  const labels = beatLabels(FORD, 1, (depthM) => `${depthM} m`, [{ x: 20, y: 19 }]);

  it('stand where their piece is on top', () => {
    expect(labels.map(({ name }) => name).sort()).toEqual(['eddy', 'margins', 'pool', 'tongue']);
    for (const { id, at } of labels) expect(waterAt(FORD, at)?.pieceId).toBe(id);
  });

  it('do not lie on each other', () => {
    const boxes = labels.map(({ at, name, about }) => ({
      left: at.x - (name.length + 1 + about.length) * 0.26,
      right: at.x + (name.length + 1 + about.length) * 0.26,
      top: at.y - 1,
      bottom: at.y,
    }));
    boxes.forEach((a, i) =>
      boxes.slice(i + 1).forEach((b) => {
        expect(a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom).toBe(false);
      }),
    );
  });

  it('keep off the seams where there is room, and are there all the same where there is none', () => {
    const about = (): string => '';
    const placeOf = (found: ReturnType<typeof beatLabels>) => found.find(({ name }) => name === 'pool')!.at;
    const { x, y } = placeOf(beatLabels(FORD, 0.8, about));
    const seam = Array.from({ length: 25 }, (_, i) => ({ x: x - 6 + i / 2, y: y - 0.3 }));
    const moved = placeOf(beatLabels(FORD, 0.8, about, [], [seam]));
    expect(Math.abs(moved.y - y)).toBeGreaterThanOrEqual(1);
    const everywhere = [
      Array.from({ length: 8000 }, (_, i) => ({ x: (i % 200) * 0.5, y: Math.floor(i / 200) * 0.8 })),
    ];
    expect(beatLabels(FORD, 0.8, about, [], everywhere)).toEqual(beatLabels(FORD, 0.8, about));
  });

  it('are left out where they find no room', () =>
    expect(beatLabels(FORD, 9, () => '').length).toBeLessThan(labels.length));
});
