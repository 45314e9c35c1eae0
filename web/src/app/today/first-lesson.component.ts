import { Component, computed, ElementRef, inject, output, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api } from '@doceo/contract';
import { emptyPlan, type PlanBody } from '@doceo/core';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { fetched } from '../data/api/fetched';
import { DayStore } from '../data/lesson/day-store';
import { dayText, callNames, timeText } from '../data/lesson/lesson-texts';
import { LessonFormComponent } from '../shared/lesson/lesson-form.component';
import { StudentAdderComponent } from '../shared/lesson/student-adder.component';
import { EXAMPLE_TITLE, examplePlan } from '../shared/plan/example-plan';
import { WaterFormComponent } from '../shared/water/water-form.component';
import { ExamplePlanComponent } from './example-plan.component';
import { TeachingStore } from '../data/teaching/teaching-store';

type Step = 'water' | 'students' | 'plan' | 'day' | 'teach';

/** The way from nothing to the first logged cast, one step open at a time, until it has been gone. */
@Component({
  selector: 'doceo-first-lesson',
  imports: [ExamplePlanComponent, LessonFormComponent, RouterLink, StudentAdderComponent, WaterFormComponent],
  templateUrl: './first-lesson.component.html',
  styleUrl: './first-lesson.component.css',
})
export class FirstLessonComponent {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly day = inject(DayStore);
  readonly hide = output<void>();
  private readonly plans = fetched(
    () => true,
    () => this.client.call(api.plans.library, { query: { whose: 'mine' } }),
  );
  protected readonly example = examplePlan(
    this.teaching.curriculum(),
    Math.max(1, this.day.students().length),
  );
  protected readonly chosen = signal<Step | null>(null);
  protected readonly busy = signal(false);
  protected readonly failed = signal<string | null>(null);
  /** A plan that was made here just now. */
  private readonly made = signal<{ id: string; title: string } | null>(null);
  protected readonly plan = computed(() => this.made() ?? this.plans.value()?.items[0] ?? null);

  protected readonly steps = computed(() => {
    const [waters, students, plan, lesson] = [
      this.day.waters(),
      this.day.students(),
      this.plan(),
      this.day.nextLesson(),
    ];
    const zone = this.day.waterOf(lesson)?.water.timeZone ?? 'UTC';
    const step = (id: Step, title: string, done: boolean, told: string) => ({ id, title, done, told });
    return [
      step('water', 'The water', waters.length > 0, waters.map(({ water }) => water.name).join(', ')),
      step('students', 'Who comes', students.length > 0, [...callNames(students).values()].join(', ')),
      step('plan', 'The plan', plan !== null, plan?.title ?? ''),
      step(
        'day',
        'The day',
        lesson !== null,
        lesson ? `${dayText(lesson.startsAt, zone)}, ${timeText(Date.parse(lesson.startsAt), zone)}` : '',
      ),
      step('teach', 'Teach it', false, ''),
    ];
  });
  /** The step somebody looks at, else the first that is not done. */
  protected readonly open = computed<Step>(
    () => this.chosen() ?? this.steps().find(({ done }) => !done)?.id ?? 'teach',
  );

  /** Goes on to a step, null for the first that is not done; the keyboard goes along, since what it was in is gone. */
  protected advance(step: Step | null): void {
    this.chosen.set(step);
    setTimeout(() =>
      this.host.querySelector<HTMLElement>(`#step-${this.open()} :is(input, button, a)`)?.focus(),
    );
  }

  protected takeExample(): void {
    this.make(
      EXAMPLE_TITLE,
      examplePlan(this.teaching.curriculum(), Math.max(1, this.day.students().length)),
      false,
    );
  }

  protected beginEmpty(): void {
    this.make('Untitled plan', emptyPlan(), true);
  }

  private make(title: string, body: PlanBody, thenOpen: boolean): void {
    this.busy.set(true);
    this.failed.set(null);
    this.client.call(api.plans.create, { body: { id: crypto.randomUUID(), title, body } }).subscribe({
      next: ({ id }) => {
        this.busy.set(false);
        this.made.set({ id, title });
        if (thenOpen) void this.router.navigate(['/plan', id]);
        else this.advance(null);
      },
      error: ({ message }: ApiError) => {
        this.busy.set(false);
        this.failed.set(message);
      },
    });
  }
}
