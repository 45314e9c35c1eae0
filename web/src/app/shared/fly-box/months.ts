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

/**
 * Months as a season: `Mar–May, Oct`, `Nov–Feb`, `all year`.
 *
 * @param months 1…12, in any order
 */
export function seasonText(months: readonly number[]): string {
  if (months.length >= 12) return 'all year';
  const isIn = (month: number): boolean => months.includes(((month + 11) % 12) + 1);
  const short = (month: number): string => MONTHS[(month + 11) % 12]!.short;
  return MONTHS.filter(({ month }) => isIn(month) && !isIn(month - 1))
    .map(({ month: first }) => {
      let last = first;
      while (isIn(last + 1)) last += 1;
      return last === first ? short(first) : `${short(first)}–${short(last)}`;
    })
    .join(', ');
}
