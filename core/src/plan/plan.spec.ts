import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { CARD } from '../testing/rule-card';
import fc from 'fast-check';
import type { ConditionHour } from '../conditions';

import { buildRig } from '../rig';
import { skillState } from '../skill';
import { whatNext } from '../teach';
import type { Water } from '../water';
import { applyEdit, blockFromDrill, plainBlock, type PlanEdit } from './edits';
import { type Block, emptyPlan, type PlanBody } from './plan';
import { type PlanLesson, type PlanStudent, planProblems } from './rules';
import { endOf, gearList, planEnd, resolveOverlaps, shareLane, strandShares } from './timing';

const block = (id: string, startMin: number, durationMin: number, lane: number | null = null): Block => ({
  ...plainBlock('drill', id, id, startMin, durationMin),
  lane,
});
const plan = (blocks: Block[], rest: Partial<PlanBody> = {}): PlanBody => ({
  ...emptyPlan(),
  blocks,
  ...rest,
});
const times = (of: PlanBody): string =>
  of.blocks
    .map(
      ({ id, startMin, durationMin, lane }) =>
        `${id}@${startMin}+${durationMin}${lane === null ? '' : `/${lane}`}`,
    )
    .join(' ');
const clash = (blocks: readonly Block[]): boolean =>
  blocks.some((a, i) =>
    blocks.slice(i + 1).some((b) => shareLane(a, b) && a.startMin < endOf(b) && b.startMin < endOf(a)),
  );

const anyBlocks = fc
  .array(
    fc.record({
      start: fc.integer({ min: 0, max: 40 }),
      length: fc.integer({ min: 1, max: 12 }),
      lane: fc.option(fc.integer({ min: 0, max: 3 })),
    }),
    { maxLength: 14 },
  )
  .map((rows) => rows.map(({ start, length, lane }, i) => block(`b${i}`, start * 5, length * 5, lane)));

describe('settling', () => {
  it('never asks anybody to be in two places, keeps every block and its length', () => {
    fc.assert(
      fc.property(anyBlocks, (blocks) => {
        const settled = resolveOverlaps(blocks, blocks[0]?.id ?? null);
        expect(settled.map(({ id, durationMin }) => `${id}${durationMin}`).sort()).toEqual(
          blocks.map(({ id, durationMin }) => `${id}${durationMin}`).sort(),
        );
        expect(resolveOverlaps(settled)).toEqual(settled);
        return !clash(settled);
      }),
    );
  });

  it.each<[string, PlanEdit, string]>([
    [
      'a block dropped before another pushes it',
      { kind: 'move', blockId: 'c', startMin: 2, lane: null },
      'c@0+20 a@20+10 b@30+20',
    ],
    [
      'a block dropped late stays there',
      { kind: 'move', blockId: 'a', startMin: 100, lane: null },
      'b@10+20 c@30+20 a@100+10',
    ],
    [
      'a longer block pushes what follows',
      { kind: 'resize', blockId: 'a', durationMin: 25 },
      'a@0+25 b@25+20 c@45+20',
    ],
    [
      'no block is shorter than a step',
      { kind: 'resize', blockId: 'a', durationMin: -40 },
      'a@0+5 b@10+20 c@30+20',
    ],
    [
      'swapping keeps the time they cover',
      { kind: 'reorder', blockId: 'a', direction: 1 },
      'b@0+20 a@20+10 c@30+20',
    ],
    ['the last cannot go later', { kind: 'reorder', blockId: 'c', direction: 1 }, 'a@0+10 b@10+20 c@30+20'],
    ['removing leaves the gap', { kind: 'remove', blockId: 'b' }, 'a@0+10 c@30+20'],
  ])('%s', (_name, edit, expected) => {
    const before = plan([block('a', 0, 10), block('b', 10, 20), block('c', 30, 20)]);
    expect(times(applyEdit(SHIPPED, before, edit))).toBe(expected);
    expect(times(before)).toBe('a@0+10 b@10+20 c@30+20');
  });

  it('lets lanes run side by side and a shared block wait for both', () => {
    const made = applyEdit(SHIPPED, plan([block('a', 0, 10, 0), block('b', 0, 30, 1)]), {
      kind: 'add',
      block: block('all', 18, 10),
    });
    expect(times(made)).toBe('a@0+10/0 b@0+30/1 all@30+10');
  });

  it('refuses an edit of a block that is not there', () =>
    expect(() => applyEdit(SHIPPED, plan([]), { kind: 'remove', blockId: 'x' })).toThrow(
      expect.objectContaining({ code: 'unknown-id' }),
    ));

  it('shortens drills towards their least time, no further', () => {
    const long = plan(
      [
        blockFromDrill(SHIPPED.drills.get('set-on-anything'), 'a', 0),
        blockFromDrill(SHIPPED.drills.get('find-the-seam'), 'b', 25),
      ],
      {
        lengthMin: 30,
      },
    );
    const fit = applyEdit(SHIPPED, long, { kind: 'fit' });
    expect(planEnd(fit)).toBeLessThanOrEqual(30);
    for (const made of fit.blocks)
      expect(made.durationMin).toBeGreaterThanOrEqual(
        SHIPPED.drills.get(made.drillId ?? '')?.minutes.min ?? 0,
      );
  });
});

