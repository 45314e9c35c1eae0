import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { applyEdit, blockFromDrill, plainBlock } from '../edits';
import { type Block, emptyPlan, type PlanBody } from '../plan';
import { noBreak } from './no-break';

const drill = (id: string, startMin: number, durationMin: number, lane: number | null = null): Block => ({
  ...blockFromDrill(SHIPPED.drills.get('hoops'), id, startMin, lane),
  ...{ durationMin, title: `Hoops ${id}` },
});
const planOf = (...blocks: Block[]): PlanBody => ({ ...emptyPlan(), groupSize: 2, lengthMin: 240, blocks });
const check = (plan: PlanBody) => noBreak(plan, null, SHIPPED);

describe('a lesson without a break', () => {
  const long = planOf(drill('a', 0, 40), drill('b', 40, 40), drill('c', 80, 40));

  it('is told with the longest time without one', () =>
    expect(check(long)).toMatchObject([{ level: 'tip', facts: { minutes: 120, names: [] } }]));

  it('gets a break where nobody is in the midst of anything, and what follows waits', () => {
    const [fix] = check(long)[0]!.fixes;
    expect(fix?.does).toEqual({ breakAfter: 'Hoops a' });
    if (fix?.change.kind !== 'edit') throw new Error('It is no edit.');
    const mended = applyEdit(SHIPPED, long, fix.change.edit);
    expect(mended.blocks.map(({ kind, startMin, durationMin }) => [kind, startMin, durationMin])).toEqual([
      ['drill', 0, 40],
      ['break', 40, 10],
      ['drill', 50, 40],
      ['drill', 90, 40],
    ]);
    expect(check(mended)).toEqual([]);
  });

  it.each<[string, PlanBody]>([
    ['with a break', planOf(drill('a', 0, 60), plainBlock('break', 'Tea', 't', 60, 10), drill('b', 70, 60))],
    ['with time in which nothing is planned', planOf(drill('a', 0, 60), drill('b', 70, 60))],
    ['not long enough for it', planOf(drill('a', 0, 60), drill('b', 60, 45))],
    ['with nothing in it', planOf()],
  ])('is none %s', (_, plan) => expect(check(plan)).toEqual([]));

  it('names nobody who has one', () => {
    const plan = planOf(drill('a', 0, 120, 0), drill('b', 0, 50, 1), drill('c', 60, 50, 1));
    const names = noBreak(plan, { students: [{ name: 'Sam' }, { name: 'Jonas' }] } as never, SHIPPED)[0]
      ?.facts;
    expect(names).toEqual({ minutes: 120, names: ['Sam'] });
  });

  it('offers no fix where somebody is always in the midst of something', () => {
    const plan = planOf(drill('a', 0, 120, 0), drill('b', 0, 60, 1), drill('c', 60, 60, 1));
    expect(check(plan)[0]?.fixes).toEqual([]);
  });
});
