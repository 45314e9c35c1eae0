import { HttpClient } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { api, type Endpoint } from '@doceo/contract';
import {
  catchError,
  defer,
  finalize,
  from,
  type Observable,
  of,
  retry,
  Subject,
  switchMap,
  take,
  tap,
  throwError,
  timeout,
  TimeoutError,
  timer,
} from 'rxjs';
import { DeviceCopies } from './device-copies';
import { type ApiError, toApiError } from './api-error';

interface Input<P, Q, B> {
  params?: P;
  query?: Q;
  body?: B;
}

const RETRY_LEAST_MS = 500;
const RETRY_MOST_MS = 5000;
const RETRIES = 24;
/** How long the server may take before this device's copy stands in, milliseconds. */
const KEPT_WAIT_MS = 6000;

/** What a day at the water needs without a network. */
const KEPT: ReadonlySet<Endpoint> = new Set<Endpoint>(
  [
    api.session.get,
    api.lessons.list,
    api.waters.list,
    api.waters.conditions,
    api.waters.beats,
    api.waters.lake,
    api.students.list,
    api.plans.list,
    api.plans.get,
    api.rigs.list,
    api.rigs.get,
    api.readings.list,
    api.skillFit.get,
    api.events.list,
  ].map((endpoint) => endpoint as unknown as Endpoint),
);

/**
 * The one way to the server. A call waits through a server that does not answer and through a session that ended: when
 * the user has signed in again it is sent again, so that no edit is lost. All writes are safe to send twice. What a day
 * at the water needs is kept on this device too, and taken from there when the server does not answer.
 */
@Injectable({ providedIn: 'root' })
export class ApiClient {
  private readonly http = inject(HttpClient);
  private readonly copies = inject(DeviceCopies);
  private readonly signedIn = new Subject<void>();
  private readonly waiting = signal(0);

  /** True while a call waits for the session to be opened again. */
  readonly sessionEnded = signal(false);
  /** True while the server does not answer. */
  readonly unreachable = this.waiting.asReadonly();

  /** True while what is shown came from this device, for want of the server. */
  readonly fromDevice = signal(false);

  call<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Observable<R> {
    const answer = KEPT.has(endpoint as unknown as Endpoint)
      ? this.keptOnDevice(endpoint, input)
      : this.persistently(endpoint, input);
    return answer.pipe(
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

  /** Keeps on this device what an endpoint would answer. */
  keep<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, answer: R, input: Input<P, Q, B> = {}): Promise<void> {
    return this.copies.keep(keyOf(endpoint, input), answer);
  }

  /** Whether this device has an answer for when there is no network. */
  async hasCopy<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Promise<boolean> {
    return (await this.copies.find(keyOf(endpoint, input))) !== null;
  }

  /** Lets the calls that wait for a session go on. */
  sessionOpened(): void {
    this.sessionEnded.set(false);
    this.signedIn.next();
  }

  /** The server's answer, kept here for later; without a server the last one kept, if there is one. */
  private keptOnDevice<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B>): Observable<R> {
    const key = keyOf(endpoint, input);
    return this.once(endpoint, input).pipe(
      timeout(KEPT_WAIT_MS),
      tap((answer) => {
        this.fromDevice.set(false);
        void this.copies.keep(key, answer);
      }),
      catchError((error: unknown) => {
        if (!(error instanceof TimeoutError) && !(error as ApiError).transient)
          return throwError(() => error);
        return from(this.copies.find(key)).pipe(
          switchMap((copy) => {
            if (!copy) return this.persistently(endpoint, input);
            this.fromDevice.set(true);
            return of(copy.value as R);
          }),
        );
      }),
    );
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

function keyOf<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B>): string {
  return `${pathOf(endpoint.path, input.params)}?${new URLSearchParams((input.query ?? {}) as Record<string, string>)}`;
}

function pathOf(path: string, params: unknown): string {
  return path.replace(/:(\w+)/g, (_, name: string) =>
    encodeURIComponent(String((params as Record<string, unknown>)?.[name] ?? '')),
  );
}
