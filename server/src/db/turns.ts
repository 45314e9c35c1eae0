/**
 * Who gets one of so many places next. Who has begun goes before who has not: what was begun ends soon, and under more
 * than can be done at a time some are done whole, instead of many by half.
 */
export class Turns {
  private readonly begun: (() => void)[] = [];
  private readonly fresh: (() => void)[] = [];

  /** @param free places that nobody has */
  constructor(private free: number) {}

  /** Those who wait now. */
  get waiting(): number {
    return this.begun.length + this.fresh.length;
  }

  /**
   * Waits for a place, which is to be given back.
   *
   * @param hasBegun whether he had a place before
   * @returns whether there was one in time
   */
  async take(hasBegun: boolean, withinMs: number): Promise<boolean> {
    if (this.free > 0) {
      this.free -= 1;
      return true;
    }
    const queue = hasBegun ? this.begun : this.fresh;
    return new Promise((resolve) => {
      const called = (): void => {
        clearTimeout(timer);
        resolve(true);
      };
      const timer = setTimeout(() => {
        queue.splice(queue.indexOf(called), 1);
        resolve(false);
      }, withinMs);
      queue.push(called);
    });
  }

  giveBack(): void {
    const next = this.begun.shift() ?? this.fresh.shift();
    if (next) next();
    else this.free += 1;
  }
}
