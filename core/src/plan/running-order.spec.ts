import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { blockFromDrill } from './edits';
import { forWholeRow, runningOrder } from './running-order';

const block = (id: string, drill: string, startMin: number, lane: number | null = null) =>
  blockFromDrill(SHIPPED.drills.get(drill), id, startMin, lane);
const told = (blocks: ReturnType<typeof block>[]): string[] =>
  runningOrder({ blocks }).map(({ number, blocks: own }) => `${number} ${own.map(({ id }) => id).join('+')}`);

describe('the running order', () => {
  it('goes by time, then by the place in the group, whatever the order in the plan', () =>
    expect(
      told([
        block('d', 'hoops', 30, 1),
        block('a', 'hats-and-glasses', 0),
        block('c', 'count-the-pause', 30, 0),
        block('e', 'wet-hands-net', 60),
      ]),
    ).toEqual(['1 a', '2 c', '3 d', '4 e']));

  it('has one line for what several do alike at the same time', () =>
    expect(
      told([
        block('a', 'hoops', 0, 0),
        block('b', 'hoops', 0, 2),
        block('c', 'hoops', 15, 0),
        { ...block('d', 'hoops', 0, 1), cue: 'Another word.' },
      ]),
    ).toEqual(['1 a+b', '2 d', '3 c']));

  it('keeps what everybody does apart, though it is alike', () =>
    expect(told([block('a', 'hoops', 0), block('b', 'hoops', 0)])).toEqual(['1 a', '2 b']));

  it('is empty of an empty plan', () => expect(told([])).toEqual([]));
});

describe('an edit of a line', () => {
  const order = runningOrder({
    blocks: [block('a', 'hoops', 0, 0), block('b', 'hoops', 0, 1), block('c', 'wet-hands-net', 30)],
  });

  it('is one of all its blocks, each in its own place of the group', () => {
    expect(forWholeRow(order, { kind: 'move', blockId: 'a', startMin: 5, lane: 0 })).toEqual({
      kind: 'all',
      edits: [
        { kind: 'move', blockId: 'a', startMin: 5, lane: 0 },
        { kind: 'move', blockId: 'b', startMin: 5, lane: 1 },
      ],
    });
    expect(forWholeRow(order, { kind: 'remove', blockId: 'b' })).toEqual({
      kind: 'all',
      edits: [
        { kind: 'remove', blockId: 'a' },
        { kind: 'remove', blockId: 'b' },
      ],
    });
  });

  it('stays as it is when it gives one block away, or there is but one', () => {
    for (const edit of [
      { kind: 'move', blockId: 'a', startMin: 0, lane: 1 },
      { kind: 'remove', blockId: 'c' },
      { kind: 'remove', blockId: 'gone' },
      { kind: 'fit' },
    ] as const)
      expect(forWholeRow(order, edit)).toEqual(edit);
  });
});
