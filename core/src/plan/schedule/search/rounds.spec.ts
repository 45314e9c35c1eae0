import { seededRandom } from '../../../random';
import { drawnStudent, taskOf } from '../../../testing/schedule-task';
import { boardOf } from '../board/board';
import { constructed } from './constructed';
import { type Gene, geneOf, placed } from '../genes';
import { roundsMoved, roundsOf } from './rounds';

/** Waiting for some, told by who waits. */
const forSome = (lanes: number, takenMin: number): Gene => geneOf(null, takenMin, lanes);

describe('a plan in rounds', () => {
  it('is parted where everybody is free', () => {
    const [all, left, right, after] = [forSome(3, 10), forSome(1, 20), forSome(2, 10), forSome(2, 10)];
    expect(roundsOf([all, left, right, after], [0, 10, 10, 20])).toEqual([
      { genes: [all], fromMin: 0, untilMin: 10 },
      { genes: [left, right, after], fromMin: 10, untilMin: 30 },
    ]);
  });

  it('is not parted where somebody is still busy', () => {
    const [left, right, both] = [forSome(1, 15), forSome(2, 10), forSome(3, 5)];
    expect(roundsOf([left, right, both], [0, 0, 15]).map(({ genes }) => genes)).toEqual([
      [left, right],
      [both],
    ]);
  });

  it('goes by the minute, not by the order of the list', () => {
    const [late, early] = [forSome(3, 10), forSome(3, 10)];
    expect(roundsOf([late, early], [10, 0]).map(({ genes }) => genes)).toEqual([[early], [late]]);
  });

  it('has the same things in it when two rounds change places or one goes elsewhere, one round less else', () => {
    const random = seededRandom('rounds');
    const board = boardOf(taskOf([0, 1, 2].map((i) => drawnStudent(i, random))));
    const genes = constructed(board, random, { stray: 0.3, before: [], untilMin: 90 });
    const put = placed(board, genes);
    const rounds = roundsOf(put.genes, put.starts).map(({ genes: own }) => own);
    expect(rounds.length).toBeGreaterThan(2);
    const moved = Array.from({ length: 60 }, () => roundsMoved(put.genes, put.starts, random));
    for (const list of moved) {
      const gone = put.genes.filter((gene) => !list.includes(gene));
      expect(gone.length === 0 || rounds.some((round) => round.every((gene) => gone.includes(gene)))).toBe(
        true,
      );
      expect(list.length + gone.length).toBe(put.genes.length);
    }
    expect(moved.some((list) => list.length < put.genes.length)).toBe(true);
    expect(moved.some((list) => list[0] !== rounds[0]![0])).toBe(true);
  });

  it('stays empty where nothing is in it', () => {
    const random = seededRandom('empty');
    for (let i = 0; i < 20; i++) expect(roundsMoved([], [], random)).toEqual([]);
  });

  it('never loses what an instructor put in', () => {
    const random = seededRandom('stays');
    const stays: Gene = {
      ...forSome(3, 10),
      plain: { kind: 'break', title: 'Tea', place: 'anywhere', stays: true },
    };
    for (let i = 0; i < 60; i++)
      expect(roundsMoved([forSome(3, 10), stays, forSome(3, 5)], [0, 10, 20], random)).toContain(stays);
  });
});
