import { dayOfYear, dayOfYearText, readOnText } from './dates';

describe('days', () => {
  it.each([
    ['1 Mar', '03-01'],
    ['march 1', '03-01'],
    ['31 October', '10-31'],
    ['1.3.', '03-01'],
    ['29 Feb', '02-29'],
    ['10-31', '10-31'],
    ['31 Feb', null],
    ['autumn', null],
    ['', null],
  ])('%s is the day %s of a year', (text, day) => {
    expect(dayOfYear(text)).toBe(day);
    if (day) expect(dayOfYear(dayOfYearText(day))).toBe(day);
  });

  it('are told with their year, or that there was none', () =>
    expect([readOnText('2025-10-21'), readOnText(null)]).toEqual(['21 Oct 2025', 'never']));
});
