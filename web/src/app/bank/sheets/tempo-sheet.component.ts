import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { TapTempoComponent } from '../../parts/playing/tap-tempo.component';
import { SHEET } from './sheet';

/** The beat of a cast, tapped. */
@Component({
  selector: 'doceo-tempo-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TapTempoComponent],
  styleUrl: './sheet.css',
  template: `
    <doceo-tap-tempo
      [units]="sheet.units()"
      (kept)="sheet.keep({ kind: 'tempo', lineM: $event.lineM, tapsMs: $event.tapsMs })"
    />
  `,
})
export class TempoSheetComponent {
  protected readonly sheet = inject(SHEET);
}
