import { Component, computed, inject, input, signal } from '@angular/core';
import { ALONG_DAYS, type Along, api, type SavedLesson } from '@doceo/contract';
import { shareGroup } from '@doceo/core';
import { listed } from '@doceo/texts';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Sending } from '../../data/api/sending';
import { endMs } from '../../data/lesson/bare-lesson';
import { DayStore } from '../../data/lesson/day-store';
import { callNames, callNamesOf } from '../../data/lesson/lesson-texts';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { SegmentsComponent } from '../../parts/fields/segments.component';

/** Who teaches one's lesson along: fellows who are asked, and whose place of the group is whose. */
@Component({
  selector: 'doceo-instructors',
  imports: [ChoiceFieldComponent, SegmentsComponent],
  template: `
    <ul class="given">
      @for (one of instructors(); track one.userId; let first = $first) {
        <li>
          <span>
            <b>{{ one.name }}</b>{{ first ? ', whose lesson it is' : '' }}<br />
            <span class="small soft">{{ one.has || 'nobody of the group' }}</span>
          </span>
          @if (!first) {
            <button
              type="button"
              class="btn small"
              [disabled]="sending.busy()"
              [attr.aria-label]="'Take out ' + one.name"
              (click)="takeOut(one.userId)"
            >
              Take out
            </button>
          }
        </li>
      }
    </ul>
    @if (short()) {
      <p class="small">{{ short() }}</p>
    }
    @if (several() && students().length > 0) {
      <div class="places" role="group" aria-label="Whose place is whose">
        @for (student of students(); track student.id) {
          <doceo-segments
            [label]="student.name"
            [options]="names()"
            [value]="student.with"
            (chosen)="give(student.id, $event)"
          />
        }
      </div>
      <div class="row">
        <button type="button" class="btn small" data-first [disabled]="sending.busy()" (click)="shareOut()">
          Share the group out
        </button>
        <span class="small soft">Evenly, neighbours with the same.</span>
      </div>
    }
    @if (!over()) {
      @if (choices().length > 0) {
        <div class="row ask">
          <doceo-choice-field
            label="A fellow who teaches along"
            [options]="choices()"
            [value]="who()"
            (chosen)="chosen.set($event)"
          />
          <button type="button" class="btn" [disabled]="sending.busy()" (click)="ask()">Put on</button>
        </div>
        <p class="small soft">
          He sees the lesson and, until {{ until() }}, the records of its students; he logs on his own device
          and finds his own part of the group first. Day, water and group stay yours to change.
        </p>
      } @else if (fellows.value()?.length === 0 && !several()) {
        <p class="small soft">Fellows of your circles can teach along; you are in none with anybody else.</p>
      }
    }
    @if (wrong(); as text) {
      <p class="wrong" role="alert">{{ text }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }

    p {
      margin: 0;
    }

    .places {
      display: grid;
      gap: 4px;
    }

    .places doceo-segments {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 2px 10px;
    }

    .ask {
      align-items: end;
    }

    .ask doceo-choice-field {
      flex: 1;
    }
  `,
})
export class InstructorsComponent {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  readonly lesson = input.required<SavedLesson>();
  /** How many instructors the plan counts on. */
  readonly planned = input(1);
  readonly zone = input('UTC');

  protected readonly fellows = fetched(
    () => this.lesson().id,
    (id) => this.client.call(api.lessons.fellows, { params: { id } }),
  );
  protected readonly chosen = signal<string | null>(null);
  protected readonly sending = new Sending();
  /** Whom the last call named, in its order: what is wrong is said of them. */
  private named: readonly string[] = [];

  protected readonly several = computed(() => this.lesson().instructors.length > 1);
  protected readonly over = computed(() => endMs(this.lesson()) <= this.day.now());
  protected readonly until = computed(() =>
    DateTime.fromMillis(endMs(this.lesson()), { zone: this.zone() })
      .plus({ days: ALONG_DAYS })
      .toFormat('d LLL'),
  );
  protected readonly students = computed(() =>
    this.day.studentsOf(this.lesson()).map(({ id, student }) => ({
      ...{ id, name: student.name },
      with: this.lesson().instructors.find(({ studentIds }) => studentIds.includes(id))?.userId ?? null,
    })),
  );
  private readonly called = computed(() => callNames(this.day.studentsOf(this.lesson())));
  protected readonly instructors = computed(() =>
    this.lesson().instructors.map(({ userId, name }) => ({
      ...{ userId, name },
      has: listed(
        this.students()
          .filter((student) => student.with === userId)
          .flatMap(({ id }) => this.called().get(id) ?? []),
      ),
    })),
  );
  protected readonly names = computed(() =>
    [...callNamesOf(this.lesson().instructors.map(({ userId, name }) => ({ id: userId, name })))].map(
      ([value, text]) => ({ value, text }),
    ),
  );
  /** That the plan counts on more than teach. */
  protected readonly short = computed(() => {
    const there = this.lesson().instructors.length;
    if (there >= this.planned()) return '';
    return `The plan counts on ${this.planned()} instructors; ${there === 1 ? 'one teaches' : `${there} teach`}.`;
  });
  protected readonly choices = computed(() =>
    (this.fellows.value() ?? [])
      .filter(({ userId }) => !this.lesson().instructors.some((one) => one.userId === userId))
      .map(({ userId, name, isTaken }) => ({
        value: userId,
        text: isTaken ? `${name}, who teaches elsewhere then` : name,
      })),
  );
  protected readonly who = computed(
    () =>
      this.choices().find(({ value }) => value === this.chosen())?.value ?? this.choices()[0]?.value ?? null,
  );
  protected readonly wrong = computed(() => {
    const problem = this.sending.wrong();
    if (!problem) return null;
    const [issue] = problem.issues;
    if (!issue) return problem.message;
    const of = this.named[Number(/instructors\[(\d+)\]/.exec(issue.path)?.[1] ?? NaN)];
    return of === undefined ? issue.message : `${of} ${issue.message}`;
  });

  protected ask(): void {
    const userId = this.who();
    if (userId !== null) this.set([...this.along(), { userId, studentIds: [] }]);
  }

  protected takeOut(userId: string): void {
    this.set(this.along().filter((one) => one.userId !== userId));
  }

  /** A student goes to another instructor; the one whose lesson it is has whomever nobody else has. */
  protected give(studentId: string, to: string): void {
    this.set(
      this.along().map(({ userId, studentIds }) => ({
        userId,
        studentIds: [...studentIds.filter((id) => id !== studentId), ...(userId === to ? [studentId] : [])],
      })),
    );
  }

  protected shareOut(): void {
    const [, ...shares] = shareGroup(this.lesson().studentIds, this.lesson().instructors.length);
    this.set(this.along().map(({ userId }, i) => ({ userId, studentIds: shares[i] ?? [] })));
  }

  private along(): Along['instructors'] {
    return this.lesson()
      .instructors.slice(1)
      .map(({ userId, studentIds }) => ({ userId, studentIds: [...studentIds] }));
  }

  private set(instructors: Along['instructors']): void {
    const known = [...this.lesson().instructors, ...(this.fellows.value() ?? [])];
    this.named = instructors.map(({ userId }) => known.find((one) => one.userId === userId)?.name ?? '');
    this.sending.send(this.day.setInstructors(this.lesson().id, instructors), () => this.chosen.set(null));
  }
}
