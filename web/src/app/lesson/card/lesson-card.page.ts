import { Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { ageOn, api } from '@doceo/contract';
import { adapt, type Block, curriculumOf, needsOf, strandOf, textInUnits, toBrief } from '@doceo/core';
import { adaptedText } from '@doceo/texts';
import { SAFETY_WORDS } from '../../data/lesson/event-text';
import { ApiClient } from '../../data/api/api-client';
import { DayStore } from '../../data/lesson/day-store';
import { fetched } from '../../data/api/fetched';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { SessionStore } from '../../data/session';
import { LessonDialogComponent } from '../../shared/lesson/lesson-dialog.component';
import {
  callNames,
  needsText,
  dayText,
  firstName,
  spanText,
  timeText,
  withText,
} from '../../data/lesson/lesson-texts';
import { readOnText } from '../../parts/dates';
import { WhoTeachesComponent } from '../assist/who-teaches.component';
import { CardBackComponent } from './card-back.component';
import { NoSuchLessonComponent } from '../../shared/lesson/no-such-lesson.component';
import { OnePageDirective } from '../../parts/one-page.directive';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { lessonWith } from '../../data/known/lessons-besides';

/** The lesson on paper, both sides of a sheet: who does what when and what to say; behind it what if, where and what to pack. */
@Component({
  selector: 'doceo-lesson-card',
  imports: [
    FetchingComponent,
    CardBackComponent,
    OnePageDirective,
    LessonDialogComponent,
    LoadFailedComponent,
    NoSuchLessonComponent,
    RouterLink,
    WhoTeachesComponent,
  ],
  templateUrl: './lesson-card.page.html',
  styleUrl: './lesson-card.page.css',
})
export class LessonCardPage {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly session = inject(SessionStore);
  protected readonly day = inject(DayStore);
  readonly id = input.required<string>();
  private readonly found = lessonWith(this.id);
  protected readonly lesson = this.found.lesson;
  protected readonly looked = this.found.looked;
  private readonly taught = fetched(
    () => this.lesson()?.id ?? null,
    (id) => this.client.call(api.lessons.plan, { params: { id } }),
  );
  protected readonly plan = this.taught.value;
  protected readonly failed = this.taught.failed;
  protected readonly changing = signal(false);
  protected readonly helping = signal(false);
  protected readonly beside = computed(() => {
    const lesson = this.lesson();
    return lesson ? withText(lesson) : '';
  });
  protected readonly water = computed(() => this.day.waterOf(this.lesson())?.water ?? null);
  protected readonly zone = computed(() => this.water()?.timeZone ?? 'UTC');
  protected readonly students = computed(() => this.day.studentsOf(this.lesson()));
  protected readonly sun = computed(() => {
    const sun = this.day.sunOf(this.lesson());
    return {
      up: timeText(sun?.sunriseMs, this.zone()),
      down: timeText(sun?.sunsetMs, this.zone()),
      dark: timeText(sun?.duskMs, this.zone()),
    };
  });
  protected readonly readOn = computed(() => readOnText(this.water()?.rules.checkedOn));
  protected readonly when = computed(() => {
    const lesson = this.lesson();
    return lesson
      ? `${dayText(lesson.startsAt, this.zone())}, ${spanText(Date.parse(lesson.startsAt), lesson.lengthMin, this.zone())}`
      : '';
  });
  private readonly names = computed(() => callNames(this.students()));
  protected readonly rows = computed(() => {
    const plan = this.plan()?.body;
    const startMs = Date.parse(this.lesson()?.startsAt ?? '');
    if (!plan || Number.isNaN(startMs)) return [];
    const names = [...this.names().values()];
    return together(plan.blocks).map(({ block, lanes }) => ({
      id: block.id,
      time: spanText(startMs + block.startMin * 60_000, block.durationMin, this.zone()),
      strand: strandOf(this.curriculum(), block),
      title: block.title,
      who: lanes.map((lane) => names[lane] ?? `student ${lane + 1}`).join(', ') || 'all',
      place: block.place === 'anywhere' ? '' : block.place,
      rig: plan.rigs.find(({ id }) => id === block.rigId)?.name ?? '',
      cue: block.cue,
      note: block.note,
      goal: this.goal(block.drillId),
      bent: this.bent(block, lanes),
      watch: block.watchFor
        .flatMap((id) => this.curriculum().faults.find(id)?.short.toLowerCase() ?? [])
        .slice(0, 4)
        .join(', '),
    }));
  });
  private readonly curriculum = computed(() =>
    curriculumOf(this.teaching.curriculum(), this.plan()?.body ?? {}),
  );
  /** What went wrong with them before, for the safety talk; of the lesson whose records are here. */
  protected readonly brief = computed(() => {
    const lesson = this.lesson();
    if (!lesson || this.day.lesson()?.id !== lesson.id) return [];
    return toBrief(this.day.events(), lesson.id).map(({ what, studentId, text, atMs }) => {
      const who = this.names().get(studentId ?? '') ?? 'the group';
      return `${SAFETY_WORDS[what]}, ${who}, ${dayText(new Date(atMs).toISOString(), this.zone())}${text ? `: ${text}` : ''}`;
    });
  });
  protected readonly lanes = computed(() =>
    this.students().map(({ id, student }) => {
      const { instructors = [] } = this.lesson() ?? {};
      const by = instructors.find(({ studentIds }) => studentIds.includes(id))?.name;
      return {
        student,
        about: [needsText(student), by && instructors.length > 1 ? `with ${firstName(by)}` : '']
          .filter(Boolean)
          .join(', '),
      };
    }),
  );

  protected again(): void {
    this.taught.again();
  }

  protected print(): void {
    window.print();
  }

  /** A text that ships, in the units of the reader. */
  private told(text: string): string {
    return textInUnits(text, this.session.units());
  }

  /** Who of those in a block does it otherwise, and how. */
  private bent(block: Block, lanes: readonly number[]): { name: string; text: string }[] {
    const drill = this.curriculum().drills.find(block.drillId ?? '');
    const date = this.lesson()?.startsAt.slice(0, 10) ?? '';
    if (!drill) return [];
    return this.students().flatMap(({ id, student }, lane) => {
      if (lanes.length > 0 && !lanes.includes(lane)) return [];
      const needs = needsOf({ ...student, ageYears: ageOn(student.bornOn, date) });
      const text = adaptedText(adapt(this.curriculum(), drill, needs), this.session.units());
      return text ? [{ name: this.names().get(id) ?? '', text }] : [];
    });
  }

  private goal(drillId: string | null): string {
    const success = this.curriculum().drills.find(drillId ?? '')?.success;
    return success ? this.told(`${success.good} of ${success.of}: ${success.at}`) : '';
  }
}

/** Blocks that differ only in whose they are, as one with all their lanes; no lanes mean everybody. */
function together(blocks: readonly Block[]): { block: Block; lanes: number[] }[] {
  const rows = new Map<string, { block: Block; lanes: number[] }>();
  for (const block of blocks) {
    const key = JSON.stringify({ ...block, id: '', lane: block.lane === null ? null : 0 });
    const row = rows.get(key) ?? { block, lanes: [] };
    if (block.lane !== null) row.lanes.push(block.lane);
    rows.set(key, row);
  }
  return [...rows.values()];
}
