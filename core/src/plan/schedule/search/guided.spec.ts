import { seededRandom } from '../../../random';
import { drawnStudent, taskOf } from '../../../testing/schedule-task';
import { blockFromDrill } from '../../edits';
import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { boardOf } from '../board/board';
import { constructed } from './constructed';
import { placed } from '../genes';
import { guided } from './guided';
import type { Looked } from './looked';
import { hardFaults, staysAllowed } from '../hard';
import { daysOf, totalOf } from '../parts';

const random = seededRandom('guided');
const board = boardOf(taskOf([0, 1, 2].map((i) => drawnStudent(i, random))));

function looked(): Looked {
  const genes = constructed(board, random, { stray: 0.6, before: [], untilMin: 90 });
  const { acts, genes: kept, starts } = placed(board, genes);
  return { acts, genes: kept, starts, days: daysOf(board, acts) };
}

describe('a drill that is looked for', () => {
  it('is one drill in the place of another, or one more', () => {
    const plan = looked();
    for (let i = 0; i < 80; i++) {
      const next = guided(board, plan, random);
      const came = next.filter((gene) => !plan.genes.includes(gene));
      expect(came.length).toBeLessThanOrEqual(1);
      expect([0, 1]).toContain(next.length - plan.genes.length);
      if (came[0]) expect(came[0].drill).not.toBeNull();
    }
  });

  it('makes a plan better far more often than a drill that is drawn', () => {
    const betterBy = (drawn: boolean): number => {
      let better = 0;
      for (let plan = 0; plan < 6; plan++) {
        const from = looked();
        const before = totalOf(board, from.acts, from.days.parts);
        for (let i = 0; i < 60; i++) {
          const genes = drawn ? withAny(from) : guided(board, from, random);
          const { acts } = placed(board, genes);
          if (!staysAllowed(board, acts)) continue;
          if (totalOf(board, acts, daysOf(board, acts).parts) > before + 1e-9) better += 1;
        }
      }
      return better;
    };
    const withAny = ({ genes }: Looked): Looked['genes'] => {
      const i = Math.floor(random() * genes.length);
      const drill = board.drills[Math.floor(random() * board.drills.length)]!;
      return genes.map((gene, k) => (k === i ? { ...gene, drill, act: null } : gene));
    };
    expect(betterBy(false)).toBeGreaterThan(1.5 * betterBy(true));
  });
});

describe('what something locked rests on', () => {
  it('is taught before it, though something else would give more', () => {
    const own = { ...blockFromDrill(SHIPPED.drills.get('clinch-race'), 'own', 40, 1) };
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f']) {
      const draw = seededRandom(seed);
      const base = taskOf([0, 1].map((i) => ({ ...drawnStudent(i, draw), skills: {} })));
      const locking = boardOf({ ...base, plan: { ...base.plan, blocks: [own] }, lockedIds: ['own'] });
      expect(locking.owed.length).toBeGreaterThan(0);
      const { acts } = placed(
        locking,
        constructed(locking, draw, { stray: 0.2, before: [], untilMin: base.plan.lengthMin }),
      );
      expect(hardFaults(locking, acts)).toEqual([]);
    }
  });
});
