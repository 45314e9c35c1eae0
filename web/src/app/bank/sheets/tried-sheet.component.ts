import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import {
  formatRoundLength,
  METRES_PER_FOOT,
  nextToTry,
  type Retrieve,
  RETRIEVES,
  type Tried,
  type UnitSystem,
} from '@doceo/core';
import { RETRIEVE_WORDS } from '../../data/lesson/event-text';
import { SHEET } from './sheet';

/** Depths of the grid, round in either system. */
const DEPTHS_M: Record<UnitSystem, number[]> = {
  metric: [0.5, 1, 1.5, 2, 3, 4, 5, 6],
  imperial: [2, 3, 4.5, 6, 10, 13, 16, 20].map((feet) => feet * METRES_PER_FOOT),
};
/** Depths nearer than this are the same place in the grid. */
const SAME_DEPTH_M = 0.2;

/** Depth by retrieve with one pattern: what was tried, what moved a fish, and what comes next. */
@Component({
  selector: 'doceo-tried-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <label
      ><span class="visually-hidden">Pattern</span
      ><input
        type="text"
        maxlength="40"
        placeholder="pattern"
        [value]="patternNow()"
        (input)="pattern.set($any($event.target).value)"
    /></label>
    <p>
      @if (next(); as wanted) {
        Next: <b>{{ length(wanted.depthM) }}</b>, {{ words[wanted.retrieve] }}
      } @else {
        Every depth and pace was tried with it: now another pattern.
      }
    </p>
    <div class="grid" role="group" aria-label="Depth by retrieve">
      <span></span>
      @for (way of retrieves; track way) {
        <small>{{ words[way] }}</small>
      }
      @for (depth of depths(); track depth) {
        <small class="figure">{{ length(depth) }}</small>
        @for (way of retrieves; track way) {
          <button
            type="button"
            [class]="stateOf(depth, way)"
            [attr.aria-pressed]="depth === depthM() && way === retrieve()"
            [attr.aria-label]="length(depth) + ', ' + words[way] + ', ' + stateOf(depth, way)"
            (click)="choose(depth, way)"
          ></button>
        }
      }
    </div>
    <div class="choices">
      <button type="button" (click)="keep(false)">Tried, nothing</button>
      <button type="button" class="yes" (click)="keep(true)">Moved a fish</button>
    </div>
  `,
})
export class TriedSheetComponent {
  private readonly sheet = inject(SHEET);
  protected readonly words = RETRIEVE_WORDS;
  protected readonly retrieves = RETRIEVES;
  protected readonly depths = computed(() => DEPTHS_M[this.sheet.units()]);
  protected readonly depthM = linkedSignal(() => this.depths()[1] ?? 1);
  protected readonly retrieve = signal<Retrieve>('hand-twist');
  protected readonly pattern = signal('');
  private readonly tried = computed<Tried[]>(() =>
    this.sheet.logged().flatMap((body) => (body.kind === 'tried' ? [body] : [])),
  );
  protected readonly patternNow = computed(
    () => this.pattern() || this.tried().at(-1)?.pattern || 'first fly',
  );
  protected readonly next = computed(() => nextToTry(this.tried(), this.depths(), this.patternNow()));

  /** What was tried at a depth with a retrieve and the pattern in use: nothing, in vain, or with a fish. */
  protected stateOf(depthM: number, retrieve: Retrieve): 'none' | 'tried' | 'moved' {
    const here = this.tried().filter(
      (one) =>
        Math.abs(one.depthM - depthM) < SAME_DEPTH_M &&
        one.retrieve === retrieve &&
        one.pattern === this.patternNow(),
    );
    return here.some(({ moved }) => moved) ? 'moved' : here.length > 0 ? 'tried' : 'none';
  }

  protected length(lengthM: number): string {
    return formatRoundLength(lengthM, this.sheet.units());
  }

  protected choose(depthM: number, retrieve: Retrieve): void {
    this.depthM.set(depthM);
    this.retrieve.set(retrieve);
  }

  protected keep(moved: boolean): void {
    const pattern = this.patternNow().trim().slice(0, 40);
    this.sheet.keep({ kind: 'tried', depthM: this.depthM(), retrieve: this.retrieve(), pattern, moved });
  }
}
