import fc from 'fast-check';
import type { Species, Water } from '../water';
import { HOUR_MS } from './hour';
import { profileOf, type ConditionReading, READING_KINDS, READING_RANGES, withReadings } from './readings';
import { stationHours } from './station';
import { lessonWindows } from './windows';

const RIVER_WATER = { kind: 'river', species: [] } as const satisfies Pick<Water, 'kind' | 'species'>;
const from = Date.parse('2026-06-10T00:00:00Z');
const hours = stationHours({ seed: 'River Ostrel', kind: 'river', latitude: 57.9 }, from, 24);
const reading = (
  what: ConditionReading['what'],
  value: number,
  hour: number,
  depthM: number | null = null,
): ConditionReading => ({
  id: `${what}${hour}${depthM ?? ''}`,
  atMs: from + hour * HOUR_MS,
  what,
  value,
  depthM,
});

describe('readings over the station', () => {
  it('win in their hour, and shift the hours around less and less', () => {
    const mended = withReadings(hours, [reading('waterC', (hours[10]?.waterC ?? 0) + 3, 10)]);
    const off = (hour: number): number => (mended[hour]?.waterC ?? 0) - (hours[hour]?.waterC ?? 0);
    expect([off(10), off(13), off(17), off(0)].map((value) => Math.round(value * 1000) / 1000)).toEqual([
      3, 1.75, 0, 0,
    ]);
    expect(mended[10]?.airC).toBe(hours[10]?.airC);
  });

  it('of wind take the gusts along, and none is less than the wind', () => {
    const mended = withReadings(hours, [reading('windMs', 12, 9)]);
    expect(mended[9]?.windMs).toBe(12);
    expect(mended[9]?.gustMs).toBeGreaterThan(12);
  });

  it('of the deep are no surface', () => {
    expect(withReadings(hours, [reading('waterC', 5, 10, 8)])).toEqual(hours);
  });

  it('stay within what can be read', () => {
    const any = fc.constantFrom(...READING_KINDS).chain((what) =>
      fc.record({
        what: fc.constant(what),
        value: fc.double({ min: READING_RANGES[what].from, max: READING_RANGES[what].to, noNaN: true }),
        hour: fc.integer({ min: -3, max: 26 }),
      }),
    );
    fc.assert(
      fc.property(fc.array(any, { maxLength: 6 }), (list) => {
        const mended = withReadings(
          hours,
          list.map(({ what, value, hour }, i) => ({ ...reading(what, value, hour), id: String(i) })),
        );
        for (const hour of mended)
          for (const kind of READING_KINDS) {
            expect(hour[kind]).toBeGreaterThanOrEqual(READING_RANGES[kind].from);
            expect(hour[kind]).toBeLessThanOrEqual(READING_RANGES[kind].to);
          }
      }),
      { numRuns: 100 },
    );
  });

  it('by depth make a profile, the nearest in time for each depth', () => {
    const read = [
      reading('waterC', 15, 9, 0),
      reading('waterC', 12, 9, 4),
      reading('waterC', 11, 11, 4),
      reading('airC', 3, 9),
      reading('waterC', 9, 90, 6),
    ];
    expect(profileOf(read, from + 11 * HOUR_MS)).toEqual([
      { depthM: 0, celsius: 15 },
      { depthM: 4, celsius: 11 },
    ]);
  });
});

describe('windows for a lesson', () => {
  const light = { fromMs: from + 4 * HOUR_MS, toMs: from + 20 * HOUR_MS };
  const plain = hours.map((hour) => ({
    ...hour,
    windMs: 1,
    rainMm: 0,
    thunder: 0,
    levelM: 0,
    waterC: 12,
    airC: 14,
  }));

  it('lie in the light, begin every half hour, and are of the lesson’s length', () => {
    const found = lessonWindows(plain, RIVER_WATER, light, 180);
    expect(found).toHaveLength(27);
    for (const { fromMs, toMs, score } of found) {
      expect([fromMs >= light.fromMs, toMs <= light.toMs, toMs - fromMs]).toEqual([true, true, 3 * HOUR_MS]);
      expect(score).toBe(1);
    }
    expect(found[0]?.reasons).toEqual(['little-wind', 'dry']);
  });

  it('score nothing with a stop in them, and say why', () => {
    const storm = plain.map((hour, i) => (i >= 13 && i <= 15 ? { ...hour, thunder: 0.5 } : hour));
    const found = lessonWindows(storm, RIVER_WATER, light, 120);
    const through = found.filter(({ reasons }) =>
      reasons.some((one) => typeof one === 'object' && one.kind === 'thunder'),
    );
    expect(through.length).toBeGreaterThan(3);
    expect(through.every(({ score }) => score === 0)).toBe(true);
    expect(found[0]?.score).toBe(1);
  });

  it('are none without light, or when the lesson is longer than it', () => {
    expect(lessonWindows(plain, RIVER_WATER, null, 60)).toEqual([]);
    expect(lessonWindows(plain, RIVER_WATER, light, 17 * 60)).toEqual([]);
  });

  it('are better the less wind blows over a river', () => {
    const windy = plain.map((hour, i) => ({ ...hour, windMs: i < 12 ? 7 : 3 }));
    expect(lessonWindows(windy, RIVER_WATER, light, 120)[0]?.fromMs).toBeGreaterThanOrEqual(
      from + 11.5 * HOUR_MS,
    );
  });

  it('of still water are best in a light chop, worst under glass and in a storm', () => {
    const scoreAt = (windKmh: number): number => {
      const blown = plain.map((hour) => ({ ...hour, windMs: windKmh / 3.6 }));
      return lessonWindows(blown, { kind: 'lake', species: [] }, light, 120)[0]?.parts.wind ?? 0;
    };
    expect([16, 20, 24].map(scoreAt)).toEqual([1, 1, 1]);
    expect(scoreAt(2)).toBeCloseTo(0.2, 2);
    expect(scoreAt(10)).toBeGreaterThan(scoreAt(4));
    expect(scoreAt(32)).toBeLessThan(scoreAt(26));
    expect(scoreAt(45)).toBeLessThan(scoreAt(1));
  });

  it('are warm enough by what lives there', () => {
    const warm = plain.map((hour) => ({ ...hour, waterC: 16.5 }));
    const warmth = (species: Species[]): number =>
      lessonWindows(warm, { kind: 'pond', species }, light, 120)[0]?.parts.warmth ?? 0;
    expect(warmth(['rainbow-trout'])).toBe(1);
    expect(warmth(['grayling'])).toBeCloseTo(1 - 1.5 / 8, 9);
    expect(warmth([])).toBe(1);
  });
});
