import { Component, computed, inject, input, output, signal } from '@angular/core';
import {
  DRAG_MS,
  type DriftSetup,
  FASTEST_LANE_MS,
  formatLength,
  formatSpeed,
  frameAt,
  FURTHEST_STAND_M,
  moveLane,
  setLaneSpeed,
  setupDrift,
  speedAt,
  waterPulls,
} from '@doceo/core';
import { SessionStore } from '../../data/session';
import { type Drag, DragDirective } from '../../drawing/drag.directive';
import { HandleComponent } from '../../drawing/handle.component';
import { MeasuredDirective } from '../../drawing/measured.directive';
import type { RanDrift } from './ran-drift';
import { bubbleAt, bubbles, FAR_PX, laneArrows, NEAR_PX, topScale, waterColour } from './top-scale';
import { FrameDirective } from '../../drawing/frame.directive';

/** Times of the run that stay in the picture as ghosts, as shares of the time until drag. */
const GHOSTS = [0, 0.5, 1];
/** A node pulls when the water pulls at it with more than this share of the most. */
const PULLS = 0.45;
const STEP_M = 0.25;
const STEP_MS = 0.05;
/** Pixels of a drag for a metre a second more. */
const PX_PER_MS = 160;

let made = 0;

/** The line on the water from above, to scale: lanes, bubbles, the angler, the line and its ghosts, and where drag begins. */
@Component({
  selector: 'doceo-top-view',
  imports: [DragDirective, FrameDirective, HandleComponent, MeasuredDirective],
  templateUrl: './top-view.component.html',
  styleUrl: './top-view.component.css',
})
export class TopViewComponent {
  private readonly session = inject(SessionStore);
  readonly setup = input.required<DriftSetup>();
  readonly ran = input.required<RanDrift | null>();
  readonly atS = input.required<number>();
  readonly height = input(430);
  readonly editable = input(true);
  readonly toLeft = input(false);
  readonly lane = input<number | null>(null);
  readonly shown = output<Partial<DriftSetup> | null>();
  readonly edited = output<Partial<DriftSetup>>();
  readonly laneChosen = output<number>();

  protected readonly width = signal(860);
  /** Two of them may be on a screen. */
  protected readonly gradient = `water-${(made += 1)}`;
  private from: DriftSetup | null = null;
  protected readonly nearPx = NEAR_PX;
  protected readonly farPx = FAR_PX;
  protected readonly fastest = FASTEST_LANE_MS;

  protected readonly scale = computed(() =>
    topScale(this.setup(), this.width(), this.height(), this.toLeft()),
  );
  protected readonly stops = computed(() => {
    const { lanes } = this.setup();
    const acrossM = lanes.at(-1)!.toM;
    return Array.from({ length: 25 }, (_, i) => {
      const yM = (i / 24) * acrossM;
      return { offset: 1 - i / 24, colour: waterColour(speedAt(this.setup(), yM)) };
    }).reverse();
  });
  protected readonly arrows = computed(() => {
    const { x, y } = this.scale();
    return laneArrows(this.setup(), this.scale()).map(({ fromM, toM, yM }) => {
      const [from, to] = [x(fromM), x(toM)];
      const back = to < from ? 7 : -7;
      return `M${from} ${y(yM)}H${to}m${back} -5L${to} ${y(yM)}l${back} 5`;
    });
  });
  protected readonly lanes = computed(() => {
    const { y } = this.scale();
    const { lanes } = this.setup();
    return lanes.map(({ toM, speedMs }, i) => {
      const middleM = ((lanes[i - 1]?.toM ?? 0) + toM) / 2;
      const speed = formatSpeed(Math.abs(speedMs), this.session.units());
      return {
        ...{ index: i, toM, speedMs },
        edge: y(toM),
        middle: y(middleM),
        text: speedMs < 0 ? `${speed} back` : speed,
        words: `Lane ${i + 1}, ${this.length(lanes[i - 1]?.toM ?? 0)} to ${this.length(toM)} out`,
      };
    });
  });
  private readonly floating = computed(() => bubbles(this.setup(), this.scale().widthM));
  protected readonly bubbles = computed(() => {
    const { x, y, leftM, widthM } = this.scale();
    return this.floating().map((bubble) => ({
      cx: x(leftM + bubbleAt(this.setup(), bubble, widthM, this.atS())),
      cy: y(bubble.yM),
      r: bubble.sizePx,
    }));
  });

