import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import {
  type Block,
  blockFromDrill,
  emptyPlan,
  type PlanBody,
  type PlanLesson,
  type PlanStudent,
} from '../plan';
import { buildRig } from '../rig';
import { skillState } from '../skill';
import { FORD } from '../testing/schedule-task';
import { libraryFit } from './library-fit';

/** A student with so many good or bad attempts at a skill, or of whom nobody has seen anything. */
const student = (name: string, skillId?: string, good = true): PlanStudent => ({
  ...{ id: name, name, ageYears: 40, saidAdult: false, guardianConsent: true, needs: [] },
  skills: skillState(
    SHIPPED.skills.all,
    skillId ? Array.from({ length: 12 }, (_, i) => ({ id: `${i}`, atMs: i, good, skillId })) : [],
    20,
  ),
});
const block = (drill: string, startMin: number, durationMin: number): Block => ({
  ...blockFromDrill(SHIPPED.drills.get(drill), `${drill}/${startMin}`, startMin),
  durationMin,
});
const plan = (blocks: Block[], change: Partial<PlanBody> = {}): PlanBody => ({
  ...{ ...emptyPlan(), groupSize: 2, lengthMin: 120, waterKind: 'river', blocks },
  ...change,
});
const lesson = (students: PlanStudent[]): PlanLesson => ({
  ...{ startMs: Date.parse('2026-06-10T08:00:00Z'), date: '2026-06-10', water: FORD, students, hours: [] },
});
const fit = (body: PlanBody, students: PlanStudent[], minutes = 120, has: [number, number] | null = null) =>
  libraryFit(SHIPPED, body, lesson(students), minutes, has && { lowM: has[0], highM: has[1] });

const TALK = block('hats-and-glasses', 0, 10);
/** Rests on what comes before in casting. */
const HARD = SHIPPED.drills.all.find(
  (drill) => SHIPPED.skills.get(drill.trains[0]!.skillId).needs.length > 0 && drill.ground === 'anywhere',
)!;
const [NEED] = SHIPPED.skills.get(HARD.trains[0]!.skillId).needs as [string];

describe('how a plan of the library fits a lesson', () => {
  it('is by each student: ready, one thing first, or a look first', () => {
    const body = plan([TALK, block(HARD.id, 10, 20)]);
    const { students, verdict } = fit(body, [student('Weak', NEED, false), student('New')]);
    expect(students.map(({ readiness }) => readiness)).toEqual(['needs-first', 'look-first']);
    expect(students[0]!.first).toContain(SHIPPED.skills.get(NEED).name);
    expect(verdict).toBe('with-changes');
    expect(fit(plan([TALK]), [student('Weak', NEED, false)]).students[0]).toMatchObject({
      ...{ readiness: 'ready', first: [] },
    });
  });

  it('is by the water: its kind, the places it has, and its depth', () => {
    const lake = fit(plan([TALK], { waterKind: 'lake' }), [student('A')]);
    expect([lake.verdict, lake.water.kindFits]).toEqual(['other-water', false]);
    expect(fit(plan([TALK], { waterKind: 'any' }), [student('A')]).verdict).not.toBe('other-water');
    const shoal = plan([TALK, { ...block('hats-and-glasses', 10, 10), id: 'b', place: 'shoal' }]);
    expect(fit(shoal, [student('A')]).water.missing).toEqual(['shoal']);
    const rig = buildRig('indicator-nymph', { waterDepthM: 1.1 });
    const tied = plan([TALK], { rigs: [{ id: 'r', name: 'Two nymphs', rig }] });
    expect(fit(tied, [student('A')], 120, [0.6, 1.2]).water).toMatchObject({
      ...{ wants: { lowM: 1.1, highM: 1.1 }, depthFits: true },
    });
    expect(fit(tied, [student('A')], 120, [0.2, 0.5]).verdict).toBe('other-water');
    // What nobody has said stands against nothing.
    expect(fit(tied, [student('A')]).water.depthFits).toBe(true);
  });

  it('is by the time there is', () => {
    const body = plan([TALK, { ...block('hats-and-glasses', 10, 90), id: 'b' }]);
    expect(fit(body, [student('A')], 120).time).toEqual({ takesMin: 100, hasMin: 120 });
    expect(fit(body, [student('A')], 60).verdict).toBe('with-changes');
    expect(fit(body, [student('A')], 60).strain).toBeGreaterThan(fit(body, [student('A')], 120).strain);
  });

  it('sorts another water behind anything that can be mended', () => {
    const other = fit(plan([TALK], { waterKind: 'lake' }), [student('A')]);
    const hard = fit(
      plan([TALK, block(HARD.id, 10, 140)]),
      ['A', 'B', 'C', 'D'].map((name) => student(name, NEED, false)),
      90,
    );
    expect(hard.strain).toBeLessThan(other.strain);
  });

  it('does not count twice what has a part of its own', () => {
    const body = plan([TALK, block(HARD.id, 10, 20)]);
    const ready = fit(body, [student('A', NEED, true)]);
    const weak = fit(body, [student('A', NEED, false)]);
    expect(weak.check).toEqual(ready.check);
  });
});
