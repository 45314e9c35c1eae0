import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { sameJson } from '../../data/same-json';
import { CastFromComponent, fromOf, lastFrom } from './cast-from.component';
import { SHEET } from './sheet';

const MAX = 12;

/** Casting lanes of a pool, ticked as they are fished; from another stand or at another angle they are new. */
@Component({
  selector: 'doceo-lanes-sheet',
  imports: [CastFromComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <div class="amount">
      <button type="button" aria-label="One lane less" (click)="lanes.set(near(lanes() - 1))">−</button>
      <b class="figure">{{ lanes() }} lanes</b>
      <button type="button" aria-label="One lane more" (click)="lanes.set(near(lanes() + 1))">+</button>
    </div>
    <doceo-cast-from [(from)]="from" />
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
  private readonly last = this.sheet.logged().findLast((body) => body.kind === 'lane');
  protected readonly lanes = signal(this.last?.of ?? 6);
  protected readonly from = signal(lastFrom(this.sheet.logged()));
  protected readonly numbers = computed(() => Array.from({ length: this.lanes() }, (_, i) => i + 1));
  protected readonly fished = computed(
    () =>
      new Set(
        this.sheet
          .logged()
          .flatMap((body) =>
            body.kind === 'lane' && body.of === this.lanes() && sameJson(fromOf(body), this.from())
              ? [body.lane]
              : [],
          ),
      ),
  );

  protected near(count: number): number {
    return Math.min(MAX, Math.max(1, count));
  }

  protected tick(lane: number): void {
    this.sheet.keep({ kind: 'lane', lane, of: this.lanes(), ...this.from() });
  }
}
