import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { api } from '@doceo/contract';
import {
  type Act,
  type CoreError,
  type DriftRun,
  type DriftSetup,
  type Handling,
  lanesAcross,
  type Presentation,
  setupDrift,
  setupFaults,
  suggestStands,
  whyOf,
} from '@doceo/core';
import { catchError, EMPTY, map, of, switchMap } from 'rxjs';
import { ApiClient } from '../data/api-client';
import { DayStore } from '../data/day-store';
import { BenchRunner } from '../workers/bench-runner';
import type { ToldDrift } from '../workers/bench-api';
import { keepDrift, keptDrift } from './kept-drift';

const HISTORY_MOST = 100;
/** Those who wade are taken for grown up when nobody is named. */
const WADER = { heightM: 1.7, ageYears: null, hasStaff: true };

/** A drift that was set aside to be compared with. */
export interface KeptDrift {
  setup: DriftSetup;
  told: ToldDrift;
}

/** The drift on the bench: its setup with undo, its run, and what was set aside. */
@Injectable()
export class DriftStore {
  private readonly runner = inject(BenchRunner);
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly current = signal<DriftSetup>(keptDrift());
  private readonly past = signal<DriftSetup[]>([]);
  private readonly future = signal<DriftSetup[]>([]);
  private readonly last = signal<KeptDrift | null>(null);
  private readonly problem = signal<CoreError | null>(null);

  /** As it would be after the drag under way. */
  readonly preview = signal<DriftSetup | null>(null);
  readonly setup = computed(() => this.preview() ?? this.current());
  readonly faults = computed(() => setupFaults(this.setup()));
  /** The last good run, and of which setup it is. */
  readonly ran = this.last.asReadonly();
  readonly run = computed<DriftRun | null>(() => this.last()?.told.run ?? null);
  readonly stopped = this.problem.asReadonly();
  readonly why = computed(() => {
    const ran = this.last();
    return ran && whyOf(ran.setup, ran.told.run);
  });
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);
  readonly aside = signal<KeptDrift | null>(null);
  /** Where the lanes come from; null when they were drawn. */
  readonly beatName = signal<string | null>(null);

  constructor() {
    effect(() => keepDrift(this.current()));
    toObservable(this.setup)
      .pipe(
        switchMap((setup) => {
          if (setupFaults(setup).length > 0) return EMPTY;
          return this.runner.run('surface', setupDrift(setup)).pipe(
            map((told) => ({ setup, told })),
            catchError((error: CoreError) => {
              this.problem.set(error);
              return EMPTY;
            }),
          );
        }),
        takeUntilDestroyed(),
      )
      .subscribe((ran) => {
        this.problem.set(null);
        this.last.set(ran);
      });
  }

  edit(change: Partial<DriftSetup> | ((setup: DriftSetup) => DriftSetup)): void {
    const before = this.current();
    const after = typeof change === 'function' ? change(before) : { ...before, ...change };
    this.preview.set(null);
    if (JSON.stringify(after) === JSON.stringify(before)) return;
    this.past.update((list) => [...list.slice(-HISTORY_MOST + 1), before]);
    this.future.set([]);
    this.current.set(after);
  }

  show(change: Partial<DriftSetup> | null): void {
    this.preview.set(change && { ...this.current(), ...change });
  }

  undo(): void {
    this.step(this.past, this.future);
  }

  redo(): void {
    this.step(this.future, this.past);
  }

  /** Takes the stand, the rod and the mend of a presentation. */
  present({ standM, handling, mend }: Presentation): void {
    const acts: Act[] = mend ? [{ kind: 'mend', from: 0.1, to: 0.8, ...mend }] : [];
    this.edit({ standM, handling, acts });
  }

  handle(handling: Handling): void {
    this.edit({ handling });
  }

  addAct(act: Act): void {
    this.edit(({ acts, ...setup }) => ({ ...setup, acts: [...acts, act].sort((a, b) => a.atS - b.atS) }));
  }

  setAct(index: number, change: Partial<Act>): void {
    this.edit({ acts: this.current().acts.map((act, i) => (i === index ? { ...act, ...change } : act)) });
  }

  dropAct(index: number): void {
    this.edit({ acts: this.current().acts.filter((_, i) => i !== index) });
  }

  setAside(): void {
    this.aside.set(this.aside() ? null : this.last());
  }

  /** Takes lanes, lie and stand from the first stand of a beat of the water; whether there is one. */
  takeFromWater(): void {
    const water = this.day.water();
    if (!water || !['river', 'brook'].includes(water.water.kind)) return;
    const { rodM } = this.current();
    this.client
      .call(api.waters.beats, { params: { id: water.id } })
      .pipe(catchError(() => of([])))
      .subscribe((beats) => {
        for (const { beat } of beats) {
          const [best] = suggestStands(beat, {
            ...{ students: 1, wader: WADER, bottom: 'cobble', waterC: null, rising: false },
            ...{ rodM, leaderM: 2.7 },
          });
          const across = best && lanesAcross(beat, best.at, best.lie.at);
          if (!best || !across || across.lieM < 1.5) continue;
          untracked(() => this.edit({ ...across, acts: [] }));
          this.beatName.set(`${beat.name}, ${best.lie.what}`);
          return;
        }
      });
  }

  private step(from: typeof this.past, to: typeof this.past): void {
    const target = from().at(-1);
    if (!target) return;
    const now = this.current();
    this.preview.set(null);
    from.update((list) => list.slice(0, -1));
    to.update((list) => [...list, now]);
    this.current.set(target);
  }
}
