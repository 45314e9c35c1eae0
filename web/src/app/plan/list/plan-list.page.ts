import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, type PlanSummary } from '@doceo/contract';
import { emptyPlan, type PlanBody } from '@doceo/core';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { Failures } from '../../data/api/failures';
import { EXAMPLE_TITLE, examplePlan } from '../../shared/plan/example-plan';
import { PlanRowComponent } from '../../shared/plan/plan-row.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** Plans of mine and of my circles. */
@Component({
  selector: 'doceo-plan-list',
  imports: [LoadFailedComponent, FormsModule, RouterLink, PlanRowComponent],
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
}
