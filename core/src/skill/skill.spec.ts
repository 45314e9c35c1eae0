import fc from 'fast-check';
import { FAULTS, findFault } from '../fault';
import { seededRandom } from '../random';
import { simulateStudent } from '../simulate';
import { skillGraph, SKILLS } from './graph';
import { skillState, sureness } from './record';
import { type Attempt, PARAMETER_GRID, retained, traceSkill } from './tracing';

const DAY_MS = 86_400_000;
const attempts = (pattern: string, startMs = 0): Attempt[] =>
  [...pattern].map((mark, i) => ({ id: `${startMs}-${i}`, atMs: startMs + i * 20_000, good: mark === '+' }));

describe('skill graph', () => {
  it('ships acyclic, with every prerequisite before what rests on it', () => {
    const place = new Map(SKILLS.skills.map((skill, i) => [skill.id, i]));
    for (const skill of SKILLS.skills)
      for (const need of skill.needs)
        expect(place.get(need) as number).toBeLessThan(place.get(skill.id) as number);
    expect(SKILLS.skills.length).toBeGreaterThan(50);
  });

  it('names only faults of the catalogue', () => {
    for (const skill of SKILLS.skills)
      for (const fault of skill.faults) expect(findFault(fault)).toBeDefined();
    expect(new Set(FAULTS.map(({ id }) => id)).size).toBe(FAULTS.length);
  });

  it('refuses cycles and unknown prerequisites', () => {
    const [a, b] = SKILLS.skills as [never, never];
    expect(() =>
      skillGraph([
        { ...(a as object), id: 'x', needs: ['y'] } as never,
        { ...(b as object), id: 'y', needs: ['x'] } as never,
      ]),
    ).toThrow(expect.objectContaining({ code: 'cycle' }));
    expect(() => skillGraph([{ ...(a as object), id: 'x', needs: ['gone'] } as never])).toThrow(
      expect.objectContaining({ code: 'unknown-id' }),
    );
    expect(() => SKILLS.get('gone')).toThrow(expect.objectContaining({ code: 'unknown-id' }));
  });

  it('knows what tuck rests on', () => {
    expect(SKILLS.ancestors('casting.tuck').map(({ id }) => id)).toEqual([
      'casting.overhead',
      'casting.pick-up-lay-down',
      'casting.pause',
      'casting.stop',
      'casting.straight-path',
      'casting.grip-stance',
    ]);
    expect(
      SKILLS.opens('casting.overhead')
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['casting.distance', 'casting.loop-control', 'casting.reach', 'casting.tuck']);
  });
});

describe('tracing', () => {
  const one = [{ initial: 0.5, learn: 0.1, slip: 0.1, guess: 0.2 }];

  it('follows a sequence worked by hand', () => {
    // after +: 0.45/0.55 = 0.8182, learned: 0.8364; after −: 0.08364/(0.08364 + 0.13091) = 0.3898, learned: 0.4508
    expect(traceSkill(attempts('+'), 0, one).mastery).toBeCloseTo(0.83636, 4);
    expect(traceSkill(attempts('+-'), 20_000, one).mastery).toBeCloseTo(0.45085, 4);
  });

  it('starts from the prior and is sure of nothing', () => {
    const none = traceSkill([], 0);
    expect(none.mastery).toBeCloseTo(
      PARAMETER_GRID.reduce((sum, { initial }) => sum + initial, 0) / PARAMETER_GRID.length,
      9,
    );
    expect(sureness(none)).toBe('not seen yet');
  });

  it('gives probabilities, ordered limits, and the same for any order of arrival', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ atMs: fc.integer({ min: 0, max: 1e11 }), good: fc.boolean() }), {
          maxLength: 60,
        }),
        (list) => {
          const events = list.map((event, i) => ({ ...event, id: `${i}` }));
          const estimate = traceSkill(events, 2e11);
          expect(traceSkill([...events].reverse(), 2e11)).toEqual(estimate);
          return (
            estimate.low >= 0 &&
            estimate.high <= 1 &&
            estimate.low <= estimate.high &&
            estimate.mastery >= 0 &&
            estimate.mastery <= 1 &&
            estimate.nextGood > 0 &&
            estimate.nextGood < 1
          );
        },
      ),
      { seed: 3 },
    );
  });

  it('is exactly restored when a tap is taken away', () => {
    const before = attempts('++-++-+');
    expect(
      traceSkill(
        [...before, { id: 'mis-tap', atMs: 90_000, good: false }].filter(({ id }) => id !== 'mis-tap'),
        1e9,
      ),
    ).toEqual(traceSkill(before, 1e9));
  });

  it('rises with good ones, falls with faults, forgets between sessions only', () => {
    expect(traceSkill(attempts('++++++'), 1e6).mastery).toBeGreaterThan(0.9);
    expect(traceSkill(attempts('------'), 1e6).mastery).toBeLessThan(0.15);
    expect(retained(3_600_000)).toBe(1);
    expect(retained(180 * DAY_MS)).toBeCloseTo(Math.exp(-1), 9);
    expect(traceSkill(attempts('++++++'), 90 * DAY_MS).mastery).toBeLessThan(
      traceSkill(attempts('++++++'), 1e6).mastery,
    );
  });

  it('survives ten thousand attempts without running out of range', () => {
    const random = seededRandom('long');
    const long = Array.from({ length: 10_000 }, (_, i) => ({ id: `${i}`, atMs: i, good: random() < 0.5 }));
    expect(Number.isFinite(traceSkill(long, 1e6).mastery)).toBe(true);
  });

  it('grows surer with evidence', () => {
    const width = (pattern: string): number => {
      const { low, high } = traceSkill(attempts(pattern), 1e6);
      return high - low;
    };
    expect(width('+++++++++++++++++++')).toBeLessThan(width('+-'));
  });

  it('leaves attempts at unknown skills out', () => {
    const state = skillState(
      SKILLS,
      [
        { id: 'a', atMs: 0, good: true, skillId: 'casting.stop' },
        { id: 'b', atMs: 0, good: true, skillId: 'gone' },
      ],
      0,
    );
    expect(state['casting.stop']?.attempts).toBe(1);
    expect(Object.keys(state)).toHaveLength(SKILLS.skills.length);
  });
});

