import { computed, inject, Injectable, signal } from '@angular/core';
import { api, type FitStatus, fittedOf } from '@doceo/contract';
import type { FittedSkills } from '@doceo/core';
import { catchError, EMPTY, expand, type Observable, of, switchMap, tap, timer } from 'rxjs';
import { sameJson } from '../same-json';
import { ApiClient } from '../api/api-client';

const ASK_EVERY_MS = 400;

/** What learning parameters the estimates rest on: those fitted to this installation's records, else the priors. */
@Injectable({ providedIn: 'root' })
export class FitStore {
  private readonly client = inject(ApiClient);
  private readonly known = signal<FitStatus | null>(null);

  readonly status = this.known.asReadonly();
  /** Stays the same object while a fit runs, so that nothing is traced anew for its progress. */
  readonly fitted = computed<FittedSkills>(() => fittedOf(this.known() ?? { skills: {}, home: null }), {
    equal: sameJson,
  });

  /** Estimates do without: a failure leaves the priors. */
  load(): Observable<FitStatus | null> {
    return this.client.call(api.skillFit.get).pipe(
      tap((status) => this.known.set(status)),
      catchError(() => of(null)),
    );
  }

  /** Starts a fit and follows it to its end. */
  start(): Observable<FitStatus> {
    return this.client.call(api.skillFit.start).pipe(
      expand((status) =>
        status.state === 'running'
          ? timer(ASK_EVERY_MS).pipe(switchMap(() => this.client.call(api.skillFit.get)))
          : EMPTY,
      ),
      tap((status) => this.known.set(status)),
    );
  }
}
