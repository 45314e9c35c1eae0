import { seededRandom } from '../../random';
import { drawnStudent, taskOf } from '../../testing/schedule-task';
import { blockFromDrill } from '../edits';
import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { boardOf } from './board/board';
import { type Gene, geneOf, placed } from './genes';
import { hardFaults } from './hard';
import type { Board, BoardDrill } from './model';

const random = seededRandom('a drill waits');
const beginners = [0, 1].map((i) => drawnStudent(i, random, { skills: {} }));
const board = boardOf(taskOf(beginners));
const needsOf = ({ main }: BoardDrill): readonly number[] => board.skills[main]?.needs ?? [];
const trains = ({ trains: all }: BoardDrill, skill: number): boolean =>
  all.some((one) => one.skill === skill);

/** Two drills for everybody, the second of which rests on what the first one teaches and on nothing else. */
function twoInOrder(): [BoardDrill, BoardDrill] {
  const forAll = board.drills.filter(({ place, who }) => place !== null && who === board.all);
  for (const later of forAll)
    for (const first of forAll)
      if (
        first !== later &&
        needsOf(first).length === 0 &&
        needsOf(later).length > 0 &&
        needsOf(later).every((skill) => trains(first, skill) && !trains(later, skill))
      )
        return [first, later];
  throw new Error('no two such drills');
}

const [first, later] = twoInOrder();
const forAll = (drill: BoardDrill, lanes = board.all): Gene => geneOf(drill, drill.leastMin, lanes);
const waiting = (genes: readonly Gene[], on: Board = board): Gene['drill'][] =>
  placed(on, genes, { waits: true }).genes.map(({ drill }) => drill);

describe('a drill of a list that rests on another', () => {
  it('comes as soon as that one was done', () => {
    const other = board.drills.find(
      (drill) => ![first, later].includes(drill) && drill.place !== null && needsOf(drill).length === 0,
    )!;
    const list = [later, other, first, other].map((drill) => forAll(drill));
    expect(waiting(list)).toEqual([other, first, later, other]);
  });

  it('stays where it stands unless it is to wait', () =>
    expect(placed(board, [forAll(later), forAll(first)]).genes.map(({ drill }) => drill)).toEqual([
      later,
      first,
    ]));

  it('is left out where that one never comes, or comes for some of them only', () => {
    expect(waiting([forAll(later)])).toEqual([]);
    expect(waiting([forAll(later), forAll(first, 0b01)])).toEqual([first]);
    expect(waiting([forAll(later, 0b01), forAll(first, 0b01)])).toEqual([first, later]);
  });

  it('comes behind what is locked that teaches it', () => {
    const block = { ...blockFromDrill(SHIPPED.drills.get(first.drill.id), 'locked', 0), durationMin: 20 };
    const task = taskOf(beginners);
    const locked = boardOf({
      ...task,
      plan: { ...task.plan, blocks: [{ ...block, startMin: 0 }] },
      lockedIds: ['locked'],
    });
    const { acts } = placed(locked, [geneOf(locked.drillOf(later.drill.id), later.leastMin, locked.all)], {
      waits: true,
    });
    expect(acts.map(({ drillId, startMin }) => [drillId, startMin])).toEqual([
      [first.drill.id, 0],
      [later.drill.id, 20],
    ]);
  });

  it('never comes too early, whatever the list', () => {
    let refused = 0;
    for (let i = 0; i < 300; i++) {
      const list = Array.from({ length: 12 }, () => {
        const drill = board.drills[Math.floor(random() * board.drills.length)]!;
        return geneOf(drill, drill.leastMin, 1 + Math.floor(random() * board.all));
      });
      const breaks = (waits: boolean): boolean =>
        hardFaults(board, placed(board, list, { waits }).acts).some(({ rule }) => rule === 'rests-on');
      if (breaks(false)) refused += 1;
      expect(breaks(true)).toBe(false);
      const { genes } = placed(board, list, { waits: true });
      expect(placed(board, genes, { waits: true }).genes).toEqual(genes);
    }
    expect(refused).toBeGreaterThan(200);
  });
});
