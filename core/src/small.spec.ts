import fc from 'fast-check';
import { attemptsOf, type BankEvent, drillCount, activeEvents } from './bank';
import { getDrill } from './drill';
import { faultCourse, faultRates, likeliestFaults } from './fault';
import { deterministicId, pickWeighted, seededRandom } from './random';
import { simulateStudent } from './simulate';
import { faultsOfStrand, skillName, SKILLS } from './skill';
import { sunTimes } from './sun';
import { formatForce, formatLength, parseLength } from './units';
import { inSeason, lastSeasonEnd } from './water';

describe('lengths', () => {
  it.each([
    ['1.2', 1.2],
    ['40 cm', 0.4],
    ['5 ft 3 in', 1.6002],
    ['5\' 3"', 1.6002],
    ['18in', 0.4572],
    ['0,4 m', 0.4],
    ['12mm', 0.012],
  ])('reads %s', (text, metres) => expect(parseLength(text, 'metric')).toBeCloseTo(metres, 9));

  it.each(['', 'long', '-1', '3 miles', '1 m of line', 'NaN', '1e3'])('refuses “%s”', (text) =>
    expect(() => parseLength(text, 'metric')).toThrow(expect.objectContaining({ code: 'unreadable' })),
  );

  it('says lengths as people do', () => {
    expect([0.42, 1.65, 0.998].map((m) => formatLength(m, 'metric'))).toEqual(['42 cm', '1.65 m', '1.00 m']);
    expect([0.0127, 0.3048, 1.651].map((m) => formatLength(m, 'imperial'))).toEqual([
      '0.5 in',
      '1 ft',
      '5 ft 5 in',
    ]);
    expect(formatForce(20, 'imperial')).toBe('4.5 lb');
  });

  it('reads back what it says', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 12, noNaN: true }),
        fc.constantFrom('metric' as const, 'imperial' as const),
        (m, system) => Math.abs(parseLength(formatLength(m, system), system) - m) < 0.0065,
      ),
    );
  });
});

