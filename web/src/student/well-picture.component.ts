import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const WIDTH = 390;

/** The last tries as rings on the water: a bead where it went well, a broken ring where it did not. */
@Component({
  selector: 'doceo-well-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 390 76" role="img" [attr.aria-label]="label()">
      <path class="far" d="M0 12q48 -16 98 -4t98 0t98 -6t96 6V76H0Z" />
      <path class="near" d="M0 44q48 8 98 0t98 -4t98 4t96 -4V76H0Z" />
      @for (ring of rings(); track $index) {
        <g [class.missed]="!ring.good" [attr.transform]="'translate(' + ring.x + ' ' + ring.y + ')'">
          <ellipse rx="15" ry="7" />
          @if (ring.good) {
            <circle r="4.5" />
          }
        </g>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }

    .far {
      fill: #8fc0bd;
    }

    .near {
      fill: #69a9a9;
    }

    ellipse {
      fill: none;
      stroke: #fff;
      stroke-width: 3;
    }

    circle {
      fill: var(--sighter);
    }

    .missed ellipse {
      stroke: var(--river);
      stroke-dasharray: 4 4;
    }
  `,
})
export class WellPictureComponent {
  readonly tries = input.required<readonly boolean[]>();
  protected readonly rings = computed(() => {
    const tries = this.tries();
    const step = (WIDTH - 40) / Math.max(1, tries.length - 1);
    return tries.map((good, i) => ({
      good,
      x: tries.length === 1 ? WIDTH / 2 : 20 + i * step,
      y: i % 2 === 0 ? 30 : 56,
    }));
  });
  protected readonly label = computed(() => {
    const tries = this.tries();
    return tries.length === 0
      ? 'Water'
      : `${tries.filter(Boolean).length} good of ${tries.length}, one ring each`;
  });
}
