import { commands } from '@doceo/contract';
import { DEMO_RIGS, demoScenario, FIRST_NYMPHS } from '@doceo/demo';
import { runCommand } from './run';

const run = (name: string, input: unknown) => {
  const { exitCode, out, error } = runCommand([name], JSON.stringify(input));
  return { exitCode, error, value: out ? JSON.parse(out) : null };
};

/** A plan of the demo. */
const FIRST = { title: FIRST_NYMPHS.title, body: FIRST_NYMPHS.body };

/** Two grown beginners at a water of the demo. */
const PAIR = {
  ...{ startMs: 1_780_000_000_000, date: '2026-05-28' },
  water: demoScenario(new Date('2026-05-28T08:00:00Z')).waters.list[0]?.water,
  students: ['a', 'b'].map((name, i) => ({
    id: `00000000-0000-4000-8000-00000000000${i}`,
    ...{ name, ageYears: 40, guardianConsent: true, attempts: [] },
  })),
};

/** A square pond of 60 m. */
const POND = {
  ...{ id: 'l', name: 'pond', lengthM: 60, widthM: 60, boats: false },
  pieces: [
    {
      ...{ id: 's', kind: 'shore', name: '', depthM: null, speedMs: null },
      shape: [
        { x: 0, y: 0 },
        { x: 60, y: 0 },
        { x: 60, y: 60 },
        { x: 0, y: 60 },
      ],
    },
  ],
};

