import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { api } from '@doceo/contract';
import {
  type Act,
  type CoreError,
  type DriftRun,
  type DriftSetup,
  FEWEST_LANES,
  type Handling,
  lanesAcross,
  type LanesAcross,
  type Presentation,
  setupDrift,
  setupFaults,
  whyOf,
} from '@doceo/core';
import { catchError, concatMap, EMPTY, map, mergeMap, switchMap } from 'rxjs';
import { sameJson } from '../data/same-json';
import { ApiClient } from '../data/api/api-client';
import { DayStore } from '../data/lesson/day-store';
import { History, type Undoable } from '../data/documents/history';
import { BenchRunner } from '../workers/bench-runner';
import type { RanDrift } from '../shared/drift/ran-drift';
import { BenchDrift } from '../data/kept-drift';

/** So many places are looked for on a beat, with this leader. */
const STANDS = 6;
const LEADER_M = 2.7;
/** A lie nearer than this to the angler is no matter of line on the water, metres. */
const NEAREST_LIE_M = 2.5;
/** Of the water beyond the lie so much is shown, metres. */
const BEYOND_M = 3;
/** Those who wade are taken for grown up when nobody is named. */
const WADER = { heightM: 1.7, ageYears: null, hasStaff: true };

/** The drift on the bench: its setup with undo, its run, and what was set aside. */
@Injectable()
export class DriftStore implements Undoable {
  private readonly runner = inject(BenchRunner);
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly kept = inject(BenchDrift);
  private readonly current = signal<DriftSetup>(this.kept.get());
  private readonly history = new History<DriftSetup>();
  private readonly last = signal<RanDrift | null>(null);
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
  readonly canUndo = this.history.canUndo;
  readonly canRedo = this.history.canRedo;
  readonly aside = signal<RanDrift | null>(null);
  private readonly placeList = signal<{ name: string; across: LanesAcross }[]>([]);
  readonly places = computed(() => this.placeList().map(({ name }) => name));
  /** Where the lanes come from; null when they were drawn. */
  readonly beatName = signal<string | null>(null);

  constructor() {
    effect(() => this.kept.keep(this.current()));
    effect(() => {
      this.day.water();
      untracked(() => this.findPlaces());
    });
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
    if (sameJson(after, before)) return;
    this.history.keep(before);
    this.current.set(after);
  }

  show(change: Partial<DriftSetup> | null): void {
    this.preview.set(change && { ...this.current(), ...change });
  }

  undo(): void {
    this.current.set(this.history.back(this.current()) ?? this.current());
  }

  redo(): void {
    this.current.set(this.history.forth(this.current()) ?? this.current());
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

  /** Takes lanes, lie and stand from a place of the water. */
  takePlace(name: string): void {
    const place = this.placeList().find((one) => one.name === name);
    if (!place) return;
    const { lanes, lieM, outM, standM } = place.across;
    // What lies far beyond the fly is no matter, and would make all else small.
    const within = lanes.filter((_, i) => (lanes[i - 1]?.toM ?? 0) < lieM + BEYOND_M);
    const shown = within.length >= FEWEST_LANES ? within : lanes.slice(0, FEWEST_LANES);
    this.edit({ lanes: shown, lieM, outM, standM, acts: [] });
    this.beatName.set(name);
  }

  /** Places of the water of the moment where one may stand and cast. */
  private findPlaces(): void {
    const water = this.day.water();
    this.placeList.set([]);
    if (!water || !['river', 'brook'].includes(water.water.kind)) return;
    const { rodM } = this.current();
    const options = {
      ...{ students: STANDS, wader: WADER, bottom: 'cobble' as const, waterC: null, rising: false },
      ...{ rodM, leaderM: LEADER_M },
    };
    this.client
      .call(api.waters.beats, { params: { id: water.id } })
      .pipe(
        mergeMap((beats) => beats),
        concatMap(({ beat }) =>
          this.runner.runOfMany('stands', beat, options).pipe(map((stands) => ({ beat, stands }))),
        ),
        // Without them lanes are drawn by hand.
        catchError(() => EMPTY),
      )
      .subscribe(({ beat, stands }) => {
        const places = stands.flatMap((stand) => {
          const across = lanesAcross(beat, stand.at, stand.lie.at);
          return across && across.lieM - across.outM > NEAREST_LIE_M
            ? [{ name: `${beat.name}, ${stand.lie.what}, ${across.lieM.toFixed(0)} m out`, across }]
            : [];
        });
        const names = new Set(this.placeList().map(({ name }) => name));
        this.placeList.update((list) => [
          ...list,
          ...places.filter(
            ({ name }, i) => !names.has(name) && places.findIndex((one) => one.name === name) === i,
          ),
        ]);
      });
  }
}
