import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { api, type EventReceipt, MAX_EVENTS } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import Dexie, { type Table } from 'dexie';
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
  timer,
} from 'rxjs';
import { ApiClient } from './api-client';
import type { ApiError } from './api-error';
import { SessionStore } from './session';

/** An event on this device, with whether the server has it. */
interface KeptEvent extends BankEvent {
  userId: string;
  state: 'waiting' | 'sent' | 'refused';
  reason?: string;
}

class BankDatabase extends Dexie {
  readonly events!: Table<KeptEvent, string>;

  constructor() {
    // A tap is acknowledged when it is on the disk, not in its cache.
    super('doceo-bank', { chromeTransactionDurability: 'strict' });
    this.version(1).stores({ events: 'id, [userId+state], [userId+lessonId]' });
  }
}

const DEVICE_KEY = 'doceo.device';
const SEND_EVERY_MS = 5000;
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
  private readonly database = new BankDatabase();
  private readonly wake = new Subject<void>();
  /** Whether the last try failed: then taps do not wait behind further tries, only the clock makes them. */
  private away = false;
  /** Moves when entries begin and end to be stored. */
  private adds = 0;
  /** What was acknowledged here and not sent yet, should the browser throw its store away under a running page. */
  private readonly held = new Map<string, KeptEvent>();
  readonly deviceId = deviceId();
  /** Events the server does not have yet. */
  readonly waiting = signal(0);
  /** False until this device was asked what it keeps: nothing is claimed before. */
  readonly counted = signal(false);
  /** Events the server refused, with its reason. */
  readonly refused = signal<{ id: string; reason: string }[]>([]);
  readonly online = signal(navigator.onLine);

  constructor() {
    toObservable(this.session.user)
      .pipe(
        filter((user) => user !== null),
        switchMap((user) => this.steadyCount(user.id)),
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

  /** Drops what this device keeps of students who are not among these. */
  async forgetOthers(studentIds: ReadonlySet<string>): Promise<void> {
    const gone = await this.database.events
      .filter(
        ({ studentId, userId }) =>
          userId === this.userId() && studentId !== null && !studentIds.has(studentId),
      )
      .primaryKeys()
      .catch(() => []);
    for (const id of gone) this.held.delete(id);
    if (gone.length > 0) await this.database.events.bulkDelete(gone);
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
    const plain = events.map(({ userId: _user, state: _state, reason: _reason, ...event }) => event);
    return this.client.once(api.events.add, { body: { events: plain } }).pipe(
      tap(() => {
        this.away = false;
        this.online.set(true);
      }),
      switchMap((receipt) => this.mark(receipt)),
    );
  }

  /** Notes what the server said of each event. */
  private async mark({ stored, known, refused }: EventReceipt): Promise<boolean> {
    const { events } = this.database;
    await this.database.transaction('rw', events, async () => {
      for (const id of [...stored, ...known]) await events.update(id, { state: 'sent' });
      for (const { id, message } of refused) await events.update(id, { state: 'refused', reason: message });
      const waiting = await this.countOf(this.userId());
      // Told before nothing waits any more: whoever sees that sees what was refused too.
      this.tellRefused(refused);
      this.waiting.set(waiting);
    });
    for (const id of [...stored, ...known, ...refused.map((one) => one.id)]) this.held.delete(id);
    return true;
  }

  /** Adds to what was refused; one that is told again, since the device could not note it, stays one. */
  private tellRefused(refused: EventReceipt['refused']): void {
    if (refused.length === 0) return;
    const ids = new Set(refused.map(({ id }) => id));
    this.refused.update((list) => [
      ...list.filter(({ id }) => !ids.has(id)),
      ...refused.map(({ id, message }) => ({ id, reason: message })),
    ]);
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

function deviceId(): string {
  const known = localStorage.getItem(DEVICE_KEY);
  if (known) return known;
  const made = crypto.randomUUID();
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}
