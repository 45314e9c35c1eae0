import { callNames, untilText } from './lesson-texts';

describe('how long until a lesson', () => {
  const now = Date.parse('2026-06-10T06:00:00Z');

  it.each([
    ['2026-06-10T05:59:00Z', 'under way'],
    ['2026-06-10T06:12:00Z', 'in 12 min'],
    ['2026-06-10T07:45:00Z', 'in 105 min'],
    ['2026-06-10T12:00:00Z', 'today, in 6 hours'],
    ['2026-06-10T22:20:00Z', 'tomorrow'],
    ['2026-06-11T20:00:00Z', 'tomorrow'],
    ['2026-06-12T07:00:00Z', 'in 2 days'],
  ])('at %s is told as %s, by the calendar at the water', (at, text) =>
    expect(untilText(Date.parse(at), now, 'Europe/Copenhagen')).toBe(text),
  );
});

describe('what those of a group are called', () => {
  const called = (...names: string[]): string[] => [
    ...callNames(names.map((name, i) => ({ id: `${i}`, student: { name } }))).values(),
  ];

  it('is the first name, and a letter more where two share it', () => {
    expect(called('Ines Roth', 'Jonas Abel', 'Ines Karg')).toEqual(['Ines R.', 'Jonas', 'Ines K.']);
  });

  it('is the whole name where the letter is the same too', () => {
    expect(called('Ines Roth', 'Ines Rehm', 'Ines Karg')).toEqual(['Ines Roth', 'Ines Rehm', 'Ines K.']);
  });

  it('is what there is of a name without a second part, or of two that are the same', () => {
    expect(called('Ines', 'Ines Maria Öst')).toEqual(['Ines', 'Ines Ö.']);
    expect(called('Ines Roth', 'Ines Roth')).toEqual(['Ines Roth', 'Ines Roth']);
    expect(called()).toEqual([]);
  });
});
