import type { Reason } from '@doceo/core';
import { reasonText } from './proposals';

const NAMES = ['Sam', 'Petra', 'Jonas'];
const DRILLS: Record<string, string> = { pause: 'Count the pause', hoops: 'Hoops on the grass' };
const FAULTS: Record<string, string> = { crack: 'Whip crack', low: 'Low back cast' };

const why = (change: Partial<Reason>): string =>
  reasonText(
    {
      ...{ drillId: 'pause', blockIds: ['b'], startMin: 0, lanes: [0, 1], gains: [0.2, 0.19], worth: 0.4 },
      ...{ after: [], opens: [], watches: [], worked: null, beats: null, rivals: [], ...change },
    },
    (lane) => NAMES[lane]!,
    (id) => DRILLS[id]!,
    (id) => FAULTS[id]!,
  ).why;

describe('why a drill is there', () => {
  it('names those who gain most', () => {
    expect(why({})).toBe('Sam and Petra gain most by it.');
    expect(why({ gains: [0.2, 0.05] })).toBe('Sam gains most by it, one other a little.');
    expect(why({ gains: [0, 0] })).toBe('Nobody gains much by it any more.');
  });

  it('names faults it looks out for, with how often they were made', () => {
    expect(why({ watches: [{ faultId: 'crack', lane: 1, count: 3, exposed: 10 }] })).toBe(
      'Sam and Petra gain most by it. It looks out for whip crack (Petra, 3 of 10).',
    );
  });

  it('says how it worked up to now, and what it opens', () => {
    expect(why({ worked: { drillId: 'pause', n: 24, rise: { mean: 0.064 } }, opens: ['hoops'] })).toBe(
      'Sam and Petra gain most by it. In 24 bouts up to now it raised the estimate by 6 of 100. It opens Hoops on the grass.',
    );
  });
});
