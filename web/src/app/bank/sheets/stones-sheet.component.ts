import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { STONE_KINDS } from '@doceo/core';
import { SHEET } from './sheet';

/** What lives under the stones, counted by kind. */
@Component({
  selector: 'doceo-stones-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <div class="stones">
      @for (kind of kinds; track kind) {
        <button type="button" [attr.aria-label]="'One ' + kind + ' less'" (click)="count(kind, -1)">−</button>
        <b
          >{{ kind }} <span class="figure">{{ counts()[kind] ?? 0 }}</span></b
        >
        <button type="button" [attr.aria-label]="'One ' + kind + ' more'" (click)="count(kind, 1)">+</button>
      }
    </div>
    <button
      type="button"
      class="yes"
      [disabled]="counted() === 0"
      (click)="sheet.keep({ kind: 'stones', counts: counts() })"
    >
      {{ counted() === 0 ? 'Count what is under them' : 'Keep ' + counted() + ' counted' }}
    </button>
  `,
})
export class StonesSheetComponent {
  protected readonly sheet = inject(SHEET);
  protected readonly kinds = STONE_KINDS;
  protected readonly counts = signal<Record<string, number>>({});
  protected readonly counted = computed(() => Object.values(this.counts()).reduce((sum, n) => sum + n, 0));

  protected count(kind: string, by: number): void {
    this.counts.update((all) => ({ ...all, [kind]: Math.max(0, (all[kind] ?? 0) + by) }));
  }
}
