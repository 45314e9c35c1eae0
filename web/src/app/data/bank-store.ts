import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { api, type EventReceipt, MAX_EVENTS } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import Dexie, { type Table } from 'dexie';
import {
  catchError,
  EMPTY,
  exhaustMap,
  expand,
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
    super('doceo-bank');
    this.version(1).stores({ events: 'id, [userId+state], [userId+lessonId]' });
  }
}

const DEVICE_KEY = 'doceo.device';
const SEND_EVERY_MS = 5000;

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
  readonly deviceId = deviceId();
  /** Events the server does not have yet. */
  readonly waiting = signal(0);
  /** Events the server refused, with its reason. */
  readonly refused = signal<{ id: string; reason: string }[]>([]);
  readonly online = signal(navigator.onLine);

  constructor() {
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
  async add(event: BankEvent): Promise<void> {
    await this.database.events.add({ ...event, userId: this.userId(), state: 'waiting' });
    this.waiting.update((n) => n + 1);
    this.wake.next();
  }

  /** Events of a lesson on this device, sent or not. */
  kept(lessonId: string): Promise<BankEvent[]> {
    return this.database.events.where({ userId: this.userId(), lessonId }).toArray();
  }

  /** Sends what waits, at most one request's worth; whether the server took it. */
  private send(): Observable<boolean> {
    if (!this.session.user()) return EMPTY;
    const userId = this.userId();
    return from(this.database.events.where({ userId, state: 'waiting' }).limit(MAX_EVENTS).toArray()).pipe(
      tap((events) => this.waiting.set(events.length)),
      switchMap((events) => (events.length === 0 ? of(false) : this.deliver(events))),
      catchError(() => of(false)),
    );
  }

  private deliver(events: KeptEvent[]): Observable<boolean> {
    const plain = events.map(({ userId: _user, state: _state, reason: _reason, ...event }) => event);
    return this.client.once(api.events.add, { body: { events: plain } }).pipe(
      tap(() => this.online.set(true)),
      switchMap((receipt) => this.mark(receipt)),
    );
  }

  /** Notes what the server said of each event. */
  private async mark({ stored, known, refused }: EventReceipt): Promise<boolean> {
    const { events } = this.database;
    await this.database.transaction('rw', events, async () => {
      for (const id of [...stored, ...known]) await events.update(id, { state: 'sent' });
      for (const { id, message } of refused) await events.update(id, { state: 'refused', reason: message });
      this.waiting.set(await events.where({ userId: this.userId(), state: 'waiting' }).count());
    });
    if (refused.length > 0)
      this.refused.update((list) => [
        ...list,
        ...refused.map(({ id, message }) => ({ id, reason: message })),
      ]);
    return true;
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
