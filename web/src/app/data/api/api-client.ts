import { HttpClient } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { api, type Endpoint } from '@doceo/contract';
import {
  catchError,
  defer,
  EMPTY,
  expand,
  finalize,
  from,
  last,
  map,
  type Observable,
  of,
  scan,
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
import { type ApiError, toApiError } from './api-error';
import { DeviceCopies } from '../device/device-copies';
import { DeviceUser } from '../device/device-user';

interface Input<P, Q, B> {
  params?: P;
  query?: Q;
  body?: B;
}

/** An answer, and whether this device gave it in place of the server. */
export interface Answer<R> {
  value: R;
  fromDevice: boolean;
}

/** The server refuses calls of one user with the session of another, as when somebody else signed in in another tab. */
const USER_HEADER = 'doceo-user';

const MIN_RETRY_MS = 500;
const MAX_RETRY_MS = 5000;
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
    api.lessons.plan,
    api.records.list,
    api.records.progress,
    api.records.effects,
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
  private readonly user = inject(DeviceUser);
  private readonly opened = new Subject<void>();
  private readonly waiting = signal(0);

  /** True while a call waits for the session to be opened again. */
  readonly sessionEnded = signal(false);
  /** True while the server does not answer. */
  readonly unreachable = this.waiting.asReadonly();

  /** What was last answered by this device, for want of the server, by what was asked. */
  private readonly stale = signal<ReadonlySet<string>>(new Set());
  /** True while something that is shown came from this device. */
  readonly fromDevice = computed(() => this.stale().size > 0);

  call<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Observable<R> {
    return this.answer(endpoint, input).pipe(map(({ value }) => value));
  }

  /** The same, for who must know where the answer came from. */
  answer<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Observable<Answer<R>> {
    return this.signedIn(() => this.lasting(endpoint, input, this.once(endpoint, input)));
  }

  /**
   * The whole of a list that the server tells a page at a time. This device keeps it whole.
   *
   * @param next what to ask for after a page; null after the last one
   */
  whole<Q, T>(
    endpoint: Endpoint<Record<string, never>, Q, Record<string, never>, T[]>,
    next: (page: T[]) => Q | null,
  ): Observable<Answer<T[]>> {
    const pages = this.once(endpoint).pipe(
      expand((page) => {
        const query = next(page);
        return query === null ? EMPTY : this.once(endpoint, { query });
      }),
      scan((all, page) => [...all, ...page], [] as T[]),
    );
    return this.signedIn(() => this.lasting(endpoint, {}, pages));
  }

  /**
   * What a screen can do without: the server's answer or this device's copy, and null at once where there is neither. For
   * want of a server it is asked for anew when that is back, as a copy is.
   */
  ifThere<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Observable<R | null> {
    return this.withCopy(endpoint, input, this.once(endpoint, input)).pipe(
      map((answer) => answer.value),
      catchError((error: unknown) => {
        if (isAway(error)) this.markStale(keyOf(endpoint, input), true);
        return of(null);
      }),
    );
  }

  /** The server is back: what the device stood in for is asked for anew by who shows it. */
  serverIsBack(): void {
    this.stale.set(new Set());
  }

  /** One try, for callers that do their own waiting. */
  once<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Observable<R> {
    return defer(() =>
      this.http.request<R>(endpoint.method.toUpperCase(), pathOf(endpoint.path, input.params), {
        body: endpoint.method === 'get' || endpoint.method === 'delete' ? undefined : (input.body ?? {}),
        params: (input.query ?? {}) as Record<string, string>,
        headers: this.headers(),
      }),
    ).pipe(catchError((error: unknown) => throwError(() => toApiError(error))));
  }

  /** Keeps on this device what an endpoint would answer. */
  keep<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, answer: R, input: Input<P, Q, B> = {}): Promise<void> {
    const id = this.user.id();
    return id === null ? Promise.resolve() : this.copies.keep(id, keyOf(endpoint, input), answer);
  }

  /** The copy that this device keeps for somebody. */
  async copyOf<R>(userId: string, endpoint: Endpoint<never, never, never, R> | object): Promise<R | null> {
    const key = keyOf(endpoint as Endpoint<object, object, object, R>, {});
    return ((await this.copies.find(userId, key))?.value as R | undefined) ?? null;
  }

  /** Whether this device has an answer for when there is no network. */
  async hasCopy<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B> = {}): Promise<boolean> {
    return (await this.copyFor(keyOf(endpoint, input))) !== null;
  }

  /** Lets the calls that wait for a session go on. */
  sessionOpened(): void {
    this.sessionEnded.set(false);
    this.opened.next();
  }

  /** Waits through a session that ended, and asks again in the one that is opened then. */
  private signedIn<T>(ask: () => Observable<T>): Observable<T> {
    return ask().pipe(
      catchError((error: ApiError) => {
        if (error.code !== 'signed-out') return throwError(() => error);
        this.sessionEnded.set(true);
        return this.opened.pipe(
          take(1),
          switchMap(() => this.signedIn(ask)),
        );
      }),
    );
  }

  /** What is asked of the server, until there is an answer: of this device for want of one, where it keeps it. Of what grows while it comes, the last counts. */
  private lasting<P, Q, B, R>(
    endpoint: Endpoint<P, Q, B, R>,
    input: Input<P, Q, B>,
    asked: Observable<R>,
  ): Observable<Answer<R>> {
    const again = this.persistently(asked).pipe(
      last(),
      map((value): Answer<R> => ({ value, fromDevice: false })),
    );
    if (!KEPT.has(endpoint as unknown as Endpoint)) return again;
    return this.withCopy(endpoint, input, asked).pipe(
      catchError((error: ApiError) => (isAway(error) ? again : throwError(() => error))),
    );
  }

  /** The server's answer, kept here for later; without a server the last one kept, and its failure when there is none. */
  private withCopy<P, Q, B, R>(
    endpoint: Endpoint<P, Q, B, R>,
    input: Input<P, Q, B>,
    asked: Observable<R>,
  ): Observable<Answer<R>> {
    const key = keyOf(endpoint, input);
    return asked.pipe(
      timeout(KEPT_WAIT_MS),
      last(),
      tap((answer) => {
        this.markStale(key, false);
        void this.keep(endpoint, answer, input);
      }),
      map((value): Answer<R> => ({ value, fromDevice: false })),
      catchError((error: unknown) => {
        if (!isAway(error)) return throwError(() => error);
        return from(this.copyFor(key)).pipe(
          switchMap((copy) => {
            if (!copy) return throwError(() => error);
            this.markStale(key, true);
            return of({ value: copy.value as R, fromDevice: true });
          }),
        );
      }),
    );
  }

  /** Of who is signed in; before that is known, of who has the device. */
  private async copyFor(key: string): Promise<{ value: unknown } | null> {
    return this.copies.find(this.user.id() ?? (await this.copies.owner()), key);
  }

  private markStale(key: string, stale: boolean): void {
    if (this.stale().has(key) === stale) return;
    this.stale.update((keys) => new Set(stale ? [...keys, key] : [...keys].filter((one) => one !== key)));
  }

  private headers(): Record<string, string> {
    const id = this.user.id();
    return id === null ? {} : { [USER_HEADER]: id };
  }

  private persistently<R>(asked: Observable<R>): Observable<R> {
    let counted = false;
    const count = (now: boolean): void => {
      if (now !== counted) this.waiting.update((n) => n + (now ? 1 : -1));
      counted = now;
    };
    return asked.pipe(
      retry({
        count: RETRIES,
        delay: (error: ApiError, tries) => {
          if (!error.transient) return throwError(() => error);
          count(true);
          // Not all devices at the same moment: a server that comes back gets its work bit by bit.
          return timer(Math.min(MAX_RETRY_MS, MIN_RETRY_MS * 2 ** (tries - 1)) * (1 - Math.random() / 2));
        },
      }),
      finalize(() => count(false)),
    );
  }
}

/** Whether nobody answered; whoever answers may still refuse. */
const isAway = (error: unknown): boolean => error instanceof TimeoutError || (error as ApiError).transient;

function keyOf<P, Q, B, R>(endpoint: Endpoint<P, Q, B, R>, input: Input<P, Q, B>): string {
  return `${pathOf(endpoint.path, input.params)}?${new URLSearchParams((input.query ?? {}) as Record<string, string>)}`;
}

function pathOf(path: string, params: unknown): string {
  return path.replace(/:(\w+)/g, (_, name: string) =>
    encodeURIComponent(String((params as Record<string, unknown>)?.[name] ?? '')),
  );
}
