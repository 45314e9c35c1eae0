import { computed, inject, Injectable, signal } from '@angular/core';
import {
  ageOn,
  api,
  type ConditionDay,
  type Lesson,
  type SavedLesson,
  type SavedStudent,
  type SavedWater,
} from '@doceo/contract';
import {
  attemptsOf,
  type BankEvent,
  type PlanLesson,
  SKILLS,
  skillState,
  sunTimes,
  type SunTimes,
  type Food,
} from '@doceo/core';
import { DateTime } from 'luxon';
import { forkJoin, map, type Observable, of, switchMap, tap } from 'rxjs';
import { ApiClient } from './api-client';
import { BankStore } from './bank-store';
import { DeviceCopies } from './device-copies';
import { FitStore } from './fit-store';

const CHOSEN_KEY = 'doceo.lesson';
/** Under which the students seen last are kept on this device. */
const SEEN_KEY = '#students';

/** Where and when we are: lessons, waters, students, and the lesson that every screen follows. */
@Injectable({ providedIn: 'root' })
export class DayStore {
  private readonly client = inject(ApiClient);
  private readonly bank = inject(BankStore);
  private readonly copies = inject(DeviceCopies);
  private readonly fits = inject(FitStore);
  private readonly chosenId = signal(localStorage.getItem(CHOSEN_KEY));
  private readonly lessonList = signal<SavedLesson[]>([]);
  private readonly waterList = signal<SavedWater[]>([]);
  private readonly studentList = signal<SavedStudent[]>([]);
  private readonly history = signal<BankEvent[]>([]);
  private historyOf: string | null = null;
  private readonly conditionDay = signal<ConditionDay | null>(null);

  readonly loaded = signal(false);
  readonly lessons = this.lessonList.asReadonly();
  readonly waters = this.waterList.asReadonly();
  readonly students = this.studentList.asReadonly();
  readonly now = signal(Date.now());

  /** The lesson chosen in the strip, else the next one, else the last one. */
  readonly lesson = computed<SavedLesson | null>(() => {
    const lessons = this.lessonList();
    const next = lessons.find((lesson) => endMs(lesson) > this.now());
    return lessons.find(({ id }) => id === this.chosenId()) ?? next ?? lessons.at(-1) ?? null;
  });
  readonly nextLesson = computed(
    () => this.lessonList().find((lesson) => endMs(lesson) > this.now()) ?? null,
  );
  readonly water = computed(() => this.waterOf(this.lesson()));
  readonly sun = computed<SunTimes | null>(() => this.sunOf(this.lesson()));
  /** Conditions of the lesson's day at its water; null while they are not known. */
  readonly conditions = computed<ConditionDay | null>(() => {
    const [day, lesson, water] = [this.conditionDay(), this.lesson(), this.water()];
    return day &&
      lesson &&
      water &&
      day.waterId === water.id &&
      day.date === localDate(lesson.startsAt, water.water.timeZone)
      ? day
      : null;
  });
  /** Events of all lessons of the students of the current lesson. */
  readonly events = this.history.asReadonly();

  /** What the plan check needs to know of the current lesson. */
  readonly planLesson = computed<PlanLesson | null>(() => {
    const lesson = this.lesson();
    return lesson ? this.planLessonOf(lesson, this.history()) : null;
  });

  load(): Observable<unknown> {
    this.fits.load().subscribe();
    return forkJoin([
      this.client.call(api.lessons.list),
      this.client.call(api.waters.list),
      this.client.call(api.students.list),
    ]).pipe(
      tap(([lessons, waters, students]) => {
        this.lessonList.set(lessons);
        this.waterList.set(waters);
        this.studentList.set(students);
        void this.forgetOthers(students);
        this.now.set(Date.now());
        this.loaded.set(true);
      }),
      switchMap(() => this.loadHistory()),
    );
  }

  /** Students who were deleted, or are no longer mine to see, go from this device too. */
  private async forgetOthers(students: readonly SavedStudent[]): Promise<void> {
    if (this.client.fromDevice()) return;
    const ids = students.map(({ id }) => id);
    const before = ((await this.copies.find(SEEN_KEY))?.value ?? []) as string[];
    await this.bank.forgetOthers(new Set(ids));
    if (before.some((id) => !ids.includes(id))) await this.copies.forget(api.events.list.path);
    await this.copies.keep(SEEN_KEY, ids);
  }

  choose(lessonId: string): void {
    this.chosenId.set(lessonId);
    localStorage.setItem(CHOSEN_KEY, lessonId);
    this.loadHistory().subscribe();
  }

  /** Fetches the events behind the estimates of the current lesson's students. */
  loadHistory(force = false): Observable<unknown> {
    const lesson = this.lesson();
    if (!lesson) return of(null);
    this.loadConditions(lesson);
    if (this.historyOf === lesson.id && !force) return of(null);
    this.historyOf = lesson.id;
    return this.client
      .call(api.events.list, { query: { studentsOfLesson: lesson.id } })
      .pipe(tap((events) => this.history.set(events)));
  }

