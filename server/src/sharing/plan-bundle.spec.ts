import {
  type BundledPlan,
  comingPlans,
  type KnownPlan,
  readPlanBundle,
  writePlanBundle,
} from '@doceo/contract';
import {
  applyEdit,
  blockFromDrill,
  buildRig,
  canonicalText,
  carrying,
  deterministicId,
  emptyPlan,
  planHash,
  seededRandom,
  type SharedPlan,
} from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { demoScenario } from '@doceo/demo';

const SHIPPED_PLANS = demoScenario(new Date()).plans.map(({ plan }) => plan);
const DRILLS = SHIPPED.drills.all;

/** A plan of some blocks, with a rig or none, and odd texts. */
function randomPlan(seed: string): SharedPlan & { id: string } {
  const random = seededRandom(seed);
  const rigId = deterministicId(`${seed}/rig`);
  const hasRig = random() < 0.5;
  const rigs = hasRig ? [{ id: rigId, name: 'A rig “for” it', rig: buildRig('indicator-nymph') }] : [];
  let body = { ...emptyPlan(), aim: `Aim \u00e9\u4e2d ${seed}\n"\\`, groupSize: 4, rigs };
  for (let i = 0; i < Math.floor(random() * 10); i++) {
    const drill = DRILLS[Math.floor(random() * DRILLS.length)]!;
    const lane = random() < 0.5 ? null : Math.floor(random() * 4);
    const block = blockFromDrill(drill, deterministicId(`${seed}/${i}`), 5 * Math.floor(random() * 30), lane);
    const edit = {
      kind: 'add' as const,
      block: { ...block, rigId: hasRig && random() < 0.5 ? rigId : null },
    };
    body = applyEdit(SHIPPED, body, edit) as typeof body;
  }
  return { id: deterministicId(seed), title: `Plan ${seed}`, body: carrying(SHIPPED, body) };
}

const version = (n: number, parents: number[], rest: Partial<BundledPlan['lineage'][number]> = {}) => ({
  ...{ id: deterministicId(`v${n}`), hash: String(n % 10).repeat(64), why: 'shared' as const, note: '' },
  ...{ authorName: 'Maren Voss', at: '2026-06-01T10:00:00.000Z' },
  parents: parents.map((one) => deterministicId(`v${one}`)),
  ...rest,
});
const ONE = { ...SHIPPED_PLANS[0]!, lineage: [version(1, []), version(2, [1])] };
const read = (text: string): string[] =>
  (readPlanBundle(text).issues ?? []).map(({ path, message }) => `${path}: ${message}`);
/** The file of one plan with something changed in it. */
const broken = (change: (file: { version: number; plans: Record<string, unknown>[] }) => void): string => {
  const file = JSON.parse(writePlanBundle([ONE])) as Parameters<typeof change>[0];
  change(file);
  return JSON.stringify(file, null, 1);
};

