import { seasonText } from './months';

describe('a season', () => {
  it.each([
    [[3, 4, 5, 10], 'Mar–May, Oct'],
    [[11, 12, 1, 2], 'Nov–Feb'],
    [[12], 'Dec'],
    [[], ''],
    [[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], 'all year'],
  ])('of %j is %s', (months, text) => expect(seasonText(months)).toBe(text));
});
