import { Component, computed, input, output, signal } from '@angular/core';
import { setGeometry, type SetGiven } from '@doceo/core';
import { arc } from 'd3-shape';
import type { Drag } from '../../drawing/drag.directive';
import { HandleComponent } from '../../drawing/handle.component';
import { MeasuredDirective } from '../../drawing/measured.directive';
import { FrameDirective } from '../../drawing/frame.directive';

const SECTORS = 36;
const KEY_DEG = 5;
const HEIGHT = 470;
const INNER_PX = 18;
const OUTER_PX = 118;

/** From above: the rose of sweeps around the rod tip, the line, the fly in the fish's mouth, and where it would go. */
@Component({
  selector: 'doceo-set-rose',
  imports: [FrameDirective, HandleComponent, MeasuredDirective],
  template: `
    <div (doceoMeasured)="width.set($event)">
      <svg [doceoFrame]="width()" [high]="height" role="group" aria-label="The set from above">
        <rect class="water" x="0" y="0" [attr.width]="width()" [attr.height]="height - 26" />
        <rect class="bank" x="0" [attr.y]="height - 26" [attr.width]="width()" height="26" />
        @for (flow of flows(); track $index) {
          <path class="flow" [attr.d]="flow" />
        }
        <text class="way" [attr.x]="width() - 14" y="26">the water runs this way →</text>
        @for (sector of sectors(); track $index) {
          <path
            class="sector"
            [attr.d]="sector.path"
            [attr.transform]="'translate(' + tip().x + ' ' + tip().y + ')'"
            [attr.data-effect]="sector.effect"
            [style.opacity]="sector.strength"
          />
        }
        <path class="line" [attr.d]="line()" />
        <g
          doceoHandle="Where the fish faces"
          [at]="fishMiddle()"
          [reach]="26"
          [least]="-180"
          [most]="180"
          [value]="given().facingDeg"
          (dragged)="turnFish($event)"
          (keydown)="key('facingDeg', $event)"
        >
          <path class="fish" [attr.d]="fish()" />
        </g>
        <path class="goes" [attr.d]="goes()" />
        <g
          doceoHandle="Direction from the tip to the fly"
          [at]="fly()"
          [reach]="20"
          [least]="-180"
          [most]="180"
          [value]="given().lineDeg"
          (dragged)="moveFly($event)"
          (keydown)="key('lineDeg', $event)"
        >
          <circle class="fly" [attr.cx]="fly().x" [attr.cy]="fly().y" r="7" />
        </g>
        <g
          doceoHandle="Where the rod tip sweeps"
          [at]="arrowEnd()"
          [reach]="20"
          [least]="-180"
          [most]="180"
          [value]="given().sweepDeg"
          (dragged)="sweep($event)"
          (keydown)="key('sweepDeg', $event)"
        >
          <path class="arrow" [attr.d]="arrow()" />
          <circle class="knob" [attr.cx]="arrowEnd().x" [attr.cy]="arrowEnd().y" r="7" />
        </g>
        <path class="rod" [attr.d]="rod()" />
        <circle class="tip" [attr.cx]="tip().x" [attr.cy]="tip().y" r="5" />
        <text [attr.x]="width() / 2 - 40" [attr.y]="height - 8">you</text>
      </svg>
    </div>
  `,
  styles: `
    svg {
      display: block;
      touch-action: pan-y;
    }
    .water {
      fill: #b7d8d2;
    }
    .bank {
      fill: #c9bd9b;
    }
    .flow {
      fill: none;
      stroke: var(--river);
      stroke-width: 1.6;
      opacity: 0.5;
    }
    text {
      font: 600 13px var(--body);
      fill: var(--ink);
    }
    .way {
      text-anchor: end;
      fill: var(--river);
    }
    .sector {
      fill: var(--track);
      stroke: var(--sheet);
    }
    .sector[data-effect='into'] {
      fill: var(--river);
    }
    .sector[data-effect='out'] {
      fill: var(--sighter);
    }
    .line {
      fill: none;
      stroke: #94a11b;
      stroke-width: 3.5;
    }
    .fish {
      fill: #4c5b53;
    }
    .goes {
      fill: none;
      stroke: var(--sighter);
      stroke-width: 4;
    }
    .fly {
      fill: var(--sighter);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .arrow {
      fill: none;
      stroke: var(--ink);
      stroke-width: 4;
    }
    .knob {
      fill: var(--sheet);
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .rod {
      stroke: var(--bed);
      stroke-width: 5;
      stroke-linecap: round;
    }
    .tip {
      fill: var(--ink);
    }
  `,
})
export class SetRoseComponent {
  readonly given = input.required<SetGiven>();
  readonly edited = output<Partial<SetGiven>>();
  protected readonly width = signal(700);
  protected readonly height = HEIGHT;
  private from = { x: 0, y: 0 };

