import { computed, Injectable, signal } from '@angular/core';
import type { HomeEntry, OpenedPage } from '@doceo/contract';
import { catchError, from, map, type Observable, of, switchMap, throwError } from 'rxjs';
import { forget, keep, type Kept, NOTHING, readKept } from './kept';

/** Why the server gave no page. */
export interface Refused {
  /** `away` when it did not answer at all. */
  code: string;
  message: string;
}

type Attempt = Omit<HomeEntry['body'], 'kind' | 'home' | 'faultId' | 'drillId'> &
  Partial<Pick<HomeEntry['body'], 'faultId' | 'drillId'>>;

/** Most that goes at once. */
const MOST = 400;

/** One student's page: fetched or from this device, what was done here, and sending it. Nothing goes out until it is sent. */
@Injectable({ providedIn: 'root' })
export class MyPage {
  private readonly token = location.hash.slice(1);
  private readonly kept = signal<Kept>(this.token ? readKept(this.token) : NOTHING);
  private readonly asked = signal<Extract<OpenedPage, { kind: 'guardian' }> | null>(null);

  /** Whether the link lost its end. */
  readonly cut = !/^[\w-]{22}$/.test(this.token);
  readonly page = computed(() => (this.asked() ? null : this.kept().page));
  /** Set while a guardian has to open it first. */
  readonly guardian = this.asked.asReadonly();
  readonly refused = signal<Refused | null>(null);
  /** Whether what is shown is from this device, for want of a connection. */
  readonly away = signal(false);
  readonly waiting = computed(() => this.kept().entries.length);
  readonly answered = computed(() => new Set(this.kept().answered));
  readonly sentAt = computed(() => this.kept().sentAt);
  readonly sending = signal(false);
  /** Why sending did not go. */
  readonly unsent = signal<string | null>(null);
  /** True where this device keeps nothing: what was done is gone with the page. */
  readonly unkept = signal(false);

  load(): void {
    if (this.cut) return;
    this.refused.set(null);
    this.call<OpenedPage>('look', {}).subscribe({
      next: (opened) => this.came(opened),
      error: (refused: Refused) => this.failed(refused),
    });
  }

  /** The guardian of a minor opens it. */
  open(name: string): void {
    this.unsent.set(null);
    this.call<OpenedPage>('open', { name }).subscribe({
      next: (opened) => this.came(opened),
      error: ({ message }: Refused) => this.unsent.set(message),
    });
  }

  /** Keeps what was done here. */
  did(attempts: readonly (Attempt & { atMs?: number })[]): void {
    const entries = attempts.map(({ atMs = Date.now(), ...attempt }): HomeEntry => ({
      id: crypto.randomUUID(),
      atMs: Math.round(atMs),
      body: { kind: 'attempt', drillId: null, faultId: null, ...attempt, home: true },
    }));
    this.put({ entries: [...this.kept().entries, ...entries] });
  }

  answer(questionId: string, attempt: Attempt): void {
    this.did([attempt]);
    this.put({ answered: [...this.kept().answered, questionId] });
  }

  /** Takes the last thing back that was not sent. */
  takeBack(): void {
    this.put({ entries: this.kept().entries.slice(0, -1) });
  }

  send(): void {
    const entries = this.kept().entries.slice(0, MOST);
    if (entries.length === 0 || this.sending()) return;
    this.sending.set(true);
    this.unsent.set(null);
    this.call('send', { entries }).subscribe({
      next: () => {
        this.sending.set(false);
        const sent = new Set(entries.map(({ id }) => id));
        this.put({ entries: this.kept().entries.filter(({ id }) => !sent.has(id)), sentAt: Date.now() });
        this.send();
      },
      error: ({ code, message }: Refused) => {
        this.sending.set(false);
        this.unsent.set(code === 'away' ? 'No connection. It is kept here; send it later.' : message);
      },
    });
  }

  /** Lets everything go that this device keeps of the page. */
  forget(): void {
    forget(this.token);
    this.kept.set(NOTHING);
    this.refused.set({ code: 'forgotten', message: 'This device keeps nothing of it any more.' });
  }

  private came(opened: OpenedPage): void {
    this.away.set(false);
    this.asked.set(opened.kind === 'guardian' ? opened : null);
    if (opened.kind === 'page') this.put({ page: opened.page });
  }

  private failed(refused: Refused): void {
    if (refused.code === 'away' && this.kept().page) return this.away.set(true);
    // A link that opens nothing any more leaves nothing here either.
    if (refused.code === 'not-found') {
      forget(this.token);
      this.kept.set(NOTHING);
    }
    this.refused.set(refused);
  }

  private put(change: Partial<Kept>): void {
    this.kept.update((kept) => ({ ...kept, ...change }));
    this.unkept.set(!keep(this.token, this.kept()));
  }

  private call<R>(act: 'look' | 'open' | 'send', body: object): Observable<R> {
    const sent = fetch(`/api/my/${act}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ token: this.token, ...body }),
    });
    return from(sent).pipe(
      catchError(() => throwError((): Refused => ({ code: 'away', message: 'No connection.' }))),
      switchMap((reply) =>
        from(reply.json() as Promise<R & { error?: Refused }>).pipe(
          catchError(() => of({ error: { code: 'away', message: 'The server does not answer well.' } })),
        ),
      ),
      map((answer) => {
        const { error } = answer as { error?: Refused };
        if (error) throw error;
        return answer as R;
      }),
    );
  }
}
