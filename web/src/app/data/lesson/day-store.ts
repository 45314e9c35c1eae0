import { localDate } from './local-date';
import { computed, inject, Injectable, signal } from '@angular/core';
import {
  type Along,
  api,
  type ConditionDay,
  type Lesson,
  type SavedLesson,
  type SavedStudent,
  type SavedWater,
} from '@doceo/contract';
import { type BankEvent, hourAt, levelTrend, type PlanLesson, stockOf, type SunTimes } from '@doceo/core';
import { forkJoin, type Observable, of, switchMap, tap } from 'rxjs';
import { ApiClient } from '../api/api-client';
import type { ApiError } from '../api/api-error';
import { allStudents } from '../known/all-students';
import { endMs } from './bare-lesson';
import { BankStore } from './bank-store';
import { DeviceCopies } from '../device/device-copies';
import { DeviceUser } from '../device/device-user';
import { UserStorage } from '../device/user-storage';
import { Failures } from '../api/failures';
import { EffectStore } from '../records/effect-store';
import { FitStore } from '../records/fit-store';
import { DrawnWaters } from './drawn-waters';
import { KitStore } from './kit-store';
import { LessonHistory } from '../records/lesson-history';
import { LessonList } from '../known/lesson-list';
import { planStudent } from './plan-student';
import { sunAt } from './sun-at';
import { MomentStore, type Spot, type WaterMoment } from './moment-store';
import { TeachingStore } from '../teaching/teaching-store';

/** Under which the students seen last are kept on this device. */
const SEEN_KEY = '#students';

/** Where and when we are: lessons, waters, students, and the lesson that every screen follows. */
@Injectable({ providedIn: 'root' })
export class DayStore {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly bank = inject(BankStore);
  private readonly copies = inject(DeviceCopies);
  private readonly fits = inject(FitStore);
  private readonly kits = inject(KitStore);
  private readonly effects = inject(EffectStore);
  private readonly drawn = inject(DrawnWaters);
  private readonly list = inject(LessonList);
  private readonly history = inject(LessonHistory);
  private readonly moments = inject(MomentStore);
  private readonly failures = inject(Failures);
  private readonly user = inject(DeviceUser);
  private readonly chosenId = inject(UserStorage).value<string | null>('lesson', null);
  private readonly waterList = signal<SavedWater[]>([]);
  private readonly studentList = signal<SavedStudent[]>([]);
  private readonly conditionDay = signal<ConditionDay | null>(null);

  readonly loaded = signal(false);
  readonly conditionsFailed = signal<ApiError | null>(null);
  /** Those that this device knows, by start; screens that need others ask for them. */
  readonly lessons = this.list.lessons;
  readonly waters = this.waterList.asReadonly();
  readonly students = this.studentList.asReadonly();
  readonly now = signal(Date.now());

  /** The lesson chosen in the strip, else the next one, else the last one. */
  readonly lesson = computed<SavedLesson | null>(() => {
    const lessons = this.lessons();
    const next = lessons.find((lesson) => endMs(lesson) > this.now());
    return lessons.find(({ id }) => id === this.chosenId()) ?? next ?? lessons.at(-1) ?? null;
  });
  readonly nextLesson = computed(() => this.lessons().find((lesson) => endMs(lesson) > this.now()) ?? null);
  /** Water and moment that every screen follows: the lesson's, or others chosen to see what would change. */
  readonly moment = computed<WaterMoment | null>(() => {
    const [chosen, lesson] = [this.moments.elsewhere(), this.lesson()];
    const own = lesson && { waterId: lesson.waterId, atMs: Date.parse(lesson.startsAt) };
    return [chosen, own].find((one) => this.waterList().some(({ id }) => id === one?.waterId)) ?? null;
  });
  /** Whether water or moment are others than the lesson's. */
  readonly elsewhere = computed(() => {
    const [moment, lesson] = [this.moment(), this.lesson()];
    if (!moment) return false;
    return moment.waterId !== lesson?.waterId || moment.atMs !== Date.parse(lesson.startsAt);
  });
  readonly water = computed(() => this.waterList().find(({ id }) => id === this.moment()?.waterId) ?? null);
  readonly date = computed(() => {
    const [moment, water] = [this.moment(), this.water()];
    return moment && water ? localDate(new Date(moment.atMs).toISOString(), water.water.timeZone) : null;
  });
  readonly sun = computed<SunTimes | null>(() => {
    const [water, date] = [this.water(), this.date()];
    return water && date ? sunAt(water, date) : null;
  });
  /** Conditions of the day at the water; null while they are not known. */
  readonly conditions = computed<ConditionDay | null>(() => {
    const [day, water, date] = [this.conditionDay(), this.water(), this.date()];
    return day && water && day.waterId === water.id && day.date === date ? day : null;
  });
  /** The hour of the moment, and how the level goes. */
  readonly hour = computed(() => {
    const [day, moment] = [this.conditions(), this.moment()];
    const found = day && moment && hourAt(day.hours, moment.atMs);
    return found && { ...found.hour, trend: levelTrend(day.hours, found.index) };
  });
  /** The place chosen at the water, with the level of the hour in its depth; null while none is chosen there. */
  readonly spot = computed<Spot | null>(() => {
    const spot = this.moments.spots()[this.moment()?.waterId ?? ''];
    return spot ? { ...spot, depthM: Math.max(0.05, spot.depthM + (this.hour()?.levelM ?? 0)) } : null;
  });
  /** What counts of the records of the current lesson's students, from all their lessons. */
  readonly events = this.history.events;

  /** What the plan check needs to know of the current lesson: at its own water and hour, wherever one looks meanwhile. */
  readonly planLesson = computed<PlanLesson | null>(() => {
    const lesson = this.lesson();
    return lesson ? this.planLessonOf(lesson, this.events()) : null;
  });

