import { Component, computed, input, output, signal } from '@angular/core';
import type { Point, TipStroke } from '@doceo/core';
import { MeasuredDirective } from '../../drawing/measured.directive';
import { TipPathComponent } from './tip-path.component';

/** Metres shown: behind the start, across, above and below it. */
const SEEN = { behind: 0.45, across: 4, above: 0.9, below: 1.4 };

/** The way of the tip alone and large, for fingers on a small screen. */
@Component({
  selector: 'doceo-tip-board',
  imports: [MeasuredDirective, TipPathComponent],
  template: `
    <div (doceoMeasured)="width.set($event)">
      <svg
        width="100%"
        [attr.height]="height()"
        [attr.viewBox]="'0 0 ' + width() + ' ' + height()"
        role="group"
        aria-label="The way of the tip, enlarged"
      >
        <path class="level" [attr.d]="'M0 ' + origin().y + 'H' + width()" />
        <text x="10" y="20">the way of the tip, to the right is forward</text>
        <g
          [doceoTipPath]="stroke()"
          [pxPerM]="pxPerM()"
          [origin]="origin()"
          (shown)="shown.emit($event)"
          (edited)="edited.emit($event)"
        ></g>
      </svg>
    </div>
  `,
  styles: `
    svg {
      display: block;
      background: #e9efe6;
      touch-action: pan-y;
    }
    .level {
      stroke: var(--river);
      stroke-dasharray: 2 5;
    }
    text {
      font: 600 12.5px var(--body);
      fill: var(--ink-soft);
    }
  `,
})
export class TipBoardComponent {
  readonly stroke = input.required<TipStroke>();
  readonly shown = output<Point[] | null>();
  readonly edited = output<Point[]>();
  protected readonly width = signal(360);
  protected readonly pxPerM = computed(() => this.width() / SEEN.across);
  protected readonly height = computed(() => (SEEN.above + SEEN.below) * this.pxPerM());
  protected readonly origin = computed(() => ({
    x: SEEN.behind * this.pxPerM(),
    y: SEEN.above * this.pxPerM(),
  }));
}
