import { Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, MAX_LISTED_PLANS, MAX_PLANS, type PlanSummary } from '@doceo/contract';
import { emptyPlan, type PlanBody } from '@doceo/core';
import { debounceTime, finalize, map } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { Failures } from '../../data/api/failures';
import { EXAMPLE_TITLE, examplePlan } from '../../shared/plan/example-plan';
import { PlanRowComponent } from '../../shared/plan/plan-row.component';
import { download } from '../../data/download';
import { TakeInComponent } from './take-in.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** So long after the last letter it is asked for what was typed, milliseconds. */
const PAUSE_MS = 250;

/** Plans of mine and of my circles. */
@Component({
  selector: 'doceo-plan-list',
  imports: [
    FetchingComponent,
    LoadFailedComponent,
    FormsModule,
    RouterLink,
    PlanRowComponent,
    TakeInComponent,
  ],
  template: `
    <div class="bench-main page">
      <div class="row">
        <h1>Plans</h1>
        <span class="spread"></span>
        <input
          type="search"
          placeholder="find a plan"
          aria-label="Find a plan"
          [ngModel]="words()"
          (ngModelChange)="words.set($event)"
        />
        <a class="btn" routerLink="/plan/weeks">The weeks</a>
        <a class="btn" routerLink="/plan/courses">Courses</a>
        <a class="btn" routerLink="/plan/kit">Kit</a>
        <a class="btn" routerLink="/plan/teaching">What we teach</a>
        <button type="button" class="btn go" (click)="make('Untitled plan', empty())">New plan</button>
        <button type="button" class="btn" (click)="make(exampleTitle, example())">
          Start from an example
        </button>
      </div>
      @if (plans(); as list) {
        <h2>Mine</h2>
        @for (plan of mine(); track plan.id) {
          <doceo-plan-row [plan]="plan" removable (removed)="remove(plan)" />
        } @empty {
          @if (words()) {
            <p class="soft">None has these words.</p>
          } @else {
            <div class="empty">
              <h3>No plan yet</h3>
              <p>
                A plan is a row of drills on a timeline. It is checked as you build it: time, safety, light,
                hooks, and what each student is ready for.
              </p>
              <div class="row">
                <button type="button" class="btn go" (click)="make('Untitled plan', empty())">
                  Begin one</button
                ><button type="button" class="btn" (click)="make(exampleTitle, example())">
                  Load an example
                </button>
              </div>
            </div>
          }
        }
        @if (others().length > 0) {
          <h2>Shared with me</h2>
          @for (plan of others(); track plan.id) {
            <doceo-plan-row [plan]="plan" />
          }
        }
        @if (next()) {
          <div class="row older">
            @if (words()) {
              <span class="soft small" role="status">{{
                search.value()?.next
                  ? 'More have these words: add another.'
                  : search.value()
                    ? 'Looked for among all there are.'
                    : 'Looking among all there are …'
              }}</span>
            } @else {
              <button type="button" class="btn" [disabled]="fetching()" (click)="more()">Older plans</button>
            }
          </div>
        }
        <p class="soft small">More from your fellows is under <a routerLink="/circle">Circle</a>.</p>
        <section class="files" aria-labelledby="plan-files">
          <h2 id="plan-files">Files</h2>
          <p class="soft">
            Plans of another school come in here; first you see what would come. One plan leaves from its own
            page, under <b>Hand on</b>.
          </p>
          <doceo-take-in (taken)="tookIn($event)" />
          @if (mine().length > 0) {
            <button type="button" class="btn" (click)="saveAll()">
              Save {{ words() || next() ? 'these ' + mine().length : 'all mine' }} as a file
            </button>
          }
          @if (told(); as what) {
            <p role="status">{{ what }}</p>
          }
          @if (named().length > 0) {
            <div class="named" role="alert">
              <b>A student is named in them; nothing was saved.</b>
              <ul>
                @for (place of named(); track $index) {
                  <li>{{ place }}</li>
                }
              </ul>
              <button type="button" class="btn go" (click)="saveAll(true)">Leave the names out</button>
            </div>
          }
        </section>
      } @else {
        @if (list.failed(); as problem) {
          <doceo-load-failed [problem]="problem" (again)="list.again()" />
        } @else {
          <doceo-fetching what="plans" />
        }
      }
    </div>
  `,
  styles: `
    .page {
      max-width: 1060px;
      display: grid;
      gap: 8px;
    }
    h2 {
      margin-top: 12px;
    }
    input {
      width: 160px;
    }
    .files {
      display: grid;
      gap: 8px;
      justify-items: start;
      border-top: 1px solid var(--line);
      margin-top: 14px;
    }
    .files doceo-take-in {
      width: 100%;
    }
    .files .row {
      justify-content: start;
    }
    .named {
      background: var(--sighter-pale);
      border-left: 5px solid var(--must-fix);
      padding: 10px 14px;
    }
  `,
})
export class PlanListPage {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly router = inject(Router);
  protected readonly list = fetched(
    () => true,
    () => this.client.call(api.plans.list),
  );
  protected readonly plans = this.list.value;
  protected readonly words = signal('');
  /** Those after the newest, as far as they were asked for. */
  private readonly older = signal<readonly PlanSummary[]>([]);
  /** After which plan more come; undefined until more were asked for, null when there are none. */
  private readonly last = signal<string | null | undefined>(undefined);
  protected readonly next = computed(() => {
    const list = this.plans() ?? [];
    const after = this.last();
    return after === undefined ? (list.length < MAX_LISTED_PLANS ? null : (list.at(-1)?.id ?? null)) : after;
  });
  protected readonly fetching = signal(false);
  /** What is looked for among all there are, where not all are here; a moment after the last letter. */
  private readonly sought = toSignal(
    toObservable(this.words).pipe(
      debounceTime(PAUSE_MS),
      map((words) => words.trim()),
    ),
    { initialValue: '' },
  );
  protected readonly search = fetched(
    () => (this.next() && this.sought() ? this.sought() : null),
    (words) => this.client.call(api.plans.library, { query: { words } }),
  );
  protected readonly told = signal('');
  protected readonly named = signal<string[]>([]);
  protected readonly empty = emptyPlan;
  protected readonly example = (): PlanBody => examplePlan(this.teaching.curriculum());
  protected readonly exampleTitle = EXAMPLE_TITLE;
  private readonly found = computed(() => {
    const words = this.words().trim().toLowerCase();
    const here = [...(this.plans() ?? []), ...this.older()].filter((plan) =>
      `${plan.title} ${plan.aim}`.toLowerCase().includes(words),
    );
    const elsewhere = words && this.next() ? (this.search.value()?.items ?? []) : [];
    return [...here, ...elsewhere.filter(({ id }) => !here.some((one) => one.id === id))];
  });
  protected readonly mine = computed(() => this.found().filter((plan) => plan.mine));
  protected readonly others = computed(() => this.found().filter((plan) => !plan.mine));

