import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { SHEET } from './sheet';

const MAX_LANES = 12;

/** Casting lanes of a pool, ticked as they are fished. */
@Component({
  selector: 'doceo-lanes-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <div class="amount">
      <button type="button" aria-label="One lane less" (click)="more(-1)">−</button>
      <b class="figure">{{ lanes() }} lanes</b>
      <button type="button" aria-label="One lane more" (click)="more(1)">+</button>
    </div>
    <p>Near before far. Tick each lane as it is fished.</p>
    <div class="lanes">
      @for (lane of numbers(); track lane) {
        <button
          type="button"
          [class.done]="fished().has(lane)"
          [attr.aria-pressed]="fished().has(lane)"
          [disabled]="fished().has(lane)"
          (click)="sheet.keep({ kind: 'lane', lane, of: lanes() })"
        >
          {{ lane }}
        </button>
      }
    </div>
  `,
})
export class LanesSheetComponent {
  protected readonly sheet = inject(SHEET);
  protected readonly lanes = signal(6);
  protected readonly numbers = computed(() => Array.from({ length: this.lanes() }, (_, i) => i + 1));
  protected readonly fished = computed(
    () =>
      new Set(
        this.sheet
          .logged()
          .flatMap((body) => (body.kind === 'lane' && body.of === this.lanes() ? [body.lane] : [])),
      ),
  );

  protected more(by: number): void {
    this.lanes.update((n) => Math.min(MAX_LANES, Math.max(1, n + by)));
  }
}
