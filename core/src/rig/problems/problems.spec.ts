import { CARD } from '../../testing/rule-card';
import { BLANK_CARD, type RuleCard } from '../../water';
import { floatMargin } from '../sink/float-margin';
import { rigEdits } from '../leader/edits';
import { hookCount } from '../strength/hook-count';
import type { Rig } from '../rig';
import { buildRig } from '../templates';
import { DEFAULT_SCHOOLS } from '../rig';
import { rigProblems, type RigFix, type RigProblem } from './index';

const problemsOf = (rig: Rig, rules: Partial<RuleCard> = {}): RigProblem[] =>
  rigProblems(rig, { water: { name: 'River Ostrel', rules: { ...CARD, ...rules } } });
const rulesOf = (rig: Rig, rules: Partial<RuleCard> = {}): string[] =>
  problemsOf(rig, rules).map(({ rule }) => rule);
const fixOf = (rig: Rig, rule: string, fix: RigFix): Rig =>
  problemsOf(rig)
    .find((problem) => problem.rule === rule)
    ?.fixes.find(({ does }) => does === fix)?.change as Rig;

const dryDropper = buildRig('dry-dropper');
const withShot: Rig = {
  ...dryDropper,
  fittings: [{ id: 'shot', kind: 'shot', massKg: 0.0002, metal: 'tin', aboveFlyM: 0.15 }],
};

describe('a dropper below a dry fly', () => {
  it('wants no shot: it goes by one click', () => {
    expect(rulesOf(withShot)).toContain('shot-below-dry');
    expect(rulesOf(fixOf(withShot, 'shot-below-dry', 'shot-off'))).not.toContain('shot-below-dry');
  });

  it.each([
    ['bend', true, true],
    ['bend', false, false],
    ['eye', true, false],
    ['tag', true, false],
  ] as const)('tied by the school “%s” where barbless is %s: told %s', (dropper, barbless, told) => {
    const rig = buildRig('dry-dropper', { schools: { ...DEFAULT_SCHOOLS, dropper } });
    expect(rulesOf(rig, { barbless }).includes('dropper-on-barbless-bend')).toBe(told);
  });

  it('is no matter of nymphs under an indicator', () =>
    expect(rulesOf(buildRig('indicator-nymph'))).not.toContain('shot-below-dry'));

  it('only just floats between one and one and a half, and sinks below one', () => {
    const levels = [0.0015, 0.002, 0.0024, 0.0028, 0.0033, 0.0038, 0.0046].map((beadDiameterM) => {
      const rig = rigEdits.fly(rigEdits.fly(dryDropper, 'dry', { hookSize: 14 }), 'point', { beadDiameterM });
      const margin = floatMargin(rig)?.margin ?? 0;
      const level = problemsOf(rig).find(({ rule }) => rule === 'float-too-small')?.level ?? 'none';
      return [margin < 1 ? 'must-fix' : margin < 1.5 ? 'check' : 'none', level];
    });
    for (const [expected, level] of levels) expect(level).toBe(expected);
    expect(new Set(levels.map(([, level]) => level)).size).toBe(3);
  });
});

describe('an indicator', () => {
  it('too small for its load can be made larger', () => {
    const rig = rigEdits.indicatorSize(buildRig('indicator-nymph', { shotMassKg: 0.0008 }), 0.009);
    expect(rulesOf(rig)).toContain('float-too-small');
    expect(rulesOf(fixOf(rig, 'float-too-small', 'larger-float'))).not.toContain('float-too-small');
  });

  it('of a hinge leader has its place at the hinge, whatever the school says', () =>
    expect(rulesOf(buildRig('tuck-hinge'))).not.toContain('indicator-off-school'));
});

describe('hinges', () => {
  const broken = rigEdits.section(buildRig('margin-single'), 'step', { diameterM: 0.0002 });

  it('by mistake are named with their ratio, and may be declared meant', () => {
    const problem = problemsOf(broken).find(({ rule }) => rule === 'hinge-by-mistake');
    expect(problem?.facts).toMatchObject({ section: 'step', hingeRatio: 5 });
    const meant = fixOf(broken, 'hinge-by-mistake', 'hinge-meant');
    expect(meant.hingeAt).toBe('step');
    expect(rulesOf(meant)).not.toContain('hinge-by-mistake');
  });

  it('that do not fold may be given up', () => {
    const mild = buildRig('tuck-hinge', { hingeRatio: 4 });
    expect(rulesOf(fixOf(mild, 'hinge-too-mild', 'no-hinge-meant'))).not.toContain('hinge-too-mild');
  });
});

describe('what a beginner should be spared', () => {
  it('a simpler rig that teaches the same is one click away', () => {
    const rig = buildRig('indicator-nymph');
    expect(rulesOf(rig)).toContain('tangle-risk');
    const simpler = fixOf(rig, 'tangle-risk', 'one-fly');
    expect(simpler.flies.map(({ id }) => id)).toEqual(['point']);
    expect(rulesOf(simpler)).not.toContain('tangle-risk');
  });

  it('weight on the leader reminds of hats and glasses', () => {
    const problem = problemsOf(buildRig('tight-line')).find(({ rule }) => rule === 'open-loop');
    expect(problem?.level).toBe('tip');
    expect(problem?.facts).toMatchObject({ advice: 'open', shot: 0 });
  });

  it('three flies where the card allows two are a stop', () => {
    const lake = buildRig('lake-long-leader');
    expect(problemsOf(lake)[0]).toMatchObject({ rule: 'hooks-over-limit', level: 'must-fix' });
    expect(rulesOf(lake, { maxHooks: 3 })).not.toContain('hooks-over-limit');
  });

  it('worst comes first', () => {
    const order = ['must-fix', 'check', 'tip'];
    const levels = problemsOf(buildRig('lake-long-leader')).map(({ level }) => order.indexOf(level));
    expect(levels).toEqual([...levels].sort((a, b) => a - b));
  });
});

