import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { ageOn, api, type SavedBeat, type SavedLake, type SavedRig } from '@doceo/contract';
import { conditionAlerts, isCold, leaderLength, type Lie, type Stretch, waterAt } from '@doceo/core';
import { alertText } from '@doceo/texts';
import { catchError, map, merge, of, scan, startWith, switchMap } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { DayStore } from '../data/lesson/day-store';
import { timeText } from '../data/lesson/lesson-texts';
import { MomentStore } from '../data/lesson/moment-store';
import { sameJson } from '../data/same-json';
import { profileAt, type StillWater } from '../shared/water/profile-at';
import { type FoundStands, StandFinder } from '../shared/water/stand-finder';
import { waderOf } from '../shared/water/wader-of';

/** An outfit of beginners, when no rig is chosen, metres. */
const ROD_M = 2.74;
const LEADER_M = 2.7;
const NO_LESSON_MIN = 120;
const NONE_FOUND: FoundStands = { stands: [], without: [] };

/** Stands of a beat, or that they could not be worked out. */
type Found = FoundStands | 'failed';

/** All that the Water stop shows of the chosen water and moment. */
@Injectable()
export class WaterStore {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly moments = inject(MomentStore);
  private readonly finder = inject(StandFinder);
  private readonly beatList = signal<SavedBeat[]>([]);
  private readonly savedLake = signal<SavedLake | null>(null);
  private readonly rigList = signal<SavedRig[]>([]);
  private readonly problem = signal<ApiError | null>(null);

  readonly failed = computed(() => this.problem() ?? this.day.conditionsFailed());
  readonly rigs = this.rigList.asReadonly();
  readonly rigId = signal<string | null>(null);
  readonly beatId = signal<string | null>(null);
  readonly standAt = signal(0);

  readonly saved = this.day.water;
  readonly water = computed(() => this.saved()?.water ?? null);
  readonly zone = computed(() => this.water()?.timeZone ?? 'UTC');
  readonly flows = computed(() => ['river', 'brook'].includes(this.water()?.kind ?? ''));
  readonly hour = this.day.hour;
  readonly rising = computed(() => this.hour()?.trend === 'rising');
  readonly lengthMin = computed(() => this.day.lesson()?.lengthMin ?? NO_LESSON_MIN);
  /** The hours of the lesson from the chosen moment on, when it is one of its water; null away from it. */
  readonly lesson = computed<Stretch | null>(() => {
    const [lesson, moment] = [this.day.lesson(), this.day.moment()];
    if (!moment || (!this.day.elsewhere() && !lesson)) return null;
    return { fromMs: moment.atMs, toMs: moment.atMs + this.lengthMin() * 60_000 };
  });
  readonly light = computed<Stretch | null>(() => {
    const sun = this.day.sun();
    return sun?.sunriseMs && sun.sunsetMs ? { fromMs: sun.sunriseMs, toMs: sun.sunsetMs } : null;
  });
  readonly alerts = computed(() => {
    const [day, water, zone] = [this.day.conditions(), this.water(), this.zone()];
    if (!day || !water) return [];
    const within = this.lesson() ?? this.light() ?? undefined;
    return conditionAlerts(day.hours, water, within, day).map((alert) => ({
      ...alert,
      ...alertText(alert),
      when:
        alert.fromMs === alert.toMs
          ? `about ${timeText(alert.fromMs, zone)}`
          : `${timeText(alert.fromMs, zone)} to ${timeText(alert.toMs, zone)}`,
    }));
  });
  /** Temperatures by depth, of still water only. */
  readonly still = computed<StillWater>(() => {
    const [day, moment, hour, water] = [this.day.conditions(), this.day.moment(), this.hour(), this.water()];
    return day && moment && hour && water && !this.flows()
      ? profileAt(water.kind, day, moment.atMs, hour.waterC)
      : { profile: [], read: false };
  });

  readonly people = computed(() =>
    this.day.studentsOf(this.day.lesson()).map(({ id, student }) => ({
      id,
      name: student.name,
      ageYears: ageOn(student.bornOn, this.day.date() ?? ''),
      heightM: student.heightM,
      needs: student.needs,
    })),
  );
  readonly wader = computed(() => waderOf(this.people()));
  readonly rig = computed(() => this.rigs().find(({ id }) => id === this.rigId()) ?? null);
  readonly outfit = computed(() => {
    const rig = this.rig()?.rig;
    return { rodM: rig?.rod.lengthM ?? ROD_M, leaderM: rig ? leaderLength(rig) : LEADER_M };
  });

