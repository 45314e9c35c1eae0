import { Component, computed, inject, input, type OnInit, output, signal } from '@angular/core';
import { api, type PlanSummary, type SavedPlan } from '@doceo/contract';
import { MessageService } from 'primeng/api';
import { ApiClient } from '../data/api-client';
import type { ApiError } from '../data/api-error';
import { DIALOG } from '../parts/dialog';
import type { KeptDrift } from './drift-store';

/** Puts the drift into a block of one of my plans, to be shown there. */
@Component({
  selector: 'doceo-put-drift-dialog',
  imports: [DIALOG],
  template: `
    <p-dialog
      header="Put the drift in a plan"
      [visible]="true"
      (visibleChange)="closed.emit()"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '440px' }"
    >
      @if (plan(); as chosen) {
        <p>Which block of “{{ chosen.title }}” is to show it?</p>
        <div class="list">
          @for (block of blocks(); track block.id) {
            <button type="button" class="btn" (click)="put(block.id)">
              {{ block.title }}
              @if (block.drift) {
                , in place of the drift it has
              }
            </button>
          } @empty {
            <p class="soft">This plan has no block yet.</p>
          }
        </div>
      } @else {
        <p>The plan carries its own copy, so that it travels whole.</p>
        <div class="list">
          @for (one of plans(); track one.id) {
            <button type="button" class="btn" (click)="choose(one)">{{ one.title }}</button>
          } @empty {
            <p class="soft">You have no plan yet.</p>
          }
        </div>
      }
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
export class PutDriftDialogComponent implements OnInit {
  private readonly client = inject(ApiClient);
  private readonly messages = inject(MessageService);
  readonly kept = input.required<KeptDrift>();
  readonly closed = output<void>();
  protected readonly plans = signal<PlanSummary[]>([]);
  protected readonly plan = signal<SavedPlan | null>(null);
  protected readonly error = signal<ApiError | null>(null);
  protected readonly blocks = computed(
    () => this.plan()?.body.blocks.filter(({ kind }) => kind !== 'break') ?? [],
  );

  ngOnInit(): void {
    this.client.call(api.plans.list).subscribe({
      next: (plans) => this.plans.set(plans.filter((plan) => plan.mine)),
      error: (error: ApiError) => this.error.set(error),
    });
  }

  protected choose({ id }: PlanSummary): void {
    this.client.call(api.plans.get, { params: { id } }).subscribe({
      next: (plan) => this.plan.set(plan),
      error: (error: ApiError) => this.error.set(error),
    });
  }

  protected put(blockId: string): void {
    const plan = this.plan();
    if (!plan) return;
    const { id, title, body, version } = plan;
    const drift = this.kept().setup;
    const blocks = body.blocks.map((block) => (block.id === blockId ? { ...block, drift } : block));
    this.client
      .call(api.plans.update, {
        params: { id },
        body: { title, body: { ...body, blocks }, baseVersion: version },
      })
      .subscribe({
        next: () => {
          this.messages.add({ severity: 'success', summary: `Put into “${title}”`, life: 4000 });
          this.closed.emit();
        },
        error: (error: ApiError) => this.error.set(error),
      });
  }
}
