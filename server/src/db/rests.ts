/** Longer nobody rests after one statement, milliseconds. */
const MAX_REST_MS = 200;

/**
 * The pace of work that runs behind other work: before the next statement of anybody here the database has been left in
 * peace for as long as the last one took. It is then free half of the time, however much is asked of it.
 */
export class Rests {
  private until = 0;

  /** Runs one statement when it is time for it. */
  async before<T>(statement: () => Promise<T>): Promise<T> {
    for (let left = this.left(); left > 0; left = this.left())
      await new Promise((resolve) => setTimeout(resolve, left));
    const from = performance.now();
    try {
      return await statement();
    } finally {
      const now = performance.now();
      this.until = Math.max(this.until, now) + Math.min(now - from, MAX_REST_MS);
    }
  }

  private left(): number {
    return Math.ceil(this.until - performance.now());
  }
}
