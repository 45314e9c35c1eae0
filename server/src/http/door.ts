/**
 * Between one who is let in and the next, milliseconds: about as long as a password takes, of which one is looked at at a
 * time. Let in sooner they would only wait inside.
 */
const APART_MS = 20;
/** So many may be inside together: where the machine is slow they would gather there. */
const MAX_INSIDE = 3;
/** Whoever stays longer no longer counts as inside, milliseconds: he is made to wait for his many tries. */
const PLACE_MS = 100;
/** When no new connection has come for so long, the row of them is taken to be over, milliseconds. */
const QUIET_MS = 6;
/** Nobody stands at the door longer only because others are still coming, milliseconds. */
const MAX_COMING_MS = 300;

/** @param leave to be called when it is done, rightly or not; more than once does no harm */
type Visit = (leave: () => void) => void;

/**
 * Lets in one after the other, few together, and whatever else waits in between: a crowd that comes at once does not take
 * the next turn of everybody inside. While new connections come nobody is let in: the process takes one of them in each
 * of its turns, and all others, who want nothing with the door, stand in that row too.
 */
export class Door {
  private readonly outside: Visit[] = [];
  /** When each of those inside was let in, milliseconds; the longest first. */
  private readonly inside = new Map<Visit, number>();
  private isOpen = false;
  private cameMs = -Infinity;
  private letInMs = -Infinity;

  /** There is a new connection, whatever it is for. */
  cameNew(): void {
    this.cameMs = performance.now();
  }

  enter(begin: Visit): void {
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
    const mustWait = isComing || this.isFull(now);
    setTimeout(this.next, mustWait ? QUIET_MS : APART_MS);
    if (mustWait) return;
    this.letInMs = now;
    const begin = this.outside.shift();
    if (!begin) return;
    this.inside.set(begin, now);
    begin(() => this.inside.delete(begin));
  };

  private isFull(now: number): boolean {
    for (const [visit, sinceMs] of this.inside) {
      if (now - sinceMs < PLACE_MS) break;
      this.inside.delete(visit);
    }
    return this.inside.size >= MAX_INSIDE;
  }
}
