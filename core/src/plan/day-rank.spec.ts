import { type ConditionHour, HOUR_MS } from '../conditions';
import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { FORD } from '../testing/schedule-task';
import type { Water } from '../water';
import { type DayOption, rankDays } from './day-rank';
import { blockFromDrill } from './edits';
import { emptyPlan, type PlanBody } from './plan';

const RIVER: Water = { ...FORD, latitude: 55, longitude: 0 };
const PLAN: PlanBody = {
  ...emptyPlan(),
  lengthMin: 180,
  blocks: [{ ...blockFromDrill(SHIPPED.drills.get('find-seam'), 'b', 0, null), place: 'run' }],
};

const CALM: Omit<ConditionHour, 'atMs'> = {
  ...{ airC: 14, windMs: 1, gustMs: 2, windFromDeg: 0, pressureHpa: 1013, cloud: 0.3, rainMm: 0 },
  ...{ thunder: 0, levelM: 0, flow: 1, waterC: 12 },
};

function day(date: string, change: Partial<DayOption> = {}, weather: Partial<ConditionHour> = {}): DayOption {
  const fromMs = Date.parse(`${date}T00:00:00Z`);
  return {
    ...{ waterId: 'ford', water: RIVER, date, source: null, simulated: false, readings: [] },
    open: { fromMs: fromMs + 8 * HOUR_MS, toMs: fromMs + 20 * HOUR_MS },
    hours: Array.from({ length: 24 }, (_, h) => ({ ...CALM, atMs: fromMs + h * HOUR_MS, ...weather })),
    ...change,
  };
}
const rank = (...days: DayOption[]) => rankDays(SHIPPED, PLAN, [], days);

describe('which day and water', () => {
  it('is the calm one before the windy one, within the hours one teaches', () => {
    const [first, second] = rank(day('2026-06-10', {}, { windMs: 6 }), day('2026-06-11'));
    expect([first?.date, second?.date]).toEqual(['2026-06-11', '2026-06-10']);
    expect(first?.hours).toEqual({
      fromMs: Date.parse('2026-06-11T08:00Z'),
      toMs: Date.parse('2026-06-11T11:00Z'),
    });
    expect(first?.reasons).toEqual(['little-wind', 'dry']);
    expect(second?.parts?.wind).toBeCloseTo(3 / 7, 9);
  });

  it('is never one on which thunder is foretold; a stand-in that says so stops nothing', () => {
    const found = rank(
      day('2026-06-10', {}, { thunder: 0.6 }),
      day('2026-06-11', { simulated: true }, { thunder: 0.6 }),
      day('2026-06-12'),
    );
    expect(found.map(({ date }) => date)).toEqual(['2026-06-12', '2026-06-11', '2026-06-10']);
    expect(found[2]?.score).toBe(0);
    expect(found[1]?.score).toBeGreaterThan(0.5);
  });

  it('goes round what the instructor has that day, an hour between, and says so where nothing is left', () => {
    const at = (hour: number): number => Date.parse('2026-06-10T00:00Z') + hour * HOUR_MS;
    const morning = { fromMs: at(8), toMs: at(13) };
    const [free] = rankDays(SHIPPED, PLAN, [], [day('2026-06-10')], [morning]);
    expect(free?.hours?.fromMs).toBe(at(14));
    const [full] = rankDays(SHIPPED, PLAN, [], [day('2026-06-10')], [{ fromMs: at(8), toMs: at(18) }]);
    expect([full?.why, full?.score, full?.hours]).toEqual(['busy', 0, null]);
  });

  it('is at the water that has the places of the plan, and of its kind', () => {
    const noRun = { ...RIVER, places: RIVER.places.filter(({ kind }) => kind !== 'run') };
    const found = rank(day('2026-06-10', { waterId: 'bare', water: noRun }), day('2026-06-10'));
    expect(found.map(({ waterId }) => waterId)).toEqual(['ford', 'bare']);
    expect(found[1]?.problems.some(({ rule }) => rule === 'place-missing')).toBe(true);
    const still = { ...PLAN, waterKind: 'lake' as const };
    const [other] = rankDays(SHIPPED, still, [], [day('2026-06-10')]);
    expect(other?.parts?.plan).toBeCloseTo((found[0]?.parts?.plan ?? 0) / 2, 9);
  });

  it('is none, with why: dark, closed season, no place on the map, no weather', () => {
    const closed = { ...RIVER, rules: { ...RIVER.rules, seasonFrom: '03-01', seasonTo: '05-31' } };
    const found = rank(
      day('2026-12-21'),
      day('2026-06-11', { water: closed }),
      day('2026-06-12', { water: FORD }),
      day('2026-06-13', { hours: [] }),
    );
    const long = { ...PLAN, lengthMin: 11 * 60 };
    const [winter] = rankDays(SHIPPED, long, [], [day('2026-12-21')]);
    expect(winter?.why).toBe('too-dark');
    expect(Object.fromEntries(found.map(({ date, why }) => [date, why]))).toEqual({
      '2026-12-21': null,
      '2026-06-11': 'closed-season',
      '2026-06-12': 'unknown-place',
      '2026-06-13': 'unknown-weather',
    });
  });
});
