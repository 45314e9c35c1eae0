import { computed, inject, Injectable, signal, untracked } from '@angular/core';
import { ageOn, api, type LessonPlan, type SavedLesson } from '@doceo/contract';
import {
  type CourseStudent,
  type CourseTask,
  ENOUGH,
  type GoalForecast,
  isClosed,
  needsOf,
  type PlanBody,
  type Skill,
  slipped,
  type Water,
} from '@doceo/core';
import { DateTime } from 'luxon';
import { forkJoin, of, type Subscription } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { CourseStore } from '../../data/lesson/course-store';
import { DayStore } from '../../data/lesson/day-store';
import { dayText } from '../../data/lesson/lesson-texts';
import { localDate } from '../../data/lesson/local-date';
import { FitStore } from '../../data/records/fit-store';
import { groupRecords } from '../../data/records/group-records';
import { TeachingStore } from '../../data/teaching/teaching-store';
import type { CourseRequest } from '../../workers/plans/make-course';
import { sentCurriculum } from '../../workers/plans/make-plans';
import { PlanRunner } from '../../workers/plans/plan-runner';
import { lessonsBesides } from '../../data/known/lessons-besides';

/** Changes that are tried for each lesson each time: some seconds for three of them. */
const TRIES = 2000;
const MINUTE_MS = 60_000;

/** A lesson on the calendar to which somebody of the course comes. */
export interface LessonOfCourse {
  saved: SavedLesson;
  startMs: number;
  over: boolean;
  /** At its water. */
  date: string;
  day: string;
  water: Water;
  /** Whether its water has no season then. */
  closed: boolean;
}

/** What is proposed for the lessons to come. */
export interface CourseProposal {
  plans: readonly (PlanBody | null)[];
  goals: readonly GoalForecast[];
}

/** A course as it stands: its lessons, what they give, how far its goals will be, and what the machine proposes. */
@Injectable()
export class CourseView {
  private readonly client = inject(ApiClient);
  private readonly store = inject(CourseStore);
  private readonly day = inject(DayStore);
  private readonly teaching = inject(TeachingStore);
  private readonly fits = inject(FitStore);
  private readonly runner = inject(PlanRunner);
  private work: Subscription | null = null;

  readonly id = signal<string | null>(null);
  readonly saved = computed(() => this.store.courses()?.find(({ id }) => id === this.id()) ?? null);
  readonly course = computed(() => this.saved()?.course ?? null);
  readonly zone = computed(() => this.day.waterOf(this.lessons()[0]?.saved ?? null)?.water.timeZone ?? 'UTC');
  readonly students = computed(() => {
    const known = this.day.students();
    return this.course()?.studentIds.flatMap((id) => known.find((one) => one.id === id) ?? []) ?? [];
  });
  /** Skills that are wanted and still taught. */
  readonly goals = computed<Skill[]>(() => {
    const { skills } = this.teaching.curriculum();
    return this.course()?.goals.flatMap((id) => skills.find(id) ?? []) ?? [];
  });
  /** Whether its lessons are here, those of long ago too. */
  private readonly looked = lessonsBesides(() => {
    const course = this.course();
    // A day more on both sides: the water may lie anywhere on the globe.
    const at = (date: string, days: number) => DateTime.fromISO(date, { zone: 'utc' }).plus({ days }).toISO();
    const [from, until] = course ? [at(course.fromOn, -1), at(course.untilOn, 2)] : [null, null];
    return from && until ? [{ from, until }] : null;
  });
  readonly lessons = computed<LessonOfCourse[]>(() => {
    const course = this.course();
    if (!course) return [];
    const who = new Set(course.studentIds);
    return this.day.lessons().flatMap((saved) => {
      const water = this.day.waterOf(saved)?.water;
      const zone = water?.timeZone ?? 'UTC';
      const date = localDate(saved.startsAt, zone);
      if (!water || date < course.fromOn || date > course.untilOn) return [];
      if (!saved.studentIds.some((id) => who.has(id))) return [];
      const startMs = Date.parse(saved.startsAt);
      const over = startMs <= this.day.now();
      return [
        {
          ...{ saved, startMs, date, over, day: dayText(saved.startsAt, zone), water },
          closed: isClosed(water.rules, date),
        },
      ];
    });
  });
  readonly over = computed(() => this.lessons().filter((lesson) => lesson.over));
  /** Those to come that are one's own to plan. */
  readonly coming = computed(() => this.lessons().filter(({ over, saved }) => !over && saved.mine));
  readonly fromMs = computed(() => this.midnight(this.course()?.fromOn, 0));
  /** The end of its last day. */
  readonly untilMs = computed(() => this.midnight(this.course()?.untilOn, 1));
  readonly nowMs = computed(() => this.day.now());
  /** Of those of the course and of whoever comes to its lessons. */
  readonly records = groupRecords(() =>
    this.course()
      ? [
          ...new Set([
            ...(this.course()?.studentIds ?? []),
            ...this.lessons().flatMap(({ saved }) => saved.studentIds),
          ]),
        ].sort()
      : null,
  );

