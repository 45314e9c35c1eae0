import { Component, computed, input } from '@angular/core';
import type { Certainty, Figure, Origin, UnitSystem } from '@doceo/core';
import { rigFigureInWords } from '@doceo/texts';
import { OriginComponent } from '../../parts/origin.component';

/** A rule of thumb and an estimate tell what is usual of such a rig; neither was measured of this one. */
const ORIGIN: Record<Certainty, Origin> = {
  measured: 'measured',
  computed: 'computed',
  'rule-of-thumb': 'typical',
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
    @for (figure of rows(); track figure.id) {
      <details [attr.data-figure]="figure.id">
        <summary>
          <span>{{ figure.label }}</span>
          <doceo-origin [of]="figure.origin" [short]="true" />
          <b class="figure">{{ figure.text }}</b>
          @if (figure.bar; as bar) {
            <span class="bar" [class.over]="bar.isOver"
              ><i [style.width.%]="bar.fill"></i><u [style.left.%]="LIMIT_AT"></u
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
  readonly units = input.required<UnitSystem>();

  protected readonly LIMIT_AT = LIMIT_AT;
  protected readonly origins = computed(() => [...new Set(this.figures().map(originOf))]);
  protected readonly rows = computed(() =>
    this.figures().map((figure) => ({
      ...rigFigureInWords(figure, this.units()),
      origin: originOf(figure),
      bar: barOf(figure),
    })),
  );
}

/** Where on its bar the limit of a figure is drawn, in hundredths. */
const LIMIT_AT = 80;

/** How far a bar is filled, in hundredths; null for a figure without a limit. */
function barOf({ value, limit }: Figure): { fill: number; isOver: boolean } | null {
  if (limit === null || limit <= 0) return null;
  return { fill: Math.min(100, (value / limit) * LIMIT_AT), isOver: value > limit };
}

function originOf({ certainty }: Figure): Origin {
  return ORIGIN[certainty];
}
