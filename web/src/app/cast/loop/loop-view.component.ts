import { Component, computed, inject, input, output, signal } from '@angular/core';
import {
  METRES_PER_FOOT,
  formatLength,
  frameAt,
  type LoopRun,
  type Point,
  type TipStroke,
} from '@doceo/core';
import { SessionStore } from '../../data/session';
import { MeasuredDirective } from '../../drawing/measured.directive';
import { narrowWindow } from '../../parts/narrow';
import { TipPathComponent } from './tip-path.component';
import { FrameDirective } from '../../drawing/frame.directive';

const WATER_PX = 34;
const ABOVE_M = 2.2;
/** Of the line behind so much is shown; and so much room ahead of it, metres. */
const BEHIND_SHARE = 0.7;
const AHEAD_M = 4;
const MAX_PX_PER_M = 64;
/** The picture is as high as this cast needs, whatever is thrown: what lies below it stays where it is. Metres. */
const USUAL = { lineM: 7, tipM: 3 };
/** Where the hand is below the tip's start, and forward of it, metres. */
const HAND: Point = { x: 0.9, y: -1.9 };
/** How far a rod bends, as a share of its length, for each m/s² of its tip; and the most, either way. Drawn, not computed. */
const BEND = { perAcceleration: 1 / 400, loaded: 0.26, recoil: 0.07 };
/** Over so long the acceleration of the tip is read, seconds. */
const AROUND_S = 0.03;
/** Pictures of the line that stay as ghosts: times after the stop, seconds. */
const GHOSTS_S = [0.15, 0.35, 0.6, 0.9, 1.3];

/** A cast from the side, to scale: rod and tip path, the line as it unrolls. The path is drawn by its points, on a phone on a board of its own. */
@Component({
  selector: 'doceo-loop-view',
  imports: [FrameDirective, MeasuredDirective, TipPathComponent],
  template: `
    <div (doceoMeasured)="width.set($event)">
      <svg [doceoFrame]="width()" [high]="height()" role="group" [attr.aria-label]="words()">
        <rect class="sky" x="0" y="0" [attr.width]="width()" [attr.height]="waterY()" />
        <rect
          class="water"
          x="0"
          [attr.y]="waterY()"
          [attr.width]="width()"
          [attr.height]="height() - waterY()"
        />
        @for (metre of metres(); track metre.text) {
          <path class="tick" [attr.d]="'M' + metre.x + ' ' + waterY() + 'v6'" />
          <text class="metre" [attr.x]="metre.x" [attr.y]="waterY() + 19">{{ metre.text }}</text>
        }
        @for (ghost of ghosts(); track $index) {
          <path class="ghost" [attr.d]="ghost" />
        }
        <path class="person" [attr.d]="person()" />
        <circle class="head" [attr.cx]="head().x" [attr.cy]="head().y" [attr.r]="head().r" />
        <path class="rod" [attr.d]="now().rod" />
        <path class="line" [attr.d]="now().line" />
        <circle class="fly" [attr.cx]="now().flyX" [attr.cy]="now().flyY" r="6" />
        <g
          [doceoTipPath]="stroke()"
          [pxPerM]="pxPerM()"
          [origin]="{ x: x()(0), y: y()(0) }"
          [editable]="!narrow()"
          (shown)="shown.emit($event)"
          (edited)="edited.emit($event)"
        ></g>
        @if (atS() < run().strokeS) {
          <text class="told" [attr.x]="14" [attr.y]="24">the stroke</text>
        } @else {
          <text class="told" [attr.x]="14" [attr.y]="24">
            {{ (atS() - run().strokeS).toFixed(2) }} s after the stop
          </text>
        }
      </svg>
    </div>
  `,
  styles: `
    svg {
      display: block;
      touch-action: pan-y;
    }
    .sky {
      fill: #e9efe6;
    }
    .water {
      fill: #bddbd5;
    }
    .tick {
      stroke: var(--river);
    }
    .metre {
      font: 600 11px var(--figure);
      fill: var(--river);
      text-anchor: middle;
    }
    .ghost {
      fill: none;
      stroke: var(--river);
      stroke-width: 1.3;
      opacity: 0.35;
    }
    .person {
      fill: none;
      stroke: var(--ink);
      stroke-width: 5;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .head {
      fill: var(--ink);
    }
    .rod {
      fill: none;
      stroke: var(--bed);
      stroke-width: 3.5;
      stroke-linecap: round;
    }
    .line {
      fill: none;
      stroke: #94a11b;
      stroke-width: 3.2;
      stroke-linejoin: round;
    }
    .fly {
      fill: var(--sighter);
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .told {
      font: 700 13px var(--body);
      fill: var(--ink);
    }
  `,
})
export class LoopViewComponent {
  private readonly session = inject(SessionStore);
  readonly stroke = input.required<TipStroke>();
  readonly run = input.required<LoopRun>();
  readonly lineM = input.required<number>();
  readonly tipHeightM = input.required<number>();
  readonly atS = input.required<number>();
  readonly shown = output<Point[] | null>();
  readonly edited = output<Point[]>();
  protected readonly width = signal(860);
  protected readonly narrow = narrowWindow();

