import { whyHereText } from './stand-texts';

describe('why somebody stands where he does', () => {
  it('is told in a sentence, in the units of the one who reads', () => {
    expect(
      whyHereText(
        [
          { why: 'reach', reachM: 6.4 },
          { why: 'edge', need: 'cannot-swim', depthM: 0.3 },
          { why: 'wind', hand: 'left' },
        ],
        'metric',
      ),
    ).toBe(
      'Why here: casts up to 6.5 m; shallow before the feet, 30 cm (cannot swim); the wind is off the left hand.',
    );
    expect(whyHereText([{ why: 'shallow', wadeM: 0.3 }], 'imperial')).toBe('Why here: no deeper than 12 in.');
  });

  it('is nothing where nothing speaks for it', () => expect(whyHereText([], 'metric')).toBe(''));
});
