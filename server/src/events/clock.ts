/** Differences below this come from the way of a request, and from clocks that nobody would call wrong; milliseconds. */
const NOT_WORTH_TELLING_MS = 120_000;

/**
 * How far a device's clock is ahead of the server's, negative when behind; 0 when they agree or it did not say.
 *
 * @param sentAtMs what the device's clock said when it sent
 */
export function clockAhead(sentAtMs: number | undefined, nowMs: number): number {
  const ahead = sentAtMs === undefined ? 0 : sentAtMs - nowMs;
  return Math.abs(ahead) < NOT_WORTH_TELLING_MS ? 0 : ahead;
}

/**
 * The same for one event. Its clock may have been put right before it was sent: nothing happens after it arrives, so an
 * event dated later than that happened when it came at the latest.
 */
export function eventClockAhead(atMs: number, deviceAheadMs: number, nowMs: number): number {
  return atMs - deviceAheadMs > nowMs + NOT_WORTH_TELLING_MS ? atMs - nowMs : deviceAheadMs;
}