  protected readonly height = computed(
    () => WATER_PX + (USUAL.tipM + ABOVE_M) * pxPerMetre(this.width(), USUAL.lineM),
  );
  protected readonly pxPerM = computed(() =>
    Math.min(
      pxPerMetre(this.width(), this.lineM()),
      (this.height() - WATER_PX) / (this.tipHeightM() + ABOVE_M),
    ),
  );
  protected readonly waterY = computed(() => this.height() - WATER_PX);
  protected readonly x = computed(() => {
    const pxPerM = this.pxPerM();
    const tip = Math.max(BEHIND_SHARE * this.lineM() * pxPerM, (this.width() - 4 * pxPerM) / 2);
    return (metres: number): number => Math.min(tip, this.width() / 2) + metres * pxPerM;
  });
  protected readonly y = computed(() => {
    const [pxPerM, water, tipM] = [this.pxPerM(), this.waterY(), this.tipHeightM()];
    return (metres: number): number => water - (metres + tipM) * pxPerM;
  });
  protected readonly metres = computed(() => {
    const units = this.session.units();
    const step = units === 'metric' ? 3 : 3.048;
    const most = Math.floor((this.lineM() + 3) / step);
    return Array.from({ length: 2 * most + 1 }, (_, i) => (i - most) * step)
      .map((metre) => ({
        x: this.x()(metre),
        text: units === 'metric' ? `${metre} m` : `${Math.round(metre / METRES_PER_FOOT)} ft`,
      }))
      .filter(({ x }) => x > 16 && x < this.width() - 16);
  });
  protected readonly person = computed(() => {
    const [x, y, foot] = [this.x(), this.y(), -this.tipHeightM()];
    const head = foot + 1.62;
    return `M${x(0.62)} ${y(foot)}L${x(0.6)} ${y(foot + 0.85)}L${x(0.58)} ${y(head - 0.22)}M${x(0.58)} ${y(head - 0.3)}L${x(HAND.x)} ${y(HAND.y)}`;
  });
  protected readonly head = computed(() => ({
    x: this.x()(0.6),
    y: this.y()(1.66 - this.tipHeightM()),
    r: 0.15 * this.pxPerM(),
  }));
  protected readonly ghosts = computed(() => {
    const { frames, strokeS } = this.run();
    return GHOSTS_S.map((after) => {
      const { xs, ys } = frameAt(frames, strokeS + after);
      return this.polyline(xs.map((x, i) => ({ x, y: ys[i]! })));
    });
  });
  protected readonly now = computed(() => {
    const frame = frameAt(this.run().frames, this.atS());
    const [x, y] = [this.x(), this.y()];
    const tip = { x: frame.xs[0]!, y: frame.ys[0]! };
    const load = this.load();
    // Forward of the straight from hand to tip: the tip stays behind while the hand drives on.
    const bend = {
      x: (HAND.x + tip.x) / 2 + load * (tip.y - HAND.y),
      y: (HAND.y + tip.y) / 2 - load * (tip.x - HAND.x),
    };
    return {
      line: this.polyline(frame.xs.map((at, i) => ({ x: at, y: frame.ys[i]! }))),
      rod: `M${x(HAND.x)} ${y(HAND.y)}Q${x(bend.x)} ${y(bend.y)} ${x(tip.x)} ${y(tip.y)}`,
      flyX: x(frame.xs.at(-1)!),
      flyY: y(frame.ys.at(-1)!),
    };
  });
  /** How far the rod is bent forward, a share of its length: by the pull of the line in the stroke, back after the stop. */
  private readonly load = computed(() => {
    const { frames } = this.run();
    const at = this.atS();
    const tipAt = (seconds: number): number => frameAt(frames, Math.max(0, seconds)).xs[0]!;
    const acceleration = (tipAt(at + AROUND_S) - 2 * tipAt(at) + tipAt(at - AROUND_S)) / AROUND_S ** 2;
    return Math.max(-BEND.recoil, Math.min(BEND.loaded, acceleration * BEND.perAcceleration));
  });
  protected readonly words = computed(() => {
    const { loopM, faults } = this.run().signs;
    return `The cast from the side: ${loopM === null ? 'no loop' : `a loop of ${formatLength(Math.abs(loopM), this.session.units())}`}, ${faults.length === 0 ? 'no fault seen' : `${faults.length} faults seen`}.`;
  });

  private polyline(points: readonly Point[]): string {
    const [x, y] = [this.x(), this.y()];
    return points.map((one, i) => `${i ? 'L' : 'M'}${x(one.x).toFixed(1)} ${y(one.y).toFixed(1)}`).join('');
  }
}

/** The scale at which all of a cast with this line is seen in a picture of this width, px to the metre. */
function pxPerMetre(widthPx: number, lineM: number): number {
  return Math.min(MAX_PX_PER_M, widthPx / ((BEHIND_SHARE + 1) * lineM + AHEAD_M));
}
