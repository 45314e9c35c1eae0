import { computed, inject, Injectable, signal } from '@angular/core';
import { api, type ConditionDay, type SavedWater } from '@doceo/contract';
import { type DayOption, type PlanStudent, type RankedDay, rankDays } from '@doceo/core';
import { DateTime } from 'luxon';
import { forkJoin, map, type Observable, of } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { outlookOf } from '../../data/lesson/outlook';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { bandDay } from '../../shared/weeks/band-day';
import { type BandDay, datesFrom } from '../../shared/weeks/band-shape';

/** Days that are looked at. */
const DAYS = 14;
/** Waters that are looked at where nobody chose any. */
const FIRST_WATERS = 3;

/** Hours one would teach in, by the clock at the water. */
export interface OpenHours {
  fromHour: number;
  toHour: number;
}

/** A day at a water with its place in the order, from 1. */
export interface NumberedDay extends RankedDay {
  id: string;
  rank: number;
}

/** The days to come at the waters there are, the best for a plan first. */
@Injectable()
export class DayChoice {
  private readonly client = inject(ApiClient);
  private readonly teaching = inject(TeachingStore);
  private readonly day = inject(DayStore);

  readonly planId = signal<string | null>(null);
  readonly open = signal<OpenHours>({ fromHour: 8, toHour: 20 });
  readonly weekends = signal(false);
  readonly chosenId = signal<string | null>(null);
  private readonly picked = signal<ReadonlySet<string> | null>(null);

  readonly plan = fetched(
    () => this.planId(),
    (id) => this.client.call(api.plans.get, { params: { id } }),
  );
  /** Who comes: the group of the plan's lesson, when it has one. */
  readonly students = computed<readonly PlanStudent[]>(() =>
    this.day.lesson()?.planId === this.planId() ? (this.day.planLesson()?.students ?? []) : [],
  );
  /** Waters, the one of the lesson before the others. */
  readonly all = computed(() => {
    const own = this.day.lesson()?.waterId;
    return [...this.day.waters()].sort((a, b) => Number(b.id === own) - Number(a.id === own));
  });
  readonly pickedIds = computed<ReadonlySet<string>>(
    () =>
      this.picked() ??
      new Set(
        this.all()
          .slice(0, FIRST_WATERS)
          .map(({ id }) => id),
      ),
  );
  readonly waters = computed(() => this.all().filter(({ id }) => this.pickedIds().has(id)));
  private readonly conditions = fetched(
    () => (this.waters().length > 0 ? this.waters() : null),
    (waters) =>
      forkJoin(waters.map((water) => this.outlook(water))).pipe(
        map((days) => new Map(waters.map(({ id }, i) => [id, days[i] ?? []]))),
      ),
  );
  readonly loaded = computed(
    () => this.plan.value() !== null && (this.waters().length === 0 || this.conditions.value() !== null),
  );
  readonly simulated = computed(() =>
    [...(this.conditions.value()?.values() ?? [])].flat().some(({ simulated }) => simulated),
  );

  readonly ranked = computed<NumberedDay[]>(() => {
    const [plan, conditions] = [this.plan.value(), this.conditions.value()];
    if (!plan || !conditions) return [];
    const options = this.waters().flatMap((water) => this.optionsOf(water, conditions.get(water.id) ?? []));
    const busy = this.day.lessons().map(({ startsAt, lengthMin }) => {
      const fromMs = Date.parse(startsAt);
      return { fromMs, toMs: fromMs + lengthMin * 60_000 };
    });
    return rankDays(this.teaching.curriculum(), plan.body, this.students(), options, busy).map((one, i) => ({
      ...one,
      id: `${one.waterId}/${one.date}`,
      rank: i + 1,
    }));
  });
  /** The one that is looked at: the chosen one, else the best. */
  readonly chosen = computed<NumberedDay | null>(() => {
    const ranked = this.ranked();
    return ranked.find(({ id }) => id === this.chosenId()) ?? ranked[0] ?? null;
  });

  toggleWater(id: string): void {
    const picked = new Set(this.pickedIds());
    if (!picked.delete(id)) picked.add(id);
    this.picked.set(picked);
  }

  datesAt(water: SavedWater): string[] {
    const today = DateTime.fromMillis(this.day.now(), { zone: water.water.timeZone }).toISODate();
    return datesFrom(today ?? '', DAYS);
  }

  /** The days of a water as they are drawn. */
  bandOf(water: SavedWater): BandDay[] {
    return this.datesAt(water).map((date) => bandDay(water, date, this.conditions.value()?.get(water.id)));
  }

  private outlook(water: SavedWater): Observable<ConditionDay[]> {
    const [first] = this.datesAt(water);
    if (water.water.latitude === null || !first) return of([]);
    return outlookOf(this.client, water.id, first, DAYS);
  }

  private optionsOf(saved: SavedWater, days: readonly ConditionDay[]): DayOption[] {
    const { water, id: waterId } = saved;
    const { fromHour, toHour } = this.open();
    return this.datesAt(saved).flatMap((date) => {
      const midnight = DateTime.fromISO(date, { zone: water.timeZone });
      if (this.weekends() && midnight.weekday <= 5) return [];
      const known = days.find((one) => one.date === date);
      const open = {
        // What is over is no choice.
        fromMs: Math.max(midnight.set({ hour: fromHour }).toMillis(), this.day.now()),
        toMs: midnight.set({ hour: toHour }).toMillis(),
      };
      return [
        {
          ...{ waterId, water, date, open },
          hours: known?.hours ?? [],
          source: known?.source ?? null,
          simulated: known?.simulated ?? false,
          readings: known?.readings ?? [],
        },
      ];
    });
  }
}
