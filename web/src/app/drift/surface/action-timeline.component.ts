import { Component, computed, inject, input, output } from '@angular/core';
import type { Act } from '@doceo/core';
import { SessionStore } from '../../data/session';
import { type Drag, DragDirective } from '../../drawing/drag.directive';
import { MeasuredDirective } from '../../drawing/measured.directive';
import { actText } from '../../shared/drift/act-kinds';

const STEP_S = 0.1;

/** Seconds of a drift: what is done when, drag, and the time that is shown. All of it is dragged along, or moved by keys. */
@Component({
  selector: 'doceo-act-timeline',
  imports: [DragDirective, MeasuredDirective],
  template: `
    <div class="track" [style.height.px]="height()" (doceoMeasured)="width = $event">
      <input
        type="range"
        min="0"
        step="0.02"
        [max]="endS()"
        [value]="atS()"
        aria-label="Time of the drift"
        [attr.aria-valuetext]="atS().toFixed(1) + ' s'"
        (input)="wentTo.emit(+$any($event.target).value)"
      />
      @for (second of seconds(); track second) {
        <i class="second figure" [style.left.%]="(second / endS()) * 100">{{ second }} s</i>
      }
      @if (onsetS(); as onset) {
        <i class="onset" [style.left.%]="(onset / endS()) * 100" title="drag begins"></i>
      }
      @for (act of marks(); track $index) {
        <button
          type="button"
          class="act"
          [class.chosen]="$index === chosen()"
          [style.left.%]="(act.atS / endS()) * 100"
          [style.top.px]="28 + act.row * 26"
          [attr.aria-label]="act.text + ' at ' + act.atS.toFixed(1) + ' s'"
          (doceoDrag)="drag($index, $event)"
          (click)="picked.emit($index)"
          (keydown)="key($index, $event)"
        >
          {{ act.text }}
        </button>
      }
    </div>
  `,
  styles: `
    .track {
      position: relative;
      margin: 0 8px;
    }
    input {
      position: absolute;
      inset: 0 -8px auto;
      width: calc(100% + 16px);
      margin: 0;
      height: 24px;
      accent-color: var(--sighter);
    }
    .second {
      position: absolute;
      bottom: 0;
      font-style: normal;
      font-size: 11px;
      color: var(--ink-soft);
      transform: translateX(-50%);
      white-space: nowrap;
    }
    .onset {
      position: absolute;
      top: 2px;
      bottom: 16px;
      border-left: 2.5px dashed var(--sighter);
    }
    .act {
      position: absolute;
      font: 600 12px var(--body);
      background: var(--lime);
      color: var(--ink);
      border: 0;
      border-left: 3px solid var(--ink);
      padding: 2px 8px;
      min-height: 24px;
      cursor: grab;
      white-space: nowrap;
    }
    .act.chosen {
      background: var(--ink);
      color: #fff;
    }
    @media (max-width: 700px) {
      .act {
        min-height: 34px;
      }
    }
  `,
})
export class ActTimelineComponent {
  private readonly session = inject(SessionStore);
  readonly acts = input.required<readonly Act[]>();
  readonly endS = input.required<number>();
  readonly atS = input.required<number>();
  readonly onsetS = input.required<number | null>();
  readonly chosen = input.required<number | null>();
  readonly wentTo = output<number>();
  readonly picked = output<number | null>();
  readonly shown = output<Act[] | null>();
  readonly edited = output<Act[]>();
  protected width = 600;
  private from: readonly Act[] = [];

  protected readonly seconds = computed(() => {
    const apart = this.endS() > 12 ? 3 : 2;
    return Array.from({ length: Math.floor(this.endS() / apart) + 1 }, (_, i) => i * apart);
  });
  protected readonly height = computed(() => {
    const rows = Math.max(-1, ...this.marks().map(({ row }) => row)) + 1;
    return 46 + rows * 28;
  });
  protected readonly marks = computed(() => {
    let [busyUntil, row] = [-1, 0];
    return this.acts().map((act) => {
      row = act.atS < busyUntil ? 1 - row : 0;
      busyUntil = act.atS + this.endS() * 0.18;
      return { ...act, row, text: actText(act, this.session.units()) };
    });
  });

  protected drag(index: number, { phase, dx }: Drag): void {
    if (phase === 'start') this.from = this.acts();
    const moved = this.moved(this.from, index, (dx / this.width) * this.endS());
    if (phase === 'cancel') this.shown.emit(null);
    else if (phase === 'end') this.edited.emit(moved);
    else this.shown.emit(moved);
  }

  protected key(index: number, event: KeyboardEvent): void {
    const by = { ArrowLeft: -STEP_S, ArrowRight: STEP_S }[event.key];
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      this.edited.emit(this.acts().filter((_, i) => i !== index));
      this.picked.emit(null);
    } else if (by) {
      event.preventDefault();
      this.edited.emit(this.moved(this.acts(), index, by));
    }
  }

  private moved(acts: readonly Act[], index: number, byS: number): Act[] {
    return acts.map((act, i) =>
      i === index
        ? { ...act, atS: Math.round(Math.max(0, Math.min(this.endS() - 0.1, act.atS + byS)) * 20) / 20 }
        : act,
    );
  }
}
