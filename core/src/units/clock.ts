/** One for each zone: making a clock takes longer than reading it a hundred times. */
const CLOCKS = new Map<string, Intl.DateTimeFormat>();

/**
 * Clock time at the water, e.g. `09:30`.
 *
 * @param ms epoch milliseconds
 * @param timeZone an IANA name
 */
export function clockTime(ms: number, timeZone: string): string {
  let clock = CLOCKS.get(timeZone);
  if (!clock) {
    clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone });
    CLOCKS.set(timeZone, clock);
  }
  return clock.format(new Date(ms));
}
