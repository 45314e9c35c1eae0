import { Component, computed, input, output } from '@angular/core';
import {
  type FanParts,
  type FanStand,
  formatLength,
  type StandReason,
  THIN_WATER_M,
  type UnitSystem,
} from '@doceo/core';
import { ScorePartsComponent } from '../../parts/score-parts.component';
import { castText, whyHereText } from '../../shared/water/stand-texts';

const WIND = {
  behind: 'The wind is behind: long casts, the margin is fished out first.',
  ahead: 'The wind is in the face: it brings food and spoils casts. Short line, low casts.',
  left: 'The wind is on the left: easy for the right hand, on the wrong side for the left one.',
  right: 'The wind is on the right: easy for the left hand, on the wrong side for the right one.',
} as const;

const PARTS: { key: keyof FanParts; name: string }[] = [
  { key: 'holding', name: 'Holds fish' },
  { key: 'band', name: 'In the band' },
  { key: 'wind', name: 'Wind' },
  { key: 'room', name: 'Casting room' },
  { key: 'hand', name: 'Rod hand clear' },
  { key: 'edge', name: 'Shallow edge' },
];

/** One place on the shore: its score in parts, the fan in its order, and where the wind is. */
@Component({
  selector: 'doceo-lake-panel',
  imports: [ScorePartsComponent],
  template: `
    <h2>Stand {{ number() }}</h2>
    <p class="soft">
      {{ who() }}: {{ stand().casts.length }} casts of <b class="figure">{{ cast() }}</b> cover
      <b class="figure">{{ (stand().coverage * 100).toFixed(0) }} %</b> of the water in reach. Score
      <b class="figure">{{ stand().score.toFixed(2) }}</b>.
    </p>
    @if (why(); as text) {
      <p>{{ text }}</p>
    }
    <doceo-score-parts [parts]="parts()" />
    <p>{{ wind() }} Glasses on.</p>
    @if (!stand().backCast) {
      <p>Trees behind: roll cast.</p>
    }
    @if (thin()) {
      <p>Thin water as far as the cast goes: it can be learned here, but few fish stay by day.</p>
    }
    <p>
      Cast 1 along the margin, over <span class="figure">{{ length(stand().casts[0]!.meanDepthM) }}</span>;
      then outwards, deepest last. Two or three casts a lane, then walk on: fish come in bursts.
    </p>
    @if (fishing()) {
      <button type="button" class="btn small" (click)="leave.emit()">Benches: the rigs’ own depths</button>
    } @else {
      <button type="button" class="btn small" (click)="fish.emit()">Benches: take this depth</button>
    }
  `,
  styles: `
    h2 {
      margin-top: 0;
    }

    p {
      margin-top: 5px;
    }
  `,
})
export class LakePanelComponent {
  readonly stand = input.required<FanStand>();
  readonly number = input.required<number>();
  readonly who = input.required<string>();
  readonly units = input.required<UnitSystem>();
  /** Why it is his. */
  readonly because = input<readonly StandReason[]>([]);
  readonly fishing = input(false);
  readonly fish = output<void>();
  readonly leave = output<void>();

  protected readonly parts = computed(() =>
    PARTS.flatMap(({ key, name }) => {
      const value = this.stand().parts[key];
      return value === undefined ? [] : { name, value };
    }),
  );
  protected readonly why = computed(() => whyHereText(this.because(), this.units()));
  protected readonly wind = computed(() => WIND[this.stand().windOn]);

  protected readonly thin = computed(() =>
    this.stand().casts.every(({ deepestM }) => deepestM < THIN_WATER_M),
  );
  protected readonly cast = computed(() => castText(this.stand().castM, this.units()));

  protected length(metres: number): string {
    return formatLength(metres, this.units());
  }
}
