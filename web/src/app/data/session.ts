import { computed, inject, Injectable, signal } from '@angular/core';
import { api, type DemoAccount, type Session, type Settings, type User } from '@doceo/contract';
import { DEFAULT_SCHOOLS } from '@doceo/core';
import { catchError, type Observable, of, switchMap, tap } from 'rxjs';
import { ApiClient } from './api-client';
import { DeviceCopies } from './device-copies';

const DEFAULTS: Settings = { units: 'metric', bankHand: 'right', schools: DEFAULT_SCHOOLS };

/** Who is signed in, and what he likes. */
@Injectable({ providedIn: 'root' })
export class SessionStore {
  private readonly client = inject(ApiClient);
  private readonly copies = inject(DeviceCopies);
  private readonly session = signal<Session | null>(null);

  readonly loaded = computed(() => this.session() !== null);
  readonly user = computed<User | null>(() => this.session()?.user ?? null);
  readonly demo = computed<DemoAccount[]>(() => this.session()?.demo ?? []);
  readonly settings = computed<Settings>(() => this.user()?.settings ?? DEFAULTS);
  readonly units = computed(() => this.settings().units);

  load(): Observable<Session> {
    return this.client.call(api.session.get).pipe(
      tap((session) => {
        this.session.set(session);
        this.own(session);
      }),
    );
  }

  signIn(email: string, password: string): Observable<Session> {
    return this.client
      .once(api.session.signIn, { body: { email, password } })
      .pipe(tap((session) => this.opened(session)));
  }

  register(name: string, email: string, password: string): Observable<Session> {
    return this.client
      .once(api.session.register, { body: { name, email, password } })
      .pipe(tap((session) => this.opened(session)));
  }

  signOut(): Observable<unknown> {
    return this.client.once(api.session.signOut).pipe(
      switchMap(() => this.copies.clear()),
      tap(() => location.assign('/')),
    );
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

  /** Copies on this device are of this user; the session is among them, for a start without a network. */
  private own(session: Session): void {
    if (session.user)
      void this.copies.ownedBy(session.user.id).then(() => this.client.keep(api.session.get, session));
  }

  private opened(session: Session): void {
    this.own(session);
    const before = this.user();
    this.session.set({ ...session, demo: this.demo() });
    if (before && before.id !== session.user?.id) location.assign('/');
    else this.client.sessionOpened();
  }
}
