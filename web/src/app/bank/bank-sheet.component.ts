import { NgComponentOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, Injector, inject, input, output } from '@angular/core';
import type { BankEventBody, Curriculum, Drill, UnitSystem } from '@doceo/core';
import { ChoiceSheetComponent } from './sheets/choice-sheet.component';
import { logSheet, type LogSheetId } from './sheets/kinds';
import { SHEET, type SheetContext } from './sheets/sheet';

/** What is logged more seldom than a cast: one sheet, large targets, one or two taps. */
@Component({
  selector: 'doceo-bank-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgComponentOutlet, ChoiceSheetComponent],
  styleUrls: ['../parts/thumb-buttons.css', './bank-sheet.component.css'],
  host: { role: 'dialog', 'aria-modal': 'true', '[attr.aria-label]': 'sheet().title' },
  providers: [
    {
      provide: SHEET,
      useFactory: (): SheetContext => {
        const at = inject(BankSheetComponent);
        const { units, logged, curriculum, drill } = at;
        return { units, logged, curriculum, drill, keep: (body) => at.keep.emit(body) };
      },
    },
  ],
  template: `
    <!-- Not a field: that would bring the keyboard of a phone over the sheet. -->
    <h2 tabindex="-1" cdkFocusInitial>{{ sheet().title }}{{ sheet().named && who() ? ', ' + who() : '' }}</h2>
    @if (choice(); as choice) {
      <doceo-choice-sheet [choice]="choice" />
    } @else if (part(); as part) {
      <ng-container *ngComponentOutlet="part; injector: injector" />
    }
    <button type="button" class="leave" (click)="leave.emit()">Cancel</button>
  `,
})
export class BankSheetComponent {
  readonly kind = input.required<LogSheetId>();
  /** What stands in the log of this lesson. */
  readonly logged = input.required<readonly BankEventBody[]>();
  /** What is taught, and the drill of the moment. */
  readonly curriculum = input.required<Curriculum>();
  readonly drill = input<Drill | null>(null);
  readonly units = input<UnitSystem>('metric');
  /** Name of the student it is logged for. */
  readonly who = input('');
  readonly keep = output<BankEventBody>();
  readonly leave = output<void>();

  protected readonly injector = inject(Injector);
  protected readonly sheet = computed(() => logSheet(this.kind()));
  protected readonly choice = computed(() => {
    const { does } = this.sheet();
    return typeof does === 'function' ? null : does;
  });
  protected readonly part = computed(() => {
    const { does } = this.sheet();
    return typeof does === 'function' ? does : null;
  });
}
