import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { seededRandom } from '../../random';
import { drawnStudent, FORD } from '../../testing/schedule-task';
import { groundOf } from '../../water';
import { blockFromDrill, plainBlock } from '../edits';
import { type Block, emptyPlan, type PlanBody } from '../plan';
import { endOf, planEnd, shareLane } from '../timing';
import { type PlanDay, replanCosts, replanTask, type ReplanWish, schedule } from '.';

const random = seededRandom('replan');
const STUDENTS = [0, 1, 2].map((i) => drawnStudent(i, random));
const DAY: PlanDay = {
  curriculum: SHIPPED,
  lesson: { startMs: 0, date: '2026-06-01', water: FORD, students: STUDENTS },
  closed: [],
};
const drill = (id: string, drillId: string, startMin: number, durationMin: number): Block => ({
  ...blockFromDrill(SHIPPED.drills.get(drillId), id, startMin),
  durationMin,
});
const PLAN: PlanBody = {
  ...emptyPlan(),
  groupSize: 3,
  lengthMin: 120,
  blocks: [
    drill('talk', 'hats-and-glasses', 0, 10),
    drill('hoops', 'hoops', 10, 25),
    drill('river', 'water-load', 35, 30),
    plainBlock('break', 'Tea', 'tea', 65, 10),
    drill('pause', 'count-the-pause', 75, 30),
    plainBlock('debrief', 'What went well', 'back', 105, 15),
  ],
};
const made = (wish: ReplanWish, plan = PLAN): PlanBody =>
  schedule(replanTask(plan, wish, DAY), { seed: 'replan', tries: 400 })!.plan;
const find = (plan: PlanBody, id: string): Block | undefined => plan.blocks.find((one) => one.id === id);

describe('the rest of a lesson planned anew', () => {
  it('late: what was done stays, the rest keeps its order and still ends in time', () => {
    const plan = made({ why: 'late', nowMin: 60, placeMin: 10, stayMin: 0 });
    expect(find(plan, 'talk')).toEqual(PLAN.blocks[0]);
    // The drill that is on went on until now.
    expect(find(plan, 'hoops')).toMatchObject({ startMin: 10, durationMin: 50 });
    expect(planEnd(plan)).toBeLessThanOrEqual(120);
    const rest = plan.blocks.filter(({ startMin }) => startMin >= 60).map(({ id }) => id);
    expect(rest).toEqual(['river', 'tea', 'pause', 'back'].filter((id) => rest.includes(id)));
    expect(rest.length).toBeGreaterThan(1);
  });

  it('late by nothing changes nothing but what was over anyway', () => {
    const plan = made({ why: 'late', nowMin: 35, placeMin: 10, stayMin: 0 });
    expect(plan.blocks.map(({ id, startMin }) => [id, startMin])).toEqual(
      PLAN.blocks.map(({ id, startMin }) => [id, startMin]),
    );
  });

  it('thunder: nothing goes on outside from now on, and what is on ends', () => {
    const plan = made({ why: 'thunder', nowMin: 42, placeMin: 35 });
    expect(find(plan, 'river')).toMatchObject({ startMin: 35, durationMin: 10 });
    const rest = plan.blocks.filter(({ startMin }) => startMin >= 45);
    expect(rest.length).toBeGreaterThan(2);
    for (const { place, kind } of rest)
      expect(kind === 'drill' ? groundOf(place) : 'anywhere').toBe('anywhere');
  });

  it('a rising river: nobody goes on at the river, the grass stays open', () => {
    const plan = made({ why: 'rising', nowMin: 40, placeMin: 35 });
    const grounds = plan.blocks
      .filter(({ startMin, kind }) => startMin >= 40 && kind === 'drill')
      .map(({ place }) => groundOf(place));
    expect(grounds).not.toContain('river');
    expect(grounds.length).toBeGreaterThan(0);
  });

  it('wind: no long lines', () => {
    const plan = made({ why: 'wind', nowMin: 40, placeMin: 35 });
    for (const { startMin, drillId } of plan.blocks)
      if (startMin >= 40 && drillId) expect(SHIPPED.drills.get(drillId).lineOutM).toBeLessThanOrEqual(6);
  });

  it('somebody missing: his place stays empty, the others go on as planned', () => {
    const plan = made({ why: 'absent', nowMin: 12, placeMin: 10, studentIds: [STUDENTS[1]!.id] });
    expect(find(plan, 'hoops')).toEqual(PLAN.blocks[1]);
    expect(plan.blocks.some(({ lane }) => lane === 1)).toBe(false);
    expect(plan.blocks.map(({ id }) => id)).toContain('pause');
  });

  it('drops what one says first', () => {
    const wish: ReplanWish = {
      why: 'late',
      nowMin: 60,
      placeMin: 10,
      stayMin: 0,
      dropIds: ['count-the-pause'],
    };
    const plan = made(wish);
    expect(find(plan, 'pause')).toBeUndefined();
    expect(find(plan, 'river')).toBeDefined();
  });

  it('never asks a student for two things, wherever the lesson is', () => {
    for (const placeMin of [0, 10, 35, 65, 75])
      for (const why of ['late', 'thunder', 'wind', 'rising'] as const) {
        const { blocks } = made({ why, placeMin, nowMin: placeMin + 17 });
        for (const [i, one] of blocks.entries())
          for (const other of blocks.slice(i + 1))
            expect(shareLane(one, other) && other.startMin < endOf(one) && one.startMin < endOf(other)).toBe(
              false,
            );
      }
  });

  it('tells what it costs: left out first, then tries that are fewer', () => {
    const after = {
      ...PLAN,
      blocks: PLAN.blocks.flatMap((block) =>
        block.id === 'pause' ? [] : block.id === 'hoops' ? { ...block, durationMin: 15 } : block,
      ),
    };
    const perMin = SHIPPED.drills.get('hoops').attemptsPerMin;
    expect(replanCosts(SHIPPED, PLAN, after)).toEqual([
      expect.objectContaining({ drillId: 'count-the-pause', dropped: true, lanes: [0, 1, 2] }),
      {
        ...{ drillId: 'hoops', dropped: false, lanes: [0, 1, 2] },
        fewerTries: Math.round(10 * perMin),
        ofTries: Math.round(25 * perMin),
      },
    ]);
    expect(replanCosts(SHIPPED, PLAN, PLAN)).toEqual([]);
  });
});