  protected readonly tip = computed(() => ({ x: this.width() / 2, y: HEIGHT - 156 }));
  /** The fly's distance is drawn so that it stays in the picture; directions are true. */
  private readonly farPx = computed(() =>
    Math.min(this.width() / 2 - 60, 130 + this.given().awayM * 9, HEIGHT - 206),
  );
  protected readonly fly = computed(() => this.at(this.given().lineDeg, this.farPx()));
  protected readonly arrowEnd = computed(() => this.at(this.given().sweepDeg, OUTER_PX + 22));
  protected readonly rod = computed(
    () => `M${this.width() / 2} ${HEIGHT - 14}L${this.tip().x} ${this.tip().y}`,
  );
  protected readonly arrow = computed(
    () => `M${this.tip().x} ${this.tip().y}L${this.arrowEnd().x} ${this.arrowEnd().y}`,
  );
  protected readonly line = computed(() => {
    const [tip, fly] = [this.tip(), this.fly()];
    // Slack is a belly that the water has drawn down the stream.
    const belly = Math.min(90, 70 * Math.sqrt(this.given().slackM));
    return `M${tip.x} ${tip.y}Q${(tip.x + fly.x) / 2 + belly} ${(tip.y + fly.y) / 2} ${fly.x} ${fly.y}`;
  });
  protected readonly flows = computed(() => {
    const rows = [46, 116, 186, 256, 326, 396];
    const count = Math.max(2, Math.floor(this.width() / 190));
    return rows.flatMap((y, row) =>
      Array.from({ length: count }, (_, i) => `M${20 + i * 190 + (row % 2) * 80} ${y}h54m-8 -5l8 5l-8 5`),
    );
  });
  protected readonly sectors = computed(() => {
    const step = (2 * Math.PI) / SECTORS;
    const shape = arc<{ startAngle: number; endAngle: number; innerRadius: number; outerRadius: number }>();
    const all = Array.from({ length: SECTORS }, (_, i) => {
      const deg = (i * 360) / SECTORS - 180;
      return { deg, found: setGeometry({ ...this.given(), sweepDeg: deg }) };
    });
    const most = Math.max(0.05, ...all.map(({ found }) => Math.abs(found.movesM * found.intoMouth)));
    return all.map(({ deg, found }) => {
      // Its angles turn clockwise from above; ours turn towards the far bank from downstream.
      const middle = Math.PI / 2 - (deg * Math.PI) / 180;
      const worth = found.movesM * found.intoMouth;
      const out = found.load >= 1 || worth < -0.01;
      return {
        path:
          shape({
            startAngle: middle - step / 2,
            endAngle: middle + step / 2,
            innerRadius: INNER_PX,
            outerRadius: OUTER_PX,
          }) ?? '',
        effect: out ? 'out' : worth > 0.01 ? 'into' : 'none',
        strength:
          found.load >= 1 ? 0.9 : worth === 0 ? 0.6 : 0.25 + 0.7 * Math.min(1, Math.abs(worth) / most),
      };
    });
  });
  protected readonly fishMiddle = computed(() => {
    const fly = this.fly();
    const turn = (this.given().facingDeg * Math.PI) / 180;
    return { x: fly.x - 40 * Math.cos(turn), y: fly.y + 40 * Math.sin(turn) };
  });
  /** A fish with the fly in the corner of its mouth. */
  protected readonly fish = computed(() => {
    const fly = this.fly();
    const turn = (this.given().facingDeg * Math.PI) / 180;
    const place = (along: number, aside: number): string =>
      `${fly.x - along * Math.cos(turn) - aside * Math.sin(turn)} ${fly.y + along * Math.sin(turn) - aside * Math.cos(turn)}`;
    return `M${place(-2, 0)}Q${place(24, 17)} ${place(62, 3)}L${place(80, 13)}L${place(76, 0)}L${place(80, -13)}L${place(62, -3)}Q${place(24, -17)} ${place(-2, 0)}Z`;
  });
  protected readonly goes = computed(() => {
    const { movesM, movesDeg } = setGeometry(this.given());
    if (movesM === 0) return '';
    const fly = this.fly();
    const long = 14 + Math.min(80, movesM * 70);
    const turn = (movesDeg * Math.PI) / 180;
    const end = { x: fly.x + long * Math.cos(turn), y: fly.y - long * Math.sin(turn) };
    const wing = (by: number): string =>
      `${end.x - 11 * Math.cos(turn + by)} ${end.y + 11 * Math.sin(turn + by)}`;
    return `M${fly.x} ${fly.y}L${end.x} ${end.y}M${wing(0.5)}L${end.x} ${end.y}L${wing(-0.5)}`;
  });

  protected sweep(drag: Drag): void {
    this.dragged(drag, this.arrowEnd(), (deg) => ({ sweepDeg: deg }));
  }

  protected moveFly(drag: Drag): void {
    this.dragged(drag, this.fly(), (deg) => ({ lineDeg: deg }));
  }

  protected turnFish({ phase, dx, dy }: Drag): void {
    if (phase === 'start') this.from = this.fishMiddle();
    const fly = this.fly();
    const at = { x: this.from.x + dx, y: this.from.y + dy };
    this.edited.emit({ facingDeg: whole(Math.atan2(at.y - fly.y, fly.x - at.x)) });
  }

  protected key(name: 'sweepDeg' | 'lineDeg' | 'facingDeg', event: KeyboardEvent): void {
    const by = { ArrowLeft: KEY_DEG, ArrowUp: KEY_DEG, ArrowRight: -KEY_DEG, ArrowDown: -KEY_DEG }[event.key];
    if (!by) return;
    event.preventDefault();
    const deg = this.given()[name] + by;
    this.edited.emit({ [name]: deg > 180 ? deg - 360 : deg < -180 ? deg + 360 : deg });
  }

  private dragged(
    { phase, dx, dy }: Drag,
    at: { x: number; y: number },
    change: (deg: number) => Partial<SetGiven>,
  ): void {
    if (phase === 'start') this.from = at;
    const tip = this.tip();
    const to = { x: this.from.x + dx, y: this.from.y + dy };
    this.edited.emit(change(whole(Math.atan2(tip.y - to.y, to.x - tip.x))));
  }

  private at(deg: number, px: number): { x: number; y: number } {
    const turn = (deg * Math.PI) / 180;
    return { x: this.tip().x + px * Math.cos(turn), y: this.tip().y - px * Math.sin(turn) };
  }
}

const whole = (radians: number): number => Math.round((radians * 180) / Math.PI);
