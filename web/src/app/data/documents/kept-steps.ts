import { inject, Injectable } from '@angular/core';
import { DeviceUser } from '../device/device-user';
import { sameJson } from '../same-json';
import type { Steps } from './history';

/** Documents whose steps are kept at the most. */
const MAX = 12;

/**
 * What can be undone in documents that were left, until the window is closed: who comes back to one goes on where he
 * was. Each user has his own.
 */
@Injectable({ providedIn: 'root' })
export class KeptSteps {
  private readonly user = inject(DeviceUser);
  private readonly left = new Map<string, { value: unknown; steps: Steps<unknown> }>();

  /** Steps of a document that is left with this value. */
  leave<T>(key: string, value: T, steps: Steps<T>): void {
    this.left.delete(this.nameOf(key));
    if (steps.past.length + steps.future.length === 0) return;
    this.left.set(this.nameOf(key), { value, steps });
    const [oldest] = this.left.keys();
    if (this.left.size > MAX && oldest !== undefined) this.left.delete(oldest);
  }

  /** The steps that lead to this value; null when the document was changed elsewhere meanwhile. */
  take<T>(key: string, value: T): Steps<T> | null {
    const kept = this.left.get(this.nameOf(key));
    return kept && sameJson(kept.value, value) ? (kept.steps as Steps<T>) : null;
  }

  private nameOf(key: string): string {
    return `${this.user.id() ?? ''}/${key}`;
  }
}
