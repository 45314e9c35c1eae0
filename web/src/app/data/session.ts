import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { api, type DemoAccount, type Session, type Settings, type User } from '@doceo/contract';
import { DEFAULT_SCHOOLS } from '@doceo/core';
import { catchError, from, map, type Observable, of, switchMap, tap } from 'rxjs';
import { ApiClient } from './api/api-client';
import { DeviceUser } from './device/device-user';
import { HandOver } from './device/hand-over';

const DEFAULTS: Settings = { units: 'metric', bankHand: 'right', schools: DEFAULT_SCHOOLS };
/** Between the tabs of this browser. */
const CHANNEL = 'doceo-session';

/** Who is signed in, and what he likes. */
@Injectable({ providedIn: 'root' })
export class SessionStore {
  private readonly client = inject(ApiClient);
  private readonly device = inject(DeviceUser);
  private readonly handOver = inject(HandOver);
  private readonly session = signal<Session | null>(null);
  private readonly tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL);

  readonly loaded = computed(() => this.session() !== null);
  readonly user = computed<User | null>(() => this.session()?.user ?? null);
  readonly demo = computed<DemoAccount[]>(() => this.session()?.demo ?? []);
  readonly registration = computed(() => this.session()?.registration ?? 'open');
  /** Whether letters go out, and where to. */
  readonly mail = computed(() => this.session()?.mail ?? 'none');
  /** Which life of the data the server has; null before it is known. */
  readonly installation = computed(() => this.session()?.installation ?? null);
  readonly settings = computed<Settings>(() => this.user()?.settings ?? DEFAULTS);
  readonly units = computed(() => this.settings().units);

  constructor() {
    // Who signs out in one tab is out in all of them: none goes on with what the device has just let go.
    if (this.tabs) this.tabs.onmessage = () => location.assign('/');
    inject(DestroyRef).onDestroy(() => this.tabs?.close());
  }

  load(): Observable<Session> {
    return this.client.call(api.session.get).pipe(switchMap((session) => this.arrived(session)));
  }

  /** @param code of the second step, where the account has one */
  signIn(email: string, password: string, code = ''): Observable<Session> {
    return this.client
      .once(api.session.signIn, { body: { email, password, ...(code.trim() === '' ? {} : { code }) } })
      .pipe(switchMap((session) => this.opened(session)));
  }

  /**
   * Asks for an account. Where letters go out, null: it is made by the link of one. Elsewhere it is made at once and
   * signed in to; for an address that has one already only its own password opens it.
   */
  register(name: string, email: string, password: string): Observable<Session | null> {
    return this.client
      .once(api.session.register, { body: { name, email, password } })
      .pipe(switchMap(() => (this.mail() === 'server' ? of(null) : this.signIn(email, password))));
  }

  /** Ends the session, and empties the device of this user; what he has not sent stays sealed for him. */
  signOut(): Observable<unknown> {
    return this.client.once(api.session.signOut).pipe(switchMap(() => this.left()));
  }

  /** Asks for a letter with a link to a new password. */
  lost(email: string): Observable<unknown> {
    return this.client.once(api.session.lost, { body: { email } });
  }

  changePassword(current: string, next: string): Observable<unknown> {
    return this.client.once(api.session.changePassword, { body: { current, next } });
  }

  /** Deletes the account; nothing of it stays on this device. */
  deleteAccount(password: string): Observable<unknown> {
    return this.client.once(api.account.remove, { body: { password } }).pipe(switchMap(() => this.left()));
  }

  keep(change: Partial<Settings>): void {
    const session = this.session();
    if (!session?.user) return;
    const settings = { ...session.user.settings, ...change };
    this.session.set({ ...session, user: { ...session.user, settings } });
    this.client
      .call(api.session.settings, { body: settings })
      .pipe(catchError(() => of(null)))
      .subscribe();
  }

  /** The device is this user's from here on; the session is kept there, for a start without a network. */
  private arrived(session: Session): Observable<Session> {
    const { user } = session;
    const ready = user
      ? from(this.handOver.arrive(user.id, session.deviceKey, (id) => this.keyOf(id)))
      : of(undefined);
    return ready.pipe(
      tap(() => {
        this.device.set(user?.id ?? null);
        this.session.set(session);
        if (user) void this.client.keep(api.session.get, session);
      }),
      map(() => session),
    );
  }

  private opened(session: Session): Observable<Session> {
    const before = this.user();
    return this.arrived({ ...session, demo: this.demo() }).pipe(
      tap(() => {
        if (before && before.id !== session.user?.id) location.assign('/');
        else this.client.sessionOpened();
      }),
    );
  }

  private async left(): Promise<void> {
    const session = this.session();
    if (session?.user) await this.handOver.leave(session.user.id, session.deviceKey);
    this.tabs?.postMessage('signed-out');
    location.assign('/');
  }

  /** What seals the things of somebody who had this device before, from his own copy of the session. */
  private async keyOf(userId: string): Promise<string | null> {
    return (await this.client.copyOf(userId, api.session.get))?.deviceKey ?? null;
  }
}
