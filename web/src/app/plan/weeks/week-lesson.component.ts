import { Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { SavedLesson } from '@doceo/contract';
import { listed } from '@doceo/texts';
import { DayStore } from '../../data/lesson/day-store';
import { dayText, callNames, spanText, withText } from '../../data/lesson/lesson-texts';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { LessonMoves } from './lesson-moves';

/** How far a lesson is moved by one press, days. */
const STEPS = [
  { days: -7, text: 'a week sooner' },
  { days: -1, text: 'a day sooner' },
  { days: 1, text: 'a day later' },
  { days: 7, text: 'a week later' },
];

/** A lesson of the weeks: where it leads, what follows it, and how it is moved, repeated or cancelled. */
@Component({
  selector: 'doceo-week-lesson',
  imports: [RouterLink, SegmentsComponent],
  template: `
    @if (headed()) {
      <h2>{{ lesson().planTitle }}</h2>
    }
    <p>
      <b>{{ when() }}</b><br />{{ lesson().waterName }}{{ who() ? ', ' + who() : '' }}
      @if (beside(); as text) {
        <br />{{ text }}
      }
    </p>
    <div class="row">
      @if (lesson().planId; as planId) {
        <a class="btn" [routerLink]="['/plan', planId]" (click)="day.choose(lesson().id)">Plan</a>
      }
      <a class="btn" [routerLink]="['/lesson', lesson().id]">Card</a>
      <a class="btn" [routerLink]="['/lesson', lesson().id, 'kit']">Packing list</a>
    </div>
    @if (after().length > 0) {
      <h3>What follows for its students</h3>
      <ul>
        @for (one of after(); track one.id) {
          <li>{{ dayOf(one) }}, {{ one.planTitle }}</li>
        }
      </ul>
    }
    @if (!over() && lesson().mine) {
      <h3>Move it</h3>
      @if (after().length > 0) {
        <label class="along"
          ><input type="checkbox" [checked]="along()" (change)="along.set(!along())" /> and what follows with
          it</label
        >
      }
      <div class="steps">
        @for (step of steps(); track step.days) {
          <button type="button" class="btn" [disabled]="step.past" (click)="moves.move(moved(), step.days)">
            {{ step.text }}
            @if (step.way) {
              <span class="small">on {{ step.way }}</span>
            }
          </button>
        }
      </div>
    }
    @if (lesson().mine) {
      <h3>Repeat it</h3>
      <doceo-segments label="Every" [options]="everies" [value]="every()" (chosen)="every.set($event)" />
      <doceo-segments
        label="Times"
        [options]="counts"
        [value]="times()"
        [figures]="true"
        (chosen)="times.set($event)"
      />
      <button type="button" class="btn" (click)="moves.repeat(lesson(), every(), times())">
        Put {{ times() }} more on the calendar
      </button>
    } @else {
      <p class="small soft along-told">You teach along: whose lesson it is moves, repeats or cancels it.</p>
    }
    @if (!over() && lesson().mine) {
      <h3>Not at all</h3>
      <button type="button" class="btn plain" (click)="moves.cancel(lesson())">Cancel the lesson</button>
    }
  `,
  styles: `
    h2 {
      margin-top: 0;
    }
    h3 {
      margin: 14px 0 4px;
    }
    ul {
      margin: 0;
      padding-left: 18px;
    }
    .along-told {
      margin-top: 12px;
    }
    .steps {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 6px;
    }
    .steps .btn {
      display: grid;
      justify-items: center;
    }
    .along {
      display: flex;
      gap: 6px;
      margin-bottom: 6px;
    }
    doceo-segments {
      margin-bottom: 8px;
    }
  `,
})
export class WeekLessonComponent {
  protected readonly day = inject(DayStore);
  protected readonly moves = inject(LessonMoves);
  readonly lesson = input.required<SavedLesson>();
  readonly headed = input(true);
  /** Whether the later lessons of its students move with it; asked anew for each lesson. */
  protected readonly along = linkedSignal({ source: () => this.lesson().id, computation: () => false });
  protected readonly every = signal(7);
  protected readonly times = signal(3);
  protected readonly everies = [
    { value: 7, text: 'week' },
    { value: 14, text: 'two weeks' },
  ];
  protected readonly counts = [1, 2, 3, 4, 6, 8].map((value) => ({ value, text: String(value) }));

  private readonly zone = computed(() => this.day.waterOf(this.lesson())?.water.timeZone ?? 'UTC');
  protected readonly when = computed(() => {
    const { startsAt, lengthMin } = this.lesson();
    return `${dayText(startsAt, this.zone())}, ${spanText(Date.parse(startsAt), lengthMin, this.zone())}`;
  });
  protected readonly who = computed(() =>
    listed([...callNames(this.day.studentsOf(this.lesson())).values()]),
  );
  protected readonly beside = computed(() => withText(this.lesson()));
  protected readonly over = computed(
    () => Date.parse(this.lesson().startsAt) + this.lesson().lengthMin * 60_000 <= this.day.now(),
  );
  protected readonly after = computed(() => this.moves.after(this.lesson()));
  protected readonly moved = computed(() => [this.lesson(), ...(this.along() ? this.after() : [])]);
  protected readonly steps = computed(() =>
    STEPS.map((step) => ({
      ...step,
      way: this.moves.inTheWay(this.lesson(), step.days, this.moved())?.planTitle ?? null,
      past: Date.parse(this.lesson().startsAt) + step.days * 86_400_000 < this.day.now(),
    })),
  );

  protected dayOf(lesson: SavedLesson): string {
    return dayText(lesson.startsAt, this.day.waterOf(lesson)?.water.timeZone ?? 'UTC');
  }
}
