import fc from 'fast-check';
import { conditionAlerts } from './alerts';
import { type ConditionHour, HOUR_MS, hourAt, levelTrend } from './hour';
import { stillProfile } from './profile';
import type { ConditionReading } from './readings';
import { stationHours, type StationSite } from './station';

const RIVER: StationSite = { seed: 'River Ostrel', kind: 'river', latitude: 57.9 };
const at = (iso: string): number => Date.parse(iso);
const year = Array.from({ length: 36 }, (_, i) =>
  stationHours(RIVER, at('2026-01-01T00:00:00Z') + i * 10 * 24 * HOUR_MS, 240),
).flat();
const mean = (values: number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
const ofMonth = (month: number): ConditionHour[] =>
  year.filter(({ atMs }) => new Date(atMs).getUTCMonth() === month);

describe('the simulated station', () => {
  it('says the same of an hour whatever is asked around it, and other things of another water', () => {
    const moments = fc.integer({
      min: at('2026-01-01T00:00:00Z') / HOUR_MS,
      max: at('2027-01-01T00:00:00Z') / HOUR_MS,
    });
    fc.assert(
      fc.property(moments, fc.integer({ min: 1, max: 30 }), (hour, before) => {
        const alone = stationHours(RIVER, hour * HOUR_MS, 1)[0];
        expect(stationHours(RIVER, (hour - before) * HOUR_MS, before + 1).at(-1)).toEqual(alone);
        expect(stationHours({ ...RIVER, seed: 'Fennick Beck' }, hour * HOUR_MS, 1)[0]).not.toEqual(alone);
      }),
      { numRuns: 40 },
    );
  });

  it('looks like a northern upland: cold winters, mild summers, more wind by day, rain on some days', () => {
    expect(mean(ofMonth(0).map(({ airC }) => airC))).toBeLessThan(4);
    const july = mean(ofMonth(6).map(({ airC }) => airC));
    expect([july > 12, july < 18]).toEqual([true, true]);
    const rain = year.filter(({ rainMm }) => rainMm > 0).length / year.length;
    expect([rain > 0.02, rain < 0.25]).toEqual([true, true]);
    const wind = (from: number, to: number): number =>
      mean(
        year
          .filter(({ atMs }) => new Date(atMs).getUTCHours() >= from && new Date(atMs).getUTCHours() < to)
          .map(({ windMs }) => windMs),
      );
    expect(wind(12, 18)).toBeGreaterThan(wind(0, 6));
  });

  it('stays within what can be', () => {
    for (const hour of year) {
      expect(hour.cloud).toBeGreaterThanOrEqual(0);
      expect(hour.cloud).toBeLessThanOrEqual(1);
      expect(hour.gustMs).toBeGreaterThanOrEqual(hour.windMs);
      expect(hour.thunder).toBeGreaterThanOrEqual(0);
      expect(hour.thunder).toBeLessThanOrEqual(1);
      expect(hour.levelM).toBeGreaterThanOrEqual(0);
      expect(hour.levelM).toBeLessThan(3);
      expect(hour.waterC).toBeGreaterThan(0);
      expect(hour.waterC).toBeLessThan(26);
    }
  });

  it('changes water more slowly than air, and a lake more slowly than a river', () => {
    const swing = (of: (hour: ConditionHour) => number, hours: ConditionHour[]): number =>
      Math.max(...hours.map(of)) - Math.min(...hours.map(of));
    const start = at('2026-07-10T00:00:00Z');
    const river = stationHours(RIVER, start, 24);
    const lake = stationHours({ ...RIVER, kind: 'lake' }, start, 24);
    expect(swing(({ waterC }) => waterC, river)).toBeLessThan(swing(({ airC }) => airC, river));
    expect(swing(({ waterC }) => waterC, lake)).toBeLessThan(swing(({ waterC }) => waterC, river));
    expect(lake.every(({ levelM }) => levelM === 0)).toBe(true);
  });

  it('lets a river rise after rain and fall again', () => {
    const wettest = year.reduce((most, hour) => (hour.rainMm > most.rainMm ? hour : most));
    const after = stationHours(RIVER, wettest.atMs, 120);
    const top = after.findIndex(({ levelM }) => levelM === Math.max(...after.map((hour) => hour.levelM)));
    expect(top).toBeGreaterThan(0);
    expect(after[top]!.levelM).toBeGreaterThan(after[0]!.levelM);
    expect(levelTrend(after, Math.min(top, 3))).toBe('rising');
  });

  it('finds the hour of a moment, and none outside of the day', () => {
    const hours = stationHours(RIVER, at('2026-06-10T00:00:00Z'), 24);
    expect(hourAt(hours, at('2026-06-10T09:20:00Z'))?.index).toBe(9);
    expect(hourAt(hours, at('2026-06-12T09:20:00Z'))).toBeNull();
  });
});

describe('what must be known of the hours', () => {
  const calm: ConditionHour = {
    atMs: 0,
    airC: 15,
    windMs: 3,
    gustMs: 4,
    windFromDeg: 200,
    pressureHpa: 1015,
    cloud: 0.5,
    rainMm: 0,
    thunder: 0,
    levelM: 0.1,
    flow: 1,
    waterC: 12,
  };
  const hours = (change: (i: number) => Partial<ConditionHour>): ConditionHour[] =>
    Array.from({ length: 6 }, (_, i) => ({ ...calm, atMs: i * HOUR_MS, ...change(i) }));
  const kinds = (change: (i: number) => Partial<ConditionHour>, kind: 'river' | 'lake' = 'river'): string[] =>
    conditionAlerts(hours(change), { kind, species: [] }).map((one) => `${one.level} ${one.kind}`);

  it('is nothing on a mild day', () => expect(kinds(() => ({}))).toEqual([]));

  it.each<[string, (i: number) => Partial<ConditionHour>, 'river' | 'lake', string[]]>([
    ['thunder', (i) => ({ thunder: i === 4 ? 0.5 : 0 }), 'river', ['must-fix thunder']],
    ['a small chance of it', () => ({ thunder: 0.15 }), 'river', ['check thunder']],
    ['a rising river', (i) => ({ levelM: 0.1 + i * 0.02 }), 'river', ['must-fix rising']],
    ['a falling one', (i) => ({ levelM: 0.5 - i * 0.02 }), 'river', []],
    ['warm water', () => ({ waterC: 18.5 }), 'river', ['check too-warm']],
    ['too warm water', () => ({ waterC: 21 }), 'lake', ['must-fix too-warm']],
    ['wind', () => ({ windMs: 10 }), 'river', ['check windy']],
    ['wind on a lake', () => ({ windMs: 8 }), 'lake', ['check windy']],
    ['a calm lake', () => ({ windMs: 0.3 }), 'lake', ['tip glass']],
    ['cold water to wade in', () => ({ waterC: 5 }), 'river', ['check cold-wading']],
  ])('tells of %s', (_, change, kind, wanted) => expect(kinds(change, kind)).toEqual(wanted));

  it('comes worst first, with when it holds', () => {
    const alerts = conditionAlerts(
      hours((i) => ({ waterC: 5, thunder: i > 3 ? 0.6 : 0 })),
      { kind: 'river', species: [] },
    );
    expect(alerts.map(({ kind }) => kind)).toEqual(['thunder', 'cold-wading']);
    expect([alerts[0]?.fromMs, alerts[0]?.toMs, alerts[0]?.worst]).toEqual([4 * HOUR_MS, 5 * HOUR_MS, 0.6]);
  });

  it.each([
    ['grayling', 18, 20],
    ['brown-trout', 19, 21],
    ['rainbow-trout', 20, 22],
  ] as const)('takes the limits of %s where only it lives', (species, mindC, stopC) => {
    const level = (waterC: number): string | undefined =>
      conditionAlerts(
        hours(() => ({ waterC })),
        { kind: 'river', species: [species] },
      )[0]?.level;
    expect([mindC - 0.1, mindC, stopC - 0.1, stopC].map(level)).toEqual([
      undefined,
      'check',
      'check',
      'must-fix',
    ]);
  });

  it('stops nothing that a stand-in made up, unless somebody read it at the water', () => {
    const warm = hours(() => ({ waterC: 23, thunder: 0.9 }));
    const told = (readings: ConditionReading[]): string[] =>
      conditionAlerts(warm, { kind: 'river', species: [] }, undefined, { simulated: true, readings }).map(
        ({ kind, level, from }) => `${kind} ${level} ${from}`,
      );
    expect(told([])).toEqual(['thunder check simulated', 'too-warm check simulated']);
    const reading: ConditionReading = { id: 'r', atMs: 2 * HOUR_MS, what: 'waterC', value: 23, depthM: null };
    expect(told([reading])).toEqual(['too-warm must-fix measured', 'thunder check simulated']);
    expect(told([{ ...reading, atMs: -20 * HOUR_MS }])[1]).toBe('too-warm check simulated');
    expect(told([{ ...reading, what: 'windMs' }])[1]).toBe('too-warm check simulated');
  });
});

describe('the temperature by depth of still water', () => {
  it('begins with the surface, never warms downwards, and is layered in summer', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 26, noNaN: true }),
        fc.constantFrom('lake', 'pond' as const),
        (surfaceC, kind) => {
          const profile = stillProfile(kind, surfaceC);
          expect(profile[0]?.celsius).toBeCloseTo(surfaceC, 9);
          profile.slice(1).forEach(({ celsius }, i) => {
            expect(celsius).toBeLessThanOrEqual((profile[i]?.celsius ?? 0) + 1e-9);
          });
        },
      ),
    );
    const summer = stillProfile('lake', 20);
    expect(summer.find(({ depthM }) => depthM === 2)?.celsius).toBeGreaterThan(18);
    expect(summer.at(-1)?.celsius).toBeLessThan(7);
  });

  it('is mixed when the surface is cold, and there is none of a river', () => {
    expect(new Set(stillProfile('lake', 5).map(({ celsius }) => celsius))).toEqual(new Set([5]));
    expect(stillProfile('river', 15)).toEqual([]);
  });
});
