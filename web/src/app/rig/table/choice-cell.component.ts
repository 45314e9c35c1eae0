import { Component, input } from '@angular/core';
import { Choosing } from '../../parts/fields/choosing';

/** A choice in a cell of a table: plain text until one points at it. */
@Component({
  selector: 'doceo-choice-cell',
  template: `
    <select
      [class.figure]="figures()"
      [attr.aria-label]="label()"
      [disabled]="!editable()"
      (change)="choose($any($event.target).selectedIndex)"
    >
      @for (option of options(); track option.value) {
        <option [value]="option.value" [selected]="option.value === value()">{{ option.text }}</option>
      }
    </select>
  `,
  styles: `
    select {
      appearance: none;
      min-height: 28px;
      padding: 2px 3px;
      border-color: transparent;
      background: transparent;
      font-size: 12px;
    }

    :host-context(td:first-child) select {
      padding-left: 0;
    }

    select.figure {
      font-weight: 400;
    }

    select:hover,
    select:focus {
      border-color: #8b9089;
      background: var(--sheet);
    }
  `,
})
export class ChoiceCellComponent<T> extends Choosing<T> {
  readonly editable = input(true);
}
