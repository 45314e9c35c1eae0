import { Component, computed, inject, input, output } from '@angular/core';
import { formatLength, type Point, tipTrajectory, type TipStroke } from '@doceo/core';
import { SessionStore } from '../../data/session';
import type { Drag } from '../../drawing/drag.directive';
import { HandleComponent } from '../../drawing/handle.component';

const STEP_M = 0.05;
/** How far a point of the path may be from where the stroke starts, metres. */
const REACH = { back: -1.05, ahead: 4.05, up: 1.5, down: -2 };

/** The way of the rod tip in a drawing of any scale; its points are dragged, or moved by keys. */
@Component({
  selector: '[doceoTipPath]',
  imports: [HandleComponent],
  template: `
    <svg:path class="path" [attr.d]="path()" />
    @if (editable()) {
      @for (handle of handles(); track $index) {
        <svg:g
          [doceoHandle]="'Point ' + ($index + 1) + ' of the tip’s path'"
          [at]="handle"
          [reach]="17"
          [value]="doceoTipPath().points[$index]!.y"
          [least]="-4"
          [most]="4"
          [told]="handle.text"
          (dragged)="drag($index, $event)"
          (keydown)="key($index, $event)"
        >
          <svg:circle class="dot" [attr.cx]="handle.x" [attr.cy]="handle.y" r="5.5" />
        </svg:g>
      }
    }
  `,
  styles: `
    .path {
      fill: none;
      stroke: var(--sighter);
      stroke-width: 2.5;
      stroke-dasharray: 5 4;
    }
    .dot {
      fill: var(--sheet);
      stroke: var(--sighter);
      stroke-width: 2.5;
    }
  `,
})
export class TipPathComponent {
  private readonly session = inject(SessionStore);
  readonly doceoTipPath = input.required<TipStroke>();
  readonly pxPerM = input.required<number>();
  /** Where in the drawing the stroke starts. */
  readonly origin = input.required<Point>();
  readonly editable = input(true);
  readonly shown = output<Point[] | null>();
  readonly edited = output<Point[]>();
  private from: readonly Point[] = [];

  protected readonly path = computed(() => {
    const { strokeS, at } = tipTrajectory(this.doceoTipPath());
    const end = strokeS + Math.max(0.1, this.doceoTipPath().stopS);
    return Array.from({ length: 61 }, (_, i) => this.toPx(at((i / 60) * end)))
      .map(({ x, y }, i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`)
      .join('');
  });
  protected readonly handles = computed(() => {
    const length = (metres: number): string => formatLength(Math.abs(metres), this.session.units());
    return this.doceoTipPath().points.map((point) => ({
      ...this.toPx(point),
      text: `${length(point.x)} forward, ${length(point.y)} ${point.y < 0 ? 'down' : 'up'}`,
    }));
  });

  private toPx({ x, y }: Point): Point {
    const [origin, pxPerM] = [this.origin(), this.pxPerM()];
    return { x: origin.x + x * pxPerM, y: origin.y - y * pxPerM };
  }

  protected drag(index: number, { phase, dx, dy }: Drag): void {
    if (phase === 'start') this.from = this.doceoTipPath().points;
    if (phase === 'cancel') return this.shown.emit(null);
    const moved = this.moved(this.from, index, dx / this.pxPerM(), -dy / this.pxPerM());
    if (phase === 'end') this.edited.emit(moved);
    else this.shown.emit(moved);
  }

  protected key(index: number, event: KeyboardEvent): void {
    const by = {
      ArrowLeft: [-STEP_M, 0],
      ArrowRight: [STEP_M, 0],
      ArrowUp: [0, STEP_M],
      ArrowDown: [0, -STEP_M],
    }[event.key];
    if (!by) return;
    event.preventDefault();
    this.edited.emit(this.moved(this.doceoTipPath().points, index, by[0]!, by[1]!));
  }

  /** A path always goes forward: a point stays between its neighbours. */
  private moved(points: readonly Point[], index: number, byX: number, byY: number): Point[] {
    const low = (points[index - 1]?.x ?? REACH.back) + STEP_M;
    const high = (points[index + 1]?.x ?? REACH.ahead) - STEP_M;
    return points.map((point, i) =>
      i === index
        ? {
            x: round(Math.min(high, Math.max(low, point.x + byX))),
            y: round(Math.min(REACH.up, Math.max(REACH.down, point.y + byY))),
          }
        : point,
    );
  }
}

const round = (metres: number): number => Math.round(metres * 100) / 100;
