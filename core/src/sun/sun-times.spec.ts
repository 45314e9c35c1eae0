import { Body, Observer, SearchAltitude, SearchRiseSet } from 'astronomy-engine';
import { sunTimes } from './sun-times';

const minutesApart = (found: number | null, wanted: Date | undefined): number =>
  Math.abs((found ?? NaN) - (wanted?.getTime() ?? NaN)) / 60_000;

describe('sun times', () => {
  const places = [
    [0, 0],
    [40.9, -74.3],
    [-33.5, 18.2],
    [57.9, 9.1],
    [64, 20],
  ] as const;
  const days = ['2026-01-15', '2026-03-20', '2026-05-02', '2026-06-21', '2026-09-23', '2026-11-25'];

  it.each(places.flatMap(([latitude, longitude]) => days.map((day) => [latitude, longitude, day] as const)))(
    'are those of an ephemeris to a minute: %d° %d° on %s',
    (latitude, longitude, day) => {
      const noon = new Date(Date.parse(`${day}T12:00:00Z`) - (longitude / 15) * 3_600_000);
      const found = sunTimes(latitude, longitude, Date.parse(`${day}T12:00:00Z`));
      const observer = new Observer(latitude, longitude, 0);
      const rise = SearchRiseSet(Body.Sun, observer, 1, noon, -1)?.date;
      const set = SearchRiseSet(Body.Sun, observer, -1, noon, 1)?.date;
      expect(minutesApart(found.sunriseMs, rise)).toBeLessThan(1);
      expect(minutesApart(found.sunsetMs, set)).toBeLessThan(1);
      if (latitude > 60) return;
      expect(
        minutesApart(found.dawnMs, SearchAltitude(Body.Sun, observer, 1, noon, -1, -6)?.date),
      ).toBeLessThan(1);
      expect(
        minutesApart(found.duskMs, SearchAltitude(Body.Sun, observer, -1, noon, 1, -6)?.date),
      ).toBeLessThan(1);
    },
  );

  it('are those of the worked example of the Almanac for Computers, 1990', () => {
    const { sunriseMs } = sunTimes(40.9, -74.3, Date.parse('1990-06-25T16:00:00Z'));
    expect(Math.round((sunriseMs ?? 0) / 60_000)).toBe(Date.parse('1990-06-25T09:26:00Z') / 60_000);
  });

  it('do not happen at the poles in midwinter, nor in midsummer', () => {
    const never = { dawnMs: null, sunriseMs: null, sunsetMs: null, duskMs: null };
    expect(sunTimes(90, 0, Date.parse('2026-12-21T12:00:00Z'))).toEqual(never);
    expect(sunTimes(-90, 0, Date.parse('2026-06-21T12:00:00Z'))).toEqual(never);
    expect(sunTimes(90, 0, Date.parse('2026-06-21T12:00:00Z'))).toEqual(never);
  });

  it('puts first light, sunrise, sunset and last light in order, and finds polar night', () => {
    const sun = sunTimes(57.9, 9.1, Date.parse('2026-11-28T12:00:00Z'));
    expect(
      (sun.dawnMs as number) < (sun.sunriseMs as number) && (sun.sunsetMs as number) < (sun.duskMs as number),
    ).toBe(true);
    expect(new Date(sun.sunsetMs as number).toISOString().slice(0, 16)).toBe('2026-11-28T14:45');
    expect(sunTimes(80, 0, Date.parse('2026-12-21T12:00:00Z')).sunriseMs).toBeNull();
    expect(() => sunTimes(91, 0, 0)).toThrow(expect.objectContaining({ code: 'out-of-range' }));
  });
});
