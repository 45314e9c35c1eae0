import { Component, computed, input } from '@angular/core';
import {
  type FloatKind,
  NOISE_KINDS,
  type NoiseKind,
  type TakeKind,
  TAKES_OF,
  type TrainerWater,
} from '@doceo/core';
import { TakeExampleComponent } from './take-example.component';

/** What a fish does to the float, and what the water does: each to be looked at before it counts. */
@Component({
  selector: 'doceo-take-examples',
  imports: [TakeExampleComponent],
  template: `
    @for (group of groups(); track group.title) {
      <section>
        <h2>{{ group.title }}</h2>
        <div class="examples">
          @for (kind of group.kinds; track kind) {
            <doceo-take-example [kind]="kind" [float]="float()" [water]="water()" />
          }
        </div>
      </section>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 14px 26px;
      margin-top: 14px;
    }
    section:first-child {
      flex: 4 1 0;
      min-width: min(300px, 100%);
    }
    section:last-child {
      flex: 3 1 0;
      min-width: min(300px, 100%);
    }
    .examples {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
      gap: 10px;
      margin-top: 6px;
    }
  `,
})
export class TakeExamplesComponent {
  readonly float = input.required<FloatKind>();
  readonly water = input.required<TrainerWater>();
  protected readonly groups = computed<{ title: string; kinds: readonly (TakeKind | NoiseKind)[] }[]>(() => [
    { title: 'A fish does this', kinds: TAKES_OF[this.float()] },
    { title: 'The water does this', kinds: NOISE_KINDS },
  ]);
}
