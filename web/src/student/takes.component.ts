import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { TAKES_OF, trainerAttempts, trainerRun, trainerScore } from '@doceo/core';
import { TakeStage } from '../app/shared/takes/take-stage';
import { MyPage } from './my-page';
import { takesText } from './words';

const SECONDS = 60;
const WATER = 'run';
const FLOAT = 'indicator';

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
            <span class="said" role="status">{{ word.text }}</span>
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
  private readonly stage = new TakeStage(
    () => this.canvas().nativeElement,
    () => this.end(),
  );
  protected readonly running = this.stage.running;
  protected readonly said = this.stage.said;
  protected readonly secondsLeft = this.stage.secondsLeft;
  protected readonly result = signal<string | null>(null);

  protected start(): void {
    const run = trainerRun({
      ...{ seed: crypto.randomUUID(), float: FLOAT, water: WATER },
      ...{ kinds: TAKES_OF[FLOAT], durationS: SECONDS },
    });
    this.result.set(null);
    this.stage.begin({ run, float: FLOAT, water: WATER, telling: true });
  }

  /** What was shown until now is counted. */
  protected end(): void {
    const ended = this.stage.end();
    if (!ended) return;
    const { shown, beganMs } = ended;
    const stimuli = shown.shown();
    const score = trainerScore(stimuli, shown.setsMs);
    this.result.set(takesText(score.hits, score.hits + score.misses, score.falseAlarms + score.onNothing));
    this.my.did(
      trainerAttempts(stimuli, shown.setsMs).map(({ atMs, ...attempt }) => ({
        ...attempt,
        ...{ evidence: 'bench' as const, atMs: beganMs + atMs },
      })),
    );
  }

  protected leave(): void {
    this.end();
    this.closed.emit();
  }

  protected press(event: PointerEvent): void {
    this.stage.press(event);
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'Escape') return this.leave();
    this.stage.key(event);
  }

  /** Nobody watches a hidden page. */
  protected hidden(): void {
    if (document.hidden) this.end();
  }
}
