import { Component, input } from '@angular/core';

/** What tells kinds of water apart where their depth is the same: strokes in a tile of 20 by 12. */
export const SURFACES: Record<string, string> = {
  run: 'M1 3h7M12 3h7M6 9h8',
  pool: '',
  head: 'M2 2l5 4l-5 4M11 2l5 4l-5 4',
  'tail-out': 'M2 6h2M8 3h2M8 9h2M15 6h2',
  riffle: 'M0 4q2.5 -4 5 0t5 0t5 0t5 0M0 10q2.5 -4 5 0t5 0t5 0t5 0',
  pocket: 'M3 6a3 3 0 1 0 6 0a3 3 0 1 0 -6 0M13 4a2 2 0 1 0 4 0a2 2 0 1 0 -4 0',
  eddy: 'M10 6q3 -3 5 0t-5 4q-7 0 -7 -5q1 -5 8 -4',
  plunge: 'M3 1v8l-2 -2M10 3v8l-2 -2M17 1v8l-2 -2',
  undercut: 'M0 12L8 0M7 12L15 0M14 12L22 0',
  weed: 'M4 12q2 -4 0 -8M10 12q2 -5 0 -10M16 12q2 -4 0 -8',
  timber: 'M1 9L9 3M8 10L18 4M4 2h8',
};

/** Points of a water, each in a frame of one letter around its middle. */
export const POINT_MARKS: Record<string, string> = {
  boulder: 'M-1.1 0.2q0 -1 0.9 -1.1q1.3 -0.2 1.4 0.8q0.1 1 -1 1.1q-1.2 0.1 -1.3 -0.8z',
  hazard: 'M0 -1.1L1.1 0.9H-1.1ZM-0.14 -0.4h0.28l-0.08 0.7h-0.12zM-0.1 0.5h0.2v0.2h-0.2z',
  entry: 'M0 -0.9L1 0.8H-1Z',
  exit: 'M0 0.9L1 -0.8H-1Z',
  inflow: 'M-1 -0.5h1.1v-0.6l1 1.1l-1 1.1v-0.6h-1.1z',
  landing: 'M-1 -0.2h2l-0.5 0.9h-1zM-0.1 -0.2v-0.9h0.2v0.9z',
};

/** A kind of piece as it will lie on the sheet, for the button that draws it. */
@Component({
  selector: 'doceo-kind-mark',
  template: `
    <svg viewBox="0 0 20 12" [class]="point() ? 'point' : look()" aria-hidden="true">
      @if (point()) {
        <path [class]="'mark ' + kind()" transform="translate(10 6) scale(4.6)" [attr.d]="marks[kind()]" />
      } @else {
        <rect width="20" height="12" />
        <path class="surface" [attr.d]="surfaces[kind()] ?? ''" />
      }
    </svg>
  `,
  styleUrls: ['../../shared/water/board/board.css', './kind-looks.css'],
  styles: `
    svg {
      display: block;
      width: 30px;
      height: 18px;
    }
    svg:not(.point) {
      border: 1px solid rgb(21 38 31 / 35%);
    }
    rect {
      fill: var(--look);
    }
  `,
})
export class KindMarkComponent {
  readonly kind = input.required<string>();
  readonly look = input.required<string>();
  readonly point = input.required<boolean>();
  protected readonly surfaces = SURFACES;
  protected readonly marks = POINT_MARKS;
}
