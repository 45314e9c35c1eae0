import { circleOfNeeds, skillGraph } from '.';
import { SHIPPED_CURRICULUM as SHIPPED } from './shipped';

describe('skill graph', () => {
  it('ships acyclic, with every prerequisite before what rests on it', () => {
    const place = new Map(SHIPPED.skills.all.map((skill, i) => [skill.id, i]));
    for (const skill of SHIPPED.skills.all)
      for (const need of skill.needs)
        expect(place.get(need) as number).toBeLessThan(place.get(skill.id) as number);
    expect(SHIPPED.skills.all.length).toBeGreaterThan(50);
  });

  it('names only faults of the catalogue', () => {
    for (const skill of SHIPPED.skills.all)
      for (const fault of skill.faults) expect(SHIPPED.faults.find(fault)).toBeDefined();
    expect(new Set(SHIPPED.faults.all.map(({ id }) => id)).size).toBe(SHIPPED.faults.all.length);
  });

  it('refuses cycles and unknown prerequisites', () => {
    const [a, b] = SHIPPED.skills.all as [never, never];
    expect(() =>
      skillGraph([
        { ...(a as object), id: 'x', needs: ['y'] } as never,
        { ...(b as object), id: 'y', needs: ['x'] } as never,
      ]),
    ).toThrow(expect.objectContaining({ code: 'cycle' }));
    expect(() => skillGraph([{ ...(a as object), id: 'x', needs: ['gone'] } as never])).toThrow(
      expect.objectContaining({ code: 'unknown-id' }),
    );
  });

  it('knows what tuck rests on', () => {
    expect(SHIPPED.skills.ancestors('casting.tuck').map(({ id }) => id)).toEqual([
      'casting.overhead',
      'casting.pick-up-lay-down',
      'casting.pause',
      'casting.stop',
      'casting.straight-path',
      'casting.grip-stance',
    ]);
    expect(
      SHIPPED.skills
        .opens('casting.overhead')
        .map(({ id }) => id)
        .sort(),
    ).toEqual([
      'casting.distance',
      'casting.loop-control',
      'casting.reach',
      'casting.single-haul',
      'casting.tuck',
    ]);
  });
});

describe('a circle of needs', () => {
  it('is told in the order in which one needs the next', () => {
    const of = (needs: Record<string, string[]>): string[] | null =>
      circleOfNeeds(Object.entries(needs).map(([id, rest]) => ({ id, needs: rest })));
    expect(of({ a: ['b'], b: ['c'], c: ['b'] })).toEqual(['b', 'c', 'b']);
    expect(of({ a: ['a'] })).toEqual(['a', 'a']);
    expect(of({ a: ['b', 'c'], b: ['c'], c: ['elsewhere'] })).toBeNull();
  });
});
