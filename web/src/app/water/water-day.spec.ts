import { TestBed } from '@angular/core/testing';
import { api, readReadings, readSoundings } from '@doceo/contract';
import { columnsByStudent, type ConditionReading } from '@doceo/core';
import { throwError } from 'rxjs';
import type { FakeServer } from '../../testing/fake-server';
import { event, LESSON, NOW, WATER } from '../../testing/fixtures';
import { setDate, type Shown, show } from '../../testing/page';
import { dayOf, LAKE } from '../../testing/waters';
import { bandDepths, depthBands } from '../shared/water/board/depth-bands';
import { BenchRunner } from '../workers/bench-runner';
import { WaterPage } from './water.page';
import { waterServer } from '../../testing/water-server';

let server: FakeServer;
let readings: ConditionReading[];
beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
  setDate();
  readings = [];
  server = waterServer(() => readings);
});
afterEach(() => jest.useRealTimers());
const open = (): Promise<Shown<WaterPage>> => show(WaterPage, server);
const turnTo = async (page: Shown<WaterPage>, id: string): Promise<void> => {
  await page.enter('label.small.row select', id);
  await page.quiet();
};

describe('still water', () => {
  it('is drawn with its stands, their fans in order, boats and what they ask for', async () => {
    const page = await open();
    await turnTo(page, LAKE.id);
    const stands = page.all('doceo-lake-board:first-of-type .stand').length;
    expect(stands).toBeGreaterThanOrEqual(2);
    const orders = page.all('.order').map(Number);
    expect(orders).toEqual(orders.map((_, i) => i + 1));
    expect(page.text()).toMatch(/\d casts of \d+(\.\d)? m cover \d+ % of the water in reach/);
    expect(page.text()).toContain('life jackets on');
    expect(page.text()).toContain('No ice is stepped on');
    expect(page.text()).not.toMatch(/\bsafe\b/i);
    await page.key('doceo-lake-board .stand[aria-pressed=false]', 'Enter');
    expect(page.all('doceo-lake-panel h2')[0]).toMatch(/^Stand [2-9]/);
  });

  it.each(['lake', 'river'])('says so when nobody can work out who stands where: %s', async (kind) => {
    const gone = () => throwError(() => new Error('the worker is gone'));
    TestBed.overrideProvider(BenchRunner, { useValue: { run: gone, runOfMany: gone } });
    const page = await open();
    if (kind === 'lake') await turnTo(page, LAKE.id);
    expect(page.all('[role=alert]')).toContain(
      'Where they stand could not be worked out. Load the page again.',
    );
    expect(page.text()).not.toContain('Places are as far apart');
  });

  it('says when it is not drawn yet', async () => {
    server.on(api.waters.lake, { saved: null });
    const page = await open();
    await turnTo(page, LAKE.id);
    expect(page.text()).toContain('This water is not drawn yet');
  });

  it('takes a profile that was read over the simulated one', async () => {
    readings = [0, 4, 8].map((depthM, i) => ({
      id: `00000000-0000-4000-8000-00000000000${i}`,
      atMs: NOW,
      what: 'waterC' as const,
      value: 16 - depthM,
      depthM,
    }));
    const page = await open();
    await turnTo(page, LAKE.id);
    expect(page.text()).toContain('As somebody read it that day.');
    expect(page.text()).toContain('At ease from 0 cm to 6 m.');
  });

  it('has lines at depths that stand apart, and areas within each other', () => {
    expect(bandDepths(12)).toEqual([2, 4, 6, 8, 10, 12]);
    expect(bandDepths(3)).toEqual([0.5, 1, 1.5, 2, 2.5, 3]);
    const depthsM = Float64Array.from({ length: 400 }, (_, i) => {
      const away = Math.hypot((i % 20) - 9.5, Math.floor(i / 20) - 9.5);
      return away > 9 ? NaN : 9 - away;
    });
    const bands = depthBands({ columns: 20, rows: 20, lengthM: 200, widthM: 200, depthsM }, [2, 4, 6]);
    expect(bands.map(({ depthM }) => depthM)).toEqual([2, 4, 6]);
    expect(bands[0]!.top.y).toBeLessThan(bands[2]!.top.y);
  });
});

