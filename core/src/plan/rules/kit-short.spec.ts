import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { FORD } from '../../testing/schedule-task';
import { blockFromDrill } from '../edits';
import { emptyPlan, type PlanBody } from '../plan';
import { schedule, taskFor } from '../schedule';
import { planProblems } from '.';

const plan: PlanBody = {
  ...{ ...emptyPlan(), groupSize: 3 },
  blocks: [blockFromDrill(SHIPPED.drills.get('count-the-pause'), 'pause', 0)],
};
const lesson = (stock?: Record<string, number>) => ({
  ...{ startMs: Date.parse('2026-06-10T08:00:00Z'), date: '2026-06-10', water: FORD, students: [] },
  ...(stock ? { stock } : {}),
});
const found = (stock?: Record<string, number>) =>
  planProblems(SHIPPED, plan, lesson(stock)).find(({ rule }) => rule === 'kit-short');

describe('the check of the kit', () => {
  it('names what is too few, what is needed, and the blocks that use it', () =>
    expect(found({ rod: 2 })).toMatchObject({
      ...{ level: 'check', blockIds: ['pause'] },
      facts: { short: [{ item: 'rod', count: 3, have: 2 }] },
      fixes: [{ does: 'open-kit' }],
    }));

  it.each([[undefined], [{}], [{ rod: 3 }], [{ net: 0 }]])('says nothing of %j', (stock) =>
    expect(found(stock)).toBeUndefined(),
  );

  it('is kept by plans that are made: who has no rod does something else', () => {
    const student = (id: string) => ({
      ...{ id, name: id, ageYears: 40, saidAdult: true, guardianConsent: true, skills: {} },
    });
    const on = { ...lesson({ rod: 1 }), students: ['a', 'b', 'c'].map(student) };
    const empty = { ...emptyPlan(), groupSize: 3, lengthMin: 120 };
    const task = taskFor(empty, { use: 'fill' }, { curriculum: SHIPPED, lesson: on, closed: [] });
    const made = schedule(task, { seed: 'kit', tries: 300 })?.plan;
    expect(made?.blocks.length).toBeGreaterThan(3);
    expect(planProblems(SHIPPED, made!, on).filter(({ rule }) => rule === 'kit-short')).toEqual([]);
  });
});
