import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { blockFromDrill } from './edits';
import { blockAt, placeAt, placesOf } from './places';
import { emptyPlan } from './plan';

const plan = {
  ...emptyPlan(),
  groupSize: 2,
  blocks: [
    { ...blockFromDrill(SHIPPED.drills.get('hats-and-glasses'), 'talk', 0), durationMin: 10 },
    { ...blockFromDrill(SHIPPED.drills.get('hoops'), 'hoops', 10, 0), durationMin: 40 },
    { ...blockFromDrill(SHIPPED.drills.get('count-the-pause'), 'pause', 10, 1), durationMin: 20 },
    { ...blockFromDrill(SHIPPED.drills.get('hoops'), 'later', 35, 1), durationMin: 15 },
  ],
};

describe('places of a group in a plan', () => {
  it('are the minutes at which something begins', () => {
    expect(placesOf(plan)).toEqual([0, 10, 35]);
    expect([-5, 0, 9, 10, 34, 35, 500].map((minute) => placeAt(plan, minute))).toEqual([
      0, 0, 0, 10, 10, 35, 35,
    ]);
    expect(placeAt(emptyPlan(), 5)).toBeNull();
  });

  it('give each student what he does then, or nothing while he waits', () => {
    const at = (lane: number): (string | undefined)[] =>
      [0, 10, 35].map((place) => blockAt(plan, lane, place)?.id);
    expect(at(0)).toEqual(['talk', 'hoops', 'hoops']);
    expect(at(1)).toEqual(['talk', 'pause', 'later']);
    expect(blockAt(plan, 1, 32)).toBeNull();
  });
});
