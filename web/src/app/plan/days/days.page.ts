import { Component, computed, effect, inject, input, type OnInit, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { Router, RouterLink } from '@angular/router';
import type { SavedLesson, SavedWater } from '@doceo/contract';
import { DAY_PARTS } from '@doceo/core';
import { DAY_PART_NAMES, listed, noHoursText, planProblemInWords, windowReasonText } from '@doceo/texts';
import { DayStore } from '../../data/lesson/day-store';
import { dayText, callNamesOf, spanText, timeText } from '../../data/lesson/lesson-texts';
import { localDate } from '../../data/lesson/local-date';
import { SessionStore } from '../../data/session';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { narrowWindow, TABLET_PX } from '../../parts/narrow';
import { SheetComponent } from '../../parts/dialogs/sheet.component';
import { ScorePartsComponent } from '../../parts/score-parts.component';
import { LessonDialogComponent } from '../../shared/lesson/lesson-dialog.component';
import type { ProposedLesson } from '../../shared/lesson/lesson-form.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import type { BandDay, BandMark } from '../../shared/weeks/band-shape';
import { DayBandComponent } from '../../shared/weeks/day-band.component';
import { DayChoice, type NumberedDay } from './day-choice';
import { FetchingComponent } from '../../shared/fetching.component';

/** Days of a row. */
const WEEK = 7;
/** So many days are told in words. */
const TOLD = 6;
const MINUTE_MS = 60_000;

/** Which day and water for a plan: two weeks at each water, the best hours of each day in their light. */
@Component({
  selector: 'doceo-days-page',
  imports: [
    FetchingComponent,
    NgTemplateOutlet,
    SheetComponent,
    ChoiceFieldComponent,
    DayBandComponent,
    LessonDialogComponent,
    NoSuchComponent,
    RouterLink,
    ScorePartsComponent,
  ],
  templateUrl: './days.page.html',
  styleUrl: './days.page.css',
  providers: [DayChoice],
})
export class DaysPage implements OnInit {
  private readonly router = inject(Router);
  private readonly units = inject(SessionStore).units;
  protected readonly day = inject(DayStore);
  protected readonly choice = inject(DayChoice);
  readonly id = input.required<string>();
  protected readonly narrow = narrowWindow();
  private readonly half = narrowWindow(TABLET_PX);
  protected readonly proposed = signal<ProposedLesson | null>(null);
  protected readonly hours = Array.from({ length: 17 }, (_, i) => ({ value: i + 5, text: `${i + 5}:00` }));
  protected readonly fromHours = computed(() =>
    this.hours.filter(({ value }) => value < this.choice.open().toHour),
  );
  protected readonly toHours = computed(() =>
    this.hours.filter(({ value }) => value > this.choice.open().fromHour),
  );
  protected readonly who = computed(() => {
    const names = [...callNamesOf(this.choice.students()).values()];
    return names.length > 0 ? listed(names) : null;
  });
  protected readonly told = computed(() =>
    this.choice
      .ranked()
      .filter(({ hours }) => hours !== null)
      .slice(0, TOLD)
      .map((one) => ({
        ...one,
        when: this.whenOf(one),
        water: this.waterOf(one)?.water.name ?? '',
        why: this.reasonsOf(one).join('\u00a0· ') || 'Nothing stands out',
      })),
  );
  /** What is told of the day that is looked at. */
  protected readonly chosen = computed(() => {
    const one = this.choice.chosen();
    if (!one) return null;
    const { parts } = one;
    return {
      ...one,
      when: this.whenOf(one),
      water: this.waterOf(one)?.water.name ?? '',
      none: one.why && noHoursText(one.why),
      told: this.reasonsOf(one),
      bars: parts ? DAY_PARTS.map((part) => ({ name: DAY_PART_NAMES[part], value: parts[part] })) : [],
      found: one.problems
        .filter(({ level }) => level !== 'tip')
        .map((problem) => planProblemInWords(problem, this.units())),
    };
  });

  constructor() {
    // Another plan is another choice.
    effect(() => this.choice.planId.set(this.id()));
  }

  ngOnInit(): void {
    this.day.loadHistory(true).subscribe({ error: () => undefined });
  }

  /** The days in rows: a week each where two weeks have no room beside each other. */
  protected rowsOf(days: BandDay[]): BandDay[][] {
    return this.half() ? [days.slice(0, WEEK), days.slice(WEEK)].filter(({ length }) => length > 0) : [days];
  }

  protected marksOf(water: SavedWater): BandMark[] {
    const zone = water.water.timeZone;
    const best = this.choice
      .ranked()
      .filter(({ waterId, hours }) => waterId === water.id && hours !== null)
      .map((one): BandMark => {
        const isBest = one.rank <= TOLD && one.score > 0;
        return {
          ...{ id: one.id, date: one.date, fromMs: one.hours!.fromMs, toMs: one.hours!.toMs },
          text: isBest ? String(one.rank) : timeText(one.hours!.fromMs, zone),
          short: isBest ? String(one.rank) : timeText(one.hours!.fromMs, zone),
          label: `${this.whenOf(one)}, number ${one.rank} of ${this.choice.ranked().length}`,
          looks: one.score === 0 ? 'stopped' : isBest ? 'best' : 'good',
        };
      });
    const taught = this.day.lessons().filter(({ waterId }) => waterId === water.id);
    return [...best, ...taught.map((lesson) => lessonMark(lesson, zone))];
  }

  protected choose(markId: string): void {
    const lesson = this.day.lessons().find(({ id }) => id === markId);
    if (lesson) void this.router.navigate(['/lesson', lesson.id]);
    else this.choice.chosenId.set(markId);
  }

  protected schedule(): void {
    const one = this.choice.chosen();
    if (!one?.hours) return;
    this.proposed.set({
      waterId: one.waterId,
      startsAt: new Date(one.hours.fromMs).toISOString(),
      studentIds: this.choice.students().map(({ id }) => id),
    });
  }

  protected scheduled(lesson: SavedLesson | null): void {
    this.proposed.set(null);
    if (lesson) void this.router.navigate(['/plan', this.id()]);
  }

  private waterOf({ waterId }: NumberedDay): SavedWater | undefined {
    return this.day.waters().find(({ id }) => id === waterId);
  }

  private whenOf({ date, hours, waterId }: NumberedDay): string {
    const zone = this.day.waters().find(({ id }) => id === waterId)?.water.timeZone ?? 'UTC';
    if (!hours) return dayText(`${date}T12:00:00Z`, 'UTC');
    const minutes = (hours.toMs - hours.fromMs) / MINUTE_MS;
    return `${dayText(new Date(hours.fromMs).toISOString(), zone)}, ${spanText(hours.fromMs, minutes, zone)}`;
  }

  private reasonsOf({ reasons, problems }: NumberedDay): string[] {
    const count = (level: string): number => problems.filter((one) => one.level === level).length;
    const found = [
      [count('must-fix'), 'to fix'],
      [count('check'), 'to check'],
    ].flatMap(([n, words]) => (n ? [`${n} ${words}`] : []));
    return [...reasons.map(windowReasonText), ...found];
  }
}

/** A lesson that stands on its day already. */
function lessonMark({ id, startsAt, lengthMin, planTitle }: SavedLesson, zone: string): BandMark {
  const fromMs = Date.parse(startsAt);
  return {
    ...{
      id,
      date: localDate(startsAt, zone),
      fromMs,
      toMs: fromMs + lengthMin * MINUTE_MS,
    },
    ...{ text: planTitle, short: timeText(fromMs, zone) },
    label: `Lesson: ${planTitle}, ${dayText(startsAt, zone)}`,
    looks: 'lesson',
  };
}
