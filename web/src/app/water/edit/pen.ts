import { computed, signal } from '@angular/core';
import type { Point } from '@doceo/core';

/** A closed area has at least so many corners. */
const MIN_CORNERS = 3;

/** What is being drawn: of what kind, its corners so far, and where the next one would be. */
export class Pen {
  private readonly drawn = signal<string | null>(null);
  private readonly laid = signal<readonly Point[]>([]);
  private readonly at = signal<Point | null>(null);

  /** null while nothing is drawn. */
  readonly kind = this.drawn.asReadonly();
  readonly corners = this.laid.asReadonly();
  readonly cursor = this.at.asReadonly();
  /** The line through the corners to the cursor, as points of a drawing. */
  readonly path = computed(() => {
    const at = this.at();
    return [...this.laid(), ...(at ? [at] : [])].map(({ x, y }) => `${x},${y}`).join(' ');
  });

  take(kind: string, at: Point): void {
    this.drawn.set(kind);
    this.at.set(at);
  }

  lay(): void {
    this.drawn.set(null);
    this.laid.set([]);
    this.at.set(null);
  }

  moveTo(at: Point): void {
    this.at.set(at);
  }

  /** Puts a corner; twice at one place it is one. @returns whether it closes the area: it lies on the first */
  put(at: Point): boolean {
    const [first] = this.laid();
    if (first && this.canClose() && isSame(first, at)) return true;
    if (!isSame(this.laid().at(-1), at)) this.laid.update((list) => [...list, at]);
    return false;
  }

  takeBack(): void {
    this.laid.update((list) => list.slice(0, -1));
  }

  canClose(): boolean {
    return this.laid().length >= MIN_CORNERS;
  }
}

function isSame(one: Point | undefined, other: Point): boolean {
  return one?.x === other.x && one.y === other.y;
}
