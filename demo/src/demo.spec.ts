import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import {
  ageOn,
  eventSchema,
  lessonSchema,
  planBodySchema,
  rigSchema,
  savedBeatSchema,
  savedLakeSchema,
  studentSchema,
  waterSchema,
} from '@doceo/contract';
import {
  ADULT_AGE,
  attemptsOf,
  beatFaults,
  depthGrid,
  evidenceOf,
  faultAttemptsOf,
  faultRates,
  findSeams,
  lakeFaults,
  mainSkillOf,
  mergePlans,
  planProblems,
  rigProblems,
  shoreOf,
  skillState,
  suggestStands,
} from '@doceo/core';
import { demoScenario, FELLOW, LEAD, OTHER } from './index';

const NOW = new Date('2026-11-25T10:00:00Z');
const scenario = demoScenario(NOW);
const { events, lessons } = scenario.lessons;
const byName = new Map(scenario.students.list.map((student) => [student.student.name, student]));
const idOf = (name: string): string => byName.get(name)?.id ?? '';

describe('the demo scenario', () => {
  it('is the same every time, and moves with the day', () => {
    expect(demoScenario(NOW)).toEqual(scenario);
    const later = demoScenario(new Date('2027-05-01T10:00:00Z'));
    expect(later.lessons.lessons.map(({ id }) => id)).toEqual(lessons.map(({ id }) => id));
    expect(later.lessons.lessons.at(-2)?.lesson.startsAt).toBe('2027-05-04T07:30:00.000Z');
    expect(later.lessons.events).toHaveLength(events.length);
  });

  it('holds the people and waters of the Corvane valley', () => {
    expect([...byName.keys()].sort()).toEqual([
      'Emil Starck',
      'Jonas Wren',
      'Lidia Moreau',
      'Noor Hadley',
      'Petra Holm',
      'Sam Okande',
    ]);
    expect(scenario.waters.list.map(({ water }) => water.name).sort()).toEqual([
      'Fennick Beck',
      'Merrow Lake',
      'River Ostrel',
      'Tollgate Pond',
    ]);
    expect([LEAD, FELLOW, OTHER].map(({ name }) => name)).toEqual([
      'Maren Voss',
      'Tobias Lind',
      'Aiko Brandt',
    ]);
  });

  it('keeps every contract', () => {
    for (const { water } of scenario.waters.list) waterSchema.parse(water);
    for (const { student } of scenario.students.list) studentSchema.parse(student);
    for (const { rig } of scenario.rigs.list) rigSchema.parse(rig);
    for (const { plan } of scenario.plans) planBodySchema.parse(plan.body);
    for (const { lesson } of lessons) lessonSchema.parse(lesson);
    for (const event of events) eventSchema.parse(event);
  });

  it('has plans that came about over the weeks, with a proposal, a question and a newer version', () => {
    const { lineage, students: people } = scenario;
    expect(lineage.map((step) => step.do).sort()).toEqual([
      ...['ask', 'copy', 'copy', 'propose', 'share', 'share', 'share', 'share', 'share', 'share', 'share'],
    ]);
    for (const step of lineage) {
      if ('state' in step) planBodySchema.parse(step.state.body);
      if ('to' in step) planBodySchema.parse(step.to.body);
    }
    const told = JSON.stringify(lineage);
    for (const { student } of people.list) expect(told.includes(student.name)).toBe(false);
    // What the proposal asks: the one field that both changed since.
    const [copy] = lineage.filter((step) => step.do === 'copy');
    const now = lineage.filter((step) => step.do === 'share' && step.planId === copy?.planId).at(-1);
    if (!copy || !now || !('state' in now)) throw new Error('no copy, or no plan');
    const { conflicts } = mergePlans(copy.state, now.state, copy.to);
    expect(conflicts.map(({ path }) => path.split('/').at(-1))).toEqual(['durationMin']);
  });

  it('uses no id twice', () => {
    const ids = [
      ...scenario.users,
      ...scenario.circles,
      ...scenario.waters.list,
      ...scenario.students.list,
      ...scenario.rigs.list,
      ...scenario.plans.map(({ plan }) => plan),
      ...lessons,
      ...events,
    ].map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('points only at what is there', () => {
    const lessonOf = new Map(lessons.map((lesson) => [lesson.id, lesson.lesson]));
    for (const { lesson } of lessons) {
      expect(scenario.plans.some(({ plan }) => plan.id === lesson.planId)).toBe(true);
      expect(scenario.waters.list.some(({ id }) => id === lesson.waterId)).toBe(true);
    }
    for (const event of events) {
      const lesson = lessonOf.get(event.lessonId);
      expect(lesson?.studentIds).toContain(event.studentId);
      const hours = (event.atMs - Date.parse(lesson?.startsAt ?? '')) / 3_600_000;
      expect(hours).toBeGreaterThan(0);
      expect(hours).toBeLessThan(6);
    }
  });

  it('has one minor, and a guardian’s consent for him from before the first record', () => {
    const minors = scenario.students.list.filter(
      ({ student }) => (ageOn(student.bornOn, '2026-11-25') ?? 99) < ADULT_AGE,
    );
    expect(minors.map(({ student }) => student.name)).toEqual(['Jonas Wren']);
    const first = Math.min(
      ...events.filter(({ studentId }) => studentId === idOf('Jonas Wren')).map(({ atMs }) => atMs),
    );
    expect(Date.parse(minors[0]?.student.guardianConsentOn ?? '')).toBeLessThan(first);
  });

  it('lets records tell what is said of the students', () => {
    const worst = (name: string): string | undefined =>
      faultRates(faultAttemptsOf(events, idOf(name))).map(({ faultId }) => faultId)[0];
    expect(worst('Sam Okande')).toBe('cast.crack');
    const mastery = (name: string, strand: string): number => {
      const state = skillState(SHIPPED.skills.all, attemptsOf(events, idOf(name)), NOW.getTime());
      const seen = SHIPPED.skills.all.filter(
        (skill) => skill.strand === strand && (state[skill.id]?.attempts ?? 0) > 0,
      );
      return seen.reduce((sum, { id }) => sum + (state[id]?.mastery ?? 0), 0) / seen.length;
    };
    expect(mastery('Lidia Moreau', 'casting')).toBeGreaterThan(0.7);
    expect(mastery('Lidia Moreau', 'hook-setting')).toBeLessThan(mastery('Noor Hadley', 'hook-setting'));
    expect(mastery('Emil Starck', 'casting')).toBeLessThan(mastery('Lidia Moreau', 'casting'));
  });

  it('has plans of known drills that fit their length, and rigs without a stop', () => {
    for (const { plan } of scenario.plans) {
      for (const { drillId } of plan.body.blocks)
        if (drillId) expect(SHIPPED.drills.get(drillId)).toBeDefined();
      expect(planProblems(SHIPPED, plan.body, null).filter(({ level }) => level === 'must-fix')).toEqual([]);
    }
    for (const { rig } of scenario.rigs.list)
      expect(rigProblems(rig, { water: null }).filter(({ level }) => level === 'must-fix')).toEqual([]);
  });

  it('asks of no student a skill that no drill could teach him before', () => {
    const taught = new Set(SHIPPED.drills.all.map((drill) => SHIPPED.skills.get(mainSkillOf(drill)).name));
    const water = scenario.waters.list[0]!.water;
    const students = scenario.students.list.map(({ id, student }) => ({
      ...{ id, name: student.name, ageYears: 30, saidAdult: true, guardianConsent: true },
      skills: skillState(SHIPPED.skills.all, evidenceOf(events, id), NOW.getTime()),
    }));
    const asked = scenario.plans.flatMap(({ plan }) =>
      planProblems(SHIPPED, plan.body, {
        startMs: NOW.getTime(),
        date: '2026-06-10',
        water,
        students: students.slice(0, plan.body.groupSize),
      }).flatMap(({ facts }) => ('drill' in facts && 'students' in facts ? facts.students : [])),
    );
    const gaps = (asked as { gaps: { skill: string }[] }[]).flatMap((one) =>
      one.gaps.map(({ skill }) => skill),
    );
    expect(gaps.length).toBeGreaterThan(0);
    expect(gaps.filter((name) => !taught.has(name))).toEqual([]);
  });

  it('names no student in what is shared', () => {
    const words = [...byName.keys()].flatMap((name) => name.split(' '));
    for (const { plan } of scenario.plans)
      for (const word of words) expect(JSON.stringify(plan.body)).not.toMatch(new RegExp(`\\b${word}\\b`));
  });
});

describe('the beats of the demo', () => {
  const { beats, waters } = demoScenario(new Date());
  const of = (name: string) =>
    beats.filter(({ waterId }) => waterId === waters.list.find(({ water }) => water.name === name)?.id);

  it('are two of each running water', () =>
    expect(['River Ostrel', 'Fennick Beck', 'Merrow Lake'].map((name) => of(name).length)).toEqual([
      2, 2, 0,
    ]));

  it.each(beats.map((saved) => [saved.beat.name, saved] as const))(
    '%s can be, as the contract has it',
    (_, saved) => {
      expect(savedBeatSchema.parse({ ...saved, version: 1 })).toEqual({ ...saved, version: 1 });
      expect(beatFaults(saved.beat)).toEqual([]);
      for (const kind of ['entry', 'exit', 'boulder', 'trees'])
        expect(saved.beat.pieces.map((piece) => piece.kind)).toContain(kind);
    },
  );

  it('have places for four by the Ford Pool, and for one at least on the beck', () => {
    const how = {
      students: 4,
      wader: { heightM: 1.75, ageYears: 40, hasStaff: true },
      bottom: 'cobble' as const,
      waterC: 10,
      rising: false,
      rodM: 2.7,
      leaderM: 2.7,
    };
    expect(suggestStands(of('River Ostrel')[0]!.beat, how).length).toBeGreaterThanOrEqual(3);
    expect(suggestStands(of('Fennick Beck')[0]!.beat, how).length).toBeGreaterThanOrEqual(1);
    expect(findSeams(of('River Ostrel')[0]!.beat).length).toBeGreaterThanOrEqual(2);
  });
});

describe('the lakes of the demo', () => {
  const { lakes, waters } = demoScenario(NOW);

  it('are drawn for every still water', () => {
    const still = waters.list.filter(({ water }) => ['lake', 'pond'].includes(water.kind));
    expect(lakes.map(({ waterId }) => waterId)).toEqual(still.map(({ id }) => id));
  });

  it.each([
    ['Merrow Lake', 38, 12],
    ['Tollgate Pond', 0.9, 3],
  ])('%s can be, and has %d hectares', (name, hectares, deepest) => {
    const saved = lakes.find(({ lake }) => lake.name === name)!;
    expect(savedLakeSchema.parse({ ...saved, version: 1 })).toEqual({ ...saved, version: 1 });
    expect(lakeFaults(saved.lake)).toEqual([]);
    const shore = shoreOf(saved.lake);
    const twice = shore.reduce((sum, a, i) => {
      const b = shore[(i + 1) % shore.length]!;
      return sum + a.x * b.y - b.x * a.y;
    }, 0);
    expect(Math.abs(twice) / 2 / 10_000 / hectares).toBeCloseTo(1, 1);
    const grid = depthGrid(saved.lake, 60, 40);
    expect(Math.max(...[...grid.depthsM].filter((depth) => depth > 0))).toBeCloseTo(deepest, 0);
  });
});
