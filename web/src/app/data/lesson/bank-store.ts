import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { api, type EventReceipt, MAX_EVENTS } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import {
  catchError,
  EMPTY,
  exhaustMap,
  expand,
  filter,
  from,
  fromEvent,
  merge,
  type Observable,
  of,
  Subject,
  switchMap,
  tap,
  throwError,
  timer,
} from 'rxjs';
import { ApiClient } from '../api/api-client';
import type { ApiError } from '../api/api-error';
import { refusalText } from '../api/error-texts';
import { BankDatabase, type KeptEvent } from '../device/bank-database';
import { UserStorage } from '../device/user-storage';
import { SessionStore } from '../session';
import { offerAgain } from './offer-again';

/** An entry that the server can never take as it is, with why. */
export interface SetAside {
  event: BankEvent;
  reason: string;
}

const DEVICE_KEY = 'device';
const SEND_EVERY_MS = 5000;
/** Refusals of a whole request that may be due to one of its entries. */
const PARTED: ReadonlySet<string> = new Set(['invalid', 'too-large', 'unreadable']);
/** Entries with which a server that was away is tried: few, since a tap waits while the store reads them. */
const PROBE_EVENTS = 20;

/**
 * Events of the bank book. Each goes to a store on this device first, then to the server when that answers. An event is
 * acknowledged to the user when the device has it, and stays here until the server said so.
 */
@Injectable({ providedIn: 'root' })
export class BankStore {
  private readonly client = inject(ApiClient);
  private readonly session = inject(SessionStore);
  private readonly database = inject(BankDatabase);
  private readonly storage = inject(UserStorage);
  private readonly wake = new Subject<void>();
  /** Whether the last try failed: then taps do not wait behind further tries, only the clock makes them. */
  private away = false;
  /** Moves when entries begin and end to be stored. */
  private adds = 0;
  /** What was acknowledged here and not sent yet, should the browser throw its store away under a running page. */
  private readonly held = new Map<string, KeptEvent>();
  /** Events the server does not have yet. */
  readonly waiting = signal(0);
  /** False until this device was asked what it keeps: nothing is claimed before. */
  readonly counted = signal(false);
  /** What the server can never take as it is. It stays on this device until it is mended, saved to a file or let go. */
  readonly setAside = signal<SetAside[]>([]);
  /** How far this device's clock is ahead of the server's, ms; negative when behind, 0 when they agree. */
  readonly clockAheadMs = signal(0);
  readonly online = signal(navigator.onLine);
  /** Emits when the server said that of somebody nothing may be recorded any more: what is shown of him is old. */
  readonly unconsented = new Subject<void>();
  /** Emits when the server was brought back from a backup, and how many entries are sent to it again. */
  readonly broughtBack = new Subject<{ backTo: string; count: number }>();
  /** For whom, and for which life of the data, it is settled what is sent again. */
  private offered = { of: '', done: Promise.resolve() };

