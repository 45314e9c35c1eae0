import { Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { ageOn } from '@doceo/contract';
import { ADULT_AGE, type BankEvent, debrief, howOnDryLand } from '@doceo/core';
import { goodThingText } from '@doceo/texts';
import { DayStore } from '../../data/lesson/day-store';
import { UserStorage } from '../../data/device/user-storage';
import { downloadBlob, fileName } from '../../data/download';
import { dayText, firstName } from '../../data/lesson/lesson-texts';
import { PDF_MAKER } from '../../data/pdf';
import { InUnitsPipe } from '../../parts/in-units.pipe';
import { SessionStore } from '../../data/session';
import { CardSentenceComponent } from '../../shared/lesson/card-sentence.component';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { StudentLinkComponent } from './student-link.component';
import { cardDocument, type Paper } from '../student/card-document';
import { NoSuchComponent } from '../../shared/no-such.component';
import { recordOf } from '../../data/records/record-of';
import { OnePageDirective } from '../../parts/one-page.directive';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { lessonsById } from '../../data/known/lessons-besides';

const PAPERS: { id: Paper; name: string }[] = [
  { id: 'A4', name: 'A4' },
  { id: 'LETTER', name: 'Letter' },
];

/** What to show a student after a lesson: three good things, one to work on, one drill at home. On a screen or on paper. */
@Component({
  selector: 'doceo-debrief-page',
  imports: [
    FetchingComponent,
    OnePageDirective,
    CardSentenceComponent,
    FormsModule,
    InUnitsPipe,
    LoadFailedComponent,
    NoSuchComponent,
    RouterLink,
    StudentLinkComponent,
  ],
  templateUrl: './debrief.page.html',
  styleUrl: './debrief.page.css',
})
export class DebriefPage {
  private readonly teaching = inject(TeachingStore);
  private readonly pdfOf = inject(PDF_MAKER);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  readonly id = input.required<string>();

  protected readonly papers = PAPERS;
  protected readonly paper = inject(UserStorage).value<Paper>(
    'paper',
    /-(US|CA)$/.test(navigator.language) ? 'LETTER' : 'A4',
  );
  protected readonly making = signal(false);
  protected readonly unmade = signal(false);
  private readonly record = recordOf(this.id);
  private readonly events = this.record.value;
  protected readonly failed = this.record.failed;
  private readonly chosen = signal<string | null>(null);

  /** Where the code on the card leads, once its link was made. */
  protected readonly pageAddress = signal<string | null>(null);
  protected readonly how = howOnDryLand;
  protected readonly student = computed(() => this.day.students().find(({ id }) => id === this.id()) ?? null);
  protected readonly first = computed(() => firstName(this.student()?.student.name ?? ''));
  protected readonly minor = computed(() => {
    const student = this.student()?.student;
    const age = student ? ageOn(student.bornOn, new Date().toISOString()) : null;
    return !!student && (age === null ? !student.saidAdult : age < ADULT_AGE);
  });
  private readonly named = computed(() => [
    ...new Set((this.events() ?? []).map(({ lessonId }) => lessonId)),
  ]);
  private readonly looked = lessonsById(this.named);
  protected readonly loaded = computed(() => this.events() !== null && this.looked() !== null);
  /** Lessons with something on the record of this student, the last one first. */
  protected readonly lessons = computed(() => {
    const seen = new Set(this.named());
    return [...this.day.lessons()]
      .filter(({ id }) => seen.has(id))
      .reverse()
      .map((lesson) => {
        const zone = this.day.waterOf(lesson)?.water.timeZone ?? 'UTC';
        return { ...lesson, when: dayText(lesson.startsAt, zone) };
      });
  });
  protected readonly lesson = computed(
    () => this.lessons().find(({ id }) => id === this.chosen()) ?? this.lessons()[0] ?? null,
  );
  protected readonly told = computed(() => {
    const lesson = this.lesson();
    return lesson ? debrief(this.teaching.curriculum(), this.events() ?? [], this.id(), lesson.id) : null;
  });
  protected readonly good = computed(() => (this.told()?.good ?? []).map(goodThingText));

  protected add(events: BankEvent[]): void {
    this.record.update((list) => [...list, ...events]);
  }

  protected again(): void {
    this.record.again();
  }

  protected choose(lessonId: string): void {
    this.chosen.set(lessonId);
  }

  protected print(): void {
    window.print();
  }

  protected setPaper(paper: Paper): void {
    this.paper.set(paper);
  }

  protected async savePdf(): Promise<void> {
    const [lesson, told] = [this.lesson(), this.told()];
    if (!lesson || !told) return;
    this.making.set(true);
    this.unmade.set(false);
    try {
      const card = {
        first: this.first(),
        when: lesson.when,
        water: lesson.waterName,
        plan: lesson.planTitle,
        told,
        from: this.session.user()?.name ?? '',
        page: this.pageAddress(),
      };
      const blob = await this.pdfOf(cardDocument(card, this.paper()));
      downloadBlob(fileName(`${card.first} ${lesson.startsAt.slice(0, 10)}`, 'pdf'), blob);
    } catch {
      this.unmade.set(true);
    } finally {
      this.making.set(false);
    }
  }
}
