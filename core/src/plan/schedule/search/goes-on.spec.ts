import { seededRandom } from '../../../random';
import { drawnStudent, taskOf } from '../../../testing/schedule-task';
import type { Activity } from '../model';
import { boardOf } from '../board/board';
import { geneOf, placed } from '../genes';
import { actsOfLane } from '../parts';
import { betterPlans } from '.';

const random = seededRandom('goes on');
const board = boardOf(taskOf([0, 1, 2].map((i) => drawnStudent(i, random))));

/** The longest that each drill goes on without another between, minutes beyond what it is good for. */
function beyondGood(acts: readonly Activity[], lane: number): number {
  let [beyond, run, last] = [0, 0, null as Activity['on']];
  for (const { on, startMin, endMin } of actsOfLane(acts, lane)) {
    run = (on === last ? run : 0) + endMin - startMin;
    last = on;
    if (on) beyond = Math.max(beyond, run - on.mostMin[lane]!);
  }
  return beyond;
}

describe('a drill that goes on', () => {
  it('is left out, or cut, when it was done for as long as it is good just before', () => {
    const drill = board.drills.find(({ place, who }) => place !== null && who === board.all)!;
    const most = Math.min(...drill.mostMin);
    const again = [geneOf(drill, most, board.all), geneOf(drill, most, board.all)];
    expect(placed(board, again).genes).toEqual([again[0]]);
    const rest = geneOf({ kind: 'talk', title: 'Tea', place: 'anywhere', stays: true }, 5, board.all);
    expect(placed(board, [again[0]!, rest, again[1]!]).genes).toHaveLength(3);
  });

  it('is never proposed for longer than in one piece', () => {
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f']) {
      const steps = [...betterPlans(board, { seed, tries: 400, given: null })];
      const best = steps.flatMap(({ found }) => found ?? []).at(-1)!;
      expect(best.acts.length).toBeGreaterThan(3);
      expect([0, 1, 2].map((lane) => beyondGood(best.acts, lane))).toEqual([0, 0, 0]);
    }
  });
});
