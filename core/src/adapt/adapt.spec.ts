import fc from 'fast-check';
import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { limitsOf, NEEDS, needsOf } from '../need';
import { adapt } from './adapt';

const of = (id: string, ...needs: Parameters<typeof adapt>[2]) =>
  adapt(SHIPPED, SHIPPED.drills.get(id), needs);

describe('a drill bent to needs', () => {
  it('takes the drill’s own rule before the general one', () => {
    expect(of('count-the-pause', 'shoulder')).toMatchObject({
      instead: false,
      lineOutM: 5.6,
      minutes: 8,
      words: ['Hand below the shoulder.'],
    });
    // The drill says nothing of a back; the need does.
    expect(of('count-the-pause', 'back')).toMatchObject({ lineOutM: 7, minutes: 8, words: [] });
    expect(of('lay-it-down', 'shoulder')).toMatchObject({ lineOutM: 4.9, minutes: 8 });
  });

  it('asks of a shoulder nothing where no line flies', () => {
    expect(of('hats-and-glasses', 'shoulder')).toMatchObject({ minutes: 10, reasons: [] });
    expect(of('clinch-race', 'feels-the-cold').minutes).toBe(10);
  });

  it('takes another drill where its rule says so, and bends that one', () => {
    const tuck = of('tuck-over', 'shoulder');
    expect([tuck.instead, tuck.drill.id]).toEqual([true, 'water-load']);
    expect(tuck.words).toEqual(['The river does the lifting.', 'This instead of the overhead cast.']);
    expect(of('turn-back', 'cannot-swim').drill.id).toBe('stick-and-staff');
    // A drill the school does not teach is no way out.
    const without = { ...SHIPPED, drills: { ...SHIPPED.drills, has: (id: string) => id !== 'water-load' } };
    expect(adapt(without, SHIPPED.drills.get('tuck-over'), ['shoulder']).instead).toBe(false);
  });

  it('says why, need by need, and nothing of needs that ask for nothing', () => {
    expect(of('hoops', 'left-hand', 'shoulder').reasons.map(({ need, rule }) => [need, rule])).toEqual([
      ['shoulder', null],
    ]);
    expect(of('reach-over', 'left-hand').reasons[0]?.rule?.words).toBe('Mirror the rope.');
  });

  it('never asks for more than the drill, and for less the more needs there are', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SHIPPED.drills.all),
        fc.subarray([...NEEDS]),
        fc.subarray([...NEEDS]),
        (drill, a, b) => {
          const some = adapt(SHIPPED, drill, a);
          const more = adapt(SHIPPED, drill, [...new Set([...a, ...b])]);
          expect(some.lineOutM).toBeLessThanOrEqual(some.drill.lineOutM);
          expect(some.minutes).toBeLessThanOrEqual(some.drill.minutes.likely);
          if (some.drill === more.drill) {
            expect(more.lineOutM).toBeLessThanOrEqual(some.lineOutM);
            expect(more.minutes).toBeLessThanOrEqual(some.minutes);
          }
        },
      ),
    );
    for (const drill of SHIPPED.drills.all)
      expect(adapt(SHIPPED, drill, [])).toMatchObject({ drill, lineOutM: drill.lineOutM, reasons: [] });
  });
});

describe('needs of a student', () => {
  const grown = { needs: [], hand: 'right' as const, ageYears: 40, heightM: null };

  it('are his list, and what hand, height and age say', () => {
    expect(needsOf({ ...grown, needs: ['shoulder'], hand: 'left' })).toEqual(['shoulder', 'left-hand']);
    expect(needsOf({ ...grown, ageYears: 10 })).toEqual(['child-height']);
    expect(needsOf({ ...grown, ageYears: 10, heightM: 1.6 })).toEqual([]);
    expect(needsOf({ ...grown, ageYears: null, heightM: 1.3, needs: ['child-height'] })).toEqual([
      'child-height',
    ]);
  });

  it('limit together by the tightest', () => {
    expect(limitsOf([])).toEqual({ line: 1, minutes: 1, wadeM: null, cueM: null });
    expect(limitsOf(['shoulder', 'seated', 'afraid-of-deep-water', 'hears-badly'])).toEqual({
      line: 0.7,
      minutes: 0.7,
      wadeM: 0,
      cueM: 3,
    });
  });
});
