import { Component, computed, input } from '@angular/core';
import type { Block } from '@doceo/core';
import { timeText } from '../data/lesson/lesson-texts';

/** Minutes before the end of a block at which it is told louder. */
export const WARN_MIN = 2;

/** How much of a block is left, as a leader that runs thin: by the clock, or how long it takes when it is not on. */
@Component({
  selector: 'doceo-time-left',
  template: `
    <div class="bar" aria-hidden="true">
      @if (share(); as done) {
        <i [style.left.%]="done * 100"></i>
      }
    </div>
    <p>
      <span>from {{ from() }}</span>
      <b class="left-min" [class.soon]="soon()">{{ told() }}</b>
      <span>until {{ until() }}</span>
    </p>
  `,
  styles: `
    .bar {
      position: relative;
      height: 12px;
      background: linear-gradient(#0c1a14, #0c1a14) no-repeat;
      clip-path: polygon(0 0, 100% 40%, 100% 60%, 0 100%);
    }
    :host {
      display: block;
      position: relative;
    }
    i {
      position: absolute;
      top: 0;
      right: 0;
      bottom: 0;
      background: #ccc4ab;
    }
    p {
      display: flex;
      justify-content: space-between;
      font-size: 15px;
      line-height: 1.2;
    }
    .soon {
      background: #ff8a5c;
      padding: 0 8px;
    }
  `,
})
export class TimeLeftComponent {
  readonly block = input.required<Block>();
  /** Start of the lesson and now, epoch milliseconds. */
  readonly startMs = input.required<number>();
  readonly nowMs = input.required<number>();
  readonly zone = input.required<string>();

  private readonly fromMs = computed(() => this.startMs() + this.block().startMin * 60_000);
  private readonly untilMs = computed(() => this.fromMs() + this.block().durationMin * 60_000);
  protected readonly from = computed(() => timeText(this.fromMs(), this.zone()));
  protected readonly until = computed(() => timeText(this.untilMs(), this.zone()));
  /** What of it is over, 0…1; null when it is not on. */
  protected readonly share = computed(() => {
    const share = (this.nowMs() - this.fromMs()) / (this.untilMs() - this.fromMs());
    return share >= 0 && share < 1 ? share : null;
  });
  private readonly left = computed(() => Math.ceil((this.untilMs() - this.nowMs()) / 60_000));
  protected readonly soon = computed(() => this.share() !== null && this.left() <= WARN_MIN);
  protected readonly told = computed(() =>
    this.share() === null
      ? `${this.block().durationMin} min ${this.nowMs() < this.fromMs() ? 'to come' : 'planned, over'}`
      : `${this.left()} min left`,
  );
}
