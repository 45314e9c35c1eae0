import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { drawnStudent, FORD, taskOf } from '../../../testing/schedule-task';
import { blockFromDrill } from '../../edits';
import { judgeOf } from '..';

const random = seededRandom('walking');
const STUDENTS = [drawnStudent(0, random)];

/**
 * What a day costs in walking that goes from the grass to the run and back.
 *
 * @param metres from the one to the other on the drawing; null where nobody drew them
 */
function walkingOf(metres: number | null): { points: number; walks: number } {
  const placed = { grass: 0, run: metres } as Partial<Record<string, number | null>>;
  const places = FORD.places.map((place) => {
    const east = placed[place.kind] ?? null;
    return east === null ? place : { ...place, drawn: { beatId: 'beat', at: { x: east, y: 0 } } };
  });
  const task = taskOf(STUDENTS);
  const judge = judgeOf({ ...task, lesson: { ...task.lesson, water: { ...FORD, places } } });
  const blocks = (['grass', 'run', 'grass'] as const).map((place, i) => ({
    ...blockFromDrill(SHIPPED.drills.get('hoops'), `${i}`, 15 * i),
    place,
  }));
  const { parts, figures } = judge(blocks).score;
  return { points: parts.walking, walks: figures.walks };
}

describe('walking', () => {
  it('counts two changes of place where nobody knows how far it is', () => {
    expect(walkingOf(null)).toEqual({ points: -0.1, walks: 2 });
  });

  it('counts the same where it is a hundred metres', () => {
    expect(walkingOf(100).points).toBeCloseTo(-0.1, 10);
  });

  it('counts half as much close by, and more the further it is', () => {
    expect(walkingOf(0).points).toBeCloseTo(-0.05, 10);
    expect(walkingOf(300).points).toBeCloseTo(-0.2, 10);
    expect(walkingOf(300).walks).toBe(2);
  });
});