  constructor() {
    toObservable(this.session.user)
      .pipe(
        filter((user) => user !== null),
        switchMap(async (user) => {
          await this.offerAgain();
          await this.tellSetAside();
          return this.steadyCount(user.id);
        }),
        takeUntilDestroyed(),
      )
      .subscribe((waiting) => {
        this.waiting.set(waiting);
        this.counted.set(true);
        this.wake.next();
      });
    merge(timer(0, SEND_EVERY_MS), this.wake, fromEvent(window, 'online'))
      .pipe(
        exhaustMap(() =>
          this.send().pipe(expand((sent) => (sent && this.waiting() > 0 ? this.send() : EMPTY))),
        ),
        takeUntilDestroyed(),
      )
      .subscribe();
    merge(fromEvent(window, 'online'), fromEvent(window, 'offline'))
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.online.set(navigator.onLine));
  }

  /** Names this device in what it logs for this user. */
  get deviceId(): string {
    const known = this.storage.get(DEVICE_KEY);
    if (known) return known;
    const made = crypto.randomUUID();
    this.storage.set(DEVICE_KEY, made);
    return made;
  }

  /** Before anything is dropped here that the server may have lost. */
  private offerAgain(): Promise<void> {
    const [userId, installation] = [this.userId(), this.session.installation()];
    if (userId === '' || !installation) return Promise.resolve();
    const of = `${userId} ${installation.life}`;
    if (this.offered.of === of) return this.offered.done;
    // A device that keeps nothing has nothing to offer.
    const counted = offerAgain(this.database, this.storage, userId, installation.life).catch(() => 0);
    const done = counted.then((count) => {
      if (count > 0 && installation.backTo) this.broughtBack.next({ backTo: installation.backTo, count });
    });
    this.offered = { of, done };
    return done;
  }

  /** Resolves when the device has it. */
  add(event: BankEvent): Promise<void> {
    return this.addAll([event]);
  }

  /** All or none of them; resolves when the device has them. */
  async addAll(events: readonly BankEvent[]): Promise<void> {
    if (events.length === 0) return;
    this.adds += 1;
    const userId = this.userId();
    const { events: table } = this.database;
    const kept = events.map((event): KeptEvent => ({ ...event, userId, state: 'waiting' }));
    await this.database.transaction('rw', table, () => table.bulkAdd(kept));
    for (const event of kept) this.held.set(event.id, event);
    this.adds += 1;
    this.waiting.update((n) => n + events.length);
    if (!this.away) this.wake.next();
  }

  /**
   * Drops what the server has of students who are not among these. What it does not have yet is never dropped: it is
   * sent, and set aside with the reason when it is refused.
   */
  async forgetOthers(studentIds: ReadonlySet<string>): Promise<void> {
    await this.offerAgain();
    const gone = await this.database.events
      .filter(
        ({ studentId, userId, state }) =>
          userId === this.userId() && state === 'sent' && studentId !== null && !studentIds.has(studentId),
      )
      .primaryKeys()
      .catch(() => []);
    if (gone.length > 0) await this.database.events.bulkDelete(gone);
  }

  /** Sends an entry that was set aside again, mended or as it was. */
  async sendAgain(event: BankEvent): Promise<void> {
    await this.database.events.put({ ...event, userId: this.userId(), state: 'waiting' });
    await this.recount();
    this.away = false;
    this.wake.next();
  }

  /** Lets entries go that were set aside. */
  async letGo(ids: readonly string[]): Promise<void> {
    await this.database.events.bulkDelete([...ids]);
    await this.tellSetAside();
  }

  /** Events of a lesson on this device, sent or not. */
  kept(lessonId: string): Promise<BankEvent[]> {
    return this.database.events.where({ userId: this.userId(), lessonId }).toArray();
  }

  /** Sends what waits, at most one request's worth; whether the server took it. */
  private send(): Observable<boolean> {
    if (!this.session.user()) return EMPTY;
    return from(this.batch(this.away ? PROBE_EVENTS : MAX_EVENTS)).pipe(
      switchMap((events) => {
        if (events.length > 0) return this.deliver(events);
        this.waiting.set(0);
        return of(false);
      }),
      catchError((error: unknown) => {
        if ((error as Partial<ApiError>).code === 'signed-out') this.client.sessionEnded.set(true);
        this.away = true;
        return of(false);
      }),
    );
  }

  /** The first entries that wait; those the browser threw away under this page are put back before. */
  private async batch(most: number): Promise<KeptEvent[]> {
    const { events } = this.database;
    const first = (): Promise<KeptEvent[]> =>
      events.where({ userId: this.userId(), state: 'waiting' }).limit(most).toArray();
    const found = await first();
    if (found.length >= Math.min(most, this.held.size)) return found;
    const held = [...this.held.values()];
    const there = await events.bulkGet(held.map(({ id }) => id));
    // What another tab has sent in the meantime need not be held here.
    for (const event of there) if (event && event.state !== 'waiting') this.held.delete(event.id);
    await events.bulkPut(held.filter((_, i) => there[i] === undefined));
    return first();
  }

  private deliver(events: KeptEvent[]): Observable<boolean> {
    const plain = events.map(
      ({ userId: _user, state: _state, reason: _reason, clockAheadMs: _ahead, ...event }) => event,
    );
    return this.client.once(api.events.add, { body: { events: plain, sentAtMs: Date.now() } }).pipe(
      tap(() => {
        this.away = false;
        this.online.set(true);
      }),
      // By its place in the request: one that cannot be read may have no id to go by.
      switchMap(({ refused, ...receipt }) =>
        this.mark({
          ...receipt,
          refused: refused.map((one) => ({ ...one, id: events[one.index]?.id ?? one.id })),
        }),
      ),
      catchError((error: ApiError) =>
        PARTED.has(error.code) ? this.deliverParted(events, error) : throwError(() => error),
      ),
    );
  }

  /** A request that is refused as a whole is sent in halves, until the one entry is found that it is refused for. */
  private deliverParted(events: KeptEvent[], error: ApiError): Observable<boolean> {
    if (events.length > 1) {
      const half = Math.ceil(events.length / 2);
      return this.deliver(events.slice(0, half)).pipe(switchMap(() => this.deliver(events.slice(half))));
    }
    const refused = events.map(({ id }, index) => ({
      id,
      index,
      code: 'invalid' as const,
      message: error.message,
      issues: error.issues,
    }));
    return from(this.mark({ stored: [], known: [], refused, clockAheadMs: this.clockAheadMs() }));
  }

  /** Notes what the server said of each event. */
  private async mark({ stored, known, refused, clockAheadMs }: EventReceipt): Promise<boolean> {
    const { events } = this.database;
    const sent = { state: 'sent' as const, ...(clockAheadMs === 0 ? {} : { clockAheadMs }) };
    await this.database.transaction('rw', events, async () => {
      for (const id of [...stored, ...known]) await events.update(id, sent);
      for (const one of refused) await events.update(one.id, { state: 'refused', reason: refusalText(one) });
    });
    this.clockAheadMs.set(clockAheadMs);
    // Told before nothing waits any more: whoever sees that sees what was set aside too.
    if (refused.length > 0) await this.tellSetAside();
    if (refused.some(({ code }) => code === 'no-consent')) this.unconsented.next();
    await this.recount();
    for (const id of [...stored, ...known, ...refused.map((one) => one.id)]) this.held.delete(id);
    return true;
  }

  private async tellSetAside(): Promise<void> {
    const found = await Promise.resolve(
      this.database.events
        .where({ userId: this.userId(), state: 'refused' })
        .toArray()
        .catch((): KeptEvent[] => []),
    );
    this.setAside.set(
      found.map(({ userId: _user, state: _state, reason, ...event }) => ({ event, reason: reason ?? '' })),
    );
  }

  private async recount(): Promise<void> {
    this.waiting.set(await this.steadyCount(this.userId()));
    await this.tellSetAside();
  }

  /** The same, counted when no tap came in between. */
  private async steadyCount(userId: string): Promise<number> {
    const before = this.adds;
    const count = await this.countOf(userId);
    return before === this.adds ? count : this.steadyCount(userId);
  }

  /** How many wait of a user; none on a device that keeps nothing. */
  private countOf(userId: string): Promise<number> {
    return Promise.resolve(
      this.database.events
        .where({ userId, state: 'waiting' })
        .count()
        .catch(() => 0),
    );
  }

  private userId(): string {
    return this.session.user()?.id ?? '';
  }
}
