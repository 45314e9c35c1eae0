import { NgTemplateOutlet } from '@angular/common';
import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { SavedLesson } from '@doceo/contract';
import { DateTime } from 'luxon';
import { forkJoin, map } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { dayText, timeText, withText } from '../../data/lesson/lesson-texts';
import { localDate } from '../../data/lesson/local-date';
import { outlookOf } from '../../data/lesson/outlook';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { narrowWindow } from '../../parts/narrow';
import { SheetComponent } from '../../parts/dialogs/sheet.component';
import { bandDay } from '../../shared/weeks/band-day';
import { type BandMark, datesFrom } from '../../shared/weeks/band-shape';
import { DayBandComponent } from '../../shared/weeks/day-band.component';
import { WeekLessonComponent } from './week-lesson.component';
import { lessonsBesides } from '../../data/known/lessons-besides';

const WEEKS = 4;
/** Days that are asked for at once. */
const ASKED_DAYS = 14;

/** The lessons of four weeks in their light, over the water they are at. */
@Component({
  selector: 'doceo-weeks-page',
  imports: [
    ChoiceFieldComponent,
    DayBandComponent,
    NgTemplateOutlet,
    RouterLink,
    SheetComponent,
    WeekLessonComponent,
  ],
  template: `
    <div class="bench">
      <section class="bench-main">
        <div class="row">
          <h1>The weeks</h1>
          <span class="spread"></span>
          <button type="button" class="btn small" (click)="step(-1)">‹ Earlier</button>
          <button type="button" class="btn small" (click)="weeksOn.set(0)">Now</button>
          <button type="button" class="btn small" (click)="step(1)">Later ›</button>
        </div>
        @if (water(); as w) {
          <div class="row of">
            <doceo-choice-field
              label="Light and water of"
              [beside]="true"
              [options]="waters()"
              [value]="w.id"
              (chosen)="waterId.set($event)"
            />
            <span class="small soft">{{ about() }}</span>
          </div>
        } @else if (day.loaded()) {
          <p class="small soft">
            No water yet: light and level are drawn once one is there.
            <a routerLink="/water">To the waters</a>
          </p>
        }
        @if (here() === false) {
          <p class="small" role="status">
            The server does not answer: lessons of these weeks may be missing that are not on this device.
          </p>
        }
        @if (narrow() && hasNone()) {
          <ng-container [ngTemplateOutlet]="noLesson" />
        }
        @for (week of weeks(); track week.number) {
          <h2>Week {{ week.number }}</h2>
          <doceo-day-band
            [days]="week.days"
            [marks]="week.marks"
            [zone]="zone()"
            [chosenId]="opened()?.id ?? null"
            [today]="today()"
            (chosen)="choose($event)"
          />
        }
      </section>
      <aside class="bench-side" aria-label="The lesson">
        @if (opened(); as lesson) {
          <doceo-week-lesson [lesson]="lesson" />
        } @else if (day.lessons().length > 0) {
          <h2>{{ shownCount() > 0 ? 'Choose a lesson' : emptyText() }}</h2>
          <p>It is moved, repeated or cancelled here.</p>
          @if (next(); as lesson) {
            <p>
              The next is
              <button type="button" class="btn small" (click)="show(lesson)">
                {{ lesson.planTitle }}, {{ dayOf(lesson) }}
              </button>
            </p>
          }
        } @else if (hasNone() && !narrow()) {
          <ng-container [ngTemplateOutlet]="noLesson" />
        }
      </aside>
    </div>
    <ng-template #noLesson>
      <h2>No lesson yet</h2>
      <p>
        A plan finds its day under <i>Which day and water</i>, and stands here then.
        <a routerLink="/plan">To the plans</a>
      </p>
    </ng-template>
    @if (narrow() && chosen(); as lesson) {
      <doceo-sheet [heading]="lesson.planTitle" (closed)="chosenId.set(null)">
        <doceo-week-lesson [lesson]="lesson" [headed]="false" />
      </doceo-sheet>
    }
  `,
  styles: `
    .of {
      align-items: center;
      gap: 12px;
      margin-top: 6px;
    }
    h2 {
      margin: 12px 0 4px;
    }
  `,
})
export class WeeksPage {
  private readonly client = inject(ApiClient);
  protected readonly day = inject(DayStore);
  protected readonly narrow = narrowWindow();
  protected readonly hasNone = computed(() => this.day.loaded() && this.day.lessons().length === 0);
  /** Weeks from this one on at which the page begins. */
  protected readonly weeksOn = signal(0);
  protected readonly waterId = signal<string | null>(null);
  protected readonly chosenId = signal<string | null>(null);

