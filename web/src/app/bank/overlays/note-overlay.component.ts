import { Component, inject, model, output } from '@angular/core';
import { WhoWords } from '../who-words';

/** A sentence about whom a tap counts for; what was typed stays when it is left. */
@Component({
  selector: 'doceo-note-overlay',
  styleUrls: ['../../parts/thumb-buttons.css', '../bank-sheet.component.css', './overlay.css'],
  host: { role: 'dialog', 'aria-modal': 'true', 'aria-label': 'Note' },
  template: `
    <h2>Note, {{ who.forWhom(false) }}</h2>
    <textarea
      rows="5"
      maxlength="1000"
      aria-label="Note"
      [value]="text()"
      (input)="text.set($any($event.target).value)"
    ></textarea>
    <div class="choices">
      <button type="button" class="yes" (click)="kept.emit()">Keep it</button
      ><button type="button" (click)="closed.emit()">Cancel</button>
    </div>
  `,
})
export class NoteOverlayComponent {
  protected readonly who = inject(WhoWords);
  readonly text = model.required<string>();
  readonly kept = output<void>();
  readonly closed = output<void>();
}
