import { Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';

/** A value that is slid between two ends, and how it is told. */
export interface Slider<Name extends string = string> {
  name: Name;
  text: string;
  min: number;
  max: number;
  step: number;
  at: number;
  value: string;
}

/** Sliders beside each other, each with what it is set to. */
@Component({
  selector: 'doceo-sliders',
  imports: [FormsModule],
  template: `
    @for (slider of sliders(); track slider.name) {
      <label class="field"
        ><span
          >{{ slider.text }} <b class="figure">{{ slider.value }}</b></span
        >
        <input
          type="range"
          [min]="slider.min"
          [max]="slider.max"
          [step]="slider.step"
          [ngModel]="slider.at"
          (ngModelChange)="slid.emit({ name: slider.name, value: +$event })"
          [attr.aria-valuetext]="slider.value"
      /></label>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
      gap: 10px 20px;
      align-items: end;
      margin: 12px 0;
    }
    input {
      width: 100%;
      accent-color: var(--ink);
      min-height: 28px;
    }
    b {
      color: var(--ink);
      white-space: nowrap;
    }
  `,
})
export class SlidersComponent<Name extends string> {
  readonly sliders = input.required<readonly Slider<Name>[]>();
  readonly slid = output<{ name: Name; value: number }>();
}
