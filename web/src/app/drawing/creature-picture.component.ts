import { Component, input } from '@angular/core';
import type { StoneKind } from '@doceo/core';

/** Body and limbs of each, drawn in a frame of 64 by 36 around the middle, the head to the right. */
const SHAPES: Record<StoneKind, { body: string; lines: string }> = {
  mayfly: {
    body: 'M20 0 q-2 -6 -9 -6 q-16 1 -31 6 q15 5 31 6 q7 0 9 -6z',
    lines:
      'M-20 0 l-11 -6 M-20 0 l-12 0 M-20 0 l-11 6 M8 -6 l4 -8 M2 -6 l-2 -8 M8 6 l4 8 M2 6 l-2 8 M-4 -5 l-4 -5 M-9 -4 l-4 -5',
  },
  caddis: {
    body: 'M10 -8 h-32 q-4 8 0 16 h32z M10 -5 q12 -1 14 5 q-2 6 -14 5z',
    lines: 'M2 -8 v16 M-6 -8 l3 16 M-13 -8 l-2 16 M-19 -8 l3 16 M17 -5 l4 -7 M17 5 l4 7 M13 5 l0 8',
  },
  stonefly: {
    body: 'M22 0 q-1 -6 -7 -6 h-5 l-3 3 h-3 l-2 -3 q-14 1 -20 6 q6 5 20 6 l2 -3 h3 l3 3 h5 q6 0 7 -6z',
    lines:
      'M-18 -1 l-13 -7 M-18 1 l-13 7 M21 -3 l10 -6 M21 3 l10 6 M13 -6 l5 -9 M3 -5 l-2 -10 M13 6 l5 9 M3 5 l-2 10',
  },
  midge: {
    body: 'M22 -2 q-3 -5 -8 -2 q-8 5 -16 1 q-9 -4 -16 2 q-7 6 -11 0 q2 12 12 6 q7 -5 15 -1 q10 4 19 -1 q6 -3 5 -5z',
    lines: 'M12 -5 l1 10 M4 -2 l1 8 M-4 -4 l0 8 M-12 -2 l1 8',
  },
  shrimp: {
    body: 'M20 4 q2 -10 -8 -12 q-20 -3 -30 10 q-4 8 2 12 q6 -10 18 -9 q12 2 18 -1z',
    lines:
      'M20 -2 l10 -6 M20 0 l11 0 M12 5 l3 8 M6 5 l2 9 M0 5 l0 9 M-6 6 l-3 8 M8 -7 l-2 11 M0 -8 l-1 12 M-8 -6 l2 12',
  },
  snail: {
    body: 'M-18 8 q-4 -20 12 -22 q18 0 18 20 q-4 4 -12 4 q-12 1 -18 -2z M10 8 q12 -2 20 2 q-4 4 -22 2z',
    lines: 'M-12 6 q-2 -12 7 -13 q10 1 9 11 q-3 6 -8 2 q-3 -6 2 -6 M26 8 l4 -7 M23 8 l1 -7',
  },
  damsel: {
    body: 'M24 0 q-1 -7 -8 -6 q-4 1 -5 3 h-29 v6 h29 q1 2 5 3 q7 1 8 -6z',
    lines:
      'M-18 -2 q-8 -8 -13 -7 q2 5 13 7 M-18 0 q-9 -2 -14 0 q5 3 14 0 M-18 2 q-8 8 -13 7 q2 -5 13 -7 M13 -5 l3 -9 M8 -3 l-3 -10 M13 5 l3 9 M8 3 l-3 10',
  },
  leech: {
    body: 'M26 -4 q-6 -6 -16 2 q-10 8 -20 2 q-10 -6 -20 4 q8 10 20 6 q10 -4 20 0 q14 3 18 -8 q1 -4 -2 -6z',
    lines: 'M-20 2 q10 -4 20 2 q10 4 20 -4',
  },
};

/** A creature that lives under stones, so that it is known when it lies on the hand. */
@Component({
  selector: 'doceo-creature-picture',
  template: `
    <svg viewBox="-34 -20 68 40" aria-hidden="true">
      <path class="lines" [attr.d]="shape().lines" />
      <path class="body" [attr.d]="shape().body" />
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
      width: 58px;
      height: 34px;
    }
    .body {
      fill: #b9a36c;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .lines {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
      stroke-linecap: round;
    }
    svg {
      display: block;
    }
  `,
})
export class CreaturePictureComponent {
  readonly of = input.required<StoneKind>();
  protected readonly shape = (): { body: string; lines: string } => SHAPES[this.of()];
}
