import { Component, computed, inject, input, type OnInit, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type PlanSummary, type SavedPlan } from '@doceo/contract';
import type { Block, PlanBody } from '@doceo/core';
import { MessageService } from 'primeng/api';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { FetchingComponent } from '../fetching.component';
import { LoadFailedComponent } from '../load-failed.component';

/**
 * Copies something into one of my plans: the plan is chosen, then its block where what is put belongs to one. The plan
 * carries its own copy, so that it travels whole.
 */
@Component({
  selector: 'doceo-put-in-plan-dialog',
  imports: [DialogComponent, FetchingComponent, LoadFailedComponent, RouterLink],
  template: `
    <doceo-dialog [heading]="'Put the ' + what() + ' in a plan'" [width]="440" (closed)="closed.emit()">
      @if (plan(); as chosen) {
        <p>Which block of “{{ chosen.title }}” is to show it?</p>
        <div class="list">
          @for (block of blocks(); track block.id) {
            <button type="button" class="btn" (click)="put(chosen, block.id)">
              {{ block.title }}{{ hasOne()!(block) ? ', in place of the ' + what() + ' it has' : '' }}
            </button>
          } @empty {
            <p class="soft">This plan has no block yet.</p>
          }
          <button type="button" class="btn small" (click)="another()">Another plan</button>
        </div>
      } @else {
        <p>
          The plan carries its own copy, so that it travels whole.
          {{ hasOne() || plans().length === 0 ? '' : 'Choose the block there.' }}
        </p>
        @if (more()) {
          <input
            type="search"
            placeholder="find a plan"
            aria-label="Find a plan"
            (change)="find($any($event.target).value)"
          />
        }
        @if (unread(); as problem) {
          <doceo-load-failed [problem]="problem" (again)="find(words)" />
        } @else if (!loaded()) {
          <doceo-fetching what="your plans" />
        } @else {
          <div class="list">
            @for (one of plans(); track one.id) {
              <button type="button" class="btn" (click)="choose(one)">{{ one.title }}</button>
            } @empty {
              @if (words) {
                <p class="soft">None has these words.</p>
              } @else {
                <p class="soft">You have no plan yet.</p>
                <a class="btn go" routerLink="/plan">Make a plan first</a>
              }
            }
          </div>
        }
      }
      @if (error(); as problem) {
        <p class="wrong" role="alert">{{ problem.message }}</p>
      }
    </doceo-dialog>
  `,
  styles: `
    .small {
      justify-self: start;
    }
    .list {
      display: grid;
      gap: 8px;
      margin-top: 12px;
    }
    doceo-load-failed {
      display: block;
      margin-top: 12px;
    }
  `,
})
export class PutInPlanDialogComponent implements OnInit {
  private readonly client = inject(ApiClient);
  private readonly messages = inject(MessageService);
  readonly what = input.required<string>();
  /** Whether a block has one already; without, no block is asked for. */
  readonly hasOne = input<((block: Block) => boolean) | null>(null);
  /** The plan with it. */
  readonly change = input.required<(body: PlanBody, blockId: string | null) => PlanBody>();
  readonly closed = output<void>();
  protected readonly loaded = signal(false);
  /** Why there is no list of plans. */
  protected readonly unread = signal<ApiError | null>(null);
  /** Whether there are more than the newest, so that one looks for others by words. */
  protected readonly more = signal(false);
  protected words = '';
  protected readonly plans = signal<PlanSummary[]>([]);
  protected readonly plan = signal<SavedPlan | null>(null);
  protected readonly error = signal<ApiError | null>(null);
  protected readonly blocks = computed(
    () => this.plan()?.body.blocks.filter(({ kind }) => kind !== 'break') ?? [],
  );
  private readonly failed = { error: (error: ApiError) => this.error.set(error) };

  ngOnInit(): void {
    this.find('');
  }

  /** The newest of mine that have these words. */
  protected find(words: string): void {
    this.words = words.trim();
    const query = { whose: 'mine' as const, ...(this.words ? { words: this.words } : {}) };
    this.unread.set(null);
    this.client.call(api.plans.library, { query }).subscribe({
      error: (error: ApiError) => this.unread.set(error),
      next: ({ items, next }) => {
        this.plans.set(items);
        this.more.update((more) => more || next !== null);
        this.loaded.set(true);
      },
    });
  }

  protected choose({ id }: PlanSummary): void {
    this.client.call(api.plans.get, { params: { id } }).subscribe({
      ...this.failed,
      next: (plan) => (this.hasOne() ? this.plan.set(plan) : this.put(plan, null)),
    });
  }

  /** Back to the plans: the one chosen is read anew when it is chosen again. */
  protected another(): void {
    this.plan.set(null);
    this.error.set(null);
  }

  protected put({ id, title, body, version }: SavedPlan, blockId: string | null): void {
    this.client
      .call(api.plans.update, {
        params: { id },
        body: { title, body: this.change()(body, blockId), baseVersion: version },
      })
      .subscribe({
        ...this.failed,
        next: () => {
          this.messages.add({ severity: 'success', summary: `Put into “${title}”`, life: 4000 });
          this.closed.emit();
        },
      });
  }
}
