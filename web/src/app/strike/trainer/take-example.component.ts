import { Component, computed, effect, type ElementRef, input, viewChild } from '@angular/core';
import {
  DRIFT_WIDTHS,
  exampleRun,
  type FloatKind,
  type NoiseKind,
  type TakeKind,
  type TrainerWater,
} from '@doceo/core';
import { Player } from '../../parts/playing/player';
import { drawFloat, fitCanvas } from '../../shared/takes/float-picture';
import { EXAMPLE_TEXTS } from '../strike-texts';

/** The picture is so much smaller than the trainer's. */
const SCALE = 0.62;
/** Where the float comes in, widths. */
const FROM_WIDTHS = 3;

/** One take, or what looks like one: played once when it is pressed or pointed at. */
@Component({
  selector: 'doceo-take-example',
  template: `
    <button type="button" (click)="play()" (pointerenter)="play()">
      <canvas #picture></canvas>
      <b>{{ text().name }}</b>
      <span class="small soft">{{ text().looks }}</span>
    </button>
  `,
  styles: `
    button {
      display: grid;
      width: 100%;
      height: 100%;
      align-content: start;
      text-align: left;
      padding: 0 0 8px;
      border: 1px solid var(--line);
      background: var(--sheet);
      font: inherit;
      color: inherit;
      cursor: pointer;
    }
    button:hover {
      border-color: var(--ink);
    }
    canvas {
      width: 100%;
      height: 84px;
      margin-bottom: 6px;
    }
    b,
    span {
      padding: 0 9px;
    }
  `,
})
export class TakeExampleComponent {
  readonly kind = input.required<TakeKind | NoiseKind>();
  readonly float = input.required<FloatKind>();
  readonly water = input.required<TrainerWater>();
  private readonly picture = viewChild.required<ElementRef<HTMLCanvasElement>>('picture');
  protected readonly text = computed(() => EXAMPLE_TEXTS[this.kind()]);
  private readonly run = computed(() => exampleRun(this.water(), this.kind()));
  /** While it does not play: in the midst of what it is about. */
  private readonly midstS = computed(() => {
    const { stimuli, durationMs } = this.run();
    const [first] = stimuli;
    return (first!.atMs + 0.4 * (durationMs - 2 * first!.atMs)) / 1000;
  });
  private readonly player = new Player(computed(() => this.run().durationMs / 1000));

  constructor() {
    effect(() => this.draw());
  }

  protected play(): void {
    if (this.player.playing()) return;
    this.player.goTo(0);
    this.player.play();
  }

  private draw(): void {
    const at = this.player.playing() ? this.player.atS() : this.midstS();
    const canvas = this.picture().nativeElement;
    const pen = fitCanvas(canvas);
    if (!pen) return;
    pen.scale(SCALE, SCALE);
    const motion = this.run().motionAt(at * 1000);
    drawFloat(
      pen,
      { width: canvas.clientWidth / SCALE, height: canvas.clientHeight / SCALE },
      this.float(),
      { ...motion, alongWidths: motion.alongWidths + FROM_WIDTHS },
      DRIFT_WIDTHS[this.water()] * at,
    );
  }
}