describe('seeded random', () => {
  it('is the same for the same seed and even enough', () => {
    const sample = (seed: string): number[] => Array.from({ length: 4000 }, seededRandom(seed));
    expect(sample('a')).toEqual(sample('a'));
    expect(sample('a')).not.toEqual(sample('b'));
    expect(sample('a').reduce((sum, x) => sum + x, 0) / 4000).toBeCloseTo(0.5, 1);
  });

  it('makes valid ids and weighs what it picks', () => {
    expect(deterministicId('x')).toMatch(
      /^[0-9a-f]{8}-[0-9a-f]{4}-5[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/,
    );
    expect(deterministicId('x')).toBe(deterministicId('x'));
    const random = seededRandom('pick');
    const picks = Array.from({ length: 1000 }, () =>
      pickWeighted(random, ['a', 'b'], (item) => (item === 'a' ? 9 : 1)),
    );
    expect(picks.filter((item) => item === 'a').length).toBeGreaterThan(850);
  });
});

describe('ids made from texts', () => {
  it('are three hundred thousand different ones for as many texts', () => {
    const ids = new Set(Array.from({ length: 300_000 }, (_, i) => deterministicId(`reading/${i}`)));
    expect(ids.size).toBe(300_000);
  });
});

describe('names of skills', () => {
  it('are told of one that is gone too', () => {
    expect(skillName('casting.pause')).toBe(SKILLS.get('casting.pause').name);
    expect([skillName('casting.long-gone'), skillName('odd')]).toEqual(['long gone', 'odd']);
  });
});

describe('fault rates', () => {
  const list = (pattern: string) =>
    [...pattern].map((mark, atMs) => ({ atMs, faultId: mark === '.' ? null : mark }));

  it('come most frequent first with an interval that holds the rate', () => {
    const rates = faultRates(list('a.b.a..a..'));
    expect(rates.map(({ faultId, count, rate }) => [faultId, count, rate])).toEqual([
      ['a', 3, 0.3],
      ['b', 1, 0.1],
    ]);
    for (const { low, rate, high } of rates) expect(low < rate && rate < high).toBe(true);
  });

  it('name a trend only with enough on both sides', () => {
    expect(faultRates(list('a'.repeat(20) + '.'.repeat(20)))[0]?.trend).toBe('falling');
    expect(faultRates(list('.'.repeat(20) + 'a'.repeat(20)))[0]?.trend).toBe('rising');
    expect(faultRates(list('aaa...'))[0]?.trend).toBe('unclear');
  });

  it('offer the student’s own faults first, at most six', () => {
    expect(likeliestFaults({ c: 2, b: 5 }, ['a', 'b', 'c', 'd', 'e', 'f', 'g'])).toEqual([
      'b',
      'c',
      'a',
      'd',
      'e',
      'f',
    ]);
  });

  it('go lesson by lesson, in the order of time, each from its own attempts', () => {
    const lesson = (lessonId: string, atMs: number, n: number, cracks: number) =>
      Array.from({ length: n }, (_, i) => ({
        lessonId,
        atMs: atMs + i,
        faultId: i < cracks ? 'crack' : i === cracks ? 'pile' : null,
      }));
    const course = faultCourse([...lesson('late', 9000, 20, 2), ...lesson('early', 100, 10, 5)], 'crack');
    expect(course.map(({ lessonId, n, rate }) => [lessonId, n, rate])).toEqual([
      ['early', 10, 0.5],
      ['late', 20, 0.1],
    ]);
    for (const { low, rate, high } of course) expect([low < rate, rate < high]).toEqual([true, true]);
    expect(faultCourse([], 'crack')).toEqual([]);
  });

  it('are filled up with what else goes wrong in the strand, the skill’s own before them', () => {
    expect(likeliestFaults({}, ['a', 'b'], ['x', 'b', 'y'], 4)).toEqual(['a', 'b', 'x', 'y']);
    expect(likeliestFaults({ y: 1 }, ['a', 'b'], ['x', 'y'], 3)).toEqual(['y', 'a', 'b']);
    const casting = faultsOfStrand('casting');
    expect(new Set(casting).size).toBe(casting.length);
    const skills = (id: string): number =>
      SKILLS.skills.filter(({ strand, faults }) => strand === 'casting' && faults.includes(id)).length;
    const times = casting.map(skills);
    expect(times).toEqual([...times].sort((a, b) => b - a));
    expect(Math.min(...times)).toBeGreaterThan(0);
  });
});

describe('bank book', () => {
  const event = (id: string, atMs: number, body: BankEvent['body']): BankEvent => ({
    id,
    lessonId: 'l',
    studentId: 's',
    blockId: null,
    deviceId: 'd',
    atMs,
    body,
  });
  const tap = (id: string, atMs: number, good: boolean): BankEvent =>
    event(id, atMs, {
      kind: 'attempt',
      skillId: 'casting.stop',
      drillId: 'stop-and-say',
      good,
      faultId: null,
    });
  const undo = (id: string, targetId: string): BankEvent => event(id, 99, { kind: 'undo', targetId });

  it('keeps each event once, whatever the order and however often it comes', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(['a', 'b', 'c', 'd', 'u', 'v'], { minLength: 6 }), (order) => {
        const all: Record<string, BankEvent> = {
          a: tap('a', 1, true),
          b: tap('b', 2, false),
          c: tap('c', 3, true),
          d: tap('d', 4, true),
          u: undo('u', 'b'),
          v: undo('v', 'c'),
        };
        const arrived = [...order, ...order].map((id) => all[id] as BankEvent);
        return (
          activeEvents(arrived)
            .map(({ id }) => id)
            .join() === 'a,d'
        );
      }),
    );
  });

  it('brings back what an undone undo took away', () =>
    expect(activeEvents([tap('a', 1, true), undo('u', 'a'), undo('w', 'u')]).map(({ id }) => id)).toEqual([
      'a',
    ]));

  it('gives attempts of one student only', () =>
    expect(attemptsOf([tap('a', 1, true), { ...tap('b', 2, true), studentId: 'other' }], 's')).toHaveLength(
      1,
    ));

  it('counts the last attempts against the drill’s criterion', () => {
    const events = Array.from({ length: 12 }, (_, i) => tap(`${String(i).padStart(2, '0')}`, i, i > 3));
    expect(drillCount(events, 's', getDrill('stop-and-say'))).toMatchObject({
      goods: 8,
      wanted: 8,
      of: 10,
      done: true,
    });
    expect(drillCount(events.slice(0, 8), 's', getDrill('stop-and-say'))).toMatchObject({
      goods: 4,
      done: false,
    });
  });
});

describe('season and sun', () => {
  it.each([
    ['2026-11-28', '12-31', '2025-12-31'],
    ['2026-11-28', '09-30', '2026-09-30'],
    ['2026-09-30', '09-30', '2025-09-30'],
    ['2026-02-01', '03-14', '2025-03-14'],
  ])('before %s a season to %s last ended %s', (date, to, expected) =>
    expect(lastSeasonEnd(date, to)).toBe(expected),
  );

  it('knows seasons over the year’s end', () => {
    expect([
      inSeason('2026-01-05', '06-16', '03-14'),
      inSeason('2026-04-05', '06-16', '03-14'),
      inSeason('2026-07-05', '04-01', '09-30'),
    ]).toEqual([true, false, true]);
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

describe('student simulator', () => {
  it('is the same for the same seed and draws faults by habit', () => {
    const play = () =>
      simulateStudent('seed', { key: 'Sam', head: { casting: 0 }, habits: { 'cast.crack': 20 } }, [
        { drillId: 'count-the-pause', startMs: 0, attempts: 80 },
      ]);
    expect(play()).toEqual(play());
    const faults = play().attempts.filter(({ good }) => !good);
    expect(faults.filter(({ faultId }) => faultId === 'cast.crack').length).toBeGreaterThan(
      faults.length * 0.7,
    );
    expect(play().truth).toHaveLength(1);
  });
});