  load(): Observable<unknown> {
    this.fits.load().subscribe();
    this.teaching.load().subscribe();
    this.kits.load();
    return forkJoin([
      this.list.load(this.chosenId()),
      this.client.call(api.waters.list),
      allStudents(this.client),
    ]).pipe(
      tap(([, waters, { value: students, fromDevice }]) => {
        this.waterList.set(waters);
        this.studentList.set(students);
        if (!fromDevice) void this.forgetOthers(students);
        this.now.set(Date.now());
        this.loaded.set(true);
      }),
      switchMap(() => this.loadHistory()),
    );
  }

  /** Students who were deleted, or are no longer mine to see, go from this device too. */
  private async forgetOthers(students: readonly SavedStudent[]): Promise<void> {
    const user = this.user.id();
    if (user === null) return;
    const ids = students.map(({ id }) => id);
    const before = ((await this.copies.find(user, SEEN_KEY))?.value ?? []) as string[];
    await this.bank.forgetOthers(new Set(ids));
    if (before.some((id) => !ids.includes(id))) {
      await this.copies.forget(user, api.events.list.path);
      await this.copies.forget(user, api.records.list.path);
    }
    await this.copies.keep(user, SEEN_KEY, ids);
  }

  choose(lessonId: string): void {
    this.chosenId.set(lessonId);
    this.moments.back();
    this.loadHistory().subscribe({ error: this.failures.tell });
  }

  /** Sets every screen to another water or moment, to see what would change. */
  goTo(waterId: string, atMs: number): void {
    this.moments.goTo({ waterId, atMs });
    this.loadConditions();
  }

  /** One went to another screen: looking at another water or hour ends where it has no place. */
  wentTo(url: string): void {
    if (this.moments.elsewhere() && !this.moments.livesAt(url)) this.backToLesson();
  }

  backToLesson(): void {
    this.moments.back();
    this.loadConditions();
  }

  /** Fetches the events behind the estimates of the current lesson's students. */
  loadHistory(force = false): Observable<unknown> {
    this.loadConditions();
    const lesson = this.lesson();
    return lesson ? this.history.follow(lesson, force) : of(null);
  }

  /** Nothing waits for the conditions: without them the check says nothing of them. */
  loadConditions(): void {
    const [water, date] = [this.water(), this.date()];
    if (!water || !date) return;
    const isAsked = (): boolean => this.water()?.id === water.id && this.date() === date;
    this.client.call(api.waters.conditions, { params: { id: water.id }, query: { date } }).subscribe({
      next: (day) => {
        if (!isAsked()) return;
        this.conditionDay.set(day);
        this.conditionsFailed.set(null);
      },
      error: (error: ApiError) => {
        if (!isAsked()) return;
        this.conditionDay.set(null);
        this.conditionsFailed.set(error);
      },
    });
  }

  saveLesson(id: string, lesson: Lesson): Observable<SavedLesson> {
    const exists = this.lessons().some((other) => other.id === id);
    const saved = exists
      ? this.client.call(api.lessons.update, { params: { id }, body: lesson })
      : this.client.call(api.lessons.create, { body: { id, lesson } });
    return saved.pipe(
      tap((result) => {
        this.list.put([result]);
        this.history.forget();
        this.choose(id);
      }),
    );
  }

  removeLesson(id: string): Observable<unknown> {
    return this.client.call(api.lessons.remove, { params: { id } }).pipe(tap(() => this.list.drop(id)));
  }

  /** Says who teaches along, and whom of the group each has. */
  setInstructors(id: string, instructors: Along['instructors']): Observable<SavedLesson> {
    return this.client
      .call(api.lessons.setInstructors, { params: { id }, body: { instructors } })
      .pipe(tap((saved) => this.list.put([saved])));
  }

  /** Teaches along no more: lesson and students go from this device. */
  leaveLesson(id: string): Observable<unknown> {
    return this.client
      .call(api.lessons.leave, { params: { id }, body: {} })
      .pipe(tap(() => this.load().subscribe({ error: this.failures.tell })));
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
        this.history.clear();
        this.load().subscribe({ error: this.failures.tell });
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
    const water = this.waterOf(lesson);
    return lesson && water ? sunAt(water, localDate(lesson.startsAt, water.water.timeZone)) : null;
  }

  /** A lesson as the plan check wants it, with estimates from these events. */
  planLessonOf(lesson: SavedLesson, events: readonly BankEvent[]): PlanLesson | null {
    const { waterId } = lesson;
    const startMs = Date.parse(lesson.startsAt);
    const said = this.waterList().find(({ id }) => id === waterId)?.water;
    if (!said) return null;
    const water = this.drawn.with(waterId, said);
    const date = localDate(new Date(startMs).toISOString(), water.timeZone);
    const known = this.conditions();
    const learned = { curriculum: this.teaching.curriculum(), fitted: this.fits.fitted() };
    return {
      startMs,
      date,
      water,
      stock: stockOf(this.kits.kit()),
      ...(known?.waterId === waterId && known.date === date
        ? {
            hours: known.hours,
            hoursFrom: known.source,
            hoursSimulated: known.simulated,
            readings: known.readings,
          }
        : {}),
      effects: this.effects.drills(),
      students: this.studentsOf(lesson).map((one) => planStudent(one, events, { date, startMs }, learned)),
    };
  }

  /** A water as it was told last, new or known. */
  putWater(water: SavedWater): void {
    this.waterList.update((list) =>
      [...list.filter(({ id }) => id !== water.id), water].sort((a, b) =>
        a.water.name.localeCompare(b.water.name),
      ),
    );
  }

  dropWater(waterId: string): void {
    this.waterList.update((list) => list.filter(({ id }) => id !== waterId));
  }
}