describe('what follows from a plan', () => {
  it('shares sum to one', () => {
    const shares = strandShares(
      SHIPPED,
      plan([
        blockFromDrill(SHIPPED.drills.get('hoops'), 'a', 0),
        { ...blockFromDrill(SHIPPED.drills.get('clinch-race'), 'b', 15), lane: 1 },
      ]),
    );
    expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(strandShares(SHIPPED, plan([]))).toEqual([]);
  });

  it('packs for those who need it at once', () => {
    const list = gearList(
      SHIPPED,
      plan(
        [
          { ...blockFromDrill(SHIPPED.drills.get('hoops'), 'a', 0), lane: 0 },
          { ...blockFromDrill(SHIPPED.drills.get('hoops'), 'b', 0), lane: 1 },
          { ...blockFromDrill(SHIPPED.drills.get('lay-it-down'), 'd', 5), lane: 2 },
          blockFromDrill(SHIPPED.drills.get('thermometer-first'), 'c', 30),
        ],
        { groupSize: 4 },
      ),
    );
    expect(list).toContainEqual({ item: '3 hoops', count: 2 });
    // Each has a rod of his own, also who waits meanwhile.
    expect(list).toContainEqual({ item: 'rod', count: 4 });
    expect(list).toContainEqual({ item: 'thermometer', count: 1 });
  });
});

describe('drill library', () => {
  it('has at least 24 drills over all strands that name known skills and faults', () => {
    expect(SHIPPED.drills.all.length).toBeGreaterThanOrEqual(24);
    expect(new Set(SHIPPED.drills.all.map(({ strand }) => strand)).size).toBe(6);
    for (const drill of SHIPPED.drills.all) {
      for (const { skillId } of drill.trains) expect(SHIPPED.skills.has(skillId)).toBe(true);
      for (const id of drill.watchFor) expect(SHIPPED.faults.find(id)).toBeDefined();
      expect(drill.minutes.min <= drill.minutes.likely && drill.minutes.likely <= drill.minutes.max).toBe(
        true,
      );
      expect(drill.success.good).toBeLessThanOrEqual(drill.success.of);
    }
  });
});

/** A river with a meadow beside it. */
const riverWithGrass: Water = {
  name: 'River Ostrel',
  kind: 'river',
  latitude: 57.9,
  longitude: 9.1,
  timeZone: 'Europe/Copenhagen',
  species: [],
  said: {},
  places: [
    { id: 'p', name: 'Ford Pool', kind: 'pool', lengthM: 20, lengthFrom: 'measured' },
    { id: 'r', name: 'Long Glide', kind: 'run', lengthM: 120, lengthFrom: 'measured' },
    { id: 'g', name: 'School meadow', kind: 'grass', lengthM: 90, lengthFrom: 'measured' },
  ],
  rules: {
    licence: '',
    seasonFrom: '01-01',
    seasonTo: '12-31',
    maxHooks: 1,
    barbless: true,
    leadAllowed: false,
    release: '',
    hours: '',
    other: '',
    whoSaysSo: '',
    checkedOn: '2026-11-20',
    checkedBy: 'Maren Voss',
  },
  calendar: null,
};

