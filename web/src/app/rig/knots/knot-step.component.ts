import { Component, computed, input } from '@angular/core';
import { arrowHead, type KnotStep, STEP_HEIGHT, STEP_WIDTH } from './index';

/** One step of tying a knot: what lies higher covers what lies lower, with a gap of paper between. */
@Component({
  selector: 'doceo-knot-step',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" aria-hidden="true">
      @for (piece of pieces(); track $index) {
        @if (piece.tone !== 'aid' && piece.tone !== 'wrong') {
          <path class="gap" [attr.d]="piece.path" />
        }
        <path [class]="piece.tone" [attr.d]="piece.path" />
        @if (piece.head) {
          <path [class]="piece.tone + ' head'" [attr.d]="piece.head" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      background: var(--sheet);
    }
    path {
      fill: none;
      stroke-width: 5;
      stroke-linecap: round;
    }
    .gap {
      stroke: var(--sheet);
      stroke-width: 9.5;
      stroke-linecap: butt;
    }
    .standing {
      stroke: var(--river);
    }
    .working {
      stroke: var(--sighter);
    }
    .second {
      stroke: var(--bed);
    }
    .metal {
      stroke: var(--ink-soft);
      stroke-width: 4;
    }
    .aid {
      fill: #efe5cf;
      stroke: #d9c9a8;
      stroke-width: 3;
    }
    .wrong {
      stroke: var(--safety);
      stroke-width: 6;
    }
    .head {
      stroke-width: 0;
    }
    .head.standing {
      fill: var(--river);
    }
    .head.working {
      fill: var(--sighter);
    }
    .head.second {
      fill: var(--bed);
    }
  `,
})
export class KnotStepComponent {
  readonly step = input.required<KnotStep>();
  protected readonly width = STEP_WIDTH;
  protected readonly height = STEP_HEIGHT;
  protected readonly pieces = computed(() =>
    [...this.step().pieces]
      .sort((a, b) => a.height - b.height)
      .map((piece) => ({ ...piece, head: piece.moves ? arrowHead(piece.path) : null })),
  );
}
