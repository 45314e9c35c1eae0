import { Component, inject, input, type OnInit, output, signal } from '@angular/core';
import { api, type PlanSummary } from '@doceo/contract';
import type { Rig } from '@doceo/core';
import { DIALOG } from '../parts/dialog';
import { switchMap } from 'rxjs';
import { ApiClient } from '../data/api-client';
import type { ApiError } from '../data/api-error';

/** Copies a rig into one of my plans; a plan that has it already gets this state of it. */
@Component({
  selector: 'doceo-put-in-plan-dialog',
  imports: [DIALOG],
  template: `
    <p-dialog
      header="Put the rig in a plan"
      [visible]="true"
      (visibleChange)="closed.emit(null)"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '440px' }"
    >
      <p>The plan carries its own copy, so that it travels whole. Choose the block there.</p>
      <div class="list">
        @for (plan of plans(); track plan.id) {
          <button type="button" class="btn" (click)="put(plan)">{{ plan.title }}</button>
        } @empty {
          <p class="soft">You have no plan yet.</p>
        }
      </div>
      @if (error(); as problem) {
        <p class="wrong" role="alert">{{ problem.message }}</p>
      }
    </p-dialog>
  `,
  styles: `
    .list {
      display: grid;
      gap: 8px;
      margin-top: 12px;
    }
    .wrong {
      color: var(--safety);
    }
  `,
})
export class PutInPlanDialogComponent implements OnInit {
  private readonly client = inject(ApiClient);
  readonly rigId = input.required<string>();
  readonly name = input.required<string>();
  readonly rig = input.required<Rig>();
  readonly closed = output<string | null>();
  protected readonly plans = signal<PlanSummary[]>([]);
  protected readonly error = signal<ApiError | null>(null);

  ngOnInit(): void {
    this.client.call(api.plans.list).subscribe((plans) => this.plans.set(plans.filter((plan) => plan.mine)));
  }

  protected put({ id }: PlanSummary): void {
    this.client
      .call(api.plans.get, { params: { id } })
      .pipe(
        switchMap(({ title, body, version }) => {
          const rigs = [
            ...body.rigs.filter((other) => other.id !== this.rigId()),
            { id: this.rigId(), name: this.name(), rig: this.rig() },
          ];
          return this.client.call(api.plans.update, {
            params: { id },
            body: { title, body: { ...body, rigs }, baseVersion: version },
          });
        }),
      )
      .subscribe({
        next: ({ title }) => this.closed.emit(title),
        error: (error: ApiError) => this.error.set(error),
      });
  }
}
