import { CARD } from '../testing/rule-card';
import { isCardRead, isClosed, readAfter } from './season';

describe('a rule card', () => {
  it.each([
    ['2026-11-28', '12-31', '2025-12-31'],
    ['2026-11-28', '09-30', '2026-09-30'],
    ['2026-09-30', '09-30', '2025-09-30'],
    ['2026-02-01', '03-14', '2025-03-14'],
    // Nobody has said when it ends: for the calendar year.
    ['2026-02-01', null, '2025-12-31'],
  ])('for %s, of a season to %s, is wanted read after %s', (date, to, expected) => {
    expect(readAfter(to, date)).toBe(expected);
    const card = { ...CARD, seasonTo: to };
    expect(isCardRead({ ...card, checkedOn: expected }, date)).toBe(false);
    expect(isCardRead({ ...card, checkedOn: date }, date)).toBe(true);
    expect(isCardRead({ ...card, checkedOn: null }, date)).toBe(false);
  });

  it.each([
    ['2026-01-05', '06-16', '03-14', false],
    ['2026-04-05', '06-16', '03-14', true],
    ['2026-07-05', '04-01', '09-30', false],
    ['2026-10-01', '04-01', '09-30', true],
    ['2026-10-01', null, '09-30', false],
    ['2026-10-01', null, null, false],
  ])('closes %s in a season from %s to %s: %s', (date, seasonFrom, seasonTo, closed) =>
    expect(isClosed({ ...CARD, seasonFrom, seasonTo }, date)).toBe(closed),
  );
});
