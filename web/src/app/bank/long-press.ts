/** So long a finger lies on something that it means more than a tap, milliseconds. */
const LONG_PRESS_MS = 550;

/** Tells a long press from a tap on the same thing. */
export class LongPress {
  private waiting: ReturnType<typeof setTimeout> | null = null;
  private isLong = false;

  /** A finger comes down; what is to be done happens when it stays. */
  begin(act: () => void): void {
    this.end();
    this.isLong = false;
    this.waiting = setTimeout(() => {
      this.isLong = true;
      navigator.vibrate?.(25);
      act();
    }, LONG_PRESS_MS);
  }

  /** The finger is off again. */
  end(): void {
    if (this.waiting !== null) clearTimeout(this.waiting);
    this.waiting = null;
  }

  /** Whether the click that comes now only ends a long press; asked once. */
  wasLong(): boolean {
    const was = this.isLong;
    this.isLong = false;
    return was;
  }
}
