/**
 * Between one who is let in and the next, milliseconds: about as long as a password takes, of which one is looked at at a
 * time. Let in sooner they would only wait inside.
 */
const APART_MS = 20;
/** When no new connection has come for so long, the row of them is taken to be over, milliseconds. */
const QUIET_MS = 6;
/** Nobody stands at the door longer only because others are still coming, milliseconds. */
const MAX_COMING_MS = 300;

/**
 * Lets in one after the other, and whatever else waits in between: a crowd that comes at once does not take the next turn
 * of everybody inside. While new connections come nobody is let in: the process takes one of them in each of its turns,
 * and all others, who want nothing with the door, stand in that row too.
 */
export class Door {
  private readonly outside: (() => void)[] = [];
  private isOpen = false;
  private cameMs = -Infinity;
  private letInMs = -Infinity;

  /** There is a new connection, whatever it is for. */
  cameNew(): void {
    this.cameMs = performance.now();
  }

  enter(begin: () => void): void {
    this.outside.push(begin);
    if (this.isOpen) return;
    this.isOpen = true;
    this.letInMs = performance.now();
    this.next();
  }

  private readonly next = (): void => {
    this.isOpen = this.outside.length > 0;
    if (!this.isOpen) return;
    const now = performance.now();
    const isComing = now - this.cameMs < QUIET_MS && now - this.letInMs < MAX_COMING_MS;
    setTimeout(this.next, isComing ? QUIET_MS : APART_MS);
    if (isComing) return;
    this.letInMs = now;
    this.outside.shift()?.();
  };
}
