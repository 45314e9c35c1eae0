import { setTimeout as pause } from 'node:timers/promises';

const TRIES = 6;

/** Runs something again that failed, when `wanted` says so; a little later each time, and six times at most. */
export async function retry<T>(run: () => Promise<T>, wanted: (error: unknown) => boolean): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await run();
    } catch (error) {
      if (tries === TRIES || !wanted(error)) throw error;
      // Apart from each other, so that the same two do not meet again.
      await pause(Math.random() * 15 * 2 ** tries);
    }
  }
}
