import { Component, input, output } from '@angular/core';

/** One choice of a row of segments. */
export interface Segment<T> {
  value: T;
  text: string;
  /** Why one would choose it, shown on pointing. */
  reason?: string;
}

/** One of a few, all in sight: a size, a number, a school. */
@Component({
  selector: 'doceo-segments',
  template: `
    <span>{{ label() }}</span>
    <div class="segments" role="group" [attr.aria-label]="label()">
      @for (option of options(); track option.value) {
        <button
          type="button"
          [class.figure]="figures()"
          [attr.aria-pressed]="option.value === value()"
          [attr.title]="option.reason"
          (click)="chosen.emit(option.value)"
        >
          {{ option.text }}
        </button>
      }
    </div>
  `,
  styles: `
    .segments button {
      padding: 3px 7px;
      min-width: 28px;
    }
  `,
  host: { class: 'field' },
})
export class SegmentsComponent<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Segment<T>[]>();
  readonly value = input.required<T | null>();
  /** Whether the texts are figures. */
  readonly figures = input(false);
  readonly chosen = output<T>();
}
