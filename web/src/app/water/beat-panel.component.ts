import { Component, computed, input } from '@angular/core';
import { formatLength, type Stand, type StandParts, type UnitSystem } from '@doceo/core';

const PARTS: { key: keyof StandParts; name: string }[] = [
  { key: 'holding', name: 'Holds fish' },
  { key: 'unseen', name: 'Unseen by it' },
  { key: 'seen', name: 'Seen by you' },
  { key: 'drift', name: 'Easy drift' },
  { key: 'room', name: 'Casting room' },
  { key: 'wading', name: 'Footing' },
  { key: 'teaches', name: 'Teaches' },
];

/** One stand: where to, how far, and the parts of its score. */
@Component({
  selector: 'doceo-beat-panel',
  template: `
    <h2>Stand {{ number() }}, {{ stand().lie.what }}</h2>
    <p class="soft">
      {{ who() }}: {{ stand().inWater ? 'in the water' : 'from the bank' }}, cast
      <b class="figure">{{ length(stand().castM) }}</b>. Score
      <b class="figure">{{ stand().score.toFixed(2) }}</b>.
    </p>
    @for (part of parts(); track part.key) {
      <div class="part">
        <span>{{ part.name }}</span>
        <span class="bar"><i [class.low]="part.value < 0.6" [style.width.%]="part.value * 100"></i></span>
        <b class="figure">{{ part.value.toFixed(2) }}</b>
      </div>
    }
    @if (!stand().backCast) {
      <p>Trees behind: roll cast, water-load, or bow-and-arrow.</p>
    }
    <h3>Order</h3>
    <p>
      Tail before head, the near seam before the far one. Two drifts a lane, then a step up. From too far back
      the small currents between ruin the drift.
    </p>
    <p class="small soft">
      The score is the mean of its parts as a product: one that is nothing makes nothing of the place. Rules
      of thumb; nobody was there to look.
    </p>
  `,
  styles: `
    .part {
      display: grid;
      grid-template-columns: 92px 1fr 38px;
      gap: 8px;
      align-items: center;
      padding: 3px 0;
    }

    .bar {
      background: var(--track);
      height: 9px;
    }

    i {
      display: block;
      height: 100%;
      background: var(--water);
    }

    i.low {
      background: var(--rigging);
    }

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

  protected readonly parts = computed(() =>
    PARTS.map(({ key, name }) => ({ key, name, value: this.stand().parts[key] })),
  );

  protected length(metres: number): string {
    return formatLength(metres, this.units());
  }
}