  protected make(title: string, body: PlanBody): void {
    this.client
      .call(api.plans.create, { body: { id: crypto.randomUUID(), title, body } })
      .subscribe({ next: ({ id }) => void this.router.navigate(['/plan', id]), error: this.failures.tell });
  }

  protected remove(plan: PlanSummary): void {
    this.client.call(api.plans.remove, { params: { id: plan.id } }).subscribe({
      next: () => {
        const without = (list: readonly PlanSummary[]) => list.filter(({ id }) => id !== plan.id);
        this.list.update((list) => without(list));
        this.older.update(without);
      },
      error: this.failures.tell,
    });
  }

  /** The next page after all that are shown. */
  protected more(): void {
    const before = this.next();
    if (!before) return;
    this.fetching.set(true);
    this.client
      .call(api.plans.library, { query: { before } })
      .pipe(finalize(() => this.fetching.set(false)))
      .subscribe({
        next: ({ items, next }) => {
          this.older.update((older) => [...older, ...items]);
          this.last.set(next);
        },
        error: this.failures.tell,
      });
  }

  protected tookIn(told: string): void {
    this.told.set(told);
    this.older.set([]);
    this.last.set(undefined);
    this.list.again();
  }

  /** What is found, or all that is mine, as one file; a name in one of them is told first. */
  protected saveAll(withoutNames = false): void {
    const plans = this.mine().slice(0, MAX_PLANS);
    this.told.set('');
    this.named.set([]);
    this.client
      .call(api.planFiles.make, { body: { ids: plans.map(({ id }) => id), withoutNames } })
      .subscribe({
        next: ({ text, named }) => {
          this.named.set(
            named.map(({ path, message }) => {
              const index = Number(/^plans\[(\d+)\]/.exec(path)?.[1]);
              return `${plans[index]?.title ?? ''}: ${message}`;
            }),
          );
          if (text) download('plans.json', text, 'application/json');
          if (text && plans.length < this.mine().length)
            this.told.set(
              `The file has the first ${MAX_PLANS} of ${this.mine().length}. Find some to save others.`,
            );
        },
        error: this.failures.tell,
      });
  }
}