describe('plan check', () => {
  const water = riverWithGrass;
  const student = (name: string, rest: object = {}) => ({
    id: name,
    name,
    ageYears: 40,
    saidAdult: false,
    guardianConsent: false,
    skills: skillState(SHIPPED.skills.all, [], 0),
    ...rest,
  });
  const lesson = (rest: Partial<PlanLesson> = {}): PlanLesson => ({
    startMs: Date.parse('2026-11-28T08:30:00Z'),
    date: '2026-11-28',
    water,
    students: [],
    ...rest,
  });
  const safety = blockFromDrill(SHIPPED.drills.get('hats-and-glasses'), 'safety', 0);
  const good = plan([safety], { lengthMin: 60 });
  const rig = { id: 'rig', name: 'two nymphs', rig: buildRig('indicator-nymph') };
  /** A mild day with thunder in one hour, by universal time. */
  const thunderAt = (time: string): ConditionHour[] =>
    Array.from({ length: 24 }, (_, i) => ({
      atMs: Date.parse('2026-11-28T00:00:00Z') + i * 3_600_000,
      airC: 14,
      windMs: 3,
      gustMs: 4,
      windFromDeg: 200,
      pressureHpa: 1015,
      cloud: 0.5,
      rainMm: 0,
      thunder: i === Number(time.slice(0, 2)) ? 0.6 : 0,
      levelM: 0,
      flow: 1,
      waterC: 12,
    }));
  const four = [student('A'), student('B'), student('C'), student('D')];
  /** Somebody who was seen at every skill, and missed each time. */
  const poor = (name: string) =>
    student(name, {
      skills: skillState(
        SHIPPED.skills.all,
        SHIPPED.skills.all.flatMap(({ id }) =>
          Array.from({ length: 6 }, (_, atMs) => ({ id: `${id}${atMs}`, skillId: id, atMs, good: false })),
        ),
        10,
      ),
    });
  const rules = (of: PlanBody, day: PlanLesson | null): string[] =>
    planProblems(SHIPPED, of, day).map(({ rule }) => rule);

  it('says nothing of a plan that is right', () => {
    expect(planProblems(SHIPPED, good, lesson())).toEqual([]);
    expect(planProblems(SHIPPED, emptyPlan(), null)).toEqual([]);
  });

  it('only asks to look first at what nobody has seen of a student', () => {
    const early = plan([safety, blockFromDrill(SHIPPED.drills.get('tuck-over'), 'x', 10)]);
    const levels = (who: PlanStudent[]): string[] =>
      planProblems(SHIPPED, early, lesson({ students: who }))
        .filter(({ rule }) => rule === 'prerequisites')
        .map(({ level }) => level);
    expect(levels([student('New')])).toEqual(['tip']);
    expect(levels([poor('Sam')])).toEqual(['must-fix']);
    expect(levels([student('New'), poor('Sam')])).toEqual(['must-fix']);
  });

  it('lets nothing stop a lesson that nobody said', () => {
    const unsaid: Water = {
      ...water,
      latitude: null,
      longitude: null,
      places: [],
      rules: { ...CARD, seasonFrom: null, seasonTo: null, maxHooks: null, barbless: null, leadAllowed: null },
    };
    const many = plan(
      [
        safety,
        { ...blockFromDrill(SHIPPED.drills.get('draw-the-line'), 'x', 10), rigId: 'rig', place: 'run' },
      ],
      {
        rigs: [rig],
      },
    );
    const of = (day: Partial<PlanLesson>): string[] =>
      planProblems(SHIPPED, many, lesson({ students: four, ...day }))
        .filter(({ level }) => level === 'must-fix')
        .map(({ rule }) => rule);
    const night = Date.parse('2026-11-28T23:00:00Z');
    // Reading the card is the one thing asked for: it is true that nobody has.
    expect(of({ water: unsaid, startMs: night, hours: thunderAt('23:00'), hoursSimulated: true })).toEqual([
      'rule-card',
    ]);
    const short = { id: 'r', name: 'Run', kind: 'run', lengthM: 10 } as const;
    const at = (lengthFrom: 'typical' | 'measured'): PlanLesson => ({
      ...lesson({ students: four }),
      water: { ...unsaid, rules: water.rules, places: [{ ...short, lengthFrom }] },
    });
    const level = (day: PlanLesson): string | undefined =>
      planProblems(SHIPPED, many, day).find(({ rule }) => rule === 'hook-distance')?.level;
    expect([level(at('typical')), level(at('measured'))]).toEqual(['check', 'must-fix']);
  });

  it('takes somebody whose age nobody has said for a minor, until it is said', () => {
    const of = (rest: object): number =>
      planProblems(SHIPPED, good, lesson({ students: [student('A', { ageYears: null, ...rest })] })).filter(
        ({ rule }) => rule === 'guardian-consent',
      ).length;
    expect([of({}), of({ saidAdult: true }), of({ guardianConsent: true })]).toEqual([1, 0, 0]);
  });

  it('says nothing of thunder before and after the lesson', () => {
    expect(planProblems(SHIPPED, good, lesson({ hours: thunderAt('05:00') }))).toEqual([]);
    expect(planProblems(SHIPPED, good, lesson({ hours: thunderAt('12:00') }))).toEqual([]);
  });

  const cases: [string, PlanBody, PlanLesson | null, string][] = [
    ['over-time', plan([safety, block('x', 10, 100)], { lengthMin: 60 }), null, 'must-fix'],
    ['safety-first', plan([block('x', 0, 30)]), null, 'must-fix'],
    ['safety-first', plan([block('x', 0, 30), { ...safety, startMin: 30 }]), null, 'must-fix'],
    [
      'prerequisites',
      plan([safety, blockFromDrill(SHIPPED.drills.get('tuck-over'), 'x', 10)]),
      lesson({ students: [poor('Sam Okande')] }),
      'must-fix',
    ],
    [
      'rule-card',
      good,
      lesson({ water: { ...water, rules: { ...water.rules, checkedOn: '2025-06-01' } } }),
      'must-fix',
    ],
    ['conditions', good, lesson({ hours: thunderAt('09:00') }), 'must-fix'],
    [
      'hook-limit',
      plan([safety, { ...blockFromDrill(SHIPPED.drills.get('find-the-seam'), 'x', 10), rigId: 'rig' }], {
        rigs: [rig],
      }),
      lesson(),
      'must-fix',
    ],
    ['dark-before-end', plan([safety], { lengthMin: 600 }), lesson(), 'must-fix'],
    [
      'hook-distance',
      plan([safety, { ...blockFromDrill(SHIPPED.drills.get('set-on-anything'), 'x', 10), place: 'pool' }]),
      lesson({ students: four }),
      'must-fix',
    ],
    [
      'place-missing',
      plan([safety, { ...blockFromDrill(SHIPPED.drills.get('find-the-seam'), 'x', 10), place: 'riffle' }]),
      lesson(),
      'must-fix',
    ],
    ['guardian-consent', good, lesson({ students: [student('Jonas Wren', { ageYears: 14 })] }), 'must-fix'],
  ];

  it.each(cases)('%s is found', (rule, of, day, level) => {
    const found = planProblems(SHIPPED, of, day).find((problem) => problem.rule === rule);
    expect(found?.level).toBe(level);
  });

  it('fixes by an edit mend what they are offered for', () => {
    for (const [rule, of, day] of cases.filter(([name]) => name !== 'prerequisites')) {
      for (const { change } of planProblems(SHIPPED, of, day).find((problem) => problem.rule === rule)
        ?.fixes ?? []) {
        if (change.kind === 'edit')
          expect(rules(applyEdit(SHIPPED, of, change.edit), day)).not.toContain(rule);
      }
    }
  });

  it('replaces a drill asked too early by one that teaches what is missing', () => {
    const early = plan([safety, blockFromDrill(SHIPPED.drills.get('tuck-over'), 'x', 10)]);
    const [fix] =
      planProblems(SHIPPED, early, lesson({ students: [student('Sam Okande')] })).find(
        ({ rule }) => rule === 'prerequisites',
      )?.fixes ?? [];
    expect(fix?.does).toEqual({ drill: 'Handshake and side-on' });
  });

  it('mends all blocks of the drill at once', () => {
    const early = plan([
      safety,
      blockFromDrill(SHIPPED.drills.get('tuck-over'), 'x', 10, 0),
      blockFromDrill(SHIPPED.drills.get('tuck-over'), 'y', 10, 1),
    ]);
    const day = lesson({ students: [student('Sam Okande'), student('Noor Hadley')] });
    const found = planProblems(SHIPPED, early, day).filter(({ rule }) => rule === 'prerequisites');
    expect(found.map(({ blockIds }) => blockIds)).toEqual([['x', 'y']]);
    const change = found[0]?.fixes[0]?.change;
    const mended = change?.kind === 'edit' ? applyEdit(SHIPPED, early, change.edit) : early;
    expect(mended.blocks.map(({ drillId }) => drillId)).toEqual([
      'hats-and-glasses',
      'grip-and-stance',
      'grip-and-stance',
    ]);
  });

  it('tells of all students who are short in one problem of the drill', () => {
    const early = plan([safety, blockFromDrill(SHIPPED.drills.get('count-the-pause'), 'x', 10)]);
    const students = ['Sam Okande', 'Noor Hadley', 'Petra Holm'].map((name) => student(name));
    const found = planProblems(SHIPPED, early, lesson({ students })).filter(
      (problem) => problem.rule === 'prerequisites',
    );
    expect(found.map(({ facts }) => facts)).toMatchObject([
      { students: ['Sam Okande', 'Noor Hadley', 'Petra Holm'].map((name) => ({ name })) },
    ]);
    expect(found[0]?.facts).toMatchObject({ students: [1, 2, 3].map(() => ({ gaps: { length: 3 } })) });
  });

  it('counts what the plan itself teaches before', () => {
    const taught = plan([
      safety,
      blockFromDrill(SHIPPED.drills.get('grip-and-stance'), 'a', 10),
      blockFromDrill(SHIPPED.drills.get('draw-the-line'), 'b', 20),
    ]);
    expect(rules(taught, lesson({ students: [student('A')] }))).not.toContain('prerequisites');
  });

  it('starts earlier by enough', () => {
    const day = lesson({ startMs: Date.parse('2026-11-28T12:30:00Z') });
    const late = plan([safety], { lengthMin: 180 });
    const [fix] =
      planProblems(SHIPPED, late, day).find(({ rule }) => rule === 'dark-before-end')?.fixes ?? [];
    expect(fix?.change.kind).toBe('start');
    const byMin = fix?.change.kind === 'start' ? -fix.change.byMin : 0;
    expect(rules(late, { ...day, startMs: day.startMs - byMin * 60_000 })).not.toContain('dark-before-end');
  });
});