describe('a file of plans', () => {
  it.each(SHIPPED_PLANS.map((plan) => [plan.title, plan] as const))(
    'brings back %s byte for byte',
    (_, plan) => {
      const text = writePlanBundle([{ ...plan, lineage: [] }]);
      const { file } = readPlanBundle(text);
      expect(writePlanBundle(file!.plans)).toBe(text);
      expect(canonicalText(file!.plans[0]!)).toBe(canonicalText(plan));
    },
  );

  it('brings back 500 random plans byte for byte', () => {
    for (let i = 0; i < 500; i += 10) {
      const plans = Array.from({ length: 10 }, (_, k) => randomPlan(`${i + k}`));
      const text = writePlanBundle(plans.map((plan) => ({ ...plan, lineage: [] })));
      const { file, issues } = readPlanBundle(text);
      expect(issues).toBeNull();
      expect(writePlanBundle(file!.plans)).toBe(text);
      expect(file!.plans.map(canonicalText)).toEqual(plans.map(canonicalText));
    }
  });

  it('that was cut is refused at whatever place, with its line', () => {
    const text = writePlanBundle([ONE]);
    for (const share of [0.01, 0.3, 0.5, 0.9, 0.999]) {
      const cut = text.slice(0, Math.floor(text.length * share)).trimEnd();
      expect(read(cut)).toHaveLength(1);
      expect(read(cut)[0]).toMatch(/^file: line \d+: /);
    }
    expect(read(text.slice(0, text.length - 3))[0]).toContain('ends too early');
    expect(read('')).toHaveLength(1);
  });

  it('of a newer program says so, and that of another kind is refused', () => {
    expect(read(broken((file) => (file.version = 7)))).toEqual([
      expect.stringMatching(/^version: line \d+: is 7, of a newer program; this one reads 1$/),
    ]);
    expect(read('{"format":"other","version":1,"plans":[]}')[0]).toMatch(/^format: line 1: /);
    expect(read('[]').length).toBeGreaterThan(0);
    expect(read('null').length).toBeGreaterThan(0);
  });

  it('with a circle in its lineage, or a version that is not there, is refused at its place', () => {
    const circle = broken(({ plans }) => {
      plans[0]!['lineage'] = [version(1, [3]), version(2, [1]), version(3, [2]), version(4, [])];
    });
    expect(read(circle)).toEqual([
      expect.stringMatching(/^plans\[0\]\.lineage\[\d\]: line \d+: comes of itself in the end$/),
    ]);
    const unknown = broken(({ plans }) => (plans[0]!['lineage'] = [version(2, [1])]));
    expect(read(unknown)).toEqual([
      expect.stringMatching(/^plans\[0\]\.lineage\[0\]\.parents\[0\]: line \d+: is no version of this list$/),
    ]);
    const twice = broken(({ plans }) => (plans[0]!['lineage'] = [version(1, []), version(1, [])]));
    expect(read(twice)[0]).toContain('is used twice');
  });

  it('of 2 000 blocks is refused by its limit', () => {
    const long = broken(({ plans }) => {
      const body = plans[0]!['body'] as { blocks: object[] };
      body.blocks = Array.from({ length: 2000 }, () => body.blocks[0]!);
    });
    expect(read(long).some((issue) => issue.startsWith('plans[0].body.blocks: line '))).toBe(true);
  });

  it('that was changed by hand no longer has its hash', () => {
    expect(read(broken(({ plans }) => (plans[0]!['title'] = 'Another')))).toEqual([
      expect.stringMatching(/^plans\[0\]\.hash: line \d+: does not belong to this plan/),
    ]);
  });

  it('tells the path and line of what is wrong deep in it', () => {
    const text = broken(({ plans }) => {
      (plans[0]!['body'] as { blocks: { durationMin: number }[] }).blocks[2]!.durationMin = -5;
    });
    const [issue] = read(text);
    const line = Number(/line (\d+)/.exec(issue!)?.[1]);
    expect(issue).toMatch(/^plans\[0\]\.body\.blocks\[2\]\.durationMin: /);
    expect(text.split('\n')[line - 1]).toContain('-5');
  });

  it('with the same plan twice is refused', () => {
    const file = broken(({ plans }) => plans.push(plans[0]!));
    expect(read(file)).toEqual([expect.stringMatching(/^plans\[1\]\.id: line \d+: is used twice$/)]);
  });

  it('says before it comes what each plan would be here', () => {
    const { file } = readPlanBundle(writePlanBundle([ONE]));
    const hash = planHash(ONE);
    const [first, second] = ONE.lineage.map((one) => one.hash) as [string, string];
    const other = 'f'.repeat(64);
    const known = (change: Partial<KnownPlan>): KnownPlan[] => [
      { id: deterministicId('mine'), title: 'Mine', hash: other, hashes: [], ...change },
    ];
    const what = (plans: KnownPlan[]) => comingPlans(file!, plans).map((one) => one.what);
    expect(what([])).toEqual(['new']);
    expect(what(known({}))).toEqual(['new']);
    expect(what(known({ hash }))).toEqual(['same']);
    expect(what(known({ hash: second, hashes: [first] }))).toEqual(['newer']);
    expect(what(known({ hashes: [hash, first] }))).toEqual(['older']);
    expect(what(known({ hashes: [first] }))).toEqual(['apart']);
    expect(comingPlans(file!, known({ hash }))[0]?.with).toBe(deterministicId('mine'));
  });
});
