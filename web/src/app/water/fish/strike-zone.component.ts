import { Component, computed, input, signal } from '@angular/core';
import { formatLength, HATCH_STAGES, type HatchStage, strikeZone, type UnitSystem } from '@doceo/core';
import { ZONE_ADVICE } from '@doceo/texts';

const WORDS: Record<HatchStage, string> = {
  none: 'nothing hatches',
  'nymphs-moving': 'nymphs move',
  emerging: 'emerging',
  'on-top': 'on top',
};
const HEIGHT = 150;
const WIDTH = 120;

/** Where in the column fish feed, and where to put the fly. */
@Component({
  selector: 'doceo-strike-zone',
  template: `
    <h2>Strike zone</h2>
    <div class="segments" role="group" aria-label="Hatch">
      @for (stage of stages; track stage.id) {
        <button type="button" [attr.aria-pressed]="hatch() === stage.id" (click)="hatch.set(stage.id)">
          {{ stage.text }}
        </button>
      }
    </div>
    <div class="beside">
      <svg viewBox="0 0 214 158" role="img" [attr.aria-label]="words()">
        @for (layer of layers(); track layer.name) {
          <rect [attr.y]="layer.y" x="0" [attr.width]="width" [attr.height]="layer.height" class="layer" />
          <rect
            [attr.y]="layer.y"
            x="0"
            [attr.width]="width * layer.share"
            [attr.height]="layer.height"
            class="share"
          />
          <text x="126" [attr.y]="layer.y + layer.height / 2 + 4">
            {{ layer.name }} {{ (layer.share * 100).toFixed(0) }} %
          </text>
        }
        <path [attr.d]="'M6 ' + flyY() + 'h' + (width - 12)" class="fly" />
        <path [attr.d]="'M' + (width - 6) + ' ' + flyY() + 'l-9 -5v10z'" class="tip" />
      </svg>
      <p>
        {{ advice() }}
        @if (depthM(); as depth) {
          In <b class="figure">{{ length(depth) }}</b> put the fly
          <b class="figure">{{ length(depth * zone().flyShare) }}</b> down.
        }
        <span class="soft small">From the water’s temperature and the hatch, rules of thumb.</span>
      </p>
    </div>
  `,
  styles: `
    .segments {
      margin: 6px 0;
    }

    .beside {
      display: grid;
      grid-template-columns: 214px minmax(0, 1fr);
      gap: 14px;
      align-items: center;
    }

    .layer {
      fill: #8fc0bd;
      stroke: var(--paper);
    }

    .share {
      fill: var(--river);
    }

    .fly {
      stroke: var(--sighter);
      stroke-width: 2.5;
    }

    .tip {
      fill: var(--sighter);
    }

    text {
      font: 12px var(--body);
      fill: var(--ink);
    }

    p span {
      display: block;
      margin-top: 4px;
    }

    @media (max-width: 700px) {
      .beside {
        grid-template-columns: minmax(0, 1fr);
      }

      svg {
        max-width: 230px;
      }
    }
  `,
})
export class StrikeZoneComponent {
  readonly units = input.required<UnitSystem>();
  readonly waterC = input.required<number>();
  /** Depth to fish in, when there is one. */
  readonly depthM = input<number | null>(null);

  protected readonly stages = HATCH_STAGES.map((id) => ({ id, text: WORDS[id] }));
  protected readonly hatch = signal<HatchStage>('none');
  protected readonly width = WIDTH;
  protected readonly zone = computed(() => strikeZone(this.waterC(), this.hatch()));
  protected readonly advice = computed(() => ZONE_ADVICE[this.zone().advice]);
  protected readonly layers = computed(() => {
    const { top, middle, bottom } = this.zone();
    const height = HEIGHT / 3;
    return [
      { name: 'top', share: top },
      { name: 'middle', share: middle },
      { name: 'bottom', share: bottom },
    ].map((layer, i) => ({ ...layer, y: 4 + i * height, height }));
  });
  protected readonly flyY = computed(() => 4 + this.zone().flyShare * HEIGHT);
  protected readonly words = computed(() =>
    this.layers()
      .map(({ name, share }) => `${name} ${(share * 100).toFixed(0)} of 100`)
      .join(', '),
  );

  protected length(metres: number): string {
    return metres < 0.01 ? 'on the surface, 0 cm' : formatLength(metres, this.units());
  }
}
