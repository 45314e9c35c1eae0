import { Component, computed, inject, input, output, signal } from '@angular/core';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { RouterLink } from '@angular/router';
import { MessageService } from 'primeng/api';
import type { ApiError } from '../../data/api/api-error';
import { cardLines } from '../water/card-lines';
import { DayStore } from '../../data/lesson/day-store';
import { WaterChanges } from '../../data/lesson/water-changes';
import { readOnText } from '../../parts/dates';

/** The rule card of a water, with who says so and when a person last read it. */
@Component({
  selector: 'doceo-rule-card-dialog',
  imports: [DialogComponent, RouterLink],
  template: `
    <doceo-dialog
      [heading]="'Rule card: ' + (water()?.water?.name ?? '')"
      [width]="520"
      (closed)="closed.emit()"
    >
      @if (water()?.water?.rules; as rules) {
        <dl>
          @for (line of lines(); track line.label) {
            <dt>{{ line.label }}</dt>
            <dd [class.soft]="line.text === null">{{ line.text ?? 'nobody has said' }}</dd>
          }
        </dl>
        <p class="small soft">
          Doceo does not know the law. The card repeats what a person read; signs, wardens and the local rules
          decide.
        </p>
        <div class="row">
          @if (water()?.editable) {
            <button type="button" class="btn go" [disabled]="busy()" (click)="tick()">
              I have read it at the source today
            </button>
            <a class="btn" [routerLink]="['/water', waterId(), 'card']" (click)="closed.emit()"
              >Change the card</a
            >
          }
          <span class="small soft"
            >last read {{ readOn() }}{{ rules.checkedBy ? ' by ' + rules.checkedBy : '' }}</span
          >
        </div>
      }
    </doceo-dialog>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: 110px 1fr;
      gap: 5px 12px;
      margin: 0 0 12px;
    }
    dt {
      color: var(--ink-soft);
    }
    dd {
      margin: 0;
    }
    .row {
      margin-top: 12px;
    }
  `,
})
export class RuleCardDialogComponent {
  private readonly day = inject(DayStore);
  private readonly changes = inject(WaterChanges);
  private readonly messages = inject(MessageService);
  readonly waterId = input.required<string>();
  readonly closed = output<void>();
  protected readonly readOn = computed(() => readOnText(this.water()?.water.rules.checkedOn));
  protected readonly busy = signal(false);
  protected readonly water = computed(
    () => this.day.waters().find(({ id }) => id === this.waterId()) ?? null,
  );
  protected readonly lines = computed(() => {
    const rules = this.water()?.water.rules;
    if (!rules) return [];
    return cardLines(rules);
  });

  protected tick(): void {
    this.busy.set(true);
    this.changes.readCard(this.waterId()).subscribe({
      next: () => {
        this.messages.add({ severity: 'success', summary: 'Ticked for this season', life: 3000 });
        this.closed.emit();
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.messages.add({ severity: 'error', summary: error.message });
      },
    });
  }
}
