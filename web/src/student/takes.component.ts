import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import {
  DRIFT_WIDTHS,
  LATEST_MS,
  TAKE_KINDS,
  TAKES_OF,
  trainerAttempts,
  trainerRun,
  trainerScore,
} from '@doceo/core';
import { drawFloat, fitCanvas } from '../app/shared/takes/float-picture';
import { ShownRun, type Verdict } from '../app/shared/takes/trainer-run';
import { verdictText } from '../app/shared/takes/verdict-text';
import { MyPage } from './my-page';
import { takesText } from './words';

const SECONDS = 60;
const SAID_MS = 1100;
const WATER = 'run';
const FLOAT = 'indicator';
const isTake = (kind: string): boolean => (TAKE_KINDS as readonly string[]).includes(kind);

/** A float drifts for a minute, takes come, a tap sets. */
@Component({
  selector: 'doceo-takes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="over" role="dialog" aria-modal="true" aria-labelledby="takes">
      <h2 id="takes">See the take</h2>
      <p>
        Tap the water when the float does what the water does not do. Bottom is a set too: nobody can tell.
      </p>
      <div class="stage">
        <canvas
          #picture
          tabindex="0"
          role="img"
          aria-label="A float drifts on the water; a tap or space sets"
          (pointerdown)="press($event)"
        ></canvas>
        @if (running()) {
          <span class="left">{{ secondsLeft() }} s</span>
          @if (said(); as word) {
            <span class="said" role="status">{{ word }}</span>
          }
        }
      </div>
      @if (result(); as text) {
        <p role="status">{{ text }}</p>
      }
      @if (!running()) {
        <button type="button" class="press dark" (click)="start()">
          {{ result() ? 'Once more' : 'Begin' }}
        </button>
      } @else {
        <button type="button" class="press" (click)="end()">End</button>
      }
      <button type="button" class="press" (click)="leave()">Back to the page</button>
    </div>
  `,
  styleUrl: './over.css',
  styles: `
    .stage {
      position: relative;
    }

    canvas {
      display: block;
      width: 100%;
      height: 46vh;
      touch-action: none;
      background: #4f979b;
    }

    .left,
    .said {
      position: absolute;
      top: 8px;
      left: 8px;
      background: var(--sheet);
      padding: 2px 10px;
    }

    .said {
      left: auto;
      right: 8px;
    }
  `,
  host: {
    '(window:keydown)': 'key($event)',
    '(document:visibilitychange)': 'hidden()',
  },
})
export class TakesComponent {
  private readonly my = inject(MyPage);
  readonly closed = output<void>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('picture');
  protected readonly running = signal(false);
  protected readonly said = signal<string | null>(null);
  protected readonly secondsLeft = signal(SECONDS);
  protected readonly result = signal<string | null>(null);
  private shown: ShownRun | null = null;
  private startMs = 0;
  private saidUntilMs = 0;
  private frame = 0;

  constructor() {
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(this.frame));
  }

  protected start(): void {
    const run = trainerRun({
      ...{ seed: crypto.randomUUID(), float: FLOAT, water: WATER },
      ...{ kinds: TAKES_OF[FLOAT], durationS: SECONDS },
    });
    this.shown = new ShownRun(run, LATEST_MS, isTake);
    this.result.set(null);
    this.said.set(null);
    this.running.set(true);
    this.startMs = performance.now();
    this.draw();
  }

  /** What was shown until now is counted. */
  protected end(): void {
    const { shown } = this;
    cancelAnimationFrame(this.frame);
    if (!this.running() || !shown) return;
    this.running.set(false);
    const stimuli = shown.shown();
    const score = trainerScore(stimuli, shown.setsMs);
    this.result.set(takesText(score.hits, score.hits + score.misses, score.falseAlarms + score.onNothing));
    const began = Date.now() - (performance.now() - this.startMs);
    this.my.did(
      trainerAttempts(stimuli, shown.setsMs).map(({ atMs, ...attempt }) => ({
        ...attempt,
        ...{ evidence: 'bench' as const, atMs: began + atMs },
      })),
    );
  }

  protected leave(): void {
    this.end();
    this.closed.emit();
  }

  protected press(event: PointerEvent): void {
    if (!this.running()) return;
    event.preventDefault();
    this.set(event.timeStamp);
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'Escape') return this.leave();
    if (!this.running() || event.key !== ' ' || event.repeat) return;
    event.preventDefault();
    this.set(event.timeStamp);
  }

  /** Nobody watches a hidden page. */
  protected hidden(): void {
    if (document.hidden) this.end();
  }

  private set(atMs: number): void {
    if (!this.shown) return;
    navigator.vibrate?.(12);
    this.say(this.shown.set(atMs - this.startMs));
  }

  private say(verdict: Verdict): void {
    this.said.set(verdictText(verdict));
    this.saidUntilMs = performance.now() + SAID_MS;
  }

  private draw(): void {
    this.frame = requestAnimationFrame(() => {
      const { shown } = this;
      if (!shown || !this.running()) return;
      const now = performance.now();
      const atMs = now - this.startMs;
      if (atMs >= shown.run.durationMs) return this.end();
      this.picture(atMs);
      const missed = shown.frame(atMs);
      if (missed) this.say(missed);
      if (this.said() && now > this.saidUntilMs) this.said.set(null);
      const left = Math.ceil((shown.run.durationMs - atMs) / 1000);
      if (left !== this.secondsLeft()) this.secondsLeft.set(left);
      this.draw();
    });
  }

  private picture(atMs: number): void {
    const element = this.canvas().nativeElement;
    const pen = fitCanvas(element);
    if (!pen || !this.shown) return;
    const size = { width: element.clientWidth, height: element.clientHeight };
    drawFloat(pen, size, FLOAT, this.shown.run.motionAt(atMs), DRIFT_WIDTHS[WATER] * (atMs / 1000));
  }
}
