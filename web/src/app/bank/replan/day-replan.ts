import { computed, inject, Injectable, type OnDestroy, signal } from '@angular/core';
import {
  closedHours,
  onPlanB,
  placesOf,
  type PlanBody,
  type ReplanReason,
  replanCosts,
  replanTask,
  type WhyNot,
} from '@doceo/core';
import type { Subscription } from 'rxjs';
import { DayStore } from '../../data/lesson/day-store';
import { sentCurriculum } from '../../workers/plans/make-plans';
import { PlanRunner } from '../../workers/plans/plan-runner';
import { BankSession } from '../bank-session';

/** So many changes are tried: an answer within the blink in which one looks up. */
const TRIES = 400;
/** Late by so much where the clock says nothing, minutes. */
const USUAL_LATE_MIN = 10;
const STEP_MIN = 5;

/** What is asked of the day that goes on otherwise. */
export interface Asked {
  why: ReplanReason;
  /** How much later the rest begins than planned, minutes; of *We are late* alone. */
  lateMin: number;
  studentIds: readonly string[];
  dropIds: readonly string[];
}

/** The rest of a lesson, planned anew on the water: without a network, by this device alone. */
@Injectable()
export class DayReplan implements OnDestroy {
  private readonly book = inject(BankSession);
  private readonly day = inject(DayStore);
  private readonly runner = inject(PlanRunner);
  private work: Subscription | null = null;

  readonly asked = signal<Asked | null>(null);
  readonly running = signal(false);
  private readonly found = signal<PlanBody | null>(null);
  readonly none = signal<WhyNot | null>(null);
  readonly failed = signal(false);
  /** When the rest begins, minutes from the start. */
  readonly fromMin = signal(0);

  /** The plan as it goes on until something is taken. */
  readonly before = computed<PlanBody | null>(() => this.book.now());
  readonly after = this.found.asReadonly();
  readonly costs = computed(() => {
    const [before, after] = [this.before(), this.found()];
    return before && after ? replanCosts(this.book.curriculum(), before, after) : [];
  });

  ngOnDestroy(): void {
    this.work?.unsubscribe();
    this.runner.cool();
  }

  /** Begins with one of the reasons. */
  open(why: ReplanReason, studentIds: readonly string[] = []): void {
    this.ask({ why, lateMin: this.lateNow(), studentIds, dropIds: [] });
  }

  /** Whether there is a plan B for what came. */
  readonly hasPlanB = computed(() => {
    const why = this.asked()?.why;
    return why !== undefined && this.before()?.planB?.trigger === why;
  });

  /** What was made for it at home, from now on, in place of what this device proposes. */
  takePlanB(): void {
    const body = this.before();
    if (!body?.planB) return;
    this.work?.unsubscribe();
    this.running.set(false);
    this.none.set(null);
    this.failed.set(false);
    this.found.set(onPlanB(body, this.fromMin()));
  }

  /** The same with another word: later, another drill dropped. */
  change(change: Partial<Asked>): void {
    const asked = this.asked();
    if (asked) this.ask({ ...asked, ...change });
  }

  leave(): void {
    this.work?.unsubscribe();
    this.asked.set(null);
    this.found.set(null);
    this.none.set(null);
  }

  /** The rest goes on as proposed; one undo brings back what was. */
  take(): Promise<string[]> {
    const [asked, found] = [this.asked(), this.found()];
    if (!asked || !found) return Promise.resolve([]);
    const fromMin = this.fromMin();
    const kept = this.book.replan({ kind: 'replan', why: asked.why, fromMin, blocks: found.blocks }, fromMin);
    this.leave();
    return kept;
  }

  private ask(asked: Asked): void {
    const [body, lesson, placeMin] = [this.before(), this.day.planLesson(), this.book.placeMinute()];
    this.asked.set(asked);
    this.found.set(null);
    this.none.set(null);
    this.failed.set(false);
    if (!body || !lesson || placeMin === null) return;
    this.work?.unsubscribe();
    const curriculum = this.book.curriculum();
    const { why, studentIds, dropIds } = asked;
    const isLate = why === 'late';
    const nowMin = isLate ? this.nextMin(body, placeMin) + asked.lateMin : this.clockMin(body, placeMin);
    const task = replanTask(
      body,
      { why, placeMin, nowMin, studentIds, dropIds, stayMin: isLate ? 0 : undefined },
      { curriculum, lesson, closed: closedHours(body, lesson) },
    );
    this.fromMin.set(task.notBeforeMin ?? 0);
    this.running.set(true);
    // Once something was asked, more may be: five minutes later, another drill.
    this.runner.warm();
    const { curriculum: taught, ...sent } = task;
    this.work = this.runner
      .run({ curriculum: sentCurriculum(taught), task: sent, before: [], seed: 'replan', tries: TRIES })
      .subscribe({
        next: (news) => {
          if (news.kind === 'plan') this.found.set(news.plan);
          if (news.kind === 'none') this.none.set(news.whyNot ?? { why: 'no-drill' });
        },
        error: () => {
          this.running.set(false);
          this.failed.set(true);
        },
        complete: () => this.running.set(false),
      });
  }

  /** When what comes next should begin, minutes; the end of the lesson where nothing does. */
  private nextMin(body: PlanBody, placeMin: number): number {
    return placesOf(body).find((min) => min > placeMin) ?? body.lengthMin;
  }

  /** By the clock, as long as the lesson is on; else a little into what is on. */
  private clockMin(body: PlanBody, placeMin: number): number {
    const now = this.book.minuteNow();
    return now > placeMin && now < body.lengthMin ? now : placeMin + STEP_MIN;
  }

  /** By how much the clock is past the end of what is on; a usual figure where it is not. */
  private lateNow(): number {
    const [body, placeMin] = [this.before(), this.book.placeMinute()];
    if (!body || placeMin === null) return USUAL_LATE_MIN;
    const now = this.book.minuteNow();
    const late = now - this.nextMin(body, placeMin);
    if (late <= 0 || now > body.lengthMin) return USUAL_LATE_MIN;
    return Math.ceil(late / STEP_MIN) * STEP_MIN;
  }
}
