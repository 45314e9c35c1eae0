import { computed, inject, Injectable, signal } from '@angular/core';
import { api, type SavedRig } from '@doceo/contract';
import {
  ADDED_ABOVE_M,
  hangingRig,
  indicatorOf,
  type Landing,
  leaderLength,
  type ProfileKind,
  type Rig,
  type SideDrift,
  sweptDrift,
  DEFAULT_SIDE,
} from '@doceo/core';
import { EMPTY, type Observable, tap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { ReadingStore } from '../../data/records/reading-store';
import { benchRun } from '../../data/bench/bench-run';

/** Seconds of a drift below the surface. */
export const SIDE_S = 12;

/** What is tried on the map instead of the rig's own: the float there, and so much shot more. */
export interface Tried {
  leaderM: number;
  addedKg: number;
}

/** A rig under water: which one, in what water, and its run. */
@Injectable()
export class SideStore {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly readings = inject(ReadingStore);
  private readonly list = signal<SavedRig[]>([]);

  readonly loaded = signal(false);
  readonly failed = signal<ApiError | null>(null);
  readonly rigs = this.list.asReadonly();
  readonly rigId = signal<string | null>(null);
  readonly rig = computed(() => this.list().find(({ id }) => id === this.rigId()) ?? this.list()[0] ?? null);
  /** Speed of the water where the fly drifts, m/s. */
  readonly surfaceMs = signal(0.5);
  readonly landing = signal<Landing>('straight');
  readonly profile = signal<ProfileKind>('log');
  readonly stonesM = signal(0.1);
  readonly zoneM = signal(0.25);
  /** What somebody typed; else the place's or the rig's own. */
  readonly typedDepthM = signal<number | null>(null);
  readonly tried = signal<Tried | null>(null);
  readonly before = signal<SavedRig | null>(null);

  readonly depthM = computed(
    () => this.typedDepthM() ?? this.day.spot()?.depthM ?? this.rig()?.rig.waterDepthM ?? 1,
  );
  readonly known = computed<Rig | null>(() => {
    const saved = this.rig();
    return saved && this.readings.known(saved.rig, saved.studentId);
  });
  readonly hasIndicator = computed(() => !!this.rig() && indicatorOf(this.rig()!.rig) !== undefined);
  /** The rig's own drift. */
  readonly own = computed<SideDrift | null>(() => {
    const rig = this.known();
    if (!rig) return null;
    const depthM = this.depthM();
    const surfaceMs = Math.abs(this.surfaceMs());
    return {
      ...DEFAULT_SIDE,
      ...hangingRig(rig, depthM, surfaceMs * LED_SHARE),
      ...{ depthM, surfaceMs, landing: this.landing(), profile: this.profile() },
      stonesM: Math.min(this.stonesM(), depthM / 2),
      zoneM: this.zoneM(),
      durationS: SIDE_S,
    };
  });
  /** The drift shown: what is tried on the map, else the rig's own. */
  readonly drift = computed<SideDrift | null>(() => {
    const [own, tried] = [this.own(), this.tried()];
    return own && tried ? sweptDrift(own, tried) : own;
  });
  private readonly done = benchRun('side', this.drift, (drift) => [drift]);
  readonly stopped = this.done.stopped;
  readonly ran = computed(() => {
    const done = this.done.ran();
    return done && { drift: done.of, run: done.result };
  });
  /** The furthest a float can be set on this leader, metres. */
  readonly furthestM = computed(() => {
    const rig = this.known();
    return rig ? leaderLength(rig) - 0.1 : 3;
  });

  constructor() {
    this.readings.load();
    this.client.call(api.rigs.list).subscribe({
      next: (rigs) => {
        this.list.set(rigs);
        this.rigId.set((rigs.find(({ rig }) => indicatorOf(rig)) ?? rigs[0])?.id ?? null);
        this.loaded.set(true);
      },
      error: (error: ApiError) => this.failed.set(error),
    });
  }

  chooseRig(id: string): void {
    this.rigId.set(id);
    this.tried.set(null);
  }

  /** Writes what is tried to the rig: the indicator moved, shot added; the rig as it was is kept for undo. */
  setRig(): Observable<unknown> {
    const [saved, tried] = [this.rig(), this.tried()];
    if (!saved || !tried) return EMPTY;
    this.before.set(saved);
    return this.save(saved, rigSet(saved.rig, tried)).pipe(tap(() => this.tried.set(null)));
  }

  undoRig(): Observable<unknown> {
    const [saved, before] = [this.rig(), this.before()];
    if (!saved || !before) return EMPTY;
    return this.save(saved, before.rig).pipe(tap(() => this.before.set(null)));
  }

  private save({ id, name, studentId, version }: SavedRig, rig: Rig): Observable<unknown> {
    return this.client
      .call(api.rigs.update, { params: { id }, body: { name, rig, studentId, baseVersion: version } })
      .pipe(
        tap({
          next: (after) => {
            this.failed.set(null);
            this.list.update((list) => list.map((one) => (one.id === id ? after : one)));
          },
          error: (error: ApiError) => this.failed.set(error),
        }),
      );
  }
}

/** A rod leads a tight line at this share of the surface's speed: with the water nearer the bottom. Rule of thumb. */
const LED_SHARE = 0.75;

/** A rig with its float so far above the point fly, and shot put on. */
export function rigSet(rig: Rig, { leaderM, addedKg }: Tried): Rig {
  const fittings = rig.fittings.map((fitting) =>
    fitting.kind === 'indicator' ? { ...fitting, aboveFlyM: Math.round(leaderM * 100) / 100 } : fitting,
  );
  return {
    ...rig,
    fittings:
      addedKg < 1e-6
        ? fittings
        : [
            ...fittings,
            {
              id: `shot-${fittings.length + 1}`,
              kind: 'shot' as const,
              massKg: Math.round(addedKg * 1e5) / 1e5,
              metal: 'tin' as const,
              aboveFlyM: ADDED_ABOVE_M,
            },
          ],
  };
}
