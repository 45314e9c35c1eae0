import { SHIPPED_CURRICULUM } from '../curriculum/shipped';
import { KNOT_IDS, KNOTS } from '../rig';
import { knotShown } from './knot-evidence';

describe('a knot broken on the scale', () => {
  it.each(KNOT_IDS)('%s shows a skill there is, and is good at what it typically holds', (knot) => {
    const { skillId, good } = knotShown(knot, KNOTS[knot].share);
    expect(SHIPPED_CURRICULUM.skills.has(skillId)).toBe(true);
    expect(good).toBe(true);
  });

  it('shows the knot it is, and else that it was wetted and seated', () => {
    expect(knotShown('improved-clinch', 0.9)).toEqual({ skillId: 'rigging.knots.clinch', good: true });
    expect(knotShown('triple-surgeon', 0.5)).toEqual({ skillId: 'rigging.knots.surgeon', good: false });
    expect(knotShown('blood', 0.9).skillId).toBe('rigging.knots.wet-and-seat');
  });

  it('is good within the spread of the rule of thumb, and not below it', () => {
    expect(knotShown('improved-clinch', KNOTS['improved-clinch'].share - 0.07).good).toBe(true);
    expect(knotShown('improved-clinch', KNOTS['improved-clinch'].share - 0.09).good).toBe(false);
  });
});
