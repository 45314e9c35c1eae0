import { A11yModule } from '@angular/cdk/a11y';
import { Component, computed, inject, model, output } from '@angular/core';
import { SessionStore } from '../../data/session';
import { BankSession } from '../bank-session';
import { DayReplan } from '../replan/day-replan';
import { LOG_SHEETS, logSheet, type LogSheetId } from '../sheets/kinds';
import { WhoWords } from '../who-words';

/** What is logged more seldom, what changes the rest of the day, and how this screen looks. */
@Component({
  selector: 'doceo-more-overlay',
  imports: [A11yModule],
  styleUrls: ['../../parts/thumb-buttons.css', '../bank-sheet.component.css', './overlay.css'],
  host: { role: 'dialog', 'aria-modal': 'true', 'aria-label': 'More to log' },
  template: `
    <h2 tabindex="-1" cdkFocusInitial>More to log</h2>
    <div class="choices">
      <button type="button" (click)="opened.emit('note')">Note</button>
      @if (book.group.student(); as one) {
        @if (!book.group.several() && book.group.shown().length > 1) {
          @if (book.out()) {
            <button type="button" (click)="book.comeBack(one.id); closed.emit()">
              {{ who.forWhom(false) }} comes back to the group
            </button>
          } @else {
            <button type="button" (click)="book.stepOut(one.id); closed.emit()">
              {{ who.forWhom(false) }} goes on alone
            </button>
          }
        }
      }
      @for (one of seldom; track one.id) {
        <button type="button" (click)="opened.emit(one.id)">{{ one.title }}</button>
      }
    </div>
    @if (book.now()) {
      <h2>The rest of the day</h2>
      <div class="choices">
        <button type="button" (click)="closed.emit(); replan.open('wind')">Wind</button>
        <button type="button" (click)="closed.emit(); replan.open('rising')">The river rises</button>
        @if (book.group.students().length > 1) {
          @for (one of book.group.students(); track one.id) {
            <button type="button" (click)="closed.emit(); replan.open('absent', [one.id])">
              {{ who.namesOf([one]) }} does not come
            </button>
          }
        }
      </div>
    }
    <h2>This screen</h2>
    <div class="choices three">
      <button type="button" (click)="swapHand()">{{ left() ? 'Right' : 'Left' }} hand</button>
      <button type="button" [attr.aria-pressed]="sun()" (click)="sun.set(!sun())">Sunlight</button>
      <button type="button" [attr.aria-pressed]="large()" (click)="large.set(!large())">Large type</button>
    </div>
    <button type="button" class="leave" (click)="closed.emit()">Cancel</button>
  `,
})
export class MoreOverlayComponent {
  protected readonly book = inject(BankSession);
  protected readonly who = inject(WhoWords);
  protected readonly replan = inject(DayReplan);
  private readonly session = inject(SessionStore);
  /** Whether the screen is drawn for sunlight, and with large type. */
  readonly sun = model.required<boolean>();
  readonly large = model.required<boolean>();
  readonly opened = output<'note' | LogSheetId>();
  readonly closed = output<void>();

  protected readonly left = computed(() => this.session.settings().bankHand === 'left');
  protected readonly seldom = (Object.keys(LOG_SHEETS) as LogSheetId[])
    .map((id) => ({ id, ...logSheet(id) }))
    .filter(({ first }) => !first);

  protected swapHand(): void {
    this.session.keep({ bankHand: this.left() ? 'right' : 'left' });
  }
}