describe('compute', () => {
  it('lists every command with a sentence and prints schemas', () => {
    const lines = runCommand(['--list'], '').out.split('\n');
    expect(lines.map((line) => line.split(':')[0])).toEqual(Object.keys(commands));
    for (const name of Object.keys(commands))
      expect(JSON.parse(runCommand(['--schema', name], '').out)).toMatchObject({
        input: { type: 'object' },
        output: { type: 'object' },
      });
  });

  it.each([
    [
      'sun-times',
      { latitude: 57.9, longitude: 9.1, date: '2026-11-28', timeZone: 'Europe/Copenhagen' },
      { sunset: expect.stringMatching(/^2026-11-28T15:45/) },
    ],
    [
      'rig-figures',
      { rig: DEMO_RIGS[0]?.rig },
      { figures: expect.arrayContaining([expect.objectContaining({ id: 'leader-length' })]) },
    ],
    [
      'rig-template',
      { template: 'lake-long-leader', parameters: { flyCount: 2, leaderLengthM: 6 } },
      { rig: { template: 'lake-long-leader', line: { kind: 'hover' }, flies: [{}, {}] } },
    ],
    ['rig-template', { template: 'grass' }, { rig: { flies: [{ dressing: 'yarn' }] } }],
    [
      'float-margin',
      { rig: DEMO_RIGS[0]?.rig },
      { float: { kind: 'indicator', measured: null, parts: [{}, {}, {}, {}] } },
    ],
    [
      'fly-mass',
      { fly: DEMO_RIGS[1]?.rig.flies[0] },
      { measured: null, beadKg: expect.closeTo(0.000159, 6) },
    ],
    ['free-sink', { fly: DEMO_RIGS[1]?.rig.flies[0], depthM: 0 }, { seconds: 0 }],
    [
      'countdown',
      { depthM: 2.54, line: 'type-2' },
      { lines: [{ line: 'type-2', seconds: expect.closeTo(50, 9) }] },
    ],
    ['taper', { rig: DEMO_RIGS[0]?.rig }, { hinges: 0, steps: [{}, {}, {}, {}] }],
    [
      'class-kit',
      { uses: [{ rig: DEMO_RIGS[0]?.rig, name: 'x', students: [{ name: 'Sam' }], hours: 0 }] },
      {
        items: expect.arrayContaining([
          { group: 'shot', name: '0.20 g tin', unit: 'pieces', count: 1, spares: 0 },
        ]),
      },
    ],
    [
      'tap-tempo',
      { tapsMs: [0, 1000, 1800], lineM: 9 },
      { backS: 1, forwardS: expect.closeTo(0.8, 9), verdict: 'hurried' },
    ],
    ['skill-fit', { students: [] }, { enough: false, students: 0 }],
    [
      'home-evidence',
      { students: [] },
      {
        home: { enough: false, attempts: 0, trust: expect.closeTo(0.6, 1) },
        kinds: expect.arrayContaining([{ evidence: 'drill', home: false, trust: 1 }]),
      },
    ],
    [
      'retention-due',
      {
        students: [{ id: 'sam', addedOn: '2020-01-01' }],
        events: [],
        rule: { entryMonths: 12, studentMonths: 36 },
        today: '2026-01-01',
      },
      { due: [{ studentId: 'sam', what: 'student', on: '2023-01-01', due: true, entries: 0 }] },
    ],
    [
      'what-next',
      { attempts: [], nowMs: 0, minutes: 15 },
      { advice: expect.arrayContaining([expect.objectContaining({ drillId: 'grip-and-stance' })]) },
    ],
    [
      'simulate-students',
      { seed: 'a', students: 2, drillId: 'count-the-pause', attempts: 3 },
      {
        students: [
          { key: 'student 1', attempts: [{}, {}, {}], truth: [{ skillId: 'casting.pause' }] },
          { key: 'student 2' },
        ],
      },
    ],
    [
      'simulate-students',
      {
        seed: 'a',
        students: 1,
        drillId: 'count-the-pause',
        parameters: { 'casting.pause': { initial: 0.1, learn: 0.1, slip: 0.1, guess: 0.1 } },
      },
      { students: [{ truth: [{ parameters: { initial: 0.1, learn: 0.1, slip: 0.1, guess: 0.1 } }] }] },
    ],
    [
      'plan-canonical',
      FIRST,
      {
        text: expect.stringMatching(/^\{"body":\{"aim":/),
        hash: expect.stringMatching(/^[0-9a-f]{64}$/),
      },
    ],
    [
      'plan-diff',
      { before: FIRST, after: { ...FIRST, title: 'Second nymphs' } },
      { differences: [{ of: 'plan', path: 'title', before: 'First nymphs', after: 'Second nymphs' }] },
    ],
    [
      'plan-merge',
      {
        origin: FIRST,
        mine: { ...FIRST, title: 'Mine' },
        theirs: { title: 'Theirs', body: { ...FIRST.body, aim: 'One take each.' } },
      },
      {
        plan: { title: 'First nymphs', body: expect.objectContaining({ aim: 'One take each.' }) },
        conflicts: [{ path: 'title', origin: 'First nymphs', mine: 'Mine', theirs: 'Theirs' }],
        from: { mine: [], theirs: ['aim'], both: [] },
      },
    ],
    [
      'library-fit',
      {
        plan: { ...FIRST_NYMPHS.body, blocks: FIRST_NYMPHS.body.blocks.slice(0, 1) },
        lesson: PAIR,
        minutes: 60,
      },
      {
        ...{ time: { takesMin: 15, hasMin: 60 }, group: { plannedFor: 4, comes: 2 } },
        students: [expect.objectContaining({ readiness: 'ready' }), expect.anything()],
      },
    ],
    [
      'effect-pool',
      { schools: [{ school: 'Few', students: 4, lessons: 9, mean: 0.9, spread: 0.1 }] },
      { pooled: null },
    ],
    [
      'fish-window',
      { fishDepthM: 1, anglerHeightM: 1.8, distanceM: 9 },
      { radiusM: expect.closeTo(1.1345, 3), seen: true },
    ],
    [
      'wading',
      { place: { depthM: 0.6096, speedMs: 0.6096 }, wader: {} },
      { product: expect.closeTo(4, 9), verdict: 'over-the-limit' },
    ],
    [
      'comfort-band',
      {
        profile: [
          { depthM: 0, celsius: 20 },
          { depthM: 10, celsius: 10 },
        ],
        species: 'brown-trout',
      },
      { bands: [{ fromM: expect.closeTo(4, 9), toM: 10 }], stop: false },
    ],
    [
      'conditions',
      { seed: 'River Ostrel', kind: 'river', latitude: 57.9, date: '2026-06-10' },
      {
        hours: expect.arrayContaining([
          expect.objectContaining({ atMs: Date.parse('2026-06-10T23:00:00Z') }),
        ]),
      },
    ],
    [
      'beat-suggest',
      { beat: { id: 'b', name: 'beat', lengthM: 20, widthM: 10, pieces: [] } },
      { faults: [], seams: [], stands: [] },
    ],
    [
      'beat-suggest',
      {
        beat: {
          id: 'b',
          name: 'beat',
          lengthM: 20,
          widthM: 10,
          pieces: [
            { id: 'x', kind: 'boulder', name: '', shape: [{ x: 90, y: 1 }], depthM: null, speedMs: null },
          ],
        },
      },
      { faults: [{ path: 'pieces[0].shape[0]', message: 'lies outside the beat' }] },
    ],
    [
      'surface-drift',
      {
        ...{ lanes: [{ toM: 30, speedMs: 0.8 }], castM: 8, castDeg: 0, slackShare: 0.25, leaderM: 0 },
        ...{ nodes: 20, durationS: 3, mend: null },
      },
      { onsetS: expect.closeTo(2.5, 1), fedCleanM: null },
    ],
    [
      'loop',
      { stroke: 'wide-arc', durationS: 1.2, nodes: 40 },
      { signs: expect.objectContaining({ faults: expect.arrayContaining(['cast.wide-loop']) }) },
    ],
    [
      'side-drift',
      { depthM: 2, profile: 'even', durationS: 10, nodes: 12 },
      { steadyDepthM: expect.closeTo(1.5, 2), ticks: 0, toZoneS: null },
    ],
    [
      'drift-rank',
      { scene: { lanes: [{ toM: 30, speedMs: 0.5 }], lieM: 6, durationS: 4 }, most: 3 },
      {
        ranked: [
          expect.objectContaining({ cleanM: expect.any(Number) }),
          expect.anything(),
          expect.anything(),
        ],
      },
    ],
    ['set-geometry', { lineDeg: 180, slackM: 0.25, sweepM: 1 }, { movesM: 0.75, verdict: 'into-the-mouth' }],
    [
      'take-score',
      { stimuli: [{ atMs: 0, kind: 'dip' }], setsMs: [350] },
      { hits: 1, misses: 0, medianMs: 350, kinds: [expect.objectContaining({ kind: 'dip' })] },
    ],
    [
      'unroll',
      { skinFriction: 0, flyDragAreaM2: 0, loopDrag: 0, lineM: 9, speedMs: 12, table: [6] },
      {
        seconds: expect.closeTo(1, 3),
        constantSpeedS: 1.5,
        energyKeptS: 1,
        table: [expect.objectContaining({ lineM: 6 })],
      },
    ],
    [
      'lake-suggest',
      {
        lake: { ...POND, soundings: [{ x: 30, y: 30, depthM: 4 }] },
        profile: [
          { depthM: 0, celsius: 14 },
          { depthM: 4, celsius: 11 },
        ],
        students: 2,
        windMs: 5,
      },
      {
        faults: [],
        stop: false,
        chop: expect.objectContaining({ kind: 'light-chop' }),
        band: expect.objectContaining({ fromM: 0 }),
      },
    ],
    [
      'lake-suggest',
      {
        lake: {
          ...POND,
          soundings: [8, 30, 52].flatMap((x) => [8, 30, 52].map((y) => ({ x, y, depthM: 2 }))),
        },
        profile: [{ depthM: 0, celsius: 14 }],
        people: [{ id: 'short', reachM: 8, needs: ['shoulder'] }],
      },
      {
        stands: [{ personId: 'short', castM: 6.5, because: [{ why: 'reach', reachM: 6.5 }] }],
        without: [],
      },
    ],
    [
      'lake-suggest',
      {
        lake: { id: 'l', name: 'x', lengthM: 60, widthM: 60, boats: false, pieces: [], soundings: [] },
        profile: [{ depthM: 0, celsius: 14 }],
      },
      { faults: [{ path: 'pieces', message: 'need one shore' }], stands: [] },
    ],
    ['skill-trace', { attempts: [], nowMs: 0 }, { attempts: 0, lastAtMs: null }],
    [
      'skill-trace',
      { attempts: [{ id: 'a', atMs: 0, good: true, evidence: 'answer', choices: 2 }], nowMs: 0 },
      { attempts: 1, mastery: expect.closeTo(0.35, 1) },
    ],
    [
      'curriculum-check',
      { layer: { retired: [{ kind: 'drill', id: 'partner-is-the-river' }] } },
      {
        skills: 63,
        found: [{ fault: 'unknown-drill', kind: 'drill', id: 'tuck-on-grass', of: 'partner-is-the-river' }],
      },
    ],
    [
      'adapt',
      { drillId: 'count-the-pause', needs: ['shoulder', 'cannot-swim'] },
      {
        ...{ drillId: 'count-the-pause', instead: false, lineOutM: 5.6, minutes: 8, wadeM: 0 },
        reasons: [
          { need: 'shoulder', from: 'drill', words: 'Hand below the shoulder.' },
          { need: 'cannot-swim', from: 'need', words: '' },
        ],
      },
    ],
    [
      'fault-rates',
      {
        attempts: [
          { atMs: 1, faultId: 'cast.crack' },
          { atMs: 2, faultId: null },
        ],
      },
      { attempts: 2, rates: [expect.objectContaining({ faultId: 'cast.crack', rate: 0.5 })] },
    ],
    [
      'plan-check',
      { plan: { ...FIRST_NYMPHS.body, blocks: FIRST_NYMPHS.body.blocks.slice(1) } },
      { problems: expect.arrayContaining([expect.objectContaining({ rule: 'safety-first' })]) },
    ],
    [
      'schedule',
      { plan: { ...FIRST_NYMPHS.body, blocks: [], lengthMin: 60 }, lesson: PAIR, milliseconds: 20 },
      { exact: false, reasons: expect.arrayContaining([expect.objectContaining({ startMin: 0 })]) },
    ],
    [
      'schedule',
      {
        plan: {
          ...{ ...FIRST_NYMPHS.body, lengthMin: 60 },
          blocks: FIRST_NYMPHS.body.blocks
            .filter(({ drillId }) => drillId === 'mend-both-ways')
            .map((block) => ({ ...block, startMin: 20 })),
        },
        ...{ lesson: PAIR, milliseconds: 20 },
      },
      { gone: [expect.objectContaining({ breaks: 'rests-on' })] },
    ],
    [
      'schedule-score',
      {
        plan: { ...FIRST_NYMPHS.body, blocks: [], lengthMin: 60 },
        lesson: PAIR,
        plans: [[], FIRST_NYMPHS.body.blocks.slice(1, 2)],
      },
      {
        plans: [
          { score: { total: expect.closeTo(-1.37, 9) }, breaks: [] },
          { breaks: expect.arrayContaining([expect.objectContaining({ rule: 'safety-first' })]) },
        ],
      },
    ],
    [
      'replan',
      {
        ...{ plan: FIRST_NYMPHS.body, lesson: PAIR, why: 'thunder', nowMin: 80, placeMin: 75 },
        milliseconds: 20,
      },
      {
        whyNot: null,
        costs: expect.arrayContaining([expect.objectContaining({ dropped: true, lanes: expect.any(Array) })]),
      },
    ],
    [
      'overrun',
      { plan: { ...FIRST_NYMPHS.body, lengthMin: 720 } },
      { ends: { late: 0, likelyMin: expect.any(Number) } },
    ],
    ['overrun', { plan: { ...FIRST_NYMPHS.body, blocks: [] } }, { ends: null }],
    ['group-split', { lesson: PAIR, groups: 2 }, { groups: [[expect.anything()], [expect.anything()]] }],
    [
      'course',
      {
        ...{ students: PAIR.students, goals: ['casting.stop'], nowMs: PAIR.startMs, milliseconds: 10 },
        untilMs: PAIR.startMs + 30 * 86_400_000,
        lessons: [7, 1].map((days) => ({
          plan: { ...FIRST_NYMPHS.body, blocks: [], lengthMin: 60, planB: undefined },
          ...{ startMs: PAIR.startMs + days * 86_400_000, date: PAIR.date, water: PAIR.water },
        })),
      },
      {
        plans: [expect.anything(), expect.anything()],
        goals: [
          { skillId: 'casting.stop', course: [{ atMs: PAIR.startMs + 86_400_000 }, {}, {}] },
          { skillId: 'casting.stop' },
        ],
      },
    ],
    [
      'day-rank',
      {
        ...{ plan: FIRST_NYMPHS.body, students: PAIR.students, waters: [{ id: 'a', water: PAIR.water }] },
        days: [
          { waterId: 'a', date: '2026-06-10', open: { fromMs: PAIR.startMs, toMs: PAIR.startMs }, hours: [] },
        ],
      },
      { days: [{ waterId: 'a', score: 0, hours: null, why: 'unknown-weather' }] },
    ],
    [
      'schedule',
      { plan: FIRST_NYMPHS.body, lesson: { ...PAIR, students: [] } },
      { plan: null, whyNot: { why: 'no-students' } },
    ],
  ])('%s computes', (name, input, expected) =>
    expect(run(name, input)).toMatchObject({ exitCode: 0, value: expected }),
  );

  it.each([
    ['sun-times', { latitude: 99, longitude: 0, date: '2026-01-01' }, 'latitude'],
    ['wading', { place: { depthM: 0.5, speedMs: 40 }, wader: {} }, 'place.speedMs'],
    ['conditions', { seed: 'a', kind: 'sea', latitude: 0, date: '2026-06-10' }, 'kind'],
    ['skill-trace', { attempts: [{ id: 'a', atMs: 'noon', good: true }], nowMs: 0 }, 'attempts[0].atMs'],
    ['fault-rates', { attempts: [{ atMs: 1, faultId: 'Cast, unheard of' }] }, 'attempts[0].faultId'],
    ['plan-check', { plan: {} }, 'plan.aim'],
    ['schedule', { plan: FIRST_NYMPHS.body, lesson: { ...PAIR, students: [{}] } }, 'lesson.students[0].id'],
    ['schedule', { plan: FIRST_NYMPHS.body, lesson: PAIR, weights: { gain: -1 } }, 'weights.gain'],
    ['course', { students: [], goals: [], nowMs: 0, untilMs: 0, lessons: [] }, 'goals'],
    ['curriculum-check', { layer: { drills: [{ id: 'x' }] } }, 'layer.drills[0].name'],
    ['adapt', { drillId: 'hoops', needs: ['wings'] }, 'needs[0]'],
    ['effect-pool', { schools: [{ school: 'A', students: 0 }] }, 'schools[0].students'],
    ['library-fit', { plan: FIRST_NYMPHS.body, lesson: PAIR, minutes: 5 }, 'minutes'],
    ['rig-template', { template: 'magic' }, 'template'],
    ['rig-template', { template: 'grass', parameters: { tippetX: 9 } }, 'parameters.tippetX'],
    ['countdown', { depthM: -1 }, 'depthM'],
    ['fly-mass', { fly: { ...DEMO_RIGS[1]?.rig.flies[0], beadDiameterM: 3 } }, 'fly.beadDiameterM'],
    ['rig-figures', { rig: { ...DEMO_RIGS[0]?.rig, flies: [] } }, 'rig.flies'],
  ])('%s names the path of what is wrong, on one line', (name, input, path) => {
    const { exitCode, error } = run(name, input);
    expect(exitCode).toBe(2);
    expect(error.startsWith(`${path}:`)).toBe(true);
    expect(error).not.toContain('\n');
  });

  it('refuses unknown commands and broken JSON', () => {
    expect(runCommand(['guess'], '{}').exitCode).toBe(2);
    expect(runCommand(['sun-times'], '{').error).toBe('input: is no readable JSON');
  });
});
