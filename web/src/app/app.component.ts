import { Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterOutlet } from '@angular/router';
import { api } from '@doceo/contract';
import { DateTime } from 'luxon';
import { MessageService } from 'primeng/api';
import { ToastModule } from 'primeng/toast';
import { catchError, EMPTY, exhaustMap, filter, switchMap, timer } from 'rxjs';
import { ApiClient } from './data/api/api-client';
import { BankStore } from './data/lesson/bank-store';
import { DayStore } from './data/lesson/day-store';
import { SessionStore } from './data/session';
import type { ApiError } from './data/api/api-error';
import { FetchingComponent } from './shared/fetching.component';
import { LoadFailedComponent } from './shared/load-failed.component';
import { PartFailedComponent } from './shared/part-failed.component';
import { AssistOverComponent } from './shell/assist-over.component';
import { KeepFocus } from './shell/keep-focus';
import { RailComponent } from './shell/rail.component';
import { SessionEndedComponent } from './shell/session-ended.component';
import { SignInComponent } from './shell/sign-in.component';
import { StripComponent } from './shell/strip.component';

/** Screens that need no account. */
const OPEN = /^\/(shown|lost|welcome|mailbox|consent|assist)\b/;
/** How often to look for a server that was away, milliseconds. */
const LOOK_MS = 5000;

/** Frame of the application: rail, strip, screen. The bank book and what is behind a link have the whole window. */
@Component({
  selector: 'doceo-root',
  imports: [
    FetchingComponent,
    AssistOverComponent,
    LoadFailedComponent,
    PartFailedComponent,
    RouterOutlet,
    RailComponent,
    StripComponent,
    SignInComponent,
    SessionEndedComponent,
    ToastModule,
  ],
  template: `
    @if (client.fromDevice() && !whole()) {
      <p class="unreachable" role="status">
        No connection, trying again: nothing you did is lost. This is what the device kept.
      </p>
    } @else if (client.unreachable()) {
      <p class="unreachable" role="status">
        The server does not answer. Trying again; nothing you did is lost.
      </p>
    }
    @if (problem() && !open()) {
      <div class="loading"><doceo-load-failed [problem]="problem()!" (again)="begin()" /></div>
    } @else if (open()) {
      <main id="main" tabindex="-1"><router-outlet /></main>
    } @else if (!session.loaded()) {
      <p class="loading" role="status">Loading …</p>
    } @else if (!session.user()) {
      <doceo-sign-in (done)="start()" />
    } @else if (over()) {
      <main id="main" tabindex="-1"><doceo-assist-over /></main>
    } @else {
      <div class="frame" [class.whole]="whole()">
        @if (!whole()) {
          <doceo-rail />
        }
        <div class="screen">
          @if (!whole()) {
            <doceo-strip />
          }
          <main id="main" tabindex="-1">
            @if (ready()) {
              <router-outlet />
            } @else {
              <doceo-fetching class="loading" what="lessons, waters and students" />
            }
          </main>
        </div>
      </div>
      @defer (when client.sessionEnded(); prefetch on idle) {
        @if (client.sessionEnded()) {
          <doceo-session-ended />
        }
      } @error {
        <doceo-part-failed />
      }
    }
    <p-toast position="bottom-right">
      <ng-template #message let-message>
        <div class="told">
          <b>{{ message.summary }}</b>
          @if (message.detail) {
            <span>{{ message.detail }}</span>
          }
          @if (message.data; as data) {
            <button type="button" class="btn small" (click)="data.undo(); messages.clear()">Undo</button>
          }
        </div>
      </ng-template>
    </p-toast>
  `,
  styleUrl: './app.component.css',
  host: { '[class.framed]': '!whole() && !open()' },
})
export class AppComponent {
  protected readonly session = inject(SessionStore);
  protected readonly client = inject(ApiClient);
  protected readonly messages = inject(MessageService);
  private readonly day = inject(DayStore);
  private readonly bank = inject(BankStore);
  private readonly router = inject(Router);
  private readonly destroyed = inject(DestroyRef);
  private readonly url = signal(location.pathname);
  protected readonly whole = computed(() => this.url().startsWith('/teach'));
  /** Whether somebody helped in a lesson that is over, or was ended for him. */
  protected readonly over = computed(() => {
    const assists = this.session.user()?.assists;
    return !!assists && (assists.over || this.client.sessionEnded());
  });
  /** What is behind a link is for whoever has it, with an account or without. */
  protected readonly open = computed(() => OPEN.test(this.url()));
  protected readonly ready = signal(false);
  /** Why the application could not start. */
  protected readonly problem = signal<ApiError | null>(null);

  constructor() {
    inject(KeepFocus).start();
    this.router.events
      .pipe(
        filter((event) => event instanceof NavigationEnd),
        takeUntilDestroyed(),
      )
      .subscribe(({ urlAfterRedirects }) => {
        this.url.set(urlAfterRedirects);
        this.day.wentTo(urlAfterRedirects);
        this.stayInLesson();
      });
    this.bank.broughtBack.pipe(takeUntilDestroyed()).subscribe(({ backTo, count }) =>
      this.messages.add({
        severity: 'info',
        sticky: true,
        summary: `The server was brought back to ${DateTime.fromISO(backTo).toFormat('ccc d LLL, HH:mm')}.`,
        detail: `${count} ${count === 1 ? 'entry' : 'entries'} of this device are sent again. What was planned or changed since then is to be looked at.`,
      }),
    );
    this.begin();
    this.bank.unconsented
      .pipe(
        exhaustMap(() => this.day.load().pipe(catchError(() => EMPTY))),
        takeUntilDestroyed(),
      )
      .subscribe();
    // While this device stands in for the server, look now and then whether it is back, and then fetch the day anew.
    toObservable(this.client.fromDevice)
      .pipe(
        switchMap((away) =>
          away
            ? timer(LOOK_MS, LOOK_MS).pipe(
                exhaustMap(() => this.client.once(api.health).pipe(catchError(() => EMPTY))),
              )
            : EMPTY,
        ),
        switchMap(() => {
          this.client.serverIsBack();
          return this.session.user() ? this.day.load().pipe(catchError(() => EMPTY)) : EMPTY;
        }),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Whoever helps in a lesson has its log, and no other screen. */
  private stayInLesson(): void {
    if (this.session.user()?.assists && !this.whole() && !this.open())
      void this.router.navigateByUrl('/teach');
  }

  protected begin(): void {
    this.problem.set(null);
    this.session
      .load()
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe({ next: () => this.start(), error: (error: ApiError) => this.problem.set(error) });
  }

  protected start(): void {
    const user = this.session.user();
    if (!user || this.over()) return;
    this.stayInLesson();
    // When the lesson is over the server says so.
    if (user.assists)
      timer(new Date(user.assists.until))
        .pipe(
          switchMap(() => this.session.load()),
          takeUntilDestroyed(this.destroyed),
        )
        .subscribe({ error: () => undefined });
    this.day
      .load()
      .pipe(takeUntilDestroyed(this.destroyed))
      .subscribe({
        next: () => this.ready.set(true),
        error: (error: ApiError) => this.problem.set(error),
      });
  }
}
