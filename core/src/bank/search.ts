import { type BankEvent, type Retrieve, RETRIEVES } from './event';
import { activeEvents } from './log';

/** One way of searching still water: how deep, how the line comes in, and the pattern. */
export interface Tried {
  depthM: number;
  retrieve: Retrieve;
  pattern: string;
  /** Whether it moved a fish. */
  moved: boolean;
}

/** What was tried in a lesson, oldest first. */
export function triedIn(events: readonly BankEvent[]): Tried[] {
  return activeEvents(events).flatMap(({ body }) =>
    body.kind === 'tried'
      ? [{ depthM: body.depthM, retrieve: body.retrieve, pattern: body.pattern, moved: body.moved }]
      : [],
  );
}

/**
 * What to try next, in the order depth, then retrieve, then pattern: the first depth not tried with the retrieve and
 * pattern in use, then the next retrieve over all depths; null when this pattern has been everywhere, and it is time to
 * change it. What moved a fish is tried again before anything else.
 *
 * @param depthsM the depths to search, metres, nearest first
 */
export function nextToTry(
  tried: readonly Tried[],
  depthsM: readonly number[],
  pattern: string,
): Omit<Tried, 'moved'> | null {
  const moved = [...tried].reverse().find((one) => one.moved && one.pattern === pattern);
  if (moved) return { depthM: moved.depthM, retrieve: moved.retrieve, pattern };
  for (const retrieve of RETRIEVES)
    for (const depthM of depthsM) {
      const known = tried.some(
        (one) => one.pattern === pattern && one.retrieve === retrieve && Math.abs(one.depthM - depthM) < 0.25,
      );
      if (!known) return { depthM, retrieve, pattern };
    }
  return null;
}