  protected readonly frame = computed(() => {
    const ran = this.ran();
    return ran && frameAt(ran.told.run.frames, this.atS());
  });
  protected readonly line = computed(() => {
    const [frame, ran] = [this.frame(), this.ran()];
    if (!frame || !ran) return null;
    const { castM, leaderM } = setupDrift(ran.setup);
    const nodes = frame.xs.length - 1;
    const knot = Math.round(nodes * (1 - (leaderM ?? 0) / (castM * (1 + ran.setup.slackShare))));
    return {
      fly: this.path(frame, 0, knot),
      leader: this.path(frame, knot, nodes),
      pulls: frame.slipMs > DRAG_MS ? this.pulling(frame) : '',
      x: this.scale().x(frame.xs[nodes]!),
      y: this.scale().y(frame.ys[nodes]!),
      tipX: this.scale().x(frame.xs[0]!),
      tipY: this.scale().y(frame.ys[0]!),
    };
  });
  protected readonly ghosts = computed(() => {
    const run = this.ran()?.told.run;
    if (!run) return [];
    const until = run.onsetS ?? run.frames.at(-1)!.atS;
    return GHOSTS.map((share) => {
      const frame = frameAt(run.frames, share * until);
      return this.path(frame, 0, frame.xs.length - 1);
    });
  });
  protected readonly tracks = computed(() => {
    const run = this.ran()?.told.run;
    if (!run) return null;
    const { x, y } = this.scale();
    const points = run.frames.map(({ xs, ys, atS }) => ({ atS, x: x(xs.at(-1)!), y: y(ys.at(-1)!) }));
    const onset = run.onsetS ?? Infinity;
    const path = (list: typeof points): string =>
      list.map((one, i) => `${i ? 'L' : 'M'}${one.x} ${one.y}`).join('');
    const clean = points.filter(({ atS }) => atS <= onset + 0.05);
    const drags = run.onsetS === null ? null : frameAt(run.frames, run.onsetS);
    return {
      clean: path(clean),
      dragging: path(points.filter(({ atS }) => atS >= onset - 0.05)),
      start: points[0]!,
      drags: drags && { x: x(drags.xs.at(-1)!), y: y(drags.ys.at(-1)!) },
      text:
        run.onsetS === null
          ? `clean to the end, ${this.length(run.cleanM)}`
          : `drag begins, ${run.onsetS.toFixed(1)} s, ${this.length(run.cleanM)}`,
    };
  });
  protected readonly lieText = computed(() => `${this.length(this.setup().lieM)} out`);
  protected readonly angler = computed(() => {
    const { standM, outM } = this.setup();
    const { x, y } = this.scale();
    const along =
      standM === 0
        ? 'level with the lie'
        : `${this.length(Math.abs(standM))} ${standM > 0 ? 'below' : 'above'} it`;
    return {
      x: x(standM),
      y: y(outM) + (outM < 0.3 ? 8 : 0),
      words: `You, ${along}, ${this.length(outM)} out`,
    };
  });
  protected readonly lie = computed(() => ({ x: this.scale().x(0), y: this.scale().y(this.setup().lieM) }));
  protected readonly words = computed(() => {
    const run = this.ran()?.told.run;
    return `The drift from above: ${this.setup().lanes.length} lanes, cast of ${this.length(setupDrift(this.setup()).castM)}. ${run ? (this.tracks()?.text ?? '') : ''}`;
  });

  protected dragYou({ phase, dx, dy }: Drag): void {
    this.dragged(phase, (from, pxPerM) => ({
      standM: held(
        quarter(from.standM + (this.toLeft() ? -dx : dx) / pxPerM),
        -FURTHEST_STAND_M,
        FURTHEST_STAND_M,
      ),
      outM: held(quarter(from.outM - dy / pxPerM), 0, from.lieM - 0.75),
    }));
  }

  protected dragLie({ phase, dx, dy }: Drag): void {
    this.dragged(phase, (from, pxPerM) => ({
      // The fly lands at zero: to take the lie down the stream is to stand further up.
      standM: held(
        quarter(from.standM - (this.toLeft() ? -dx : dx) / pxPerM),
        -FURTHEST_STAND_M,
        FURTHEST_STAND_M,
      ),
      lieM: held(quarter(from.lieM - dy / pxPerM), from.outM + 0.75, from.lanes.at(-1)!.toM - 0.25),
    }));
  }

