import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { SHEET } from './sheet';
import type { Choice } from './kinds';

/** One tap of several. */
@Component({
  selector: 'doceo-choice-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    @if (choice().hint; as hint) {
      <p>{{ hint }}</p>
    }
    @if (choice().asks; as asks) {
      <input
        type="text"
        maxlength="500"
        [attr.aria-label]="asks"
        [placeholder]="asks + ', if you like'"
        (input)="text.set($any($event.target).value)"
      />
    }
    <div class="choices">
      @for (option of choice().options; track option.text) {
        <button type="button" (click)="sheet.keep(option.body(text().trim()))">{{ option.text }}</button>
      }
    </div>
  `,
})
export class ChoiceSheetComponent {
  readonly choice = input.required<Choice>();
  protected readonly sheet = inject(SHEET);
  protected readonly text = signal('');
}
