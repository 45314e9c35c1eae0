import { Component, computed, inject, input, signal } from '@angular/core';
import {
  columnSpeed,
  formatLength,
  formatSpeed,
  frameAt,
  type SideDrift,
  type SideRun,
  stonyBed,
} from '@doceo/core';
import { SessionStore } from '../../data/session';
import { MeasuredDirective } from '../../drawing/measured.directive';
import { FrameDirective } from '../../drawing/frame.directive';

const SKY_PX = 34;
const BED_PX = 40;
/** Where the float is held in the picture, as a share of its width. */
const FLOAT_AT = 0.62;
/** Room that the words beside it take, pixels. */
const WORDS_PX = 230;

/** The rig below its float, to scale, in water that is slower near the bed; the picture goes along with the float. */
@Component({
  selector: 'doceo-side-view',
  imports: [FrameDirective, MeasuredDirective],
  template: `
    <div (doceoMeasured)="width.set($event)">
      <svg [doceoFrame]="width()" [high]="height()" role="img" [attr.aria-label]="words()">
        <rect class="water" x="0" [attr.y]="sky" [attr.width]="width()" [attr.height]="height() - sky" />
        <rect class="zone" x="0" [attr.y]="zone().y" [attr.width]="width()" [attr.height]="zone().height" />
        @for (arrow of arrows(); track $index) {
          <path class="arrow" [attr.d]="arrow.path" />
          <text class="speed" [attr.x]="8" [attr.y]="arrow.y - 5">{{ arrow.text }}</text>
        }
        <path class="track" [attr.d]="view().track" />
        <path class="bed" [attr.d]="view().bed" />
        <path class="leader" [attr.d]="view().leader" />
        @for (load of view().loads; track $index) {
          <circle
            class="load"
            [class.touching]="load.touching"
            [attr.cx]="load.x"
            [attr.cy]="load.y"
            [attr.r]="load.point ? 5.5 : 4"
          />
        }
        <path class="surface" [attr.d]="'M0 ' + sky + 'H' + width()" />
        <circle class="float" [attr.cx]="view().floatX" [attr.cy]="sky" r="8" />
        <path class="cap" [attr.d]="'M' + (view().floatX - 8) + ' ' + sky + 'a8 8 0 0 1 16 0z'" />
        <text
          class="told"
          [attr.x]="view().floatX + (roomBehind() ? 14 : -14)"
          [attr.y]="sky - 12"
          [attr.text-anchor]="roomBehind() ? 'start' : 'end'"
        >
          {{ view().floatText }}
        </text>
        <text class="told" [attr.x]="view().flyX + 12" [attr.y]="view().flyY - 8">{{ view().flyText }}</text>
        <text class="zone-text" [attr.x]="width() - 8" [attr.y]="zone().y + 14">where the fish are</text>
      </svg>
    </div>
  `,
  styles: `
    svg {
      display: block;
    }
    .water {
      fill: #bddbd5;
    }
    .zone {
      fill: var(--river-bright);
      opacity: 0.16;
    }
    .zone-text {
      text-anchor: end;
      font: 12px var(--body);
      fill: var(--river);
    }
    .arrow {
      fill: none;
      stroke: var(--river);
      stroke-width: 1.6;
      opacity: 0.6;
    }
    .speed {
      font: 600 11.5px var(--figure);
      fill: var(--river);
    }
    .bed {
      fill: var(--bed);
    }
    .track {
      fill: none;
      stroke: #fff;
      stroke-width: 2;
      stroke-dasharray: 3 4;
    }
    .leader {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2;
    }
    .load {
      fill: var(--ink);
    }
    .load.touching {
      fill: var(--sighter);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .surface {
      stroke: var(--river);
      stroke-width: 1.5;
    }
    .float {
      fill: #fff;
      stroke: var(--ink);
      stroke-width: 2;
    }
    .cap {
      fill: var(--sighter);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .told {
      font: 700 13px var(--body);
      fill: var(--ink);
      paint-order: stroke;
      stroke: rgb(255 253 246 / 70%);
      stroke-width: 4px;
    }
  `,
})
export class SideViewComponent {
  private readonly session = inject(SessionStore);
  readonly drift = input.required<SideDrift>();
  readonly run = input.required<SideRun>();
  readonly atS = input.required<number>();
  readonly height = input(320);
  protected readonly width = signal(860);
  protected readonly sky = SKY_PX;

