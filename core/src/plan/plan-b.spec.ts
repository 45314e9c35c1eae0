import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { seededRandom } from '../random';
import { drawnStudent, FORD } from '../testing/schedule-task';
import { groundOf } from '../water';
import { carrying } from './carried';
import { blockFromDrill } from './edits';
import { emptyPlan, type PlanBody } from './plan';
import { onPlanB, planBOf, planBTask } from './plan-b';
import { type PlanDay, schedule } from './schedule';
import { endOf, gearList } from './timing';

const block = (drill: string, startMin: number, durationMin: number, lane: number | null = null) => ({
  ...blockFromDrill(SHIPPED.drills.get(drill), `${drill}/${lane}`, startMin, lane),
  durationMin,
});
const PLAN: PlanBody = {
  ...emptyPlan(),
  ...{ groupSize: 2, lengthMin: 120 },
  blocks: [
    block('hats-and-glasses', 0, 10),
    block('count-the-pause', 10, 20),
    { ...block('find-seam', 30, 30), place: 'run' as const },
    { ...block('water-load', 60, 30), place: 'run' as const },
  ],
};
const random = seededRandom('plan-b');
const DAY: PlanDay = {
  curriculum: SHIPPED,
  lesson: {
    ...{ startMs: 0, date: '', water: FORD },
    students: [drawnStudent(0, random), drawnStudent(1, random)],
  },
  closed: [],
};
const made = (trigger: 'thunder' | 'rising' | 'cold' | 'wind', fromMin: number) => {
  const found = schedule(planBTask(PLAN, { trigger, fromMin }, DAY), { seed: 'b', tries: 100 });
  return planBOf({ trigger, fromMin }, found?.plan ?? PLAN);
};

describe('plan B', () => {
  it('leaves the plan where it is told, and the grounds that its trigger forbids', () => {
    const grounds = (trigger: 'thunder' | 'rising' | 'cold') => {
      const { blocks } = made(trigger, 30);
      expect(Math.min(...blocks.map(({ startMin }) => startMin))).toBeGreaterThanOrEqual(30);
      expect(Math.max(...blocks.map(endOf))).toBeLessThanOrEqual(120);
      return new Set(blocks.map(({ place }) => groundOf(place)));
    };
    expect([...grounds('thunder')]).toEqual(['anywhere']);
    expect(grounds('rising').has('river')).toBe(false);
    expect(grounds('cold').has('river')).toBe(false);
  });

  it('throws no long line in the wind', () => {
    const lines = made('wind', 30).blocks.map(
      ({ drillId }) => SHIPPED.drills.find(drillId ?? '')?.lineOutM ?? 0,
    );
    expect(Math.max(...lines)).toBeLessThanOrEqual(6);
  });

  const planB = {
    ...{ trigger: 'thunder' as const, fromMin: 30 },
    blocks: [block('hats-and-glasses', 30, 15), block('count-the-pause', 45, 60, 0)],
  };

  it('goes on in place of the plan: nobody in two things, nothing past the end', () => {
    const on = onPlanB({ ...PLAN, planB });
    expect(on.blocks.map(({ drillId, startMin, durationMin }) => [drillId, startMin, durationMin])).toEqual([
      ['hats-and-glasses', 0, 10],
      ['count-the-pause', 10, 20],
      ['count-the-pause', 45, 60],
    ]);
  });

  it('may leave sooner or later than it was made for', () => {
    const shapes = (atMin: number) =>
      onPlanB(
        {
          ...PLAN,
          planB: { ...planB, blocks: [block('stick-and-staff', 30, 40), block('turn-back', 70, 30)] },
        },
        atMin,
      ).blocks.map(({ drillId, startMin, durationMin }) => [drillId, startMin, durationMin]);
    // In the middle of the second block, at 18 minutes: it ends when the other begins.
    expect(shapes(18)).toEqual([
      ['hats-and-glasses', 0, 10],
      ['count-the-pause', 10, 10],
      ['stick-and-staff', 20, 40],
      ['turn-back', 60, 30],
    ]);
    expect(shapes(75).slice(3)).toEqual([
      ['water-load', 60, 15],
      ['stick-and-staff', 75, 40],
      ['turn-back', 115, 5],
    ]);
    expect(onPlanB(PLAN)).toBe(PLAN);
  });

  it('needs nothing that is not packed anyway, where that is asked', () => {
    const task = planBTask(PLAN, { trigger: 'thunder', fromMin: 30, sameKit: true }, DAY);
    const found = schedule(task, { seed: 'b', tries: 100 })!;
    const both = { ...PLAN, planB: planBOf({ trigger: 'thunder', fromMin: 30 }, found.plan) };
    const items = (plan: PlanBody) => gearList(SHIPPED, plan).map(({ item }) => item);
    expect(items(both)).toEqual(items(PLAN));
    expect(both.planB.blocks.length).toBeGreaterThan(1);
  });

  it('is packed for, and travels with what it uses', () => {
    const items = (plan: PlanBody) => gearList(SHIPPED, plan).map(({ item }) => item);
    const other = { ...planB, blocks: [block('stick-and-staff', 30, 40)] };
    const extra = items({ ...PLAN, planB: other }).filter((item) => !items(PLAN).includes(item));
    const asked = SHIPPED.drills.get('stick-and-staff').gear.map(({ item }) => item);
    expect(extra).toEqual(asked.filter((item) => !items(PLAN).includes(item)).sort());
    expect(extra.length).toBeGreaterThan(0);
    expect(carrying(SHIPPED, { ...PLAN, planB: other }).carries?.drills.map(({ id }) => id)).toContain(
      'stick-and-staff',
    );
  });
});
