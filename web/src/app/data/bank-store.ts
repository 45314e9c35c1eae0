import { inject, Injectable, signal } from '@angular/core';
import { api, MAX_EVENTS } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import Dexie, { type Table } from 'dexie';
import {
  catchError,
  EMPTY,
  exhaustMap,
  from,
  merge,
  type Observable,
  of,
  Subject,
  switchMap,
  tap,
  timer,
} from 'rxjs';
import { fromEvent } from 'rxjs';
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
      .pipe(exhaustMap(() => this.send()))
      .subscribe();
    merge(fromEvent(window, 'online'), fromEvent(window, 'offline')).subscribe(() =>
      this.online.set(navigator.onLine),
    );
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

  private send(): Observable<unknown> {
    if (!this.session.user()) return EMPTY;
    const userId = this.userId();
    return from(this.database.events.where({ userId, state: 'waiting' }).limit(MAX_EVENTS).toArray()).pipe(
      tap((events) => this.waiting.set(events.length)),
      switchMap((events) => (events.length === 0 ? of(null) : this.deliver(events))),
      catchError(() => of(null)),
    );
  }

  private deliver(events: KeptEvent[]): Observable<unknown> {
    const plain = events.map(({ userId: _user, state: _state, reason: _reason, ...event }) => event);
    return this.client.once(api.events.add, { body: { events: plain } }).pipe(
      tap(() => this.online.set(true)),
      switchMap((receipt) =>
        this.database.transaction('rw', this.database.events, async () => {
          for (const id of [...receipt.stored, ...receipt.known])
            await this.database.events.update(id, { state: 'sent' });
          for (const { id, message } of receipt.refused)
            await this.database.events.update(id, { state: 'refused', reason: message });
          this.waiting.set(
            await this.database.events.where({ userId: this.userId(), state: 'waiting' }).count(),
          );
          if (receipt.refused.length > 0)
            this.refused.update((list) => [
              ...list,
              ...receipt.refused.map(({ id, message }) => ({ id, reason: message })),
            ]);
        }),
      ),
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