describe('best hours and places', () => {
  it('tell the beat with room for all first, and hours without the storm before those with it', async () => {
    const page = await open();
    const rows = page.all('doceo-best-hours ol li');
    expect(rows.length).toBeGreaterThan(1);
    expect(rows[0]).not.toContain('Thunder');
    expect(page.all('doceo-best-hours ul li')[0]).toContain('places for all 2');
    const text = page.all('doceo-best-hours ol button')[0]!;
    await page.press(text);
    expect(page.all('.hour')[0]).toContain(text.slice(0, 5));
  });

  it('say that there is no light at the pole in midwinter', async () => {
    server
      .on(api.waters.list, [
        { ...WATER, water: { ...WATER.water, latitude: 90, longitude: 0, timeZone: 'UTC' } },
      ])
      .on(api.lessons.list, [{ ...LESSON, startsAt: '2026-12-21T10:00:00Z' }])
      .on(api.waters.conditions, { ...dayOf(WATER.id), date: '2026-12-21' });
    const page = await open();
    expect(page.text()).toContain('The sun does not rise that day: no hours of light for a lesson.');
    expect(page.text()).toContain('the sun neither rises nor sets that day');
  });
});

describe('readings', () => {
  const put = (): ConditionReading[] =>
    (server.of(api.waters.saveReadings).at(-1)?.body as { readings: ConditionReading[] })?.readings ?? [];
  beforeEach(() =>
    server
      .on(api.waters.saveReadings, ({ body }) => {
        readings = (body as { readings: ConditionReading[] }).readings;
        return { ok: true as const };
      })
      .on(api.waters.removeReading, () => {
        readings = [];
        return { ok: true as const };
      }),
  );

  it('are typed in, shown with their time, and taken back', async () => {
    const page = await open();
    await page.enter('input[name=reading]', '11,5');
    await page.enter('doceo-readings-panel input[type=time]', '07:30');
    await page.press('Put it down');
    await page.quiet();
    expect(put()).toMatchObject([{ what: 'waterC', value: 11.5, depthM: null }]);
    expect(new Date(put()[0]!.atMs).toISOString()).toBe('2026-06-10T05:30:00.000Z');
    expect(page.all('doceo-readings-panel tr')).toEqual(['10 Jun 07:30water11.5 °CTake back']);
    await page.press('Take back');
    await page.quiet();
    expect(page.all('doceo-readings-panel tr')).toEqual([]);
  });

  it.each([
    ['warm', '07:30', '“warm” is no number.'],
    ['90', '07:30', 'That is from −1 °C to 40 °C.'],
    ['11', '23:00', 'That lies in the future: nobody has read it yet.'],
  ])('of %s at %s are refused where they are typed', async (text, time, told) => {
    const page = await open();
    await page.enter('input[name=reading]', text);
    await page.enter('doceo-readings-panel input[type=time]', time);
    await page.press('Put it down');
    expect(page.all('doceo-readings-panel [role=alert]')).toEqual([told]);
    expect(server.of(api.waters.saveReadings)).toHaveLength(0);
    expect(document.querySelector<HTMLInputElement>('input[name=reading]')?.value).toBe(text);
  });

  it('and soundings are read by the same rules here as in their files', () => {
    expect(readReadings('time,air_c\n2026-06-10T05:00:00Z,9\n', WATER.id, NOW).file).toHaveLength(1);
    const sheet = { lengthM: 10, widthM: 10, origin: { longitude: 9, latitude: 57, bearingDeg: 90 } };
    expect(readSoundings('x_m,y_m,depth_m\n1,1,1\n', sheet).file).toHaveLength(1);
  });
});

describe('stones', () => {
  it('counted in three places name the fly, and what the bank book counted is among them', async () => {
    server.on(api.records.list, columnsByStudent([event({ kind: 'stones', counts: { caddis: 4 } })]));
    const page = await open();
    expect(page.text()).toContain('1 count of the log');
    expect(page.all('doceo-stones-card li')).toEqual(['caddis nymph, light, tungsten, #12–16']);
    await page.press('place 2');
    for (let i = 0; i < 3; i++) await page.press(/^stonefly \d+ ?, one more in place 2$/);
    expect(page.all('doceo-stones-card li')[0]).toContain('stonefly nymph, dark, tungsten, #8–12');
    await page.press('One stonefly less in place 2');
    expect(page.all('doceo-stones-card .index')[0]).toMatch(/of 100, (poor|middling): 3\.0 a place, 2 kinds/);
    await page.press('Start again');
    expect(page.all('doceo-stones-card li')).toHaveLength(1);
  });
});
