/** Between one who is let in and the next, milliseconds: less than a password takes that is looked at. */
const APART_MS = 6;

/**
 * Lets in one after the other, and whatever else waits in between: a crowd that comes at once does not take the next turn
 * of everybody inside.
 */
export class Door {
  private readonly outside: (() => void)[] = [];
  private isOpen = false;

  enter(begin: () => void): void {
    this.outside.push(begin);
    if (this.isOpen) return;
    this.isOpen = true;
    this.next();
  }

  private readonly next = (): void => {
    const begin = this.outside.shift();
    this.isOpen = begin !== undefined;
    if (!begin) return;
    setTimeout(this.next, APART_MS);
    begin();
  };
}
