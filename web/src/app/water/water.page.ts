import { Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  formatLength,
  formatSpeed,
  formatTemperature,
  formatWind,
  groundOf,
  hourAt,
  isCardRead,
  isClosed,
  type Lane,
  laneGrid,
  leaderLength,
  waterAt,
} from '@doceo/core';
import { listed } from '@doceo/texts';
import { DayStore } from '../data/lesson/day-store';
import { dayText, timeText } from '../data/lesson/lesson-texts';
import { readOnText } from '../parts/dates';
import { SessionStore } from '../data/session';
import { RuleCardDialogComponent } from '../shared/lesson/rule-card-dialog.component';
import { FoodCalendarComponent } from '../shared/fly-box/food-calendar.component';
import { BeatBoardComponent } from '../shared/water/board/beat-board.component';
import { BeatPanelComponent } from './beat/beat-panel.component';
import { BestHoursComponent } from './conditions/best-hours.component';
import { ConditionsChartComponent } from './conditions/conditions-chart.component';
import { FishWindowComponent } from './fish/fish-window.component';
import { LakeSectionComponent } from './lake/lake-section.component';
import { ReadingsPanelComponent } from './conditions/readings-panel.component';
import { StonesCardComponent } from './fish/stones-card.component';
import { StrikeZoneComponent } from './fish/strike-zone.component';
import { WadingCardComponent } from './stand/wading-card.component';
import { OriginComponent } from '../parts/origin.component';
import { WaterDialogComponent } from '../shared/water/water-dialog.component';
import { WaterFormComponent } from '../shared/water/water-form.component';
import { WaterStore } from './water-store';
import { FetchingComponent } from '../shared/fetching.component';

const PARTS = [
  { id: 'place', name: 'Place' },
  { id: 'day', name: 'Day' },
  { id: 'fish', name: 'Fish' },
  { id: 'food', name: 'Food' },
] as const;

/** A water and its day: where to stand, the conditions hour by hour, what the fish sees, what speaks against wading. */
@Component({
  selector: 'doceo-water-page',
  imports: [
    FetchingComponent,
    BeatBoardComponent,
    BeatPanelComponent,
    BestHoursComponent,
    ConditionsChartComponent,
    FishWindowComponent,
    FoodCalendarComponent,
    FormsModule,
    LakeSectionComponent,
    OriginComponent,
    ReadingsPanelComponent,
    RouterLink,
    RuleCardDialogComponent,
    StonesCardComponent,
    StrikeZoneComponent,
    WadingCardComponent,
    WaterDialogComponent,
    WaterFormComponent,
  ],
  providers: [WaterStore],
  templateUrl: './water.page.html',
  styleUrl: './water.page.css',
})
export class WaterPage {
  protected readonly store = inject(WaterStore);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  protected readonly parts = PARTS;
  protected readonly card = signal(false);
  protected readonly grid = signal(false);
  protected readonly adding = signal(false);

  protected readonly saved = this.store.saved;
  protected readonly dateText = computed(() => dayText(`${this.day.date()}T12:00:00Z`, this.store.zone()));
  protected readonly lightText = computed(() => {
    const [light, zone] = [this.store.light(), this.store.zone()];
    if (this.store.water()?.latitude === null) return 'not known';
    return light
      ? `${timeText(light.fromMs, zone)} to ${timeText(light.toMs, zone)}`
      : 'the sun neither rises nor sets that day';
  });
  protected readonly momentText = computed(() => timeText(this.day.moment()?.atMs, this.store.zone()));
  protected readonly hourIndex = computed(() => {
    const [day, moment] = [this.day.conditions(), this.day.moment()];
    return (day && moment && hourAt(day.hours, moment.atMs)?.index) || 0;
  });
  protected readonly hourFigures = computed(() => {
    const [hour, units] = [this.day.hour(), this.session.units()];
    if (!hour) return '';
    const level = this.store.flows() ? `level +${formatLength(hour.levelM, units)}, ` : '';
    return `${level}water ${formatTemperature(hour.waterC, units)}, wind ${formatWind(hour.windMs, units)}`;
  });
  protected readonly month = computed(() => Number((this.day.date() ?? '2000-01').slice(5, 7)));
  protected readonly places = computed(() =>
    (this.store.water()?.places ?? []).map((place) => ({
      ...place,
      ground: groundOf(place.kind),
      length: formatLength(place.lengthM, this.session.units()).replace('.00', ''),
    })),
  );
  protected readonly cardState = computed(() => {
    const [rules, date] = [this.store.water()?.rules, this.day.date()];
    if (!rules || !date) return null;
    return {
      read: isCardRead(rules, date),
      open: !isClosed(rules, date),
      on: readOnText(rules.checkedOn),
      by: rules.checkedBy,
      who: rules.whoSaysSo,
    };
  });
  /** Lanes over the piece that the chosen stand fishes, the nearest first. */
  protected readonly without = computed(() => listed(this.store.without()));
  protected readonly lanes = computed<Lane[]>(() => {
    const [beat, one] = [this.store.beat()?.beat, this.store.stand()];
    const piece = beat && one && waterAt(beat, one.stand.lie.at)?.pieceId;
    return this.grid() && beat && one && piece ? laneGrid(beat, piece, one.stand.at) : [];
  });

  constructor() {
    // Without a lesson the first water, now, is as good as any.
    effect(() => {
      const [loaded, moment, first] = [this.day.loaded(), this.day.moment(), this.day.waters()[0]];
      if (loaded && !moment && first) untracked(() => this.day.goTo(first.id, this.day.now()));
    });
  }

  protected added(id: string | null): void {
    if (id) this.day.goTo(id, this.day.moment()?.atMs ?? this.day.now());
  }

  protected chooseBeat(id: string): void {
    this.store.beatId.set(id);
    this.store.standAt.set(0);
  }

  protected setHour(index: number): void {
    const hour = this.day.conditions()?.hours[index];
    const lessonMs = Date.parse(this.day.lesson()?.startsAt ?? '');
    if (!hour) return;
    // The lesson's own hour is the lesson's own moment.
    const own =
      this.day.lesson()?.waterId === this.saved()?.id && Math.abs(lessonMs - hour.atMs) <= 1_800_000;
    if (own) this.day.backToLesson();
    else this.store.setMoment(hour.atMs);
  }

  protected jump(event: Event, id: string): void {
    event.preventDefault();
    document.getElementById(id)?.scrollIntoView({ block: 'start' });
  }

  /** Whether the leader of the rig keeps the fly line out of the fish's window. */
  protected leader(neededM: number): string {
    const rig = this.store.rig();
    if (!rig) return '';
    const length = leaderLength(rig.rig);
    return length >= neededM
      ? `has ${this.depth(length)}: the fly line lies outside.`
      : `has ${this.depth(length)}: ${this.depth(neededM - length)} short, the fly line lies in the window.`;
  }

  protected depth(metres: number): string {
    return formatLength(metres, this.session.units());
  }

  protected speed(speedMs: number): string {
    return formatSpeed(speedMs, this.session.units());
  }
}
