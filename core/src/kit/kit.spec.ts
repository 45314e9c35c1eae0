import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { blockFromDrill, emptyPlan, type PlanBody } from '../plan';
import { EMPTY_KIT, type Kit, type KitEntry, kitNeeds, kitShort, stockOf } from '.';

const plan = (groupSize: number, ...drills: string[]): PlanBody => ({
  ...{ ...emptyPlan(), groupSize },
  blocks: drills.map((id, i) => blockFromDrill(SHIPPED.drills.get(id), `b${i}`, i * 30)),
});
const adult = { ageYears: 40, hand: 'right' as const };
const entry = (item: string, count: number, rest: Partial<KitEntry> = {}): KitEntry => ({
  ...{ item, count, priceEach: null, lengthM: null, rodFor: 'anybody', reelHand: 'either', note: '' },
  ...rest,
});
const kit = (...entries: KitEntry[]): Kit => ({ ...EMPTY_KIT, entries });

describe('what a lesson needs of the kit', () => {
  it('is the gear of its drills, and first aid always', () => {
    const needs = kitNeeds(SHIPPED, plan(3, 'count-the-pause'), [adult]);
    expect(needs).toContainEqual({ item: 'rod', of: 'any', count: 3 });
    expect(needs).toContainEqual({ item: 'first-aid kit', of: 'any', count: 1 });
    expect(needs.map(({ item }) => item)).not.toContain('wading belt');
  });

  it('is a belt and a staff for each at a river, and a thermometer', () => {
    const needs = kitNeeds(SHIPPED, plan(4, 'mend-both-ways'), []);
    expect(needs).toContainEqual({ item: 'wading belt', of: 'any', count: 4 });
    expect(needs).toContainEqual({ item: 'wading staff', of: 'any', count: 4 });
    expect(needs).toContainEqual({ item: 'thermometer', of: 'any', count: 1 });
  });

  it('names rods for children and for the left hand, as many as come', () => {
    const who = [
      { ageYears: 12, hand: 'left' as const },
      { ageYears: 13, hand: 'right' as const },
    ];
    const rods = kitNeeds(SHIPPED, plan(2, 'count-the-pause'), [...who, { ageYears: null, hand: 'right' }]);
    expect(rods.filter(({ item }) => item === 'rod')).toEqual([
      { item: 'rod', of: 'any', count: 2 },
      { item: 'rod', of: 'child', count: 1 },
      { item: 'rod', of: 'left', count: 1 },
    ]);
  });
});

describe('what is short', () => {
  it('comes first, with what it costs at the lowest price', () => {
    const own = kit(entry('Rod', 2, { priceEach: 90 }), entry('rod', 1, { priceEach: 70 }), entry('hat', 9));
    const found = kitShort(own, [
      { item: 'hat', of: 'any', count: 4 },
      { item: 'rod', of: 'any', count: 5 },
    ]);
    expect(found).toEqual([
      { item: 'rod', of: 'any', count: 5, have: 3, missing: 2, cost: 140 },
      { item: 'hat', of: 'any', count: 4, have: 9, missing: 0, cost: null },
    ]);
  });

  it('is nothing of which nobody said how many there are', () =>
    expect(kitShort(EMPTY_KIT, [{ item: 'net', of: 'any', count: 2 }])).toEqual([
      { item: 'net', of: 'any', count: 2, have: null, missing: 0, cost: null },
    ]));

  it('is a rod that fits nobody it is for', () => {
    const own = kit(
      entry('rod', 6, { reelHand: 'left' }),
      entry('rod', 1, { rodFor: 'child', reelHand: 'left' }),
    );
    const need = (of: 'child' | 'left') => kitShort(own, [{ item: 'rod', of, count: 1 }])[0];
    expect(need('child')).toMatchObject({ have: 1, missing: 0 });
    // Their reels are wound with the left hand: somebody who casts with it cannot.
    expect(need('left')).toMatchObject({ have: 0, missing: 1 });
  });

  it('is told to the making of plans as one figure a thing', () =>
    expect(stockOf(kit(entry('rod', 4), entry('Rod without line', 2), entry('net', 0)))).toEqual({
      rod: 6,
      net: 0,
    }));
});
