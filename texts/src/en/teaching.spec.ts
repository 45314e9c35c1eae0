import { goodThingText } from './debrief';
import { whatNextText } from './what-next';

describe('what went well in words', () => {
  it('tells a skill by its share, and what it gained', () => {
    const pause = { kind: 'skill' as const, name: 'Pause', goods: 7, n: 10 };
    expect(goodThingText({ ...pause, rise: 0.5 })).toEqual({
      text: 'Pause is coming on',
      evidence: '7 good of 10, 50 in a hundred more than before',
    });
    expect(goodThingText({ ...pause, rise: null })).toEqual({
      text: 'Pause went well',
      evidence: '7 good of 10',
    });
  });

  it.each([
    [1, 'A fish to hand'],
    [2, '2 fish to hand'],
  ])('tells %i fish', (count, text) => expect(goodThingText({ kind: 'fish', count }).text).toBe(text));
});

describe('why something comes next', () => {
  const because = { skill: 'Pause', goods: 2, attempts: 6, fault: null };

  it('tells the record, and what waits for the skill', () =>
    expect(whatNextText({ because, opens: ['Loop', 'Reach cast'] })).toBe(
      'Pause: 2 good of 6; it holds back loop, reach cast.',
    ));

  it('tells a fault that the drill looks out for', () =>
    expect(
      whatNextText({
        because: { ...because, fault: { short: 'Forward too soon', count: 3, exposed: 4 } },
        opens: [],
      }),
    ).toBe('Pause: 2 good of 6; forward too soon, 3 of 4.'));

  it('says so of what nobody saw', () =>
    expect(whatNextText({ because: { ...because, attempts: 0 }, opens: [] })).toBe('Pause: not seen yet.'));
});
