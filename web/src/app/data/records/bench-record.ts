import { whyNotRecorded } from '../lesson/consent';
import { computed, inject, Injectable, signal } from '@angular/core';
import { type BankEvent, type BankEventBody } from '@doceo/core';
import { BankStore } from '../lesson/bank-store';
import { DayStore } from '../lesson/day-store';
import { LessonHistory } from './lesson-history';
import { TeachingStore } from '../teaching/teaching-store';

/** What a student did on a bench, at a skill; now when the moment is left out. */
export interface BenchAttempt {
  skillId: string;
  good: boolean;
  faultId?: string | null;
  atMs?: number;
}

/** Writes what a student did on a bench into the record, under the lesson that is on. */
@Injectable({ providedIn: 'root' })
export class BenchRecord {
  private readonly bank = inject(BankStore);
  private readonly day = inject(DayStore);
  private readonly history = inject(LessonHistory);
  private readonly teaching = inject(TeachingStore);
  readonly studentId = signal<string | null>(null);

  readonly people = computed(() => this.day.studentsOf(this.day.lesson()));
  readonly student = computed(() => this.people().find(({ id }) => id === this.studentId()) ?? null);
  /** Why nothing is recorded of the student, or null. */
  readonly forbidden = computed(() => {
    const [one, lesson] = [this.student(), this.day.lesson()];
    return one && lesson && whyNotRecorded(one, lesson, this.day.waterOf(lesson)?.water.timeZone ?? 'UTC');
  });
  readonly canKeep = computed(() => this.student() !== null && this.forbidden() === null);

  /**
   * Keeps them on this device, all or none, whence they go to the server.
   *
   * @returns the events, for who wants to take them back
   */
  async keep(bodies: readonly { body: BankEventBody; atMs: number }[]): Promise<BankEvent[]> {
    const [lesson, student] = [this.day.lesson(), this.student()];
    if (!lesson || !student || this.forbidden() || bodies.length === 0) return [];
    const events = bodies.map(({ body, atMs }): BankEvent => ({
      id: crypto.randomUUID(),
      lessonId: lesson.id,
      studentId: student.id,
      blockId: null,
      deviceId: this.bank.deviceId,
      atMs: Math.round(atMs),
      body,
    }));
    await this.bank.addAll(events);
    this.history.heard(events);
    return events;
  }

  /**
   * Keeps attempts as seen on a bench; those at skills that the school does not teach are left out.
   *
   * @returns the events, for who wants to take them back
   */
  keepAttempts(attempts: readonly BenchAttempt[]): Promise<BankEvent[]> {
    const { skills } = this.teaching.curriculum();
    return this.keep(
      attempts
        .filter(({ skillId }) => skills.has(skillId))
        .map(({ skillId, good, faultId = null, atMs = Date.now() }) => ({
          atMs,
          body: { kind: 'attempt', skillId, drillId: null, good, faultId, evidence: 'bench' },
        })),
    );
  }

  /** Takes events back; taking back is an event too. */
  async takeBack(events: readonly BankEvent[]): Promise<void> {
    const undone = events.map((event): BankEvent => ({
      ...event,
      id: crypto.randomUUID(),
      atMs: Date.now(),
      body: { kind: 'undo', targetId: event.id },
    }));
    await this.bank.addAll(undone);
    this.history.heard(undone);
  }
}