describe('what next', () => {
  it('starts a beginner at the root and never offers what does not fit', () => {
    const advice = whatNext(SHIPPED, skillState(SHIPPED.skills.all, [], 0), ['grass'], 10);
    for (const { drill } of advice)
      expect(drill.minutes.min <= 10 && ['grass', 'anywhere'].includes(drill.ground)).toBe(true);
    const rank = (id: string): number => advice.findIndex(({ drill }) => drill.id === id);
    expect(rank('draw-the-line')).toBeGreaterThanOrEqual(0);
    expect(rank('draw-the-line')).toBeLessThan(rank('hoops') < 0 ? 99 : rank('hoops'));
  });

  it('expects less of what is mastered', () => {
    const mastered = skillState(
      SHIPPED.skills.all,
      Array.from({ length: 20 }, (_, i) => ({
        id: `${i}`,
        atMs: i,
        good: true,
        skillId: 'casting.grip-stance',
      })),
      100,
    );
    const gain = (state: Parameters<typeof whatNext>[1]): number =>
      whatNext(SHIPPED, state, ['grass'], 15).find(({ drill }) => drill.id === 'grip-and-stance')?.gain ?? 0;
    expect(gain(mastered)).toBeLessThan(gain(skillState(SHIPPED.skills.all, [], 0)) / 3);
  });
});

