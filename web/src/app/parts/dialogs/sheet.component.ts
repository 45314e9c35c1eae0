import { CdkTrapFocus } from '@angular/cdk/a11y';
import { Component, input, output } from '@angular/core';

/** What comes up under the finger on a phone, over the lower part of a screen; Escape and a button put it away. */
@Component({
  selector: 'doceo-sheet',
  imports: [CdkTrapFocus],
  template: `
    <button type="button" class="behind" tabindex="-1" aria-label="Close" (click)="closed.emit()"></button>
    <section
      role="dialog"
      aria-modal="true"
      [attr.aria-label]="heading()"
      cdkTrapFocus
      [cdkTrapFocusAutoCapture]="true"
      (keydown.escape)="$event.stopPropagation(); closed.emit()"
    >
      <header>
        <h2 tabindex="-1" cdkFocusInitial>{{ heading() }}</h2>
        <button type="button" class="btn" (click)="closed.emit()">Close</button>
      </header>
      <ng-content />
    </section>
  `,
  styles: `
    .behind {
      position: fixed;
      inset: 0;
      z-index: 30;
      border: 0;
      background: #15261f66;
    }
    section {
      position: fixed;
      left: 0;
      right: 0;
      bottom: 0;
      z-index: 31;
      max-height: 76dvh;
      overflow-y: auto;
      overscroll-behavior: contain;
      background: var(--sheet);
      border-top: 3px solid var(--ink);
      padding: 8px 14px 20px;
    }
    header {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 10px;
      margin-bottom: 8px;
    }
    h2:focus {
      outline: none;
    }
  `,
})
export class SheetComponent {
  readonly heading = input.required<string>();
  readonly closed = output<void>();
}
