import { textInUnits } from '.';

describe('lengths in our own texts', () => {
  it.each([
    ['8 of 10: 7 m, no crack behind', '8 of 10: 23 ft, no crack behind'],
    ['two ends across each other, 15 cm over.', 'two ends across each other, 6 in over.'],
    ['10–15 cm above the fly', '4–6 in above the fly'],
    ['stones of 3 mm', 'stones of 0.1 in'],
    ['a leader 9 ft', 'a leader 9 ft'],
    ['1.5 m deep', '5 ft deep'],
    ['6 of 10 in 20 m of water', '6 of 10 in 66 ft of water'],
    ['between 0.09 and 0.46 in 80 of 100 cases', 'between 0.09 and 0.46 in 80 of 100 cases'],
    ['12 m/s and 3 m², 5 min, 4 metres', '12 m/s and 3 m², 5 min, 4 metres'],
  ])('%s', (text, imperial) => expect(textInUnits(text, 'imperial')).toBe(imperial));

  it.each([
    ['leader 9 ft, line marked at 7 m', 'leader 2.7 m, line marked at 7 m'],
    ['18 in of tippet', '46 cm of tippet'],
    ['two hooks in 2 flies', 'two hooks in 2 flies'],
  ])('%s', (text, metric) => expect(textInUnits(text, 'metric')).toBe(metric));
});
