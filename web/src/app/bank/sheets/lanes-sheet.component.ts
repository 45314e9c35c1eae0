import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { CAST_ANGLES, type CastAngle } from '@doceo/core';
import { ANGLE_WORDS } from '../../data/lesson/event-text';
import { SHEET } from './sheet';

const MAX = 12;

/** Casting lanes of a pool, ticked as they are fished; from another stand or at another angle they are new. */
@Component({
  selector: 'doceo-lanes-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <div class="amount">
      <button type="button" aria-label="One lane less" (click)="lanes.set(near(lanes() - 1))">−</button>
      <b class="figure">{{ lanes() }} lanes</b>
      <button type="button" aria-label="One lane more" (click)="lanes.set(near(lanes() + 1))">+</button>
    </div>
    <div class="amount">
      <button type="button" aria-label="Stand before" (click)="step(-1)">−</button>
      <b class="figure">{{ stand() === null ? 'any stand' : 'stand ' + stand() }}</b>
      <button type="button" aria-label="Next stand" (click)="step(1)">+</button>
    </div>
    <div class="choices three">
      @for (one of angles; track one) {
        <button
          type="button"
          [attr.aria-pressed]="angle() === one"
          (click)="angle.set(angle() === one ? null : one)"
        >
          {{ words[one] }}
        </button>
      }
    </div>
    <p>Near before far. Tick each lane as it is fished; from elsewhere it is a new one.</p>
    <div class="lanes">
      @for (lane of numbers(); track lane) {
        <button
          type="button"
          [class.done]="fished().has(lane)"
          [attr.aria-pressed]="fished().has(lane)"
          [disabled]="fished().has(lane)"
          (click)="tick(lane)"
        >
          {{ lane }}
        </button>
      }
    </div>
  `,
})
export class LanesSheetComponent {
  protected readonly sheet = inject(SHEET);
  protected readonly angles = CAST_ANGLES;
  protected readonly words = ANGLE_WORDS;
  private readonly last = this.sheet.logged().findLast((body) => body.kind === 'lane');
  protected readonly lanes = signal(this.last?.of ?? 6);
  /** Not said until they are tapped; they begin where the last lane was fished from. */
  protected readonly stand = signal<number | null>(this.last?.stand ?? null);
  protected readonly angle = signal<CastAngle | null>(this.last?.angle ?? null);
  protected readonly numbers = computed(() => Array.from({ length: this.lanes() }, (_, i) => i + 1));
  protected readonly fished = computed(
    () =>
      new Set(
        this.sheet
          .logged()
          .flatMap((body) =>
            body.kind === 'lane' &&
            body.of === this.lanes() &&
            (body.stand ?? null) === this.stand() &&
            (body.angle ?? null) === this.angle()
              ? [body.lane]
              : [],
          ),
      ),
  );

  protected near(count: number): number {
    return Math.min(MAX, Math.max(1, count));
  }

  /** Below the first stand none is said. */
  protected step(by: 1 | -1): void {
    this.stand.update((now) => {
      const next = (now ?? 0) + by;
      return next < 1 ? null : this.near(next);
    });
  }

  protected tick(lane: number): void {
    const [stand, angle] = [this.stand(), this.angle()];
    this.sheet.keep({
      kind: 'lane',
      lane,
      of: this.lanes(),
      ...(stand === null ? {} : { stand }),
      ...(angle === null ? {} : { angle }),
    });
  }
}
