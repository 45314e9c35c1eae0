import { Component, computed, inject, input, output, signal } from '@angular/core';
import { api, type SavedPlan } from '@doceo/contract';
import { planDifferences } from '@doceo/core';
import { planDifferenceInWords } from '@doceo/texts';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { fetched } from '../../data/api/fetched';
import { SessionStore } from '../../data/session';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { WordsChangedComponent } from '../merge/words-changed.component';

const STATES = { open: 'waits', taken: 'taken', declined: 'declined' };

/** Proposes what was changed in a copy to whoever owns its origin, and tells what became of it before. */
@Component({
  selector: 'doceo-propose-dialog',
  imports: [
    FetchingComponent,
    DialogComponent,
    LoadFailedComponent,
    TextFieldComponent,
    WordsChangedComponent,
  ],
  template: `
    <doceo-dialog [heading]="'Propose to ' + owner()" [width]="620" (closed)="closed.emit()">
      @if (page.value(); as origin) {
        <p>
          {{ owner() }} sees each change over the plan as it is by then, and takes all of it, parts, or none.
          Students, records, day and water stay with you.
        </p>
        <ul class="lines">
          @for (line of lines(); track $index) {
            <li>
              <b>{{ line.what }}</b>&ngsp; <doceo-words-changed [before]="line.before" [after]="line.after" />
            </li>
          } @empty {
            <li class="soft">Your copy is as “{{ origin.title }}” is now: there is nothing to propose.</li>
          }
        </ul>
        @if (lines().length > 0) {
          <doceo-text-field
            label="Why, and how it went"
            [value]="note()"
            [rows]="2"
            [most]="500"
            [fault]="noteFault()"
            (typed)="note.set($event)"
          />
          <button type="button" class="btn go" [disabled]="busy()" (click)="propose()">Propose</button>
        }
      } @else if (page.failed(); as problem) {
        <doceo-load-failed [problem]="problem" (again)="page.again()" />
      } @else {
        <doceo-fetching what="the origin" />
      }
      @if (error(); as problem) {
        <p class="wrong" role="alert">{{ problem.message }}</p>
        @for (issue of problem.issues; track issue.path) {
          <p class="wrong small">{{ issue.path }} {{ issue.message }}</p>
        }
      }
      @if (before.value()?.length) {
        <h3>Proposed before</h3>
        <ul class="before">
          @for (one of before.value(); track one.id) {
            <li>
              <b>{{ states[one.state] }}</b>&ngsp; <span>{{ one.note || 'without a word' }}</span>&ngsp;
              @if (one.word) {
                <q>{{ one.word }}</q>
              }
              @if (one.state === 'open') {
                <button type="button" class="btn small" (click)="withdraw(one.id)">Take it back</button>
              }
            </li>
          }
        </ul>
      }
    </doceo-dialog>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 8px 0 12px;
      padding: 0;
    }
    .lines {
      max-height: 34vh;
      overflow-y: auto;
    }
    li {
      padding: 4px 0;
      border-bottom: 1px solid var(--line);
    }
    .before li {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 10px;
      align-items: center;
    }
    .btn.go {
      margin-top: 8px;
    }
    .wrong {
      color: var(--safety);
    }
  `,
})
export class ProposeDialogComponent {
  private readonly client = inject(ApiClient);
  private readonly session = inject(SessionStore);
  readonly plan = input.required<SavedPlan>();
  readonly closed = output<void>();
  protected readonly states = STATES;
  protected readonly page = fetched(
    () => this.plan().origin?.planId ?? null,
    (id) => this.client.call(api.plans.get, { params: { id } }),
  );
  protected readonly before = fetched(
    () => this.plan().id,
    (id) => this.client.call(api.proposals.list, { params: { id } }),
  );
  protected readonly owner = computed(() => this.plan().origin?.ownerName ?? '');
  protected readonly lines = computed(() => {
    const [origin, mine] = [this.page.value(), this.plan()];
    return origin
      ? planDifferences(origin, mine).flatMap((one) =>
          one.of === 'block' && one.change === 'later'
            ? []
            : planDifferenceInWords(one, origin, mine, this.session.units()),
        )
      : [];
  });
  protected readonly note = signal('');
  protected readonly busy = signal(false);
  protected readonly error = signal<ApiError | null>(null);
  protected readonly noteFault = computed(
    () => this.error()?.issues.find(({ path }) => path === 'note')?.message ?? null,
  );

  protected propose(): void {
    const { id, version } = this.plan();
    this.busy.set(true);
    this.error.set(null);
    this.client
      .call(api.proposals.make, {
        params: { id },
        body: { id: crypto.randomUUID(), baseVersion: version, note: this.note() },
      })
      .subscribe({
        next: () => {
          this.busy.set(false);
          this.note.set('');
          this.before.again();
        },
        error: (error: ApiError) => {
          this.busy.set(false);
          this.error.set(error);
        },
      });
  }

  protected withdraw(id: string): void {
    this.client.call(api.proposals.withdraw, { params: { id } }).subscribe({
      next: () => this.before.again(),
      error: (error: ApiError) => {
        this.error.set(error);
        this.before.again();
      },
    });
  }
}