describe('hooks', () => {
  it('are counted where there are some: a tuft of yarn has none', () => {
    expect(hookCount(buildRig('grass'))).toBe(0);
    const tuft = rigEdits.fly(dryDropper, 'dry', { dressing: 'yarn' });
    expect(hookCount(tuft)).toBe(1);
    expect(rulesOf(tuft, { maxHooks: 1 })).not.toContain('hooks-over-limit');
  });

  it.each(['dry-dropper', 'indicator-nymph', 'tight-line', 'lake-long-leader', 'wet-swing'] as const)(
    'over the limit on %s come off in one click, and leave a rig that is tied right',
    (id) => {
      const fix = problemsOf(buildRig(id), { maxHooks: 1 }).find(({ rule }) => rule === 'hooks-over-limit')
        ?.fixes[0];
      const mended = fix?.change as Rig;
      expect(mended.flies.map(({ at }) => at.kind)).toEqual(['point']);
      expect(rulesOf(mended, { maxHooks: 1 })).not.toContain('hooks-over-limit');
      expect(rulesOf(mended, { maxHooks: 1 })).not.toContain('knot-unsuited');
    },
  );
});

describe('knots', () => {
  it('onto a fly must be knots for flies', () => {
    const rig = rigEdits.section(dryDropper, 'dropper', { joint: 'blood' });
    const problem = problemsOf(rig).find(({ rule }) => rule === 'knot-unsuited');
    expect(problem?.facts).toMatchObject({ misfit: { kind: 'other-use', use: 'line-to-bend' } });
    expect(rulesOf(problem?.fixes[0]?.change as Rig)).not.toContain('knot-unsuited');
  });

  it('of a tapered leader are none, and not asked for', () =>
    expect(rulesOf(buildRig('dry-fly'))).not.toContain('knot-unsuited'));
});

describe('barbs and methods that a card does not allow', () => {
  const at = (rules: Partial<RuleCard>) => ({
    water: { name: 'Elm Beck', rules: { ...BLANK_CARD, ...rules } },
  });
  const found = (rig: Rig, rules: Partial<RuleCard>, rule: string) =>
    rigProblems(rig, at(rules)).filter((problem) => problem.rule === rule);
  const nymphs = buildRig('indicator-nymph');
  const barbed = (barb: 'flat' | 'barbed'): Rig => ({
    ...nymphs,
    flies: nymphs.flies.map((fly) => ({ ...fly, barb })),
  });

  it('asks for barbs of which nobody has said anything, once for all flies', () => {
    const [problem, ...more] = found(nymphs, { barbless: true }, 'barbs');
    expect([problem?.level, more]).toEqual(['check', []]);
    expect(problem?.facts).toMatchObject({ said: false, flies: nymphs.flies.map(({ name }) => name) });
    expect(found(problem?.fixes[0]?.change as Rig, { barbless: true }, 'barbs')).toEqual([]);
  });

  it('must have known barbs pressed flat, and says nothing where barbs may be', () => {
    expect(found(barbed('barbed'), { barbless: true }, 'barbs')[0]?.level).toBe('must-fix');
    expect(found(barbed('flat'), { barbless: true }, 'barbs')).toEqual([]);
    for (const barbless of [false, null]) expect(found(barbed('barbed'), { barbless }, 'barbs')).toEqual([]);
    // A tuft of yarn has no hook.
    expect(found(buildRig('grass'), { barbless: true }, 'barbs')).toEqual([]);
  });

  it.each([
    ['float', 'indicator-nymph', 'dry-fly'],
    ['shot', 'indicator-nymph', 'dry-fly'],
    ['sinking-fly', 'indicator-nymph', 'dry-fly'],
  ] as const)('finds a %s on a leader, and none where there is none', (method, withIt, withoutIt) => {
    const [problem] = found(buildRig(withIt), { forbidden: [method] }, 'method-not-allowed');
    expect(problem?.level).toBe('must-fix');
    expect(problem?.facts).toMatchObject({ method, water: 'Elm Beck' });
    for (const { change } of problem?.fixes ?? [])
      expect(found(change, { forbidden: [method] }, 'method-not-allowed')).toEqual([]);
    expect(found(buildRig(withoutIt), { forbidden: [method] }, 'method-not-allowed')).toEqual([]);
  });

  it('leaves wading to the plan, and a card that says nothing forbids nothing', () => {
    expect(found(nymphs, { forbidden: ['wading'] }, 'method-not-allowed')).toEqual([]);
    expect(found(nymphs, { forbidden: null }, 'method-not-allowed')).toEqual([]);
    expect(found(nymphs, {}, 'method-not-allowed')).toEqual([]);
  });
});
