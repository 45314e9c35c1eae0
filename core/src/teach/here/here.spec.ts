import { type Curriculum, resolveCurriculum } from '../../curriculum';
import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { buildRig, linksTo, pointFly, rigEdits, TEMPLATE_IDS } from '../../rig';
import { CARD } from '../../testing/rule-card';
import { type HereQuestion, type OnHand, questionsHere } from '.';

const NOTHING: OnHand = {
  rig: null,
  depthM: null,
  lineM: 0,
  rules: null,
  species: [],
  waterC: null,
  beats: [],
  stones: [],
};
const asked = (here: Partial<OnHand>, curriculum: Curriculum = SHIPPED): HereQuestion[] =>
  questionsHere(curriculum, { ...NOTHING, ...here });
const piece = (kind: 'run' | 'pool' | 'eddy', speedMs: number, depthM: number) => ({
  ...{ id: kind, kind, name: '', speedMs, depthM },
  shape: [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 1, y: 1 },
  ],
});
const beat = (...pieces: ReturnType<typeof piece>[]) => ({
  ...{ id: 'b', name: 'First bend', lengthM: 40, widthM: 12 },
  pieces,
});

describe('questions about what is on hand', () => {
  it('are none while nothing is known', () => expect(asked({})).toEqual([]));

  it('are not asked where the school does not teach what they are about', () => {
    const [first] = asked({ waterC: 19.5 });
    expect(first?.skillId).toBe('fish-care.temperature-stop');
    const without = resolveCurriculum([]);
    expect(asked({ waterC: 19.5, lineM: 9 }, without)).toEqual([]);
  });

  it.each(TEMPLATE_IDS)('ask of %s for its weakest link, or not at all where two are as weak', (template) => {
    const rig = buildRig(template);
    const fly = pointFly(rig)!;
    const least = Math.min(...linksTo(rig, fly).map(({ holdsN }) => holdsN));
    for (const question of asked({ rig }).filter(({ kind }) => kind === 'parts-first')) {
      if (question.kind !== 'parts-first') continue;
      expect(question.right.holdsN).toBe(least);
      for (const { holdsN } of question.wrong) expect(holdsN).toBeGreaterThan(least * 1.15);
    }
  });

  it('ask for the distance of the indicator by the school of the rig, at the depth of the place', () => {
    const rig = buildRig('indicator-nymph');
    const [question] = asked({ rig, depthM: 0.8 }).filter(({ kind }) => kind === 'indicator');
    expect(question).toMatchObject({ depthM: 0.8, right: 0.8 * 1.5 });
    const double = rigEdits.schools(rig, { ...rig.schools, indicator: 'double' });
    expect(asked({ rig: double, depthM: 0.8 }).find(({ kind }) => kind === 'indicator')?.right).toBe(1.6);
    expect(asked({ rig: buildRig('tight-line') }).some(({ kind }) => kind === 'indicator')).toBe(false);
  });

  it('ask for the pause of the line that is out', () => {
    const [question] = asked({ lineM: 9 });
    expect(question).toMatchObject({ kind: 'pause', skillId: 'casting.pause' });
    expect(question?.right).toBeGreaterThan(0.4);
    expect(question?.right).toBeLessThan(1.5);
  });

  it('ask what the card says, and nothing it does not say', () => {
    const rules = { ...CARD, barbless: true, leadAllowed: null, maxHooks: 2 };
    expect(asked({ rules })).toEqual([
      {
        ...{ id: 'here.barbless', skillId: 'water.rules-check', kind: 'barbless' },
        ...{ right: true, wrong: [false, null] },
      },
      { id: 'here.hooks', skillId: 'water.rules-check', kind: 'hooks', right: 2, wrong: [3, null] },
    ]);
  });

  it.each([
    [19.5, 'stop'],
    [17, 'short'],
    [12, 'go-on'],
  ] as const)('of %d °C for brown trout the answer is: %s', (waterC, right) => {
    const [question] = asked({ waterC, species: ['brown-trout'] });
    expect(question).toMatchObject({ right, stopC: 19 });
    expect(question?.wrong).toHaveLength(2);
    expect(question?.wrong).not.toContain(right);
  });

  it('ask for the fastest water where one is clearly faster, whichever way it runs', () => {
    const [fast, deep] = asked({
      beats: [beat(piece('pool', 0.2, 1.8), piece('run', 0.9, 0.7), piece('eddy', -0.3, 1))],
    });
    expect(fast).toMatchObject({ kind: 'fastest', right: { piece: 'run' }, beat: 'First bend' });
    expect(fast?.wrong).toEqual([
      { piece: 'eddy', speedMs: -0.3, depthM: 1 },
      { piece: 'pool', speedMs: 0.2, depthM: 1.8 },
    ]);
    expect(deep).toMatchObject({ kind: 'deepest', right: { piece: 'pool' } });
    expect(asked({ beats: [beat(piece('pool', 0.8, 1), piece('run', 0.9, 1.1))] })).toEqual([]);
  });

  it('ask for the food by what a fish gets of it, not by number', () => {
    const [question] = asked({ stones: [{ mayfly: 4, stonefly: 2 }, { mayfly: 1 }] });
    expect(question).toMatchObject({
      right: { food: 'stonefly', count: 2 },
      wrong: [{ food: 'mayfly', count: 5 }],
    });
    expect(asked({ stones: [{ mayfly: 4 }] })).toEqual([]);
  });
});
