import { type HereQuestion } from '@doceo/core';
import { hereQuestion } from '..';

const PAUSE: HereQuestion = {
  ...{ id: 'here.pause', skillId: 'casting.pause', kind: 'pause', lineM: 9 },
  right: 0.82,
  wrong: [0.45, 1.4],
};
const WATERS: HereQuestion = {
  ...{ id: 'here.fastest', skillId: 'water.read-units', kind: 'fastest', beat: 'First bend' },
  right: { piece: 'run', speedMs: 0.9, depthM: 0.7 },
  wrong: [{ piece: 'eddy', speedMs: -0.3, depthM: 1 }],
};
const FOOD: HereQuestion = {
  ...{ id: 'here.food', skillId: 'water.match-food', kind: 'food' },
  right: { food: 'stonefly', count: 2, share: 0.62 },
  wrong: [{ food: 'mayfly', count: 5, share: 0.38 }],
};

describe('a question about what is on hand, in words', () => {
  it('has one right answer, and a reason for each', () => {
    const { choices, text } = hereQuestion(PAUSE, 'metric');
    expect(text).toBe('You have 9 m of line out. How long do you wait behind?');
    expect(choices.filter(({ right }) => right).map((one) => one.text)).toEqual(['About 0.8 s']);
    expect(choices.map((one) => one.text).sort()).toEqual(['About 0.5 s', 'About 0.8 s', 'About 1.4 s']);
    for (const { reason } of choices) expect(reason.length).toBeGreaterThan(10);
  });

  it('speaks in the units of who reads it', () => {
    expect(hereQuestion(PAUSE, 'imperial').text).toContain('29.5 ft');
    expect(hereQuestion(WATERS, 'imperial').choices.find(({ right }) => right)?.reason).toBe(
      '35 in/s by the drawing.',
    );
  });

  it('tells a run back as a speed, and never below nothing', () =>
    expect(
      hereQuestion(WATERS, 'metric')
        .choices.map(({ reason }) => reason)
        .join(),
    ).not.toContain('-'));

  it('counts what was found, the most first, and does not give the answer away by its order', () =>
    expect(hereQuestion(FOOD, 'metric').text).toBe(
      'Under the stones: 5 mayfly, 2 stonefly. Which of them do you put on first?',
    ));
});
