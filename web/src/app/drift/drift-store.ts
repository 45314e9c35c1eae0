import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { api } from '@doceo/contract';
import {
  type Act,
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
import { catchError, concatMap, EMPTY, map, mergeMap } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import { DayStore } from '../data/lesson/day-store';
import { benchRun } from '../data/bench/bench-run';
import { BenchSettings } from '../data/bench/bench-settings';
import { sameJson } from '../data/same-json';
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
export class DriftStore extends BenchSettings<DriftSetup> {
  private readonly runner = inject(BenchRunner);
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);

  readonly setup = this.shown;
  readonly faults = computed(() => setupFaults(this.setup()));
  private readonly done = benchRun(
    'surface',
    () => (this.faults().length > 0 ? null : this.setup()),
    (setup) => [setupDrift(setup)],
  );
  readonly stopped = this.done.stopped;
  /** The last good run, and of which setup it is. */
  readonly ran = computed<RanDrift | null>(() => {
    const done = this.done.ran();
    return done && { setup: done.of, told: done.result };
  });
  readonly run = computed<DriftRun | null>(() => this.ran()?.told.run ?? null);
  readonly why = computed(() => {
    const ran = this.ran();
    return ran && whyOf(ran.setup, ran.told.run);
  });
  readonly aside = signal<RanDrift | null>(null);
  private readonly placeList = signal<{ name: string; across: LanesAcross }[]>([]);
  readonly places = computed(() => this.placeList().map(({ name }) => name));
  private readonly taken = signal<{ name: string; lanes: DriftSetup['lanes'] } | null>(null);
  /** Where the lanes come from; null when they were drawn, or changed since. */
  readonly beatName = computed(() => {
    const taken = this.taken();
    return taken && sameJson(taken.lanes, this.setup().lanes) ? taken.name : null;
  });

  constructor() {
    const kept = inject(BenchDrift);
    super(kept.get());
    effect(() => kept.keep(this.set()));
    effect(() => {
      this.day.water();
      untracked(() => this.findPlaces());
    });
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
    this.edit({ acts: this.set().acts.map((act, i) => (i === index ? { ...act, ...change } : act)) });
  }

  dropAct(index: number): void {
    this.edit({ acts: this.set().acts.filter((_, i) => i !== index) });
  }

  setAside(): void {
    this.aside.set(this.aside() ? null : this.ran());
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
    this.taken.set({ name, lanes: shown });
  }

  /** Places of the water of the moment where one may stand and cast. */
  private findPlaces(): void {
    const water = this.day.water();
    this.placeList.set([]);
    if (!water || !['river', 'brook'].includes(water.water.kind)) return;
    const { rodM } = this.set();
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
