import { NgTemplateOutlet } from '@angular/common';
import { Component, computed, effect, inject, input, type OnInit, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { ENOUGH, type GoalForecast, practiceOf, type Skill } from '@doceo/core';
import { listed } from '@doceo/texts';
import { DateTime } from 'luxon';
import { Failures } from '../../data/api/failures';
import { downloadBlob, fileName } from '../../data/download';
import { CourseStore } from '../../data/lesson/course-store';
import { DayStore } from '../../data/lesson/day-store';
import { callNames, timeText } from '../../data/lesson/lesson-texts';
import { PDF_MAKER } from '../../data/pdf';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { Undoable } from '../../data/undoable';
import { narrowWindow } from '../../parts/narrow';
import { SheetComponent } from '../../parts/dialogs/sheet.component';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { achievedDocument, achievementOf } from './achieved-document';
import { CourseFormComponent } from './course-form.component';
import {
  type GoalStream,
  type LessonMark,
  CourseStreamsComponent,
  streamsHeight,
} from './course-streams.component';
import { CourseView, type LessonOfCourse } from './course-view';
import { GoalChancesComponent } from './goal-chances.component';
import { GoalNeedsComponent } from './goal-needs.component';
import type { StreamPoint } from './stream-shape';
import { TakeCourse } from './take-course';

const MINUTE_MS = 60_000;
/** The line below the streams, CSS pixels. */
const LEGEND_PX = 30;

/** A course: goals of a group by a day as streams that grow with its lessons, and the plans that would make them grow more. */
@Component({
  selector: 'doceo-course-page',
  imports: [
    FetchingComponent,
    CourseFormComponent,
    CourseStreamsComponent,
    GoalChancesComponent,
    GoalNeedsComponent,
    LoadFailedComponent,
    NgTemplateOutlet,
    NoSuchComponent,
    RouterLink,
    SheetComponent,
  ],
  templateUrl: './course.page.html',
  styleUrl: './course.page.css',
  providers: [CourseView],
})
export class CoursePage implements OnInit {
  private readonly store = inject(CourseStore);
  private readonly day = inject(DayStore);
  private readonly teaching = inject(TeachingStore);
  private readonly session = inject(SessionStore);
  private readonly pdfOf = inject(PDF_MAKER);
  private readonly taking = inject(TakeCourse);
  private readonly undoable = inject(Undoable);
  private readonly failures = inject(Failures);
  private readonly router = inject(Router);
  protected readonly view = inject(CourseView);
  readonly id = input.required<string>();
  protected readonly narrow = narrowWindow();
  /** Whose streams are drawn; null for the group. */
  protected readonly whoId = signal<string | null>(null);
  protected readonly goalId = signal<string | null>(null);
  protected readonly sheetOpen = signal(false);
  protected readonly changing = signal(false);
  protected readonly busy = signal(false);

  protected readonly loaded = computed(() => this.store.courses() !== null && this.day.loaded());
  protected readonly until = computed(() =>
    DateTime.fromISO(this.view.course()?.untilOn ?? '').toFormat('ccc d LLL yyyy'),
  );
  protected readonly who = computed(() =>
    [...callNames(this.view.students())].map(([id, name]) => ({ id, name })),
  );
  private readonly student = computed(
    () => this.view.students().find(({ id }) => id === this.whoId()) ?? null,
  );
  /** What is shown: what is proposed, else what is foretold of the plans as they are. */
  protected readonly shown = computed(() => this.view.proposal()?.goals ?? this.view.foretold());
  protected readonly streams = computed<GoalStream[]>(() => {
    const shown = this.shown();
    return shown ? this.view.goals().map((goal) => this.streamOf(goal, shown)) : [];
  });
  /** What is below does not move when the streams come: they and their legend have their room before. */
  protected readonly streamsPx = computed(() => streamsHeight(this.view.goals().length) + LEGEND_PX);
  protected readonly marks = computed<LessonMark[]>(() =>
    this.view.lessons().map(({ saved, startMs, day, over }) => ({ id: saved.id, atMs: startMs, day, over })),
  );
  protected readonly goal = computed<Skill | null>(
    () => this.view.goals().find(({ id }) => id === this.goalId()) ?? this.view.goals()[0] ?? null,
  );
  /** How the lessons to come are told, under the streams. */
  protected readonly lessons = computed(() => {
    const proposed = this.view.proposal()?.plans;
    let next = 0;
    return this.view.lessons().map((lesson) => {
      const plan = lesson.over ? undefined : proposed?.[next++];
      return {
        ...lesson,
        when: this.whenOf(lesson),
        trains: this.trainsOf(lesson, plan),
        none: plan === null,
      };
    });
  });
  protected readonly slips = computed(() =>
    this.view.slips().map(({ skillId, missed, next }) => ({
      skillId,
      text: `${this.nameOf(skillId)} was planned for ${missed?.day ?? 'a lesson'} and not tried.`,
      then: next ? `It comes again on ${next.day}.` : 'No lesson to come has it.',
      again: next !== null,
    })),
  );
  /** What taking the proposal would gain, in a sentence. */
  protected readonly gain = computed(() => {
    const [proposal, now] = [this.view.proposal(), this.view.foretold()];
    if (!proposal || !now) return '';
    const count = (goals: readonly GoalForecast[]): number =>
      this.view.goals().reduce((sum, { id }) => sum + this.view.reached(goals, id), 0);
    const of = this.view.goals().length * this.who().length;
    return `${count(proposal.goals)} of ${of} goals likely enough, ${count(now)} with the plans as they are`;
  });
  protected readonly canPlan = computed(
    () => this.view.coming().length > 0 && this.view.foretold() !== null && this.who().length > 0,
  );

  constructor() {
    effect(() => this.view.id.set(this.id()));
  }

  ngOnInit(): void {
    this.store.load();
  }

  protected chooseGoal(skillId: string): void {
    this.goalId.set(skillId);
    if (this.narrow()) this.sheetOpen.set(true);
  }

  protected changed(): void {
    this.changing.set(false);
    this.view.leave();
  }

  protected remove(): void {
    const saved = this.view.saved();
    if (!saved) return;
    this.store.remove(saved.id).subscribe({
      next: () => {
        void this.router.navigate(['/plan/courses']);
        this.undoable.told(`${saved.course.name} is deleted; its lessons stay`, () =>
          this.store.save(saved.id, saved.course).subscribe({ error: this.failures.tell }),
        );
      },
      error: this.failures.tell,
    });
  }

  /** Puts what is proposed on the lessons. */
  protected take(): void {
    const proposal = this.view.proposal();
    if (!proposal) return;
    const chosen = this.day.lesson()?.id;
    const others = this.view.coming().flatMap((lesson, i) => {
      const [before, after] = [this.view.bodyOf(lesson), proposal.plans[i]];
      return before && after ? [{ lesson: lesson.saved, day: lesson.day, before, after }] : [];
    });
    const settled = (): void => {
      this.busy.set(false);
      this.view.leave();
      this.view.plans.again();
      if (chosen) this.day.choose(chosen);
    };
    this.busy.set(true);
    this.taking.take(others).subscribe({
      next: (steps) => {
        settled();
        this.undoable.told(
          `${others.length} ${others.length === 1 ? 'lesson has' : 'lessons have'} a new plan`,
          () => this.taking.undo(steps).subscribe({ next: settled, error: this.failures.tell }),
        );
      },
      error: (error: Parameters<Failures['tell']>[0]) => {
        settled();
        this.failures.tell(error);
      },
    });
  }

  protected async saveRecord(): Promise<void> {
    const [student, course] = [this.student(), this.view.course()];
    if (!student || !course) return;
    const achieved = achievementOf({
      ...{ course, student: student.student, from: this.session.user()?.name ?? '' },
      ...{
        attempts: this.view.records.evidence(student.id),
        state: this.view.records.stateOf(student.id, this.day.now()),
      },
      lessons: this.view.over().filter(({ saved }) => saved.studentIds.includes(student.id)),
      curriculum: this.teaching.curriculum(),
      nowMs: this.day.now(),
      zone: this.view.zone(),
    });
    this.busy.set(true);
    try {
      downloadBlob(
        fileName(`${student.student.name} ${course.name}`, 'pdf'),
        await this.pdfOf(achievedDocument(achieved)),
      );
    } finally {
      this.busy.set(false);
    }
  }

  private streamOf({ id, name, strand }: Skill, goals: readonly GoalForecast[]): GoalStream {
    const own = (list: readonly GoalForecast[]): GoalForecast[] =>
      this.view.forecastsOf(list, id).filter(({ studentId }) => [null, studentId].includes(this.whoId()));
    const shown = own(goals);
    const chance = mean(shown, (one) => one.chance);
    const enough = shown.filter((one) => one.chance >= ENOUGH).length;
    const proposed = this.view.proposal() ? this.view.foretold() : null;
    const percent = `${Math.round(chance * 100)} %`;
    return {
      ...{ skillId: id, name, strand, points: this.pointsOf(shown) },
      end: this.whoId() ? percent : `${enough} of ${shown.length}`,
      told: `${name}: likely enough for ${listed(shown.filter((one) => one.chance >= ENOUGH).map(({ studentId }) => this.firstOf(studentId))) || 'nobody'}, ${percent} on the whole`,
      before: proposed ? mean(own(proposed), (one) => one.chance) : null,
    };
  }

  /** The stream of some students as one: what was believed after each lesson, what is now, and what comes. */
  private pointsOf(goals: readonly GoalForecast[]): StreamPoint[] {
    const [first] = goals;
    if (!first) return [];
    const sure = (atMs: number, of: (goal: GoalForecast) => number): StreamPoint => {
      const value = mean(goals, of);
      return { atMs, mean: value, low: value, high: value };
    };
    const over = this.view.over();
    const now = sure(this.view.nowMs(), (goal) => goal.now);
    return [
      ...(over.length > 0 ? [] : [{ ...now, atMs: this.view.fromMs() }]),
      ...first.past.map((_, i) =>
        sure((over[i]?.startMs ?? 0) + (over[i]?.saved.lengthMin ?? 0) * MINUTE_MS, (goal) => goal.past[i]!),
      ),
      now,
      ...first.course.map(({ atMs }, i) => ({
        atMs,
        mean: mean(goals, (goal) => goal.course[i]!.mean),
        low: mean(goals, (goal) => goal.course[i]!.low),
        high: mean(goals, (goal) => goal.course[i]!.high),
      })),
    ].filter((point, i, all) => i === 0 || point.atMs > all[i - 1]!.atMs);
  }

  private firstOf(studentId: string): string {
    return this.who().find(({ id }) => id === studentId)?.name ?? '';
  }

  private nameOf(skillId: string): string {
    return this.teaching.curriculum().skills.find(skillId)?.name ?? skillId;
  }

  private whenOf({ saved, startMs, day }: LessonOfCourse): string {
    return `${day}, ${timeText(startMs, this.day.waterOf(saved)?.water.timeZone ?? 'UTC')}`;
  }

  /** What the goals get of a lesson: `Roll cast 12, Mend up 8`. */
  private trainsOf(
    lesson: LessonOfCourse,
    proposed: Parameters<typeof practiceOf>[1] | null | undefined,
  ): string {
    const plan = proposed ?? this.view.bodyOf(lesson);
    if (!plan) return '';
    const most = new Map<string, number>();
    lesson.saved.studentIds.forEach((_, lane) => {
      const own = new Map<string, number>();
      for (const { skillId, attempts } of practiceOf(this.teaching.curriculum(), plan, lane))
        own.set(skillId, (own.get(skillId) ?? 0) + attempts);
      for (const [id, attempts] of own) most.set(id, Math.max(most.get(id) ?? 0, attempts));
    });
    return this.view
      .goals()
      .flatMap(({ id, name }) => (most.has(id) ? [`${name} ${most.get(id)}`] : []))
      .join(', ');
  }
}

function mean(goals: readonly GoalForecast[], of: (goal: GoalForecast) => number): number {
  return goals.length === 0 ? 0 : goals.reduce((sum, goal) => sum + of(goal), 0) / goals.length;
}