  /** Whether the drawings of the water are here. */
  private readonly drawn = signal(false);
  /** Whether everything is here that the page shows of the water and its day, or will not come. */
  readonly here = computed(
    () =>
      this.failed() !== null ||
      (this.drawn() && (this.water()?.latitude === null || this.day.conditions() !== null)),
  );
  readonly beats = computed(() => this.beatList().filter(({ waterId }) => waterId === this.saved()?.id));
  /** What of the hour changes where one stands; the search runs again for nothing less. */
  private readonly footing = computed(
    () => ({ waterC: this.hour()?.waterC ?? null, rising: this.rising() }),
    { equal: (a, b) => a.rising === b.rising && isCold(a.waterC) === isCold(b.waterC) },
  );
  /** Those of the lesson as they are to stand. */
  readonly group = computed(
    () => this.finder.people(this.day.lesson(), this.day.events(), () => this.outfit()),
    { equal: sameJson },
  );
  /** Who stands where in each beat, as far as it has been worked out. */
  private readonly found = toSignal(
    toObservable(
      computed(() => ({
        beats: this.beats(),
        people: this.group(),
        around: { bottom: 'cobble' as const, ...this.footing() },
        outfit: this.outfit(),
      })),
    ).pipe(
      switchMap(({ beats, people, around, outfit }) =>
        merge(
          ...beats.map(({ id, beat }) =>
            this.finder.find(beat, people, around, outfit).pipe(
              catchError(() => of<Found>('failed')),
              map((found) => [id, found] as const),
            ),
          ),
        ).pipe(
          scan((all, [id, found]) => new Map(all).set(id, found), new Map<string, Found>()),
          startWith(new Map<string, Found>()),
        ),
      ),
    ),
    { initialValue: new Map<string, Found>() },
  );
  readonly standsByBeat = computed(
    () =>
      new Map(
        [...this.found()].flatMap(([id, found]) =>
          found === 'failed' ? [] : [[id, found.stands.map(({ stand }) => stand)]],
        ),
      ),
  );
  readonly beat = computed(
    () => this.beats().find(({ id }) => id === this.beatId()) ?? this.beats()[0] ?? null,
  );
  readonly lake = computed(() => {
    const saved = this.savedLake();
    return saved && saved.waterId === this.saved()?.id ? saved : null;
  });
  /** Places for the students of the lesson, or for one when there is none. */
  private readonly foundHere = computed(() => this.found().get(this.beat()?.id ?? ''));
  /** Whether places are still being looked for. */
  readonly looking = computed(() => this.beat() !== null && this.foundHere() === undefined);
  /** Whether they could not be worked out. */
  readonly standsFailed = computed(() => this.foundHere() === 'failed');
  private readonly foundStands = computed(() => {
    const found = this.foundHere();
    return found === undefined || found === 'failed' ? NONE_FOUND : found;
  });
  readonly stands = computed(() => this.foundStands().stands);
  readonly stand = computed(() => this.stands()[this.standAt()] ?? this.stands()[0] ?? null);
  /** Names of those for whom no place was found. */
  readonly without = computed(() => this.foundStands().without);
  readonly spot = computed(() => this.moments.spots()[this.saved()?.id ?? ''] ?? null);

  constructor() {
    effect(() => {
      const water = this.saved();
      if (water) untracked(() => this.load(water.id));
    });
    // Once benches follow the water, they follow to every water one turns to.
    effect(() => {
      const [water, stand, spots] = [this.saved(), this.stand(), this.moments.spots()];
      const follows = Object.keys(spots).length > 0;
      if (water && stand && follows && !spots[water.id]) untracked(() => this.fish(stand.stand.lie));
    });
    this.client.call(api.rigs.list).subscribe({
      next: (rigs) => {
        this.rigList.set(rigs);
        this.rigId.set(rigs[0]?.id ?? null);
      },
      error: (error: ApiError) => this.problem.set(error),
    });
  }

  choose(waterId: string): void {
    const [lesson, atMs] = [this.day.lesson(), this.day.moment()?.atMs ?? this.day.now()];
    this.standAt.set(0);
    if (lesson?.waterId === waterId && Date.parse(lesson.startsAt) === atMs) this.day.backToLesson();
    else this.day.goTo(waterId, atMs);
  }

  setMoment(atMs: number): void {
    const water = this.saved();
    if (water) this.day.goTo(water.id, atMs);
  }

  /** The benches read depth and speed from this lie from now on. */
  fish({ at, what }: Pick<Lie, 'at' | 'what'>): void {
    const [water, beat] = [this.saved(), this.beat()?.beat];
    const place = beat && waterAt(beat, at);
    if (water && beat && place)
      this.moments.fish(water.id, {
        name: `${beat.name}, ${what}`,
        depthM: place.depthM,
        speedMs: place.speedMs,
      });
  }

  fishStill(name: string, depthM: number): void {
    const water = this.saved();
    if (water) this.moments.fish(water.id, { name, depthM, speedMs: null });
  }

  leave(): void {
    const water = this.saved();
    if (water) this.moments.fish(water.id, null);
  }

  removeBeat(id: string): void {
    const water = this.saved();
    if (!water) return;
    this.client.call(api.waters.removeBeat, { params: { id: water.id, beatId: id } }).subscribe({
      next: () => this.beatList.update((list) => list.filter((one) => one.id !== id)),
      error: (error: ApiError) => this.problem.set(error),
    });
  }

  private load(waterId: string): void {
    this.problem.set(null);
    this.drawn.set(false);
    this.standAt.set(0);
    const error = (problem: ApiError): void => this.problem.set(problem);
    if (this.flows())
      this.client.call(api.waters.beats, { params: { id: waterId } }).subscribe({
        next: (beats) => {
          this.beatList.set(beats);
          this.drawn.set(true);
        },
        error,
      });
    else
      this.client.call(api.waters.lake, { params: { id: waterId } }).subscribe({
        next: ({ saved }) => {
          this.savedLake.set(saved);
          this.drawn.set(true);
        },
        error,
      });
  }
}
