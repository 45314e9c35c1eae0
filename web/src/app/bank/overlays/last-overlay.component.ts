import { A11yModule } from '@angular/cdk/a11y';
import { Component, inject, input, output } from '@angular/core';
import { BankSession } from '../bank-session';
import { LogListComponent } from '../log-list.component';

/** The last entries, each of which opens to be corrected. */
@Component({
  selector: 'doceo-last-overlay',
  imports: [A11yModule, LogListComponent],
  styleUrls: ['../../parts/thumb-buttons.css', '../bank-sheet.component.css', './overlay.css'],
  host: { role: 'dialog', 'aria-modal': 'true', 'aria-label': 'The last entries' },
  template: `
    <h2 tabindex="-1" cdkFocusInitial>The last entries</h2>
    <doceo-log-list
      [standing]="book.today()"
      [events]="book.events()"
      [students]="book.group.students()"
      [zone]="zone()"
      [most]="6"
      (corrected)="book.heard($event)"
    />
    <button type="button" class="leave" (click)="closed.emit()">Close</button>
  `,
})
export class LastOverlayComponent {
  protected readonly book = inject(BankSession);
  readonly zone = input.required<string>();
  readonly closed = output<void>();
}