  protected dragEdge(index: number, { phase, dy }: Drag): void {
    // The outermost edge is the scale itself: a drag of it would run away under the hand.
    this.dragged(phase, (from, pxPerM) => {
      const { lanes, lieM } = moveLane(from, index, quarter(from.lanes[index]!.toM - dy / pxPerM));
      return { lanes, lieM };
    });
  }

  protected dragSpeed(index: number, { phase, dx }: Drag): void {
    this.dragged(phase, (from) => ({
      lanes: setLaneSpeed(
        from,
        index,
        fine(from.lanes[index]!.speedMs + (this.toLeft() ? -dx : dx) / PX_PER_MS),
      ).lanes,
    }));
  }

  protected keyYou(event: KeyboardEvent): void {
    const { standM, outM, lieM } = this.setup();
    const [along, out] = this.arrow(event);
    if (along || out)
      this.edited.emit({
        standM: held(standM + along * STEP_M, -FURTHEST_STAND_M, FURTHEST_STAND_M),
        outM: held(outM + out * STEP_M, 0, lieM - 0.75),
      });
  }

  protected keyLie(event: KeyboardEvent): void {
    const { standM, outM, lieM, lanes } = this.setup();
    const [along, out] = this.arrow(event);
    if (along || out)
      this.edited.emit({
        standM: held(standM - along * STEP_M, -FURTHEST_STAND_M, FURTHEST_STAND_M),
        lieM: held(lieM + out * STEP_M, outM + 0.75, lanes.at(-1)!.toM - 0.25),
      });
  }

  protected keyLane(index: number, event: KeyboardEvent): void {
    const [faster, wider] = this.arrow(event);
    if (!faster && !wider) return;
    const lane = this.setup().lanes[index]!;
    const next = faster
      ? setLaneSpeed(this.setup(), index, fine(lane.speedMs + faster * STEP_MS))
      : moveLane(this.setup(), index, lane.toM + wider * STEP_M);
    this.edited.emit({ lanes: next.lanes, lieM: next.lieM });
  }

  /** What an arrow key asks for: along the stream, and out. */
  private arrow(event: KeyboardEvent): [number, number] {
    const keys: Record<string, [number, number]> = {
      ArrowRight: [this.toLeft() ? -1 : 1, 0],
      ArrowLeft: [this.toLeft() ? 1 : -1, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
    };
    const found = keys[event.key];
    if (found) event.preventDefault();
    return found ?? [0, 0];
  }

  private dragged(
    phase: Drag['phase'],
    change: (from: DriftSetup, pxPerM: number) => Partial<DriftSetup>,
  ): void {
    if (phase === 'start') this.from = this.setup();
    if (!this.from) return;
    if (phase === 'cancel') this.shown.emit(null);
    else if (phase === 'end') this.edited.emit(change(this.from, this.grip));
    else {
      if (phase === 'start') this.grip = this.scale().pxPerM;
      this.shown.emit(change(this.from, this.grip));
    }
    if (phase === 'end' || phase === 'cancel') this.from = null;
  }
  /** The scale when the drag began. */
  private grip = 1;

  private pulling(frame: {
    xs: number[];
    ys: number[];
    tensions: number[];
    atS: number;
    slipMs: number;
    flyMs: number;
  }): string {
    const pulls = waterPulls(frame);
    const most = Math.max(...pulls);
    let path = '';
    for (let i = 1; i < pulls.length - 1; i++)
      if (pulls[i]! > PULLS * most) path += this.path(frame, i - 1, i + 1);
    return path;
  }

  private path({ xs, ys }: { xs: number[]; ys: number[] }, from: number, to: number): string {
    const { x, y } = this.scale();
    let path = '';
    for (let i = from; i <= to; i++)
      path += `${i === from ? 'M' : 'L'}${x(xs[i]!).toFixed(1)} ${y(ys[i]!).toFixed(1)}`;
    return path;
  }

  private length(metres: number): string {
    return formatLength(metres, this.session.units());
  }
}

const quarter = (metres: number): number => Math.round(metres * 20) / 20;
const fine = (ms: number): number => Math.round(ms * 100) / 100;
const held = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
