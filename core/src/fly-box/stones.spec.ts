import fc from 'fast-check';
import { STONE_KINDS } from './stone-kinds';
import { stoneFood } from './stones';

describe('stones turned', () => {
  it('tell a rich water by many creatures of many kinds', () => {
    const place = { mayfly: 12, caddis: 5, midge: 4, shrimp: 2, stonefly: 1 };
    expect(stoneFood([place, place, place])).toMatchObject({
      index: 100,
      amount: 'rich',
      kinds: 5,
      perPlace: 24,
    });
  });

  it('put the fly first that stands for most food, not for most creatures', () => {
    const { flies, index, amount } = stoneFood([{ midge: 10, stonefly: 1 }, { midge: 2 }, {}]);
    expect(flies.map(({ food }) => food)).toEqual(['stonefly', 'midge']);
    expect(flies[0]?.share).toBeCloseTo(4 / 6.4, 9);
    expect(flies[0]).toMatchObject({ stage: 'nymph', weight: 'heavy', largest: 8, smallest: 12 });
    // 13 creatures on three places: 50 × 4.33/20; two kinds of five: 20.
    expect([index, amount]).toEqual([31, 'poor']);
  });

  it('say when nothing was found and when too few were turned', () => {
    expect(stoneFood([])).toMatchObject({ index: 0, amount: 'nothing', flies: [], tooFew: true });
    expect(stoneFood([{}, {}, { dragon: 4 }])).toMatchObject({ index: 0, kinds: 0, tooFew: false });
  });

  it('never lose by one more creature', () => {
    const count = fc.dictionary(fc.constantFrom(...STONE_KINDS), fc.integer({ min: 0, max: 40 }));
    fc.assert(
      fc.property(
        fc.array(count, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...STONE_KINDS),
        (places, kind) => {
          const more = places.map((place, i) =>
            i === 0 ? { ...place, [kind]: (place[kind] ?? 0) + 1 } : place,
          );
          expect(stoneFood(more).index).toBeGreaterThanOrEqual(stoneFood(places).index);
          const shares = stoneFood(more).flies.reduce((sum, { share }) => sum + share, 0);
          expect(shares).toBeCloseTo(1, 9);
        },
      ),
    );
  });
});
