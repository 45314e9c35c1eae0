import { seededRandom } from '../../../random';
import { drawnStudent, taskOf } from '../../../testing/schedule-task';
import { countOf } from '../activity';
import { boardOf } from '../board/board';
import { type Gene, geneOf, placed } from '../genes';
import { staysAllowed } from '../hard';
import { actsOfLane, daysOf, laneParts, totalOf } from '../parts';
import { changed } from './changes';
import { constructed } from './constructed';
import type { Looked } from './looked';
import { roundAnew } from './round-anew';
import { roundsOf } from './rounds';

const random = seededRandom('round anew');
const board = boardOf(taskOf([0, 1, 2, 3].map((i) => drawnStudent(i, random))));

function lookedAt(list: readonly Gene[]): Looked {
  const { acts, genes, starts } = placed(board, list);
  return { acts, genes, starts, days: daysOf(board, acts) };
}

const drawn = (): Looked => lookedAt(constructed(board, random, { stray: 0.6, before: [], untilMin: 90 }));
const tried = (together: boolean): { plan: Looked; came: Gene[]; next: Gene[] }[] =>
  Array.from({ length: 80 }, () => {
    const plan = drawn();
    const next = roundAnew(board, plan, random, together);
    return { plan, next, came: next.filter((gene) => !plan.genes.includes(gene)) };
  });

describe('a round made anew', () => {
  it('is of two drills at most for different students, as long as the round was, and the other rounds stay', () => {
    const all = tried(false);
    for (const { plan, next, came } of all) {
      expect(came.length).toBeLessThanOrEqual(2);
      if (came.length === 2) expect(came[0]!.lanes & came[1]!.lanes).toBe(0);
      const rounds = roundsOf(plan.genes, plan.starts);
      const gone = rounds.filter(({ genes }) => !genes.every((gene) => next.includes(gene)));
      expect(gone.length).toBeLessThanOrEqual(1);
      for (const { takenMin } of came) expect(takenMin).toBe(gone[0]!.untilMin - gone[0]!.fromMin);
    }
    expect(all.some(({ came }) => came.length === 2)).toBe(true);
  });

  it('is of one drill where all stay together', () => {
    const all = tried(true);
    for (const { came } of all) expect(came.length).toBeLessThanOrEqual(1);
    expect(all.some(({ came }) => came.length === 1 && countOf(came[0]!.lanes) === 4)).toBe(true);
  });

  it('leaves alone what an instructor put in', () => {
    const tea: Gene = geneOf({ kind: 'break', title: 'Tea', place: 'anywhere', stays: true }, 10, board.all);
    const plan = lookedAt([tea]);
    for (let i = 0; i < 20; i++) expect(roundAnew(board, plan, random, false)).toEqual(plan.genes);
  });

  it('has nothing to change in an empty plan', () => {
    expect(roundAnew(board, lookedAt([]), random, false)).toEqual([]);
  });

  it('makes a plan better far more often than a small change by a draw', () => {
    const betterBy = (change: (plan: Looked) => Gene[]): number => {
      let better = 0;
      for (let i = 0; i < 200; i++) {
        const plan = drawn();
        const { acts } = placed(board, change(plan));
        if (!staysAllowed(board, acts)) continue;
        const before = totalOf(board, plan.acts, plan.days.parts);
        if (totalOf(board, acts, daysOf(board, acts).parts) > before + 1e-9) better += 1;
      }
      return better;
    };
    expect(betterBy((plan) => roundAnew(board, plan, random, false))).toBeGreaterThan(
      1.5 * betterBy(({ genes }) => changed(board, genes, random)),
    );
  });
});

describe('days of a plan', () => {
  it('have the parts that each would have by itself, though some are alike, and though some are known', () => {
    for (let i = 0; i < 30; i++) {
      const plan = drawn();
      const next = lookedAt(roundAnew(board, plan, random, i % 2 === 0));
      const each = board.students.map((_, lane) => laneParts(board, lane, actsOfLane(next.acts, lane)));
      expect(daysOf(board, next.acts).parts).toEqual(each);
      expect(daysOf(board, next.acts, plan.days).parts).toEqual(each);
    }
  });
});