describe('a plan that names what the library no longer has', () => {
  const gone = {
    ...blockFromDrill(SHIPPED.drills.get('count-the-pause'), 'g', 0),
    drillId: 'gone-drill',
    watchFor: ['cast.gone'],
  };
  const old = plan([
    blockFromDrill(SHIPPED.drills.get('hats-and-glasses'), 'h', 0),
    { ...gone, startMin: 15 },
  ]);

  it('is still checked, timed, counted and edited', () => {
    const lesson: PlanLesson = {
      startMs: 0,
      date: '2026-06-10',
      water: riverWithGrass,
      students: [
        {
          id: 's',
          name: 'Sam',
          ageYears: 40,
          saidAdult: false,
          guardianConsent: false,
          skills: skillState(SHIPPED.skills.all, [], 0),
        },
      ],
    };
    for (const known of [null, lesson]) expect(() => planProblems(SHIPPED, old, known)).not.toThrow();
    expect(planEnd(old)).toBe(15 + gone.durationMin);
    expect(() => [gearList(SHIPPED, old), strandShares(SHIPPED, old)]).not.toThrow();
    const moved = applyEdit(SHIPPED, old, { kind: 'move', blockId: 'g', startMin: 30, lane: null });
    expect(moved.blocks.find(({ id }) => id === 'g')?.drillId).toBe('gone-drill');
  });
});