  protected readonly waters = computed(() =>
    this.day.waters().map(({ id, water }) => ({ value: id, text: water.name })),
  );
  /** The chosen one, else that of the next lesson. */
  protected readonly water = computed(() => {
    const wanted = this.waterId() ?? this.day.nextLesson()?.waterId;
    return this.day.waters().find(({ id }) => id === wanted) ?? this.day.waters()[0] ?? null;
  });
  protected readonly zone = computed(() => this.water()?.water.timeZone ?? 'UTC');
  protected readonly today = computed(
    () => DateTime.fromMillis(this.day.now(), { zone: this.zone() }).toISODate() ?? '',
  );
  private readonly monday = computed(
    () =>
      DateTime.fromISO(this.today(), { zone: 'utc' })
        .startOf('week')
        .plus({ weeks: this.weeksOn() })
        .toISODate() ?? '',
  );
  private readonly conditions = fetched(
    () => {
      const water = this.water();
      return water && water.water.latitude !== null ? { id: water.id, monday: this.monday() } : null;
    },
    ({ id, monday }) =>
      forkJoin(
        datesFrom(monday, WEEKS * 7)
          .filter((_, i) => i % ASKED_DAYS === 0)
          .map((date) => outlookOf(this.client, id, date, ASKED_DAYS)),
      ).pipe(map((parts) => parts.flat())),
  );
  protected readonly about = computed(() => {
    if (this.water()?.water.latitude === null)
      return 'Nobody has said where it lies: its light is not known.';
    return this.conditions.value()?.some(({ simulated }) => simulated)
      ? 'Level and warmth are simulated: they foretell nothing.'
      : '';
  });
  /** Those of the weeks that are shown, however long ago, with a day more on both sides for waters elsewhere on the globe. */
  protected readonly here = lessonsBesides(() => {
    const monday = DateTime.fromISO(this.monday(), { zone: 'utc' });
    const [from, until] = [monday.minus({ days: 1 }), monday.plus({ weeks: WEEKS, days: 1 })].map((at) =>
      at.toISO(),
    );
    return from && until ? [{ from, until }] : null;
  });
  private readonly marks = computed(() =>
    this.day.lessons().map((lesson): BandMark => {
      const fromMs = Date.parse(lesson.startsAt);
      const toMs = fromMs + lesson.lengthMin * 60_000;
      const zone = this.day.waterOf(lesson)?.water.timeZone ?? 'UTC';
      return {
        ...{ id: lesson.id, date: localDate(lesson.startsAt, zone), fromMs, toMs },
        ...{ text: lesson.planTitle, short: timeText(fromMs, zone) },
        label: [lesson.planTitle, this.dayOf(lesson), lesson.waterName, withText(lesson)]
          .filter(Boolean)
          .join(', '),
        looks: toMs <= this.day.now() ? 'taught' : 'lesson',
      };
    }),
  );
  protected readonly weeks = computed(() => {
    const days = datesFrom(this.monday(), WEEKS * 7).map((date) =>
      bandDay(this.water(), date, this.conditions.value()),
    );
    return Array.from({ length: WEEKS }, (_, i) => {
      const own = days.slice(i * 7, i * 7 + 7);
      const dates = new Set(own.map(({ date }) => date));
      return {
        number: DateTime.fromISO(own[0]?.date ?? '').weekNumber,
        days: own,
        marks: this.marks().filter(({ date }) => dates.has(date)),
      };
    });
  });
  protected readonly emptyText = computed(() =>
    this.here() === null ? 'Looking for lessons …' : `No lesson ${this.here() ? '' : 'known '}in these weeks`,
  );
  protected readonly shownCount = computed(() =>
    this.weeks().reduce((count, { marks }) => count + marks.length, 0),
  );
  protected readonly chosen = computed(
    () => this.day.lessons().find(({ id }) => id === this.chosenId()) ?? null,
  );
  protected readonly next = this.day.nextLesson;
  /** The lesson beside the weeks, where there is room for it: the next one when none was chosen. */
  protected readonly opened = computed(() => {
    if (this.narrow()) return null;
    const next = this.next();
    const isShown = this.weeks().some(({ marks }) => marks.some(({ id }) => id === next?.id));
    return this.chosen() ?? (isShown ? next : null);
  });

  protected step(by: number): void {
    this.weeksOn.update((weeks) => weeks + by * WEEKS);
  }

  protected choose(id: string): void {
    this.chosenId.set(id);
  }

  /** Turns to the weeks of a lesson, and chooses it. */
  protected show(lesson: SavedLesson): void {
    const monday = (date: string): DateTime => DateTime.fromISO(date, { zone: 'utc' }).startOf('week');
    const on = monday(localDate(lesson.startsAt, this.zone())).diff(monday(this.today()), 'weeks').weeks;
    this.weeksOn.set(Math.floor(on / WEEKS) * WEEKS);
    this.chosenId.set(lesson.id);
  }

  protected dayOf(lesson: SavedLesson): string {
    return dayText(lesson.startsAt, this.day.waterOf(lesson)?.water.timeZone ?? 'UTC');
  }
}