  private readonly pxPerM = computed(() => (this.height() - SKY_PX - BED_PX) / this.drift().depthM);
  private readonly stones = computed(() => stonyBed(this.drift().stonesM, this.drift().seed));
  protected readonly zone = computed(() => {
    const { depthM, zoneM } = this.drift();
    const height = Math.min(zoneM, depthM) * this.pxPerM();
    return { y: SKY_PX + depthM * this.pxPerM() - height, height };
  });
  protected readonly arrows = computed(() => {
    const drift = this.drift();
    return [0, 0.25, 0.5, 0.75, 0.95].map((share) => {
      const speedMs = columnSpeed(drift, drift.depthM * (1 - share));
      const y = SKY_PX + share * drift.depthM * this.pxPerM() + (share === 0 ? 16 : 0);
      const to = 62 + speedMs * 90;
      return {
        y,
        path: `M62 ${y}H${to}m-6 -4L${to} ${y}l-6 4`,
        text: formatSpeed(speedMs, this.session.units()),
      };
    });
  });
  protected readonly view = computed(() => {
    const frame = frameAt(this.run().frames, this.atS());
    const [pxPerM, drift] = [this.pxPerM(), this.drift()];
    const floatX = this.width() * FLOAT_AT;
    const x = (metres: number): number => floatX + (metres - frame.xs[0]!) * pxPerM;
    const y = (metres: number): number => SKY_PX - metres * pxPerM;
    const nodes = frame.xs.length - 1;
    const [flyX, flyY] = [x(frame.xs[nodes]!), y(frame.ys[nodes]!)];
    const units = this.session.units();
    const bedPoints = Array.from({ length: 121 }, (_, i) => {
      const px = (i / 120) * this.width();
      const metres = frame.xs[0]! + (px - floatX) / pxPerM;
      return `${px.toFixed(1)} ${y(-drift.depthM + this.stones()(metres)).toFixed(1)}`;
    });
    const path = (points: { x: number; y: number }[]): string =>
      points.map((one, i) => `${i ? 'L' : 'M'}${one.x.toFixed(1)} ${one.y.toFixed(1)}`).join('');
    const past = this.run().frames.filter(({ atS }) => atS <= frame.atS);
    return {
      floatX,
      ...{ flyX, flyY },
      bed: `M0 ${this.height()}L${bedPoints.join('L')}L${this.width()} ${this.height()}Z`,
      leader: path(frame.xs.map((at, i) => ({ x: x(at), y: y(frame.ys[i]!) }))),
      track: path(past.map(({ xs, ys }) => ({ x: x(xs[nodes]!), y: y(ys[nodes]!) }))),
      loads: drift.loads.map(({ belowFloatM }, i) => {
        const at = Math.round((belowFloatM / drift.leaderM) * nodes);
        return {
          x: x(frame.xs[at]!),
          y: y(frame.ys[at]!),
          point: i === drift.loads.length - 1,
          touching: frame.touches && y(frame.ys[at]!) > y(-drift.depthM + this.stones()(frame.xs[at]!)) - 4,
        };
      }),
      floatText:
        drift.surfaceMs - frame.floatMs > 0.005 && frame.atS > 0.3
          ? `${formatSpeed(drift.surfaceMs - frame.floatMs, units)} slower just now`
          : '',
      flyText: `${formatLength(Math.max(0, -frame.ys[nodes]!), units)} deep at ${frame.atS.toFixed(1)} s`,
    };
  });
  /** Whether the words of the float have room behind it; else they stand before it. */
  protected readonly roomBehind = computed(() => this.width() * (1 - FLOAT_AT) > WORDS_PX);
  protected readonly words = computed(() => {
    const { steadyDepthM, steadyDeg } = this.run();
    return `The rig from the side: the point fly comes to ${formatLength(steadyDepthM, this.session.units())}, the leader leans ${Math.abs(steadyDeg).toFixed(0)} degrees.`;
  });
}
