import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { planChanges, rowKey, takeChanges } from './changes';
import { blockFromDrill } from './edits';
import { type Block, emptyPlan, type PlanBody } from './plan';
import { shareLane } from './timing';

const block = (id: string, drill: string, startMin: number, lane: number | null = null): Block => ({
  ...blockFromDrill(SHIPPED.drills.get(drill), id, startMin, lane),
  durationMin: 10,
});
const plan = (...blocks: Block[]): PlanBody => ({ ...emptyPlan(), groupSize: 3, lengthMin: 60, blocks });

const BEFORE = plan(block('a', 'hoops', 0), block('b', 'count-the-pause', 10, 0), block('c', 'hoops', 20));
const AFTER = plan(
  { ...block('a', 'hoops', 0), durationMin: 5 },
  block('c', 'hoops', 5),
  block('n', 'roll-the-d', 15),
);

describe('a plan beside what it was', () => {
  it('tells of each line what became of it, and what goes', () => {
    const { rows, gone } = planChanges(BEFORE, AFTER);
    expect(rows.map(({ row, change }) => [rowKey(row), change])).toEqual([
      ['a', { kind: 'lasts', byMin: -5 }],
      ['c', { kind: 'moves', byMin: -15 }],
      ['n', { kind: 'comes' }],
    ]);
    expect(gone.map(rowKey)).toEqual(['b']);
    expect(planChanges(BEFORE, BEFORE).rows.every(({ change }) => change.kind === 'same')).toBe(true);
  });

  it('counts who joins and who leaves', () => {
    const joined = plan(
      block('a', 'hoops', 0),
      block('b', 'count-the-pause', 10),
      block('c', 'hoops', 20, 1),
    );
    expect(planChanges(BEFORE, joined).rows.map(({ change }) => change)).toEqual([
      { kind: 'same' },
      { kind: 'joins', students: 2 },
      { kind: 'joins', students: -2 },
    ]);
  });

  it('has lost nothing where two who did the same apart do it together', () => {
    const apart = plan(block('a', 'hoops', 0, 0), block('b', 'hoops', 0, 1), block('c', 'roll-the-d', 10));
    const together = plan(block('c', 'roll-the-d', 0), block('a', 'hoops', 10));
    const { rows, gone } = planChanges(apart, together);
    expect(gone).toEqual([]);
    expect(rows.map(({ row, change }) => [rowKey(row), change])).toEqual([
      ['c', { kind: 'moves', byMin: -10 }],
      ['a', { kind: 'moves', byMin: 10 }],
    ]);
    expect(takeChanges(apart, together, new Set(['a', 'c'])).blocks).toEqual(together.blocks);
    expect(takeChanges(apart, together, new Set()).blocks).toEqual(apart.blocks);
    // What one did twice and does once has lost one.
    const twice = plan(block('a', 'hoops', 0), block('b', 'hoops', 20));
    expect(planChanges(twice, plan(block('a', 'hoops', 0))).gone.map(rowKey)).toEqual(['b']);
    // Of another student it is gone.
    const others = plan({ ...block('a', 'hoops', 10), lane: 0 });
    expect(planChanges(apart, others).gone.map(rowKey)).toEqual(['b', 'c']);
  });

  it('is taken in part: all parts are the new plan, none is the old one', () => {
    const all = new Set(['a', 'b', 'c', 'n']);
    expect(takeChanges(BEFORE, AFTER, all).blocks).toEqual(AFTER.blocks);
    expect(takeChanges(BEFORE, AFTER, new Set()).blocks).toEqual(BEFORE.blocks);
  });

  it('never asks a student to be in two places when a part is left', () => {
    const keys = ['a', 'b', 'c', 'n'];
    for (let bits = 0; bits < 16; bits++) {
      const taken = new Set(keys.filter((_, i) => bits & (1 << i)));
      const { blocks } = takeChanges(BEFORE, AFTER, taken);
      for (const [i, one] of blocks.entries())
        for (const other of blocks.slice(i + 1))
          expect(shareLane(one, other) && other.startMin < one.startMin + one.durationMin).toBe(false);
      expect(blocks.some(({ id }) => id === 'n')).toBe(taken.has('n'));
      expect(blocks.some(({ id }) => id === 'b')).toBe(!taken.has('b'));
    }
  });
});
