import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { buildRig } from '../../../rig';
import { drawnStudent, FORD, taskOf } from '../../../testing/schedule-task';
import { blockFromDrill } from '../../edits';
import type { Block } from '../../plan';
import { boardOf } from '../board/board';
import { actOf } from '../exact';
import { hardFaults } from './index';

const random = seededRandom('room');
const students = [0, 1].map((i) => drawnStudent(i, random));
const drill = SHIPPED.drills.get('straight-below');

/** What is found where two lead a nymph at one run, four metres of line out. */
function foundAt(lengthM: number, blocks: readonly Block[]): string[] {
  const task = taskOf(students);
  const places = FORD.places.map((place) => ({ ...place, lengthM }));
  const board = boardOf({
    ...task,
    plan: {
      ...task.plan,
      blocks: [...blocks],
      rigs: [{ id: 'tight', name: 'Tight line', rig: buildRig('tight-line') }],
    },
    lesson: { ...task.lesson, water: { ...FORD, places } },
  });
  const act = actOf(board.drillOf(drill.id)!, 0, 15, board.all)!;
  return hardFaults(board, [act])
    .map(({ rule }) => rule)
    .filter((rule) => rule === 'room');
}

const withRig = { ...blockFromDrill(drill, 'b', 0), rigId: 'tight' };

describe('room for who casts', () => {
  it('is two lengths of line from one to the next', () => {
    expect(foundAt(8.1, [])).toEqual([]);
    expect(foundAt(7.9, [])).toEqual(['room']);
  });

  it('is what the rod and the leader of the plan’s own rig reach where that is further', () => {
    expect(foundAt(8.1, [withRig])).toEqual(['room']);
    expect(foundAt(8.6, [withRig])).toEqual([]);
  });
});
