import { sunTimes } from '@doceo/core';
import {
  type BandDay,
  type BandMark,
  datesFrom,
  hoursShown,
  levelArea,
  lightArea,
  placeOf,
} from './band-shape';

const ZONE = 'Europe/Copenhagen';
const day = (date: string, levelM: number | null = null): BandDay => ({
  ...{ date, levelM, waterC: null },
  sun: sunTimes(57.9, 9.1, Date.parse(`${date}T12:00:00Z`)),
});
const at = (date: string, time: string): number => Date.parse(`${date}T${time}:00+01:00`);
const mark = (fromMs: number, toMs: number): BandMark => ({
  ...{ id: 'm', date: '2026-12-10', fromMs, toMs },
  ...{ text: '', short: '', label: '', looks: 'lesson' },
});

describe('the band of days', () => {
  it('shows the light of winter with an hour around, and of summer no more than is taught in', () => {
    // First light 08:09, last light 16:27 in December; a summer night that hardly gets dark.
    expect(hoursShown([day('2026-12-10')], [], ZONE)).toEqual({ fromHour: 7, toHour: 18 });
    expect(hoursShown([day('2026-06-10')], [], ZONE)).toEqual({ fromHour: 4, toHour: 23 });
  });

  it('grows to what stands in it, and keeps its middle where nothing is known', () => {
    const evening = mark(at('2026-12-10', '17:00'), at('2026-12-10', '20:15'));
    expect(hoursShown([day('2026-12-10')], [evening], ZONE)).toEqual({ fromHour: 7, toHour: 22 });
    expect(hoursShown([{ ...day('2026-12-10'), sun: null }], [], ZONE)).toEqual({ fromHour: 8, toHour: 16 });
  });

  it('puts a stretch at its hours, and one past midnight to the bottom', () => {
    const hours = { fromHour: 8, toHour: 18 };
    const stretch = { fromMs: at('2026-12-10', '09:00'), toMs: at('2026-12-10', '13:00') };
    expect(placeOf(stretch, ZONE, hours)).toEqual({ top: 0.1, bottom: 0.5 });
    const late = { fromMs: at('2026-12-10', '13:00'), toMs: at('2026-12-11', '00:30') };
    expect(placeOf(late, ZONE, hours)).toEqual({ top: 0.5, bottom: 1 });
  });

  it('draws light only over days that have it', () => {
    const polar: BandDay = { ...day('2026-12-11'), sun: null };
    const hours = { fromHour: 8, toHour: 18 };
    const both = lightArea([polar, day('2026-12-10')], ZONE, 'sun', hours);
    expect(both).toMatch(/^M1 0\.0\d+L2 /);
    expect(lightArea([polar], ZONE, 'sun', hours)).toBe('');
    const top = (edge: 'sun' | 'twilight'): number =>
      Number(/^M0 ([\d.]+)/.exec(lightArea([day('2026-12-10')], ZONE, edge, hours))?.[1]);
    expect(top('twilight')).toBeLessThan(top('sun'));
  });

  it('draws a river that rises, and one that hardly moves as flat', () => {
    const y = (path: string): number[] =>
      [...path.matchAll(/L\d+\.5 ([\d.]+)/g)].map((one) => Number(one[1]));
    expect(y(levelArea([day('2026-12-10', 0), day('2026-12-11', 0.6)]))).toEqual([0.85, 0.1]);
    expect(y(levelArea([day('2026-12-10', 0), day('2026-12-11', 0.03)]))).toEqual([0.85, 0.775]);
  });

  it('counts dates over the end of a month', () =>
    expect(datesFrom('2026-11-29', 3)).toEqual(['2026-11-29', '2026-11-30', '2026-12-01']));
});
