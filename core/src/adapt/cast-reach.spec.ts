import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { traceSkill } from '../skill';
import { castReach } from './cast-reach';

const DAY_MS = 86_400_000;
/** What comes of so many good and bad tries on one day. */
const tries = (good: number, bad: number) =>
  traceSkill(
    Array.from({ length: good + bad }, (_, i) => ({ id: `${i}`, atMs: i * 60_000, good: i >= bad })),
    DAY_MS,
  );

describe('the longest line somebody was seen to cast', () => {
  it('is the shortest line at which a skill he has is drilled, the longest of them', () => {
    expect(castReach(SHIPPED, { 'casting.straight-path': tries(12, 0) })).toBe(5);
    expect(
      castReach(SHIPPED, { 'casting.straight-path': tries(12, 0), 'casting.double-haul': tries(0, 3) }),
    ).toBe(5);
    const more = { 'casting.straight-path': tries(12, 0), 'casting.pause': tries(12, 0) };
    expect(castReach(SHIPPED, more)).toBe(7);
  });

  it('is the shortest he is at while he has none of them', () => {
    expect(castReach(SHIPPED, { 'casting.pause': tries(0, 8), 'casting.straight-path': tries(0, 8) })).toBe(
      5,
    );
  });

  it('is nothing that could be said of one nobody saw cast', () => {
    expect(castReach(SHIPPED, {})).toBeNull();
    expect(castReach(SHIPPED, { 'casting.pause': tries(0, 0) })).toBeNull();
    // A knot is no cast.
    expect(castReach(SHIPPED, { 'rigging.clinch': tries(12, 0) })).toBeNull();
  });
});
