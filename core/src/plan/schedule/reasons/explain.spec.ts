import { weighFaults } from '../../../curriculum';
import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { drawnStudent, taskOf } from '../../../testing/schedule-task';
import { blockFromDrill } from '../../edits';
import { reasonFor } from '..';

const random = seededRandom('explain');
const made = (faultId: string | null, times: number): { skillId: string; faultId: string | null }[] =>
  Array.from({ length: times }, () => ({ skillId: 'casting.pause', faultId }));
const faultsOf = (cracks: number, goods: number): ReturnType<typeof weighFaults> =>
  weighFaults(SHIPPED, [...made('cast.crack', cracks), ...made(null, goods)]);
const EFFECTS = [
  { drillId: 'count-the-pause', n: 12, rise: { mean: 0.2 } },
  { drillId: 'stop-and-say', n: 3, rise: null },
];
const students = [
  drawnStudent(0, random),
  drawnStudent(1, random, { faults: faultsOf(2, 8) }),
  drawnStudent(2, random, { faults: faultsOf(3, 1) }),
];

function reasonOf(drillId: string, change: { lane?: number } = {}): ReturnType<typeof reasonFor> {
  const task = taskOf(students);
  const block = { ...blockFromDrill(SHIPPED.drills.get(drillId), 'b', 15), ...change };
  return reasonFor({ ...task, lesson: { ...task.lesson, effects: EFFECTS } }, [block], 'b');
}

describe('why a drill stands where it does', () => {
  it('names the faults it looks out for, of whom it is done by, what costs most first', () => {
    expect(reasonOf('count-the-pause')?.watches).toEqual([
      { faultId: 'cast.crack', lane: 2, count: 3, exposed: 4 },
      { faultId: 'cast.crack', lane: 1, count: 2, exposed: 10 },
    ]);
    expect(reasonOf('count-the-pause', { lane: 1 })?.watches).toEqual([
      { faultId: 'cast.crack', lane: 1, count: 2, exposed: 10 },
    ]);
    expect(reasonOf('clinch-race')?.watches).toEqual([]);
  });

  it('says how it worked where enough was seen', () => {
    expect(reasonOf('count-the-pause')?.worked).toEqual(EFFECTS[0]);
    expect(reasonOf('stop-and-say')?.worked).toBeNull();
    expect(reasonOf('clinch-race')?.worked).toBeNull();
  });
});