describe('calibration on 200 simulated students', () => {
  const pairs: { predicted: number; mastered: boolean }[] = [];
  const next: { predicted: number; good: boolean }[] = [];
  const drills = [
    'draw-the-line',
    'stop-and-say',
    'count-the-pause',
    'lay-it-down',
    'finger-trap',
    'find-the-seam',
    'clinch-race',
    'roll-the-d',
    'name-the-water',
    'sweep-low',
    'strip-the-slack',
    'mend-both-ways',
    'water-load',
    'hoops',
    'surgeon-pairs',
    'strip-set',
    'count-it-down',
    'wet-and-pull',
  ];
  for (let s = 0; s < 200; s++) {
    const bouts = drills.flatMap((drillId, d) =>
      [0, 1, 2].map((session) => ({
        drillId,
        startMs: session * 14 * DAY_MS + d * 3_600_000,
        attempts: 3 + ((s + d + session) % 5),
      })),
    );
    const { attempts: made, truth } = simulateStudent(
      'calibration',
      { key: `student ${s}`, head: {}, habits: {} },
      bouts.sort((a, b) => a.startMs - b.startMs),
    );
    for (const { skillId, mastered } of truth) {
      const own = made.filter((attempt) => attempt.skillId === skillId);
      const last = own[own.length - 1] as (typeof own)[number];
      pairs.push({ predicted: traceSkill(own, last.atMs).mastery, mastered });
      next.push({ predicted: traceSkill(own.slice(0, -1), last.atMs).nextGood, good: last.good });
    }
  }
  const happened = (low: number, high: number): { n: number; share: number } => {
    const inside = pairs.filter(({ predicted }) => predicted >= low && predicted < high);
    return { n: inside.length, share: inside.filter(({ mastered }) => mastered).length / inside.length };
  };

  it.each([
    [0, 0.2],
    [0.2, 0.4],
    [0.4, 0.6],
    [0.6, 0.8],
    [0.8, 1.01],
  ])('mastery predicted from %f to %f happens as often', (low, high) => {
    const inside = pairs.filter(({ predicted }) => predicted >= low && predicted < high);
    const mean = inside.reduce((sum, { predicted }) => sum + predicted, 0) / inside.length;
    expect(inside.length).toBeGreaterThan(40);
    expect(Math.abs(happened(low, high).share - mean)).toBeLessThan(0.09);
  });

  it('foretells the next attempt without bias', () => {
    const predicted = next.reduce((sum, pair) => sum + pair.predicted, 0) / next.length;
    const good = next.filter((pair) => pair.good).length / next.length;
    expect(Math.abs(predicted - good)).toBeLessThan(0.03);
  });
});
