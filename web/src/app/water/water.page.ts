import { Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { ageOn, api, type ConditionDay, type SavedBeat, type SavedRig } from '@doceo/contract';
import {
  conditionAlerts,
  formatLength,
  groundOf,
  hourAt,
  inSeason,
  lastSeasonEnd,
  leaderLength,
  levelTrend,
  stillProfile,
  suggestStands,
  type Wader,
  type Stretch,
  sunTimes,
} from '@doceo/core';
import { ApiClient } from '../data/api-client';
import type { ApiError } from '../data/api-error';
import { DayStore, localDate } from '../data/day-store';
import { dayText, firstName, readOnText, timeText } from '../data/lesson-texts';
import { SessionStore } from '../data/session';
import { RuleCardDialogComponent } from '../parts/rule-card-dialog.component';
import { FoodCalendarComponent } from '../rig/food-calendar.component';
import { type BoardStand, BeatBoardComponent } from './beat-board.component';
import { BeatPanelComponent } from './beat-panel.component';
import { ComfortBandComponent } from './comfort-band.component';
import { ConditionsChartComponent } from './conditions-chart.component';
import { FishWindowComponent } from './fish-window.component';
import { StrikeZoneComponent } from './strike-zone.component';
import { WadingCardComponent } from './wading-card.component';

const WATER_WORDS = { river: 'river', brook: 'brook', lake: 'lake', pond: 'pond' } as const;

const USUAL_HEIGHT_M = 1.7;
/** An outfit of beginners, when no rig is chosen, metres. */
const ROD_M = 2.74;
const LEADER_M = 2.7;

/** A water and its day: conditions hour by hour, what the fish sees, where it feeds, what speaks against wading. */
@Component({
  selector: 'doceo-water-page',
  imports: [
    BeatBoardComponent,
    BeatPanelComponent,
    ComfortBandComponent,
    ConditionsChartComponent,
    FishWindowComponent,
    FoodCalendarComponent,
    FormsModule,
    RouterLink,
    RuleCardDialogComponent,
    StrikeZoneComponent,
    WadingCardComponent,
  ],
  templateUrl: './water.page.html',
  styleUrl: './water.page.css',
})
export class WaterPage {
  private readonly client = inject(ApiClient);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  private readonly chosen = signal<string | null>(null);
  private readonly fetched = signal<ConditionDay | null>(null);
  protected readonly failed = signal<ApiError | null>(null);
  protected readonly card = signal(false);
  protected readonly rigs = signal<SavedRig[]>([]);
  protected readonly rigId = signal<string | null>(null);

  protected readonly saved = computed(
    () =>
      this.day.waters().find(({ id }) => id === this.chosen()) ??
      this.day.water() ??
      this.day.waters()[0] ??
      null,
  );
  protected readonly water = computed(() => this.saved()?.water ?? null);
  protected readonly kind = computed(() => WATER_WORDS[this.water()?.kind ?? 'river']);
  protected readonly flows = computed(() => ['river', 'brook'].includes(this.water()?.kind ?? ''));
  /** The lesson when it is at this water; else its day all the same. */
  private readonly here = computed(() => {
    const lesson = this.day.lesson();
    return lesson && lesson.waterId === this.saved()?.id ? lesson : null;
  });
  protected readonly date = computed(() => {
    const zone = this.water()?.timeZone ?? 'UTC';
    return localDate(this.day.lesson()?.startsAt ?? new Date(this.day.now()).toISOString(), zone);
  });
  protected readonly dateText = computed(() =>
    dayText(`${this.date()}T12:00:00Z`, this.water()?.timeZone ?? 'UTC'),
  );
  protected readonly conditions = computed(() => {
    const day = this.fetched();
    return day && day.waterId === this.saved()?.id && day.date === this.date() ? day : null;
  });
  protected readonly lesson = computed<Stretch | null>(() => {
    const lesson = this.here();
    if (!lesson) return null;
    const fromMs = Date.parse(lesson.startsAt);
    return { fromMs, toMs: fromMs + lesson.lengthMin * 60_000 };
  });
  protected readonly light = computed<Stretch | null>(() => {
    const water = this.water();
    if (!water) return null;
    const { sunriseMs, sunsetMs } = sunTimes(
      water.latitude,
      water.longitude,
      Date.parse(`${this.date()}T12:00:00Z`),
    );
    return sunriseMs === null || sunsetMs === null ? null : { fromMs: sunriseMs, toMs: sunsetMs };
  });
  protected readonly lightText = computed(() => {
    const [light, zone] = [this.light(), this.water()?.timeZone ?? 'UTC'];
    return light
      ? `${timeText(light.fromMs, zone)} to ${timeText(light.toMs, zone)}`
      : 'the sun neither rises nor sets that day';
  });
  /** At the start of the lesson, else at noon. */
  protected readonly moment = computed(() => {
    const hours = this.conditions()?.hours ?? [];
    const found = hourAt(hours, this.lesson()?.fromMs ?? hours[Math.floor(hours.length / 2)]?.atMs ?? 0);
    return found && { ...found.hour, trend: levelTrend(hours, found.index) };
  });
  /** Of still water only. */
  protected readonly profile = computed(() => {
    const [moment, water] = [this.moment(), this.water()];
    return moment && water ? stillProfile(water.kind, moment.waterC) : [];
  });
  protected readonly alerts = computed(() => {
    const [day, water, lesson] = [this.conditions(), this.water(), this.lesson()];
    if (!day || !water) return [];
    return conditionAlerts(day.hours, water.kind, lesson ?? this.light() ?? undefined).map((alert) => ({
      ...alert,
      when: this.hoursText(alert.fromMs, alert.toMs),
    }));
  });
  protected readonly people = computed(() =>
    this.day.studentsOf(this.day.lesson()).map(({ id, student }) => ({
      id,
      name: student.name,
      ageYears: ageOn(student.bornOn, this.date()),
    })),
  );
  protected readonly places = computed(() =>
    (this.water()?.places ?? []).map((place) => ({
      ...place,
      ground: groundOf(place.kind),
      length: formatLength(place.lengthM, this.session.units()).replace('.00', ''),
    })),
  );
  protected readonly cardState = computed(() => {
    const rules = this.water()?.rules;
    if (!rules) return null;
    const read = rules.checkedOn !== null && rules.checkedOn > lastSeasonEnd(this.date(), rules.seasonTo);
    return {
      read,
      open: inSeason(this.date(), rules.seasonFrom, rules.seasonTo),
      on: readOnText(rules.checkedOn),
      by: rules.checkedBy,
      who: rules.whoSaysSo,
    };
  });
  /** Limits of the youngest: a child lowers them, an unknown height is taken as an adult's. */
  protected readonly wader = computed<Wader>(() => {
    const ages = this.people().flatMap(({ ageYears }) => ageYears ?? []);
    return { heightM: USUAL_HEIGHT_M, ageYears: ages.length > 0 ? Math.min(...ages) : null, hasStaff: true };
  });
  private readonly beats = signal<SavedBeat[]>([]);
  private readonly beatId = signal<string | null>(null);
  protected readonly ownBeats = computed(() =>
    this.beats().filter(({ waterId }) => waterId === this.saved()?.id),
  );
  protected readonly beat = computed(
    () => this.ownBeats().find(({ id }) => id === this.beatId())?.beat ?? this.ownBeats()[0]?.beat ?? null,
  );
  /** Places for the students of the lesson, or for one when there is none. */
  protected readonly stands = computed<BoardStand[]>(() => {
    const beat = this.beat();
    if (!beat) return [];
    const names = this.people().map(({ name }) => firstName(name));
    return suggestStands(beat, {
      students: Math.max(1, names.length),
      wader: this.wader(),
      bottom: 'cobble',
      waterC: this.moment()?.waterC ?? null,
      rising: this.moment()?.trend === 'rising',
      rodM: this.rig()?.rig.rod.lengthM ?? ROD_M,
      leaderM: this.rig() ? leaderLength(this.rig()!.rig) : LEADER_M,
    }).map((stand, i) => ({ stand, who: names[i] ?? 'one more' }));
  });
  protected readonly standAt = signal(0);
  protected readonly stand = computed(() => this.stands()[this.standAt()] ?? this.stands()[0] ?? null);
  protected readonly without = computed(() => Math.max(0, this.people().length - this.stands().length));
  protected readonly rig = computed(() => this.rigs().find(({ id }) => id === this.rigId()) ?? null);
  protected readonly month = computed(() => Number(this.date().slice(5, 7)));

  constructor() {
    effect(() => {
      const [water, date] = [this.saved(), this.date()];
      if (water) untracked(() => this.load(water.id, date));
    });
    this.client.call(api.rigs.list).subscribe((rigs) => {
      this.rigs.set(rigs);
      this.rigId.set(rigs[0]?.id ?? null);
    });
  }

  protected choose(waterId: string): void {
    this.chosen.set(waterId);
  }

  protected chooseBeat(id: string): void {
    this.beatId.set(id);
    this.standAt.set(0);
  }

  /** Whether the leader of the rig keeps the fly line out of the fish's window. */
  protected leader(neededM: number): string {
    const rig = this.rig();
    if (!rig) return '';
    const length = leaderLength(rig.rig);
    const units = this.session.units();
    return length >= neededM
      ? `has ${formatLength(length, units)}: the fly line lies outside.`
      : `has ${formatLength(length, units)}: ${formatLength(neededM - length, units)} short, the fly line lies in the window.`;
  }

  private hoursText(fromMs: number, toMs: number): string {
    const zone = this.water()?.timeZone ?? 'UTC';
    return fromMs === toMs
      ? `about ${timeText(fromMs, zone)}`
      : `${timeText(fromMs, zone)} to ${timeText(toMs, zone)}`;
  }

  private load(waterId: string, date: string): void {
    this.failed.set(null);
    this.standAt.set(0);
    this.client.call(api.waters.beats, { params: { id: waterId } }).subscribe({
      next: (beats) => this.beats.set(beats),
      error: (error: ApiError) => this.failed.set(error),
    });
    this.client.call(api.waters.conditions, { params: { id: waterId }, query: { date } }).subscribe({
      next: (day) => this.fetched.set(day),
      error: (error: ApiError) => this.failed.set(error),
    });
  }
}
