import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { fitSkill, type FittedSkills, type Seen, traceSkill, type TracingParameters } from '../skill';
import { calibrate } from './calibration';
import { simulateSchool } from './school';

const DRILLS = [
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
];
const PLAN = { students: 500, drillIds: DRILLS, sessions: 3, attempts: 5 };

describe('calibration on 500 simulated students', () => {
  const school = simulateSchool(SHIPPED, 'calibration', PLAN);
  const bands = calibrate(school);

  it('covers every band with a hundred cases and more', () => {
    expect(bands).toHaveLength(10);
    expect(bands.reduce((sum, { n }) => sum + n, 0)).toBe(500 * DRILLS.length);
    for (const { n } of bands) expect(n).toBeGreaterThan(100);
  });

  it.each(bands.map((band) => [band.from, band.to, band] as const))(
    'what is foretold from %f to %f happens as often, within three in a hundred and what chance allows',
    (from, to, band) => {
      expect(band.predicted).toBeGreaterThanOrEqual(from);
      expect(band.predicted).toBeLessThanOrEqual(to);
      const chance = 2 * Math.sqrt((band.predicted * (1 - band.predicted)) / band.n);
      expect(Math.abs(band.happened - band.predicted)).toBeLessThan(0.03 + chance);
    },
  );

  it('foretells the next attempt without bias', () => {
    const pairs = school.flatMap(({ attempts, truth }) =>
      truth.map(({ skillId }) => {
        const own = attempts.filter((attempt) => attempt.skillId === skillId);
        const last = own[own.length - 1] as (typeof own)[number];
        return { predicted: traceSkill(own.slice(0, -1), last.atMs).nextGood, good: last.good };
      }),
    );
    const predicted = pairs.reduce((sum, pair) => sum + pair.predicted, 0) / pairs.length;
    const good = pairs.filter((pair) => pair.good).length / pairs.length;
    expect(Math.abs(predicted - good)).toBeLessThan(0.02);
  });
});

describe('calibration on all kinds of evidence', () => {
  const ways: Seen[] = [
    {},
    { evidence: 'side' },
    { evidence: 'passing' },
    { evidence: 'answer', choices: 3 },
    { evidence: 'answer', choices: 4, home: true },
    { evidence: 'bench', home: true },
    { evidence: 'measured' },
  ];
  const school = simulateSchool(SHIPPED, 'all kinds', { ...PLAN, attempts: 3, seen: ways });

  it('plays every kind', () => {
    const kinds = new Set(
      school.flatMap(({ attempts }) => attempts.map(({ evidence }) => evidence ?? 'drill')),
    );
    expect([...kinds].sort()).toEqual(['answer', 'bench', 'drill', 'measured', 'passing', 'side']);
  });

  it('what is foretold happens as often, in every band', () => {
    for (const { predicted, happened, n } of calibrate(school)) {
      const chance = 2 * Math.sqrt((predicted * (1 - predicted)) / n);
      expect(Math.abs(happened - predicted)).toBeLessThan(0.03 + chance);
    }
  });

  it('seven of ten happen 65 to 75 times of a hundred', () => {
    const near = calibrate(school, 20).filter(({ from, to }) => from >= 0.649 && to <= 0.751);
    const n = near.reduce((sum, band) => sum + band.n, 0);
    const happened = near.reduce((sum, band) => sum + band.n * band.happened, 0) / n;
    expect(n).toBeGreaterThan(150);
    expect(happened).toBeGreaterThan(0.65);
    expect(happened).toBeLessThan(0.75);
  });

  it('taken for attempts in a drill they would foretell worse', () => {
    const miss = (records: typeof school): number => {
      const bands = calibrate(records);
      const n = bands.reduce((sum, band) => sum + band.n, 0);
      return bands.reduce((sum, band) => sum + band.n * Math.abs(band.happened - band.predicted), 0) / n;
    };
    const blind = school.map(({ attempts, ...rest }) => ({
      ...rest,
      attempts: attempts.map(
        ({ evidence: _evidence, choices: _choices, home: _home, ...attempt }) => attempt,
      ),
    }));
    expect(miss(blind)).toBeGreaterThan(2 * miss(school));
  });
});

describe('a school that learns in its own way', () => {
  const truth: Record<string, TracingParameters> = {
    'casting.pause': { initial: 0.06, learn: 0.12, slip: 0.05, guess: 0.1 },
    'hook-setting.set-direction': { initial: 0.42, learn: 0.03, slip: 0.2, guess: 0.32 },
  };
  const school = simulateSchool(SHIPPED, 'own way', {
    students: 500,
    drillIds: ['count-the-pause', 'finger-trap', 'sweep-low'],
    sessions: 3,
    attempts: 8,
    parameters: truth,
  });
  const of = (skillId: string) =>
    school.map(({ attempts }) => attempts.filter((attempt) => attempt.skillId === skillId));
  const known = Object.keys(truth);
  const fitted: FittedSkills = Object.fromEntries(known.map((skillId) => [skillId, fitSkill(of(skillId))]));

  it.each(known)('has its %s found again: each parameter within 0.05, learning within 0.02', (skillId) => {
    const mean = fitted[skillId]?.mean as TracingParameters;
    const own = truth[skillId] as TracingParameters;
    expect(Math.abs(mean.initial - own.initial)).toBeLessThan(0.05);
    expect(Math.abs(mean.learn - own.learn)).toBeLessThan(0.02);
    expect(Math.abs(mean.slip - own.slip)).toBeLessThan(0.05);
    expect(Math.abs(mean.guess - own.guess)).toBeLessThan(0.05);
  });

  it('is foretold better with what was fitted than with the prior, from a few attempts', () => {
    const fresh = simulateSchool(SHIPPED, 'fresh', {
      students: 500,
      drillIds: ['count-the-pause', 'sweep-low'],
      sessions: 1,
      attempts: 3,
      parameters: truth,
    });
    const miss = (use: FittedSkills): number => {
      const bands = calibrate(fresh, 10, use);
      const n = bands.reduce((sum, band) => sum + band.n, 0);
      return bands.reduce((sum, band) => sum + band.n * Math.abs(band.happened - band.predicted), 0) / n;
    };
    expect(miss(fitted)).toBeLessThan(0.03);
    expect(miss(fitted)).toBeLessThan(miss({}));
  });
});