  /** Plans as they are taught, by the ids of their lessons. */
  readonly plans = fetched(
    () => this.course() && this.lessons().map(({ saved }) => saved),
    (lessons) =>
      lessons.length === 0
        ? of([])
        : forkJoin(lessons.map(({ id }) => this.client.call(api.lessons.plan, { params: { id } }))),
  );
  private readonly planOf = computed(
    () => new Map(this.plans.value()?.map((plan): [string, LessonPlan] => [plan.lessonId, plan]) ?? []),
  );
  private readonly task = computed<Omit<CourseTask, 'curriculum'> | null>(() => {
    const course = this.course();
    if (
      !course ||
      this.looked() === null ||
      !this.plans.value() ||
      !this.records.loaded() ||
      this.goals().length === 0
    )
      return null;
    const coming = this.coming();
    return {
      students: this.everybody(coming, course.studentIds),
      goals: this.goals().map(({ id }) => id),
      slippedIds: untracked(this.slips).map(({ skillId }) => skillId),
      nowMs: this.nowMs(),
      untilMs: Math.max(this.untilMs(), this.nowMs()),
      overMs: this.over().map(({ startMs, saved }) => startMs + saved.lengthMin * MINUTE_MS),
      lessons: coming.flatMap(({ saved, startMs, date, water }) => {
        const plan = this.planOf().get(saved.id);
        if (!plan) return [];
        const { studentIds } = saved;
        return [
          {
            plan: { ...plan.body, groupSize: Math.max(1, studentIds.length) },
            lesson: { startMs, date, water },
            studentIds,
          },
        ];
      }),
      fitted: this.fits.fitted(),
    };
  });
  /** What the plans as they are lead to. */
  private readonly forecast = fetched(
    () => this.task(),
    (task) => this.runner.course(this.request(task, null)),
  );
  readonly foretold = computed<readonly GoalForecast[] | null>(() => {
    const news = this.forecast.value();
    return news?.kind === 'course' ? news.goals : null;
  });
  readonly failed = computed(() => this.plans.failed() ?? this.store.failed() ?? this.records.failed());

  /** How far the planning is, 0…1; null while the machine is at rest. */
  readonly planned = signal<number | null>(null);
  readonly proposal = signal<CourseProposal | null>(null);
  readonly broken = signal<string | null>(null);

  /** What slipped, and where it comes again by the plans that are shown. */
  readonly slips = computed(() => {
    const over = this.over().flatMap(({ saved }) => {
      const plan = this.planOf().get(saved.id)?.body;
      return plan ? [{ plan, tried: this.records.triedIn(saved.id), lesson: saved.id }] : [];
    });
    const goals = this.goals().map(({ id }) => id);
    const coming = this.proposal()?.plans ?? this.coming().map((lesson) => this.bodyOf(lesson));
    const states = this.students().map(({ id }) => this.records.stateOf(id, this.nowMs()));
    const found = slipped(this.teaching.curriculum(), goals, over, coming);
    // What everybody has by now need not come again.
    const lacked = found.filter(({ skillId }) => states.some((of) => (of[skillId]?.mastery ?? 0) < ENOUGH));
    return lacked.map((slip) => ({
      ...slip,
      missed: this.lessons().find(({ saved }) => saved.id === over[slip.missedIn]?.lesson) ?? null,
      next: slip.nextIn === null ? null : (this.coming()[slip.nextIn] ?? null),
    }));
  });

  /** How many students a goal is likely enough for. */
  reached(goals: readonly GoalForecast[], skillId: string): number {
    return this.forecastsOf(goals, skillId).filter(({ chance }) => chance >= ENOUGH).length;
  }

  /** Those of the course, not of others who come to its lessons. */
  forecastsOf(goals: readonly GoalForecast[], skillId: string): GoalForecast[] {
    const who = this.course()?.studentIds ?? [];
    return goals.filter((one) => one.skillId === skillId && who.includes(one.studentId));
  }

  bodyOf(lesson: LessonOfCourse): PlanBody | null {
    return this.planOf().get(lesson.saved.id)?.body ?? null;
  }

  /** Plans all lessons to come for the goals. */
  plan(): void {
    const task = this.task();
    if (!task) return;
    this.leave();
    this.planned.set(0);
    this.work = this.runner.course(this.request(task, TRIES)).subscribe({
      next: (news) => {
        if (news.kind === 'planned') this.planned.set(news.share);
        else this.proposal.set({ plans: news.plans, goals: news.goals });
      },
      error: (error: unknown) => {
        this.planned.set(null);
        this.broken.set(error instanceof Error ? error.message : String(error));
      },
      complete: () => this.planned.set(null),
    });
  }

  /** What is proposed goes; so does what is being made. */
  leave(): void {
    this.work?.unsubscribe();
    this.planned.set(null);
    this.proposal.set(null);
    this.broken.set(null);
  }

  /** The best that was found until now is kept; no more is looked for. */
  stop(): void {
    this.work?.unsubscribe();
    this.planned.set(null);
  }

  private request(task: Omit<CourseTask, 'curriculum'>, tries: number | null): CourseRequest {
    return {
      curriculum: sentCurriculum(this.teaching.curriculum()),
      task,
      tries,
      seed: this.id() ?? 'course',
    };
  }

  private everybody(coming: readonly LessonOfCourse[], studentIds: readonly string[]): CourseStudent[] {
    const ids = new Set([...studentIds, ...coming.flatMap(({ saved }) => saved.studentIds)]);
    const date = DateTime.fromMillis(this.nowMs(), { zone: this.zone() }).toISODate() ?? '';
    return this.day
      .students()
      .filter(({ id }) => ids.has(id))
      .map(({ id, student }) => {
        const ageYears = ageOn(student.bornOn, date);
        return {
          ...{ id, name: student.name, ageYears, saidAdult: student.saidAdult },
          guardianConsent: student.guardianConsentOn !== null,
          needs: needsOf({ ...student, ageYears }),
          attempts: this.records.evidence(id),
        };
      });
  }

  private midnight(date: string | undefined, days: number): number {
    return date ? DateTime.fromISO(date, { zone: this.zone() }).plus({ days }).toMillis() : 0;
  }
}
