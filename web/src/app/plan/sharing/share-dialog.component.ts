import { Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type SavedPlan } from '@doceo/contract';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import type { ApiError } from '../../data/api/api-error';

/** Shares a plan with a circle, or makes it private again. */
@Component({
  selector: 'doceo-share-dialog',
  imports: [FetchingComponent, LoadFailedComponent, DialogComponent, RouterLink, TextFieldComponent],
  template: `
    <doceo-dialog heading="Share this plan" (closed)="closed.emit(null)">
      <p>Blocks, drills, rigs and cue words go along. Students, records, day and water stay with you.</p>
      <div class="choices">
        <button
          type="button"
          class="btn"
          [attr.aria-pressed]="circleId() === null"
          [class.go]="circleId() === null"
          (click)="share(null)"
        >
          Only me
        </button>
        @for (circle of circles(); track circle.id) {
          <button
            type="button"
            class="btn"
            [attr.aria-pressed]="circleId() === circle.id"
            [class.go]="circleId() === circle.id"
            [disabled]="circle.role === 'reader'"
            (click)="share(circle.id)"
          >
            {{ circle.name }}, {{ circle.members.length }}
            {{ circle.members.length === 1 ? 'member' : 'members'
            }}{{ circle.role === 'reader' ? ' (you may only read there)' : '' }}
          </button>
        } @empty {
          @if (list.failed(); as problem) {
            <doceo-load-failed [problem]="problem" (again)="list.again()" />
          } @else if (list.value()) {
            <p class="soft">You are in no circle yet. <a routerLink="/circle">Start one.</a></p>
          } @else {
            <doceo-fetching what="circles" />
          }
        }
      </div>
      @if (circleId() !== null && ahead()) {
        <hr />
        <doceo-text-field
          label="A word on what is new"
          [value]="note()"
          [rows]="2"
          [most]="500"
          (typed)="note.set($event)"
        />
        <button type="button" class="btn go" (click)="share(circleId())">Tell who has a copy</button>
        <p class="soft small">Until then they go on with the version they were told of.</p>
      }
      @if (error(); as problem) {
        <p class="wrong" role="alert">{{ problem.message }}</p>
        @for (issue of problem.issues; track issue.path) {
          <p class="wrong small">{{ issue.path }} {{ issue.message }}</p>
        }
      }
    </doceo-dialog>
  `,
  styles: `
    .choices {
      display: grid;
      gap: 8px;
      margin: 14px 0 4px;
    }
    .wrong {
      color: var(--safety);
      margin-top: 8px;
    }
  `,
})
export class ShareDialogComponent {
  private readonly client = inject(ApiClient);
  readonly planId = input.required<string>();
  readonly circleId = input.required<string | null>();
  /** Whether it was changed since fellows were told of it. */
  readonly ahead = input(false);
  protected readonly note = signal('');
  readonly closed = output<SavedPlan | null>();
  protected readonly list = fetched(
    () => true,
    () => this.client.call(api.circles.list),
  );
  protected readonly circles = computed(() => this.list.value() ?? []);
  protected readonly error = signal<ApiError | null>(null);

  protected share(circleId: string | null): void {
    this.error.set(null);
    this.client
      .call(api.plans.share, { params: { id: this.planId() }, body: { circleId, note: this.note() } })
      .subscribe({
        next: (plan) => this.closed.emit(plan),
        error: (error: ApiError) => this.error.set(error),
      });
  }
}
