import { Component, input } from '@angular/core';

export interface ScorePart {
  name: string;
  /** 0…1. */
  value: number;
}

/** The parts of a score as bars: which one makes it low is seen at a glance. */
@Component({
  selector: 'doceo-score-parts',
  template: `
    @for (part of parts(); track part.name) {
      <div class="part">
        <span>{{ part.name }}</span>
        <span class="bar"><i [class.low]="part.value < 0.6" [style.width.%]="part.value * 100"></i></span>
        <b class="figure">{{ part.value.toFixed(2) }}</b>
      </div>
    }
  `,
  styles: `
    .part {
      display: grid;
      grid-template-columns: 118px 1fr 38px;
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
  `,
})
export class ScorePartsComponent {
  readonly parts = input.required<readonly ScorePart[]>();
}
