import { Component, computed, input, output } from '@angular/core';
import { type Stand, type StandParts, type StandReason, type UnitSystem } from '@doceo/core';
import { ScorePartsComponent } from '../../parts/score-parts.component';
import { castText, whyHereText } from '../../shared/water/stand-texts';

const PARTS: { key: keyof StandParts; name: string }[] = [
  { key: 'holding', name: 'Holds fish' },
  { key: 'unseen', name: 'Unseen by it' },
  { key: 'seen', name: 'Seen by you' },
  { key: 'drift', name: 'Easy drift' },
  { key: 'room', name: 'Casting room' },
  { key: 'wading', name: 'Footing' },
  { key: 'teaches', name: 'Teaches' },
  { key: 'reach', name: 'Within reach' },
  { key: 'hand', name: 'Rod hand clear' },
];

/** One stand: where to, how far, and the parts of its score. */
@Component({
  selector: 'doceo-beat-panel',
  imports: [ScorePartsComponent],
  template: `
    <h2>Stand {{ number() }}, {{ stand().lie.what }}</h2>
    <p class="soft">
      {{ who() }}: {{ stand().inWater ? 'in the water' : 'from the bank' }}, cast
      <b class="figure">{{ length(stand().castM) }}</b>. Score
      <b class="figure">{{ stand().score.toFixed(2) }}</b>.
    </p>
    @if (why(); as text) {
      <p>{{ text }}</p>
    }
    <doceo-score-parts [parts]="parts()" />
    @if (!stand().backCast) {
      <p>Trees behind: roll cast, water-load, or bow-and-arrow.</p>
    }
    <h3>Order</h3>
    <p>
      Tail before head, the near seam before the far one. Two drifts a lane, then a step up. From too far back
      the small currents between ruin the drift.
    </p>
    @if (fishing()) {
      <button type="button" class="btn small" (click)="leave.emit()">Benches: the rigs’ own depths</button>
    } @else {
      <button type="button" class="btn small" (click)="fish.emit()">
        Benches: take depth and speed here
      </button>
    }
    <p class="small soft">
      The score is the mean of its parts as a product: one that is nothing makes nothing of the place. Rules
      of thumb; nobody was there to look.
    </p>
  `,
  styles: `
    h3 {
      margin-top: 10px;
    }

    p {
      margin-top: 4px;
    }
  `,
})
export class BeatPanelComponent {
  readonly stand = input.required<Stand>();
  readonly number = input.required<number>();
  readonly who = input.required<string>();
  readonly units = input.required<UnitSystem>();
  /** Why it is his. */
  readonly because = input<readonly StandReason[]>([]);
  /** Whether the benches take their depth from a place of this water. */
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

  protected length(metres: number): string {
    return castText(metres, this.units());
  }
}
