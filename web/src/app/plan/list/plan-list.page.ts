import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, MAX_PLANS, type PlanSummary } from '@doceo/contract';
import { emptyPlan, type PlanBody } from '@doceo/core';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { Failures } from '../../data/api/failures';
import { EXAMPLE_TITLE, examplePlan } from '../../shared/plan/example-plan';
import { PlanRowComponent } from '../../shared/plan/plan-row.component';
import { download } from '../../data/download';
import { TakeInComponent } from './take-in.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** Plans of mine and of my circles. */
@Component({
  selector: 'doceo-plan-list',
  imports: [LoadFailedComponent, FormsModule, RouterLink, PlanRowComponent, TakeInComponent],
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
              Save {{ words() ? 'these ' + mine().length : 'all mine' }} as a file
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
          <p class="soft" role="status">Fetching plans …</p>
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
  protected readonly told = signal('');
  protected readonly named = signal<string[]>([]);
  protected readonly empty = emptyPlan;
  protected readonly example = (): PlanBody => examplePlan(this.teaching.curriculum());
  protected readonly exampleTitle = EXAMPLE_TITLE;
  private readonly found = computed(() =>
    (this.plans() ?? []).filter((plan) =>
      `${plan.title} ${plan.aim}`.toLowerCase().includes(this.words().trim().toLowerCase()),
    ),
  );
  protected readonly mine = computed(() => this.found().filter((plan) => plan.mine));
  protected readonly others = computed(() => this.found().filter((plan) => !plan.mine));

  protected make(title: string, body: PlanBody): void {
    this.client
      .call(api.plans.create, { body: { id: crypto.randomUUID(), title, body } })
      .subscribe({ next: ({ id }) => void this.router.navigate(['/plan', id]), error: this.failures.tell });
  }

  protected remove(plan: PlanSummary): void {
    this.client.call(api.plans.remove, { params: { id: plan.id } }).subscribe({
      next: () => this.list.update((list) => list.filter(({ id }) => id !== plan.id)),
      error: this.failures.tell,
    });
  }

  protected tookIn(told: string): void {
    this.told.set(told);
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
