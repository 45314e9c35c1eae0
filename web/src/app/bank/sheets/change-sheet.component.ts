import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { CHANGE_ORDER } from '@doceo/core';
import { CHANGE_WORDS } from '../../data/lesson/event-text';
import { SHEET } from './sheet';

/** What was changed, in the order in which it should be: the first not changed yet today stands out. */
@Component({
  selector: 'doceo-change-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <p>
      Depth first, by three levers: another bead or fly, the indicator, the lightest shot. Then drift or
      retrieve, then the fly.
      @if (firstUnchanged(); as first) {
        Not changed yet today: <b>{{ first.text }}</b>.
      }
    </p>
    <input
      type="text"
      maxlength="120"
      aria-label="To what"
      placeholder="to what, if you like"
      (input)="text.set($any($event.target).value)"
    />
    <div class="choices">
      @for (change of changed(); track change.what; let i = $index) {
        <button
          type="button"
          [class.yes]="change.what === firstUnchanged()?.what"
          (click)="sheet.keep({ kind: 'change', what: change.what, to: text().trim() })"
        >
          {{ i + 1 }}. {{ change.text }}
          <small>{{ change.times > 0 ? change.times + ' × today' : 'not yet' }}</small>
        </button>
      }
    </div>
  `,
})
export class ChangeSheetComponent {
  protected readonly sheet = inject(SHEET);
  protected readonly text = signal('');
  /** How often each thing was changed today, in the order in which it should be. */
  protected readonly changed = computed(() =>
    CHANGE_ORDER.map((what) => ({
      what,
      text: CHANGE_WORDS[what],
      times: this.sheet.logged().filter((body) => body.kind === 'change' && body.what === what).length,
    })),
  );
  protected readonly firstUnchanged = computed(() => this.changed().find(({ times }) => times === 0) ?? null);
}
