import { Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';

/** A moment of the season one can go back to. */
export interface Moment {
  atMs: number;
  name: string;
}

/** Goes back through the season, lesson by lesson. */
@Component({
  selector: 'doceo-season-slider',
  imports: [FormsModule],
  template: `
    @if (moments().length > 2) {
      <label>
        <span class="soft">{{ moments()[0]?.name }}</span>
        <input
          type="range"
          min="0"
          step="1"
          [max]="moments().length - 1"
          [ngModel]="at()"
          (ngModelChange)="moved.emit($event)"
          [style.--share.%]="share()"
          [attr.aria-valuetext]="name()"
          aria-label="Moment of the season"
          list="season-moments"
        />
        <datalist id="season-moments">
          @for (moment of moments(); track moment.atMs; let i = $index) {
            <option [value]="i"></option>
          }
        </datalist>
        <output class="figure">{{ name() }}</output>
      </label>
    }
  `,
  styles: `
    label {
      display: grid;
      grid-template-columns: auto minmax(120px, 1fr) 108px;
      gap: 12px;
      align-items: center;
      max-width: 720px;
      margin: 4px 0;
    }

    input {
      appearance: none;
      width: 100%;
      height: 44px;
      margin: 0;
      background: linear-gradient(to right, var(--river-bright) var(--share), var(--line) var(--share))
        center / 100% 6px no-repeat;
      border: 0;
      padding: 0;
      cursor: pointer;
    }

    input::-webkit-slider-thumb {
      appearance: none;
      width: 22px;
      height: 22px;
      border-radius: 50%;
      border: 3px solid #fff;
      background: var(--sighter);
      box-shadow: 0 0 0 1.5px var(--ink);
    }

    input::-moz-range-thumb {
      width: 18px;
      height: 18px;
      border-radius: 50%;
      border: 3px solid #fff;
      background: var(--sighter);
      box-shadow: 0 0 0 1.5px var(--ink);
    }
  `,
})
export class SeasonSliderComponent {
  readonly moments = input.required<readonly Moment[]>();
  readonly at = input.required<number>();
  readonly moved = output<number>();

  protected readonly share = computed(() => (100 * this.at()) / Math.max(1, this.moments().length - 1));
  protected readonly name = computed(() => this.moments()[this.at()]?.name ?? '');
}
