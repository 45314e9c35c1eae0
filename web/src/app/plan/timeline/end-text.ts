import type { Overrun } from '@doceo/core';

/**
 * When a plan ends: `Ends 12:54 to 13:14, likely 13:02. Past 13:00 in 6 of 10; block 11 is cut first.`
 *
 * @param cutFirst number of the block that is cut first; null where none is
 * @param clock a minute of the lesson as it is told
 */
export function endText(
  { soonestMin, likelyMin, latestMin, late }: Overrun,
  { lengthMin, cutFirst }: { lengthMin: number; cutFirst: number | null },
  clock: (minutes: number) => string,
): string {
  const at = (minutes: number): string => clock(Math.round(minutes));
  const past = Math.round(late * 10);
  const lateText = late < 0.05 ? 'seldom' : past >= 10 ? 'nearly always' : `in ${Math.max(1, past)} of 10`;
  const cut = cutFirst !== null && late >= 0.05 ? `; block ${cutFirst} is cut first` : '';
  return (
    `Ends ${at(soonestMin)} to ${at(latestMin)}, likely ${at(likelyMin)}. ` +
    `Past ${clock(lengthMin)} ${lateText}${cut}.`
  );
}
