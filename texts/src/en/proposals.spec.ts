import type { GoneDrill, Reason } from '@doceo/core';
import { goneText, reasonText } from './proposals';

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
    const crack = [0, 1].map((lane) => ({ faultId: 'crack', lane, count: 3 + lane, exposed: 10 }));
    expect(why({ watches: crack })).toBe(
      'Sam and Petra gain most by it. It looks out for “whip crack” (Sam 3 of 10, Petra 4 of 10).',
    );
    expect(why({ watches: [crack[0]!, { faultId: 'low', lane: 1, count: 2, exposed: 9 }] })).toContain(
      'for “whip crack” (Sam 3 of 10) and “low back cast” (Petra 2 of 9).',
    );
  });

  it('says how it worked up to now, and what it opens', () => {
    expect(why({ worked: { drillId: 'pause', n: 24, rise: { mean: 0.064 } }, opens: ['hoops'] })).toBe(
      'Sam and Petra gain most by it. In 24 bouts up to now the estimate rose by 6 of 100. It opens Hoops on the grass.',
    );
    const told = (mean: number): string => why({ worked: { drillId: 'pause', n: 6, rise: { mean } } });
    expect(told(-0.04)).toContain('the estimate fell by 4 of 100.');
    expect(told(-0.001)).toContain('the estimate hardly moved.');
  });
});

describe('why a drill is gone', () => {
  const skills: Record<string, string> = { knot: 'clinch knot', wet: 'wet hands' };
  const gone = (change: Partial<GoneDrill>): string =>
    goneText({ blockIds: ['b'], byPoints: 0.1, breaks: null, needs: [], ...change }, (id) => skills[id]!);

  it('names the rule it would break, before what it is worth', () =>
    expect(gone({ breaks: 'room', needs: ['knot'] })).toBe('Hooks too near each other.'));

  it('names what it rests on', () => {
    expect(gone({ breaks: 'rests-on', needs: ['knot'] })).toBe('Needs clinch knot first.');
    expect(gone({ breaks: 'rests-on', needs: ['knot', 'wet'] })).toBe(
      'Needs clinch knot and wet hands first.',
    );
  });

  it('says else whether something better stands there', () => {
    expect(gone({})).toBe('What they do instead gives more.');
    expect(gone({ byPoints: -0.1 })).toBe('The day as a whole is better without it.');
  });
});
