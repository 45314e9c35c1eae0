import { Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  type BankEventBody,
  CHANGE_KINDS,
  formatRoundLength,
  formatTemperature,
  METRES_PER_FOOT,
  MISS_CAUSES,
  nextToTry,
  type Retrieve,
  RETRIEVES,
  SAFETY_KINDS,
  STONE_KINDS,
  toCelsius,
  type Tried,
  type UnitSystem,
} from '@doceo/core';
import { plainNumber } from '../parts/fields/plain-number';
import { TapTempoComponent } from '../parts/tap-tempo.component';
import { CHANGE_WORDS, MISS_WORDS, RETRIEVE_WORDS, SAFETY_WORDS } from '../data/lesson/event-text';

export type SheetKind = 'miss' | 'change' | 'tried' | 'lanes' | 'temperature' | 'stones' | 'safety' | 'tempo';

export const SHEET_TITLES: Record<SheetKind, string> = {
  miss: 'Take missed',
  change: 'Changed something',
  tried: 'Depth, retrieve, pattern',
  lanes: 'Lanes of the pool',
  temperature: 'Thermometer',
  stones: 'Under the stones',
  safety: 'Safety',
  tempo: 'Beat of the cast',
};

/** Depths of the grid, round in either system. */
const DEPTHS_M: Record<UnitSystem, number[]> = {
  metric: [0.5, 1, 1.5, 2, 3, 4, 5, 6],
  imperial: [2, 3, 4.5, 6, 10, 13, 16, 20].map((feet) => feet * METRES_PER_FOOT),
};
/** Depths nearer than this are the same place in the grid. */
const SAME_DEPTH_M = 0.2;
const MAX_LANES = 12;
const COLDEST_C = -2;
const WARMEST_C = 40;

/** What is logged more seldom than a cast: one sheet, large targets, one or two taps. */
@Component({
  selector: 'doceo-bank-sheet',
  imports: [FormsModule, TapTempoComponent],
  templateUrl: './bank-sheet.component.html',
  styleUrls: ['../parts/thumb-buttons.css', './bank-sheet.component.css'],
  host: { role: 'dialog', 'aria-modal': 'true', '[attr.aria-label]': 'title()' },
})
export class BankSheetComponent {
  readonly kind = input.required<SheetKind>();
  /** What stands in the log of this lesson. */
  readonly logged = input.required<readonly BankEventBody[]>();
  readonly units = input<UnitSystem>('metric');
  readonly keep = output<BankEventBody>();
  readonly leave = output<void>();

  protected readonly title = computed(() => SHEET_TITLES[this.kind()]);
  protected readonly misses = MISS_CAUSES.map((cause) => ({ cause, text: MISS_WORDS[cause] }));
  protected readonly changes = CHANGE_KINDS.map((what) => ({ what, text: CHANGE_WORDS[what] }));
  protected readonly retrieves = RETRIEVES.map((id) => ({ id, text: RETRIEVE_WORDS[id] }));
  protected readonly dangers = SAFETY_KINDS.map((what) => ({ what, text: SAFETY_WORDS[what] }));
  protected readonly retrieveWords = RETRIEVE_WORDS;
  protected readonly stones = STONE_KINDS;
  protected readonly depths = computed(() => DEPTHS_M[this.units()]);

  protected readonly text = signal('');
  protected readonly wrong = signal<string | null>(null);
  protected readonly depthM = linkedSignal(() => this.depths()[1] ?? 1);
  protected readonly retrieve = signal<Retrieve>('hand-twist');
  protected readonly pattern = signal('');
  protected readonly lanes = signal(6);
  protected readonly counts = signal<Record<string, number>>({});

  protected readonly tried = computed<Tried[]>(() =>
    this.logged().flatMap((body) => (body.kind === 'tried' ? [body] : [])),
  );
  protected readonly patternNow = computed(
    () => this.pattern() || this.tried().at(-1)?.pattern || 'first fly',
  );
  protected readonly next = computed(() => nextToTry(this.tried(), this.depths(), this.patternNow()));
  /** How often each thing was changed today, in the order in which it should be. */
  protected readonly changed = computed(() =>
    this.changes.map(({ what, text }) => ({
      what,
      text,
      times: this.logged().filter((body) => body.kind === 'change' && body.what === what).length,
    })),
  );
  /** The first in the order that was not tried yet today. */
  protected readonly firstUnchanged = computed(() => this.changed().find(({ times }) => times === 0) ?? null);
  protected readonly fished = computed(
    () =>
      new Set(
        this.logged().flatMap((body) =>
          body.kind === 'lane' && body.of === this.lanes() ? [body.lane] : [],
        ),
      ),
  );
  protected readonly laneNumbers = computed(() => Array.from({ length: this.lanes() }, (_, i) => i + 1));
  protected readonly counted = computed(() => Object.values(this.counts()).reduce((sum, n) => sum + n, 0));

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
    return formatRoundLength(lengthM, this.units());
  }

  protected choose(depthM: number, retrieve: Retrieve): void {
    this.depthM.set(depthM);
    this.retrieve.set(retrieve);
  }

  protected keepTried(moved: boolean): void {
    const pattern = this.patternNow().trim().slice(0, 40);
    this.keep.emit({ kind: 'tried', depthM: this.depthM(), retrieve: this.retrieve(), pattern, moved });
  }

  protected moreLanes(by: number): void {
    this.lanes.update((n) => Math.min(MAX_LANES, Math.max(1, n + by)));
  }

  protected count(kind: string, by: number): void {
    this.counts.update((all) => ({ ...all, [kind]: Math.max(0, (all[kind] ?? 0) + by) }));
  }

  protected keepTemperature(): void {
    const degrees = plainNumber(this.text());
    const celsius = degrees === null ? null : toCelsius(degrees, this.units());
    if (celsius === null || celsius < COLDEST_C || celsius > WARMEST_C)
      return this.wrong.set(
        `a temperature from ${formatTemperature(COLDEST_C, this.units())} to ${formatTemperature(WARMEST_C, this.units())}`,
      );
    this.keep.emit({ kind: 'temperature', celsius: Math.round(celsius * 100) / 100, depthM: null });
  }
}
