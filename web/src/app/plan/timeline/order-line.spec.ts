import { emptyPlan, plainBlock, runningOrder } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { drawnLine, type DrawnLine } from './order-line';

const LANES = ['Petra', 'Jonas', 'Sam', 'Noor'].map((name) => ({ name, note: '' }));

/** The line of what those lanes do together. */
function lineOf(lanes: readonly number[], short: boolean): DrawnLine {
  const blocks = lanes.map((lane) => ({ ...plainBlock('talk', 'Tea', `b${lane}`, 90, 10), lane }));
  const [row] = runningOrder({ blocks });
  const plan = { ...emptyPlan(), blocks, groupSize: 4 };
  const none = new Set<string>();
  return drawnLine(
    { row: row!, change: { kind: 'comes' }, gone: false },
    {
      ...{ curriculum: SHIPPED, plan, lanes: LANES, selectedId: null, whyGone: null, short },
      ...{ flagged: none, touched: none, islands: none, clock: (minutes) => `${minutes}` },
    },
  );
}

describe('a line of the running order', () => {
  it('names who does it, or all', () => {
    expect(lineOf([0, 2], false)).toMatchObject({ who: 'Petra, Sam', time: '90', tag: 'comes' });
    expect(lineOf([0, 1, 2, 3], false).who).toBe('all');
  });

  it('where there is no room, has the letters above the lanes for several, and speaks their names', () => {
    const line = lineOf([0, 2], true);
    expect(line.who).toBe('Pe, Sa');
    expect(line.spoken).toBe('Petra, Sam, 10 minutes, comes');
    expect(lineOf([1], true)).toMatchObject({ who: 'Jonas', spoken: '10 minutes, comes' });
  });

  it('there tells who does not, where they are fewer', () => {
    const line = lineOf([0, 2, 3], true);
    expect(line.who).toBe('not Jo');
    expect(line.spoken).toBe('all but Jonas, 10 minutes, comes');
    expect(lineOf([0, 2, 3], false).who).toBe('all but Jonas');
  });
});
