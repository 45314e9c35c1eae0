/** The months, by number from 1, with their names. */
export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
].map((name, i) => ({ month: i + 1, name, short: name.slice(0, 3), letter: name.slice(0, 1) }));
