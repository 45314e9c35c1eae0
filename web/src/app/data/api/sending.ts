import { signal } from '@angular/core';
import type { Observable } from 'rxjs';
import type { ApiError } from './api-error';
import { checked, type Contract } from './checked';

/** A small form on its way: whether it is, and what speaks against it, by its contract or by the server. */
export class Sending {
  private readonly underWay = signal(false);
  private readonly refused = signal<ApiError | null>(null);
  readonly busy = this.underWay.asReadonly();
  readonly wrong = this.refused.asReadonly();

  /** What the form holds when its contract takes it; else null, and what is wrong is told. */
  checked<T>(contract: Contract<T>, form: unknown): T | null {
    const held = checked(contract, form);
    if ('data' in held) return held.data;
    this.refused.set(held.error);
    return null;
  }

  /** Sends it; then goes on with the answer, or tells what is wrong and does what is to be done then. */
  send<T>(call: Observable<T>, then: (answer: T) => void, otherwise: () => void = () => undefined): void {
    this.underWay.set(true);
    this.refused.set(null);
    call.subscribe({
      next: (answer) => {
        this.underWay.set(false);
        then(answer);
      },
      error: (error: ApiError) => {
        this.underWay.set(false);
        this.refused.set(error);
        otherwise();
      },
    });
  }

  /** Forgets what was wrong, as when the form is closed. */
  clear(): void {
    this.refused.set(null);
  }
}
