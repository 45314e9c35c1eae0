import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { drawnStudent, FORD, taskOf } from '../../../testing/schedule-task';
import type { PlaceKind } from '../../../water';
import { blockFromDrill } from '../../edits';
import { boardOf } from './board';

const random = seededRandom('where');
const STUDENTS = [drawnStudent(0, random)];
const PLACES = FORD.places.filter(({ kind }) => ['grass', 'run', 'pool'].includes(kind));

/** Where a drill is done at a water with grass, a long run and a short pool. */
function placeOf(drillId: string, planned: PlaceKind | null): PlaceKind | null {
  const task = taskOf(STUDENTS);
  const lengths: Partial<Record<PlaceKind, number>> = { grass: 30, run: 80, pool: 20 };
  const places = PLACES.map((place) => ({ ...place, lengthM: lengths[place.kind]! }));
  const block = { ...blockFromDrill(SHIPPED.drills.get(drillId), 'b', 0), place: planned ?? 'run' };
  const board = boardOf({
    ...task,
    plan: { ...task.plan, blocks: planned ? [block] : [] },
    lesson: { ...task.lesson, water: { ...FORD, places } },
  });
  return board.drillOf(drillId)!.place;
}

describe('where a drill is done', () => {
  it('is the longest stretch that has its ground', () => {
    expect(placeOf('set-on-anything', null)).toBe('run');
    expect(placeOf('hoops', null)).toBe('grass');
  });

  it('is where the plan has it, if the water has that and it suits', () => {
    expect(placeOf('set-on-anything', 'pool')).toBe('pool');
    expect(placeOf('set-on-anything', 'riffle')).toBe('run');
    expect(placeOf('set-on-anything', 'grass')).toBe('run');
  });

  it('is where one is for what can be done anywhere', () => {
    expect(placeOf('read-the-card', 'grass')).toBe('anywhere');
  });
});
