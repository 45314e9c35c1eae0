import { rankTask, type WayRanked } from './rank-task';

const way = (id: string, cleanM: number, change: Partial<WayRanked['way']> = {}): WayRanked => ({
  way: { id, standM: 0, handling: 'still', mend: null, ...change },
  ranked: { id, cleanM, fromM: cleanM, toM: cleanM, cleanS: 1, fromS: 1, toS: 1 },
});
const MEND = { mend: { way: 'up' as const, atS: 0.4, sizeM: 0.8 } };
const seeds = Array.from({ length: 50 }, (_, i) => `seed ${i}`);

describe('three drifts to put in order', () => {
  const found = [
    way('a', 4, MEND),
    way('b', 3.9),
    way('c', 2.4),
    way('d', 1.2),
    way('e', 1.1),
    way('f', 0.2),
  ];

  it.each(seeds)('lie clearly apart, the longest first in their order: %s', (seed) => {
    const task = rankTask(found, seed)!;
    expect(task.ways).toHaveLength(3);
    const metres = task.order.map((id) => found.find((one) => one.way.id === id)!.ranked.cleanM);
    expect(metres[0]! - metres[1]!).toBeGreaterThanOrEqual(0.25 * metres[0]!);
    expect(metres[1]! - metres[2]!).toBeGreaterThanOrEqual(0.25);
  });

  it('are the same for the same seed, and not always the same', () => {
    expect(rankTask(found, 'one')).toEqual(rankTask(found, 'one'));
    expect(
      new Set(
        seeds.map((seed) =>
          rankTask(found, seed)!
            .ways.map((one) => one.way.id)
            .join(),
        ),
      ).size,
    ).toBeGreaterThan(4);
  });

  it('show the skill of the one that is best', () => {
    const few = [way('a', 4, MEND), way('c', 2.4), way('d', 1.2)];
    expect(rankTask(few, 'x')?.skillId).toBe('water.mend-up');
    expect(rankTask([way('a', 4, { handling: 'reach-up' }), ...few.slice(1)], 'x')?.skillId).toBe(
      'water.reach-mend',
    );
    expect(rankTask([way('a', 4), ...few.slice(1)], 'x')?.skillId).toBe('water.angle-choice');
  });

  it('are none where the water lets all drift alike', () =>
    expect(rankTask([way('a', 2), way('b', 2.1), way('c', 1.9), way('d', 2.2)], 'x')).toBeNull());
});
