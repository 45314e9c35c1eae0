import { Component, computed, input } from '@angular/core';
import type { Certainty, Figure, Origin } from '@doceo/core';
import { OriginComponent } from '../../parts/origin.component';

/** A rule of thumb and an estimate tell what is usual of such a rig; neither was measured of this one. */
const ORIGIN: Record<Certainty, Origin> = {
  measured: 'measured',
  computed: 'computed',
  'rule of thumb': 'typical',
  estimate: 'typical',
};

/** Figures with a bar against their limit; each opens to its inputs, its rule and how sure it is. */
@Component({
  selector: 'doceo-figure-list',
  imports: [OriginComponent],
  template: `
    <p class="origins">
      @for (origin of origins(); track origin) {
        <doceo-origin [of]="origin" />
      }
    </p>
    @for (figure of figures(); track figure.id) {
      <details [attr.data-figure]="figure.id">
        <summary>
          <span>{{ figure.label }}</span>
          <doceo-origin [of]="originOf(figure)" [short]="true" />
          <b class="figure">{{ figure.text }}</b>
          @if (figure.limit !== null && figure.limit > 0) {
            <span class="bar" [class.over]="figure.value > figure.limit"
              ><i [style.width.%]="fill(figure)"></i><u [style.left.%]="80"></u
            ></span>
          }
        </summary>
        <div class="reason small">
          <p>{{ figure.rule }}</p>
          <dl>
            @for (line of figure.inputs; track $index) {
              <div>
                <dt>{{ line.label }}</dt>
                <dd class="figure">{{ line.text }}</dd>
              </div>
            }
          </dl>
          <p class="soft">How sure: {{ figure.certainty }}.</p>
        </div>
      </details>
    }
  `,
  styleUrls: ['../../parts/told-rows.css', './figure-list.component.css'],
})
export class FigureListComponent {
  readonly figures = input.required<readonly Figure[]>();

  protected readonly origins = computed(() => [...new Set(this.figures().map(originOf))]);
  protected readonly originOf = originOf;

  protected fill({ value, limit }: Figure): number {
    return (Math.min(value, (limit ?? 1) * 1.25) / ((limit ?? 1) * 1.25)) * 100;
  }
}

function originOf({ certainty }: Figure): Origin {
  return ORIGIN[certainty];
}
