import { JONAS, SAM } from '../../../testing/fixtures';
import { isPlace, lanesOf, shortName } from './lanes';

describe('the places of a plan', () => {
  it('have the names of those who come, told apart where two share one, and then numbers', () => {
    const other = { ...JONAS, student: { ...JONAS.student, name: 'Sam Birk' } };
    expect(lanesOf([SAM, other], 3).map(({ name }) => name)).toEqual(['Sam O.', 'Sam B.', 'Student 3']);
    expect(lanesOf([SAM, JONAS], 1).map(({ name }) => name)).toEqual(['Sam', 'Jonas']);
  });

  it('are short by a number where nobody is there yet', () => {
    expect([isPlace('Student 3'), shortName('Student 3')]).toEqual([true, '3']);
    expect([isPlace('Sam O.'), shortName('Jonas'), shortName('Sam O.')]).toEqual([false, 'Jo', 'SO']);
  });
});