  /** Nothing waits for the conditions: without them the check says nothing of them. */
  private loadConditions(lesson: SavedLesson): void {
    const water = this.waterOf(lesson);
    if (!water) return;
    const date = localDate(lesson.startsAt, water.water.timeZone);
    this.client
      .call(api.waters.conditions, { params: { id: water.id }, query: { date } })
      .subscribe({ next: (day) => this.conditionDay.set(day), error: () => this.conditionDay.set(null) });
  }

  saveLesson(id: string, lesson: Lesson): Observable<SavedLesson> {
    const exists = this.lessonList().some((other) => other.id === id);
    const saved = exists
      ? this.client.call(api.lessons.update, { params: { id }, body: lesson })
      : this.client.call(api.lessons.create, { body: { id, lesson } });
    return saved.pipe(
      tap((result) => {
        this.lessonList.update((list) =>
          [...list.filter((other) => other.id !== id), result].sort((a, b) =>
            a.startsAt.localeCompare(b.startsAt),
          ),
        );
        this.historyOf = null;
        this.choose(id);
      }),
    );
  }

  removeLesson(id: string): Observable<unknown> {
    return this.client
      .call(api.lessons.remove, { params: { id } })
      .pipe(tap(() => this.lessonList.update((list) => list.filter((lesson) => lesson.id !== id))));
  }

  readCard(waterId: string): Observable<SavedWater> {
    return this.client
      .call(api.waters.readCard, { params: { id: waterId } })
      .pipe(tap((water) => this.putWater(water)));
  }

  setCalendar(waterId: string, calendar: Food[] | null): Observable<SavedWater> {
    return this.client
      .call(api.waters.setCalendar, { params: { id: waterId }, body: { calendar } })
      .pipe(tap((water) => this.putWater(water)));
  }

  addWater(id: string, water: SavedWater['water']): Observable<SavedWater> {
    return this.client
      .call(api.waters.create, { body: { id, water } })
      .pipe(tap((saved) => this.putWater(saved)));
  }

  saveStudent(id: string, student: SavedStudent['student']): Observable<SavedStudent> {
    const exists = this.studentList().some((other) => other.id === id);
    const saved = exists
      ? this.client.call(api.students.update, { params: { id }, body: student })
      : this.client.call(api.students.create, { body: { id, student } });
    return saved.pipe(
      tap((result) =>
        this.studentList.update((list) =>
          [...list.filter((other) => other.id !== id), result].sort((a, b) =>
            a.student.name.localeCompare(b.student.name),
          ),
        ),
      ),
    );
  }

  /**
   * Deletes a student on the server, and then here, so that nothing of the record stays on this device. Emits in between:
   * who shows the student can leave before the student is gone from under it.
   */
  removeStudent(id: string): Observable<unknown> {
    return this.client.call(api.students.remove, { params: { id } }).pipe(
      tap(() => {
        this.historyOf = null;
        this.history.set([]);
        this.load().subscribe();
      }),
    );
  }

  waterOf(lesson: SavedLesson | null): SavedWater | null {
    return this.waterList().find(({ id }) => id === lesson?.waterId) ?? null;
  }

  studentsOf(lesson: SavedLesson | null): SavedStudent[] {
    return (
      lesson?.studentIds.flatMap((id) => this.studentList().find((student) => student.id === id) ?? []) ?? []
    );
  }

  sunOf(lesson: SavedLesson | null): SunTimes | null {
    const water = this.waterOf(lesson)?.water;
    return lesson && water
      ? sunTimes(
          water.latitude,
          water.longitude,
          Date.parse(`${localDate(lesson.startsAt, water.timeZone)}T12:00:00Z`),
        )
      : null;
  }

  /** A lesson as the plan check wants it, with estimates from these events. */
  planLessonOf(lesson: SavedLesson, events: readonly BankEvent[]): PlanLesson | null {
    const water = this.waterOf(lesson)?.water;
    if (!water) return null;
    const date = localDate(lesson.startsAt, water.timeZone);
    const startMs = Date.parse(lesson.startsAt);
    const hours = this.conditions()?.hours;
    return {
      startMs,
      date,
      water,
      ...(hours && lesson.id === this.lesson()?.id ? { hours } : {}),
      students: this.studentsOf(lesson).map(({ id, student }) => ({
        id,
        name: student.name,
        ageYears: ageOn(student.bornOn, date),
        guardianConsent: student.guardianConsentOn !== null,
        skills: skillState(SKILLS, attemptsOf(events, id), startMs, this.fits.fitted()),
      })),
    };
  }

  /** Events of the students of any lesson. */
  historyFor(lesson: SavedLesson): Observable<BankEvent[]> {
    return this.client
      .call(api.events.list, { query: { studentsOfLesson: lesson.id } })
      .pipe(map((events) => events));
  }

  private putWater(water: SavedWater): void {
    this.waterList.update((list) =>
      [...list.filter(({ id }) => id !== water.id), water].sort((a, b) =>
        a.water.name.localeCompare(b.water.name),
      ),
    );
  }
}

function endMs(lesson: SavedLesson): number {
  return Date.parse(lesson.startsAt) + lesson.lengthMin * 60_000;
}

/** ISO date at the water. */
export function localDate(startsAt: string, timeZone: string): string {
  return DateTime.fromISO(startsAt, { zone: timeZone }).toISODate() ?? '';
}
