import type { BankStore } from '../data/lesson/bank-store';
import type { DayStore } from '../data/lesson/day-store';

/** Whether somebody still is on the way to a first lesson: none is over, and nothing was logged. */
export function isOnTheWay(day: DayStore, bank: BankStore): boolean {
  const over = day
    .lessons()
    .some(({ startsAt, lengthMin }) => Date.parse(startsAt) + lengthMin * 60_000 < day.now());
  return day.loaded() && !over && day.events().length === 0 && bank.waiting() === 0;
}
