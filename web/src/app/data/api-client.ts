import { HttpClient } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import type { Endpoint } from '@doceo/contract';
import {
  catchError,
  defer,
  finalize,
  type Observable,
  retry,
  Subject,
  switchMap,
  take,
  throwError,
  timer,
} from 'rxjs';
import { type ApiError, toApiError } from './api-error';

interface Input<P, Q, B> {
  params?: P;
  query?: Q;
  body?: B;
}

const RETRY_LEAST_MS = 500;
const RETRY_MOST_MS = 5000;
const RETRIES = 24;

/**
 * The one way to the server. A call waits through a server that does not answer and through a session that ended: when
 * the user has signed in again it is sent again, so that no edit is lost. All writes are safe to send twice.
 */
@Injectable({ providedIn: 'root' })
export class ApiClient {
  private readonly http = inject(HttpClient);
  private readonly signedIn = new Subject<void>();
  private readonly waiting = signal(0);

  /** True while a call waits for the session to be opened again. */
  readonly sessionEnded = signal(false);
  /** True while the server does not answer. */
  readonly unreachable = this.waiting.asReadonly();

  call<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Observable<R> {
    return this.persistently(endpoint, input).pipe(
      catchError((error: ApiError) => {
        if (error.code !== 'signed-out') return throwError(() => error);
        this.sessionEnded.set(true);
        return this.signedIn.pipe(
          take(1),
          switchMap(() => this.call(endpoint, input)),
        );
      }),
    );
  }

  /** One try, for callers that do their own waiting. */
  once<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Observable<R> {
    return defer(() =>
      this.http.request<R>(endpoint.method.toUpperCase(), pathOf(endpoint.path, input.params), {
        body: endpoint.method === 'get' || endpoint.method === 'delete' ? undefined : (input.body ?? {}),
        params: (input.query ?? {}) as Record<string, string>,
      }),
    ).pipe(catchError((error: unknown) => throwError(() => toApiError(error))));
  }

  /** Lets the calls that wait for a session go on. */
  sessionOpened(): void {
    this.sessionEnded.set(false);
    this.signedIn.next();
  }

  private persistently<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B>): Observable<R> {
    let counted = false;
    const count = (now: boolean): void => {
      if (now !== counted) this.waiting.update((n) => n + (now ? 1 : -1));
      counted = now;
    };
    return this.once(endpoint, input).pipe(
      retry({
        count: RETRIES,
        delay: (error: ApiError, tries) => {
          if (!error.transient) return throwError(() => error);
          count(true);
          return timer(Math.min(RETRY_MOST_MS, RETRY_LEAST_MS * 2 ** (tries - 1)));
        },
      }),
      finalize(() => count(false)),
    );
  }
}

function pathOf(path: string, params: unknown): string {
  return path.replace(/:(\w+)/g, (_, name: string) =>
    encodeURIComponent(String((params as Record<string, unknown>)?.[name] ?? '')),
  );
}
