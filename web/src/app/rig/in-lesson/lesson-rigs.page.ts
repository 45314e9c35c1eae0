import { Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@doceo/contract';
import { type PlanBody, type Rig } from '@doceo/core';
import { RIG_TEMPLATE_WORDS } from '@doceo/texts';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { dayText, callNames, spanText } from '../../data/lesson/lesson-texts';
import { ReadingStore } from '../../data/records/reading-store';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { OnePageDirective } from '../../parts/one-page.directive';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { NoSuchLessonComponent } from '../../shared/lesson/no-such-lesson.component';
import type { TiedBy } from '../../shared/rig/rig-rows';
import { RigSheetComponent } from '../card/rig-sheet.component';
import { lessonWith } from '../../data/known/lessons-besides';

/** A rig on the card of one student. */
interface Card {
  key: string;
  studentId: string;
  student: string;
  name: string;
  purpose: string;
  /** As this student ties it. */
  rig: Rig;
  tiedBy: TiedBy;
  /** What he does with it, and when. */
  uses: string[];
}

const EVERYBODY = '';

/** The rigs of a lesson on paper, a page for each student and rig, with the strength of that student's own knots. */
@Component({
  selector: 'doceo-lesson-rigs',
  imports: [
    FetchingComponent,
    ChoiceFieldComponent,
    LoadFailedComponent,
    NoSuchLessonComponent,
    OnePageDirective,
    RigSheetComponent,
    RouterLink,
  ],
  templateUrl: './lesson-rigs.page.html',
  styleUrl: './lesson-rigs.page.css',
})
export class LessonRigsPage {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly readings = inject(ReadingStore);
  readonly id = input.required<string>();
  private readonly found = lessonWith(this.id);
  protected readonly lesson = this.found.lesson;
  protected readonly looked = this.found.looked;
  protected readonly taught = fetched(
    () => this.lesson()?.id ?? null,
    (id) => this.client.call(api.lessons.plan, { params: { id } }),
  );
  private readonly zone = computed(() => this.day.waterOf(this.lesson())?.water.timeZone ?? 'UTC');
  protected readonly when = computed(() => dayText(this.lesson()?.startsAt ?? '', this.zone()));
  private readonly students = computed(() => this.day.studentsOf(this.lesson()));
  private readonly called = computed(() => callNames(this.students()));
  private readonly cards = computed<Card[]>(() => {
    const plan = this.taught.value()?.body;
    if (!plan) return [];
    return this.students().flatMap(({ id, student }, lane) =>
      plan.rigs.flatMap((carried) => {
        const uses = this.usesOf(plan, carried.id, lane);
        if (uses.length === 0) return [];
        return {
          ...{ key: `${id} ${carried.id}`, studentId: id, student: student.name, name: carried.name, uses },
          purpose: RIG_TEMPLATE_WORDS[carried.rig.template].purpose,
          rig: this.readings.known(carried.rig, id),
          tiedBy: { name: this.called().get(id) ?? student.name, knots: this.readings.knotsOf(id) },
        };
      }),
    );
  });
  protected readonly whose = signal(EVERYBODY);
  protected readonly choices = computed(() => [
    { value: EVERYBODY, text: 'everybody' },
    ...this.students()
      .filter(({ id }) => this.cards().some(({ studentId }) => studentId === id))
      .map(({ id, student }) => ({ value: id, text: this.called().get(id) ?? student.name })),
  ]);
  protected readonly shown = computed(() =>
    this.cards().filter(({ studentId }) => [EVERYBODY, studentId].includes(this.whose())),
  );

  constructor() {
    this.readings.load();
  }

  protected print(): void {
    window.print();
  }

  private usesOf({ blocks }: PlanBody, rigId: string, lane: number): string[] {
    const startMs = Date.parse(this.lesson()?.startsAt ?? '');
    return blocks
      .filter((block) => block.rigId === rigId && (block.lane === null || block.lane === lane))
      .sort((a, b) => a.startMin - b.startMin)
      .map(
        ({ startMin, durationMin, title }) =>
          `${spanText(startMs + startMin * 60_000, durationMin, this.zone())} ${title}`,
      );
  }
}
