import fc from 'fast-check';
import { WATER_KINDS, BOX_STAGES, COLOUR_FAMILIES, type Food, WEIGHT_CLASSES } from '../water';
import { boxKey, boxState, WANTED_OF_A_KIND, withFliesOf } from './box';
import type { BoxKind, FlyBox } from './fly-box';
import { foodsIn, usualCalendar } from './calendar';

const EMPTY: FlyBox = { flies: [] };
const midge: Food = {
  name: 'midges',
  months: [1, 2],
  imitations: [{ stage: 'nymph', colours: ['dark'], weights: ['plain'], largest: 18, smallest: 22 }],
};
const shrimp: Food = {
  name: 'shrimps',
  months: [2],
  imitations: [{ stage: 'nymph', colours: ['dark', 'drab'], weights: ['plain'], largest: 16, smallest: 18 }],
};
const kind: fc.Arbitrary<BoxKind> = fc.record({
  stage: fc.constantFrom(...BOX_STAGES),
  colour: fc.constantFrom(...COLOUR_FAMILIES),
  weight: fc.constantFrom(...WEIGHT_CLASSES),
  hookSize: fc.constantFrom(8, 12, 16, 20),
});

describe('what a month asks of a box', () => {
  it('every size in the range, in every colour and weight', () => {
    const { cells, wanted, covered } = boxState(EMPTY, [midge], 1);
    expect(cells.map(({ hookSize }) => hookSize)).toEqual([18, 20, 22]);
    expect({ wanted, covered }).toEqual({ wanted: 3, covered: 0 });
    expect(cells[0]).toMatchObject({ count: 0, short: WANTED_OF_A_KIND, foods: ['midges'] });
  });

  it('nothing in a month without food', () =>
    expect(boxState(EMPTY, [midge, shrimp], 7)).toEqual({ cells: [], wanted: 0, covered: 0, gaps: [] }));

  it('a fly that stands for two foods is asked for once, and is the first gap', () => {
    const { gaps, wanted } = boxState(EMPTY, [midge, shrimp], 2);
    expect(wanted).toBe(6);
    expect(gaps[0]).toMatchObject({ hookSize: 18, colour: 'dark', foods: ['midges', 'shrimps'] });
  });

  it('what is in the box is no gap, and what nobody asks for is still shown', () => {
    const box = withFliesOf(
      withFliesOf(EMPTY, { stage: 'nymph', colour: 'dark', weight: 'plain', hookSize: 20 }, 1),
      { stage: 'streamer', colour: 'bright', weight: 'bead', hookSize: 6 },
      4,
    );
    const { gaps, covered, cells } = boxState(box, [midge], 1);
    expect(gaps.map(({ hookSize }) => hookSize)).toEqual([18, 22]);
    expect(covered).toBe(1);
    expect(cells.find(({ hookSize }) => hookSize === 20)).toMatchObject({ count: 1, short: 1 });
    expect(cells.at(-1)).toMatchObject({ stage: 'streamer', foods: [], short: 0 });
  });
});

describe('putting flies in', () => {
  it('counts kinds apart, and a kind with none is out of the box', () => {
    fc.assert(
      fc.property(kind, kind, fc.integer({ min: 1, max: 99 }), (a, b, count) => {
        const box = withFliesOf(withFliesOf(EMPTY, a, count), b, 1);
        const other = boxKey(a) === boxKey(b) ? 1 : count;
        expect(box.flies.find((fly) => boxKey(fly) === boxKey(a))?.count).toBe(other);
        expect(withFliesOf(withFliesOf(EMPTY, a, count), a, 0)).toEqual(EMPTY);
      }),
    );
  });

  it('holds no more than a box counts', () => {
    const one: BoxKind = { stage: 'nymph', colour: 'dark', weight: 'plain', hookSize: 20 };
    expect(withFliesOf(EMPTY, one, 500).flies[0]?.count).toBe(99);
    expect(withFliesOf(EMPTY, one, -3).flies).toEqual([]);
  });

  it('covers more with every kind that is asked for', () => {
    const calendar = usualCalendar('river');
    let box = EMPTY;
    for (const gap of boxState(EMPTY, calendar, 5).gaps) {
      const before = boxState(box, calendar, 5).covered;
      box = withFliesOf(box, gap, 2);
      expect(boxState(box, calendar, 5).covered).toBe(before + 1);
    }
    expect(boxState(box, calendar, 5).gaps).toEqual([]);
  });
});

describe('the usual calendars', () => {
  it.each(WATER_KINDS.map((one) => [one]))('a %s feeds fish in every month', (one) => {
    for (let month = 1; month <= 12; month += 1)
      expect(foodsIn(usualCalendar(one), month).length).toBeGreaterThan(0);
  });
});

describe('what usually lives where', () => {
  const sizes = (kind: 'river' | 'lake' | 'pond', name: string): [number, number][] =>
    usualCalendar(kind)
      .filter((food) => food.name === name)
      .flatMap(({ imitations }) =>
        imitations.map(({ largest, smallest }): [number, number] => [largest, smallest]),
      );
  const months = (kind: 'river' | 'lake', name: string): number[] =>
    usualCalendar(kind).find((food) => food.name === name)?.months ?? [];

  it('has midges of lakes from 14 to 20', () =>
    expect(sizes('lake', 'midge pupae')).toEqual([
      [14, 20],
      [14, 20],
    ]));

  it('has large flies for stocked trout, 4 to 10, a white, a bright and a black', () => {
    const cells = boxState(EMPTY, usualCalendar('pond'), 1).cells.filter(({ foods }) =>
      foods.some((name) => name.startsWith('stocked')),
    );
    for (const colour of ['light', 'bright', 'dark'] as const)
      expect(cells.filter((cell) => cell.colour === colour).map(({ hookSize }) => hookSize)).toEqual([
        4, 6, 8, 10,
      ]);
    const [stocked] = usualCalendar('pond');
    expect(stocked?.imitations[0]?.colours.slice().sort()).toEqual(['bright', 'dark', 'light']);
  });

  it('has eggs when the ice is off, crayfish and sedges in lakes, and wasps late in summer on rivers', () => {
    expect(months('lake', 'fish eggs, when the ice is off')).toEqual([3, 4]);
    expect(months('lake', 'crayfish').length).toBeGreaterThan(0);
    expect(months('lake', 'sedges').length).toBeGreaterThan(0);
    expect(months('river', 'wasps and hoppers')).toEqual([8, 9]);
  });
});
