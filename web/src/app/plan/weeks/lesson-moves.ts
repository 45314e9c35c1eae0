import { inject, Injectable } from '@angular/core';
import type { Lesson, SavedLesson } from '@doceo/contract';
import { isClosed } from '@doceo/core';
import { DateTime } from 'luxon';
import { concatMap, from } from 'rxjs';
import { Failures } from '../../data/api/failures';
import { bareLesson } from '../../data/lesson/bare-lesson';
import { DayStore } from '../../data/lesson/day-store';
import { dayText } from '../../data/lesson/lesson-texts';
import { Undoable } from '../../data/undoable';

const MINUTE_MS = 60_000;

/** Lessons that are put on other days, repeated and cancelled; each with the way back in its message. */
@Injectable({ providedIn: 'root' })
export class LessonMoves {
  private readonly day = inject(DayStore);
  private readonly failures = inject(Failures);
  private readonly undoable = inject(Undoable);

  /** One's own lessons to come of any of its students, the soonest first. */
  after(lesson: SavedLesson): SavedLesson[] {
    return this.day
      .lessons()
      .filter(
        ({ mine, startsAt, studentIds }) =>
          mine && startsAt > lesson.startsAt && studentIds.some((id) => lesson.studentIds.includes(id)),
      );
  }

  /** What else is taught when a lesson would be moved by days; null for nothing. */
  inTheWay(lesson: SavedLesson, days: number, moved: readonly SavedLesson[] = [lesson]): SavedLesson | null {
    const fromMs = Date.parse(this.on(lesson, days));
    const toMs = fromMs + lesson.lengthMin * MINUTE_MS;
    const others = this.day.lessons().filter(({ id }) => !moved.some((one) => one.id === id));
    return (
      others.find((other) => {
        const start = Date.parse(other.startsAt);
        return start < toMs && start + other.lengthMin * MINUTE_MS > fromMs;
      }) ?? null
    );
  }

  /** Puts lessons so many days later, at the same hour by the clock there. */
  move(lessons: readonly SavedLesson[], days: number): void {
    const [first] = lessons;
    if (!first) return;
    this.saveAll(
      lessons.map((lesson) => [lesson.id, { ...bareLesson(lesson), startsAt: this.on(lesson, days) }]),
      first.id,
    );
    const many = lessons.length > 1 ? ` and ${lessons.length - 1} more` : '';
    this.undoable.told(`${first.planTitle}${many} moved to ${this.text(first, days)}`, () =>
      this.saveAll(
        lessons.map((lesson) => [lesson.id, bareLesson(lesson)]),
        first.id,
      ),
    );
  }

  /** Begins a lesson so many minutes later, negative for earlier. */
  shift(lesson: SavedLesson, byMin: number): void {
    const startsAt = new Date(Date.parse(lesson.startsAt) + byMin * MINUTE_MS).toISOString();
    this.saveAll([[lesson.id, { ...bareLesson(lesson), startsAt }]], lesson.id);
    this.undoable.told(
      `${lesson.planTitle} begins ${Math.abs(byMin)} min ${byMin < 0 ? 'earlier' : 'later'}`,
      () => this.saveAll([[lesson.id, bareLesson(lesson)]], lesson.id),
    );
  }

  /** The same lesson again, so many times so many days on. Days out of season, or on which one teaches, are left out. */
  repeat(lesson: SavedLesson, everyDays: number, times: number): void {
    const days = Array.from({ length: times }, (_, i) => (i + 1) * everyDays);
    const free = days.filter((n) => this.whyNot(lesson, n) === null);
    const made = free.map((n): [string, Lesson] => [
      crypto.randomUUID(),
      { ...bareLesson(lesson), startsAt: this.on(lesson, n) },
    ]);
    const left = days
      .filter((n) => !free.includes(n))
      .map((n) => `${this.text(lesson, n)} left out, ${this.whyNot(lesson, n)}`);
    this.saveAll(made, lesson.id);
    this.undoable.told(
      [`${made.length} ${made.length === 1 ? 'lesson' : 'lessons'} more`, ...left].join('; '),
      () =>
        from(made)
          .pipe(concatMap(([id]) => this.day.removeLesson(id)))
          .subscribe({ error: this.failures.tell }),
    );
  }

  /** Takes a lesson off the calendar; one with records of students stays, and says so. */
  cancel(lesson: SavedLesson): void {
    this.day.removeLesson(lesson.id).subscribe({
      next: () =>
        this.undoable.told(`${lesson.planTitle} is cancelled`, () =>
          this.saveAll([[lesson.id, bareLesson(lesson)]], lesson.id),
        ),
      error: this.failures.tell,
    });
  }

  private whyNot(lesson: SavedLesson, days: number): string | null {
    const water = this.day.waterOf(lesson)?.water;
    const date = DateTime.fromISO(this.on(lesson, days), { zone: this.zoneOf(lesson) }).toISODate() ?? '';
    if (water && isClosed(water.rules, date)) return 'closed season';
    const other = this.inTheWay(lesson, days, []);
    return other ? `you teach ${other.planTitle}` : null;
  }

  private on(lesson: SavedLesson, days: number): string {
    return (
      DateTime.fromISO(lesson.startsAt, { zone: this.zoneOf(lesson) })
        .plus({ days })
        .toUTC()
        .toISO() ?? ''
    );
  }

  private text(lesson: SavedLesson, days: number): string {
    return dayText(this.on(lesson, days), this.zoneOf(lesson));
  }

  private zoneOf(lesson: SavedLesson): string {
    return this.day.waterOf(lesson)?.water.timeZone ?? 'UTC';
  }

  /** One after the other, and the one that is looked at stays so. */
  private saveAll(lessons: readonly [string, Lesson][], chosenId: string): void {
    from(lessons)
      .pipe(concatMap(([id, lesson]) => this.day.saveLesson(id, lesson)))
      .subscribe({ complete: () => this.day.choose(chosenId), error: this.failures.tell });
  }
}
