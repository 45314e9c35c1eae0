import { Component, input, output } from '@angular/core';

/** What mends a problem, a button each; told by its place in the list. */
@Component({
  selector: 'doceo-fix-buttons',
  template: `
    @for (fix of fixes(); track fix.label; let index = $index) {
      <button type="button" class="btn small" (click)="chosen.emit(index)">{{ fix.label }}</button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
    }
  `,
})
export class FixButtonsComponent {
  readonly fixes = input.required<readonly { label: string }[]>();
  readonly chosen = output<number>();
}
