import { inject, Injectable } from '@angular/core';
import { api, type SavedLesson } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';
import { concatMap, from, last, map, type Observable, switchMap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { bareLesson } from '../../data/lesson/bare-lesson';
import { DayStore } from '../../data/lesson/day-store';
import { LessonList } from '../../data/known/lesson-list';

/** Longest title of a plan. */
const TITLE_MOST = 80;

/** A lesson that is to be taught by another plan than now. */
export interface OtherPlan {
  lesson: SavedLesson;
  /** `Sat 28 Nov`, for the title of a plan of its own. */
  day: string;
  before: PlanBody;
  after: PlanBody;
}

/** How a lesson came to its plan, so that it can go back. */
type Step =
  | { kind: 'changed'; planId: string; title: string; before: PlanBody }
  | { kind: 'made'; lesson: SavedLesson; planId: string; before: PlanBody };

/** Puts plans on lessons. A plan that only one lesson has is changed; what others have too stays, and gives way to a new one. */
@Injectable({ providedIn: 'root' })
export class TakeCourse {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly list = inject(LessonList);

  /** One after the other; tells of the steps, for the way back, when all are done. */
  take(others: readonly OtherPlan[]): Observable<Step[]> {
    const steps: Step[] = [];
    return from(others).pipe(
      concatMap((other) => this.takeOne(other)),
      map((step) => (steps.push(step), steps)),
      last(null, []),
    );
  }

  undo(steps: readonly Step[]): Observable<unknown> {
    return from([...steps].reverse()).pipe(
      concatMap((step) =>
        step.kind === 'changed' ? this.change(step.planId, step.title, step.before) : this.back(step),
      ),
      last(null, null),
    );
  }

  private takeOne(other: OtherPlan): Observable<Step> {
    const { lesson, day, before, after } = other;
    const { planId } = lesson;
    if (planId === null) return this.own(lesson, day, before, after);
    return this.list
      .besides({ planId })
      .pipe(
        switchMap(() =>
          this.isShared(planId) ? this.own(lesson, day, before, after) : this.changeOwn(planId, other),
        ),
      );
  }

  /** Changes a plan that no other lesson has, where it is one's own alone. */
  private changeOwn(planId: string, { lesson, day, before, after }: OtherPlan): Observable<Step> {
    return this.client
      .call(api.plans.get, { params: { id: planId } })
      .pipe(
        switchMap(({ mine, circleId, title }) =>
          mine && circleId === null
            ? this.change(planId, title, after).pipe(
                map((): Step => ({ kind: 'changed', planId, title, before })),
              )
            : this.own(lesson, day, before, after),
        ),
      );
  }

  /** Whether other lessons have the plan too. */
  private isShared(planId: string): boolean {
    return this.day.lessons().filter((lesson) => lesson.planId === planId).length > 1;
  }

  private own(lesson: SavedLesson, day: string, before: PlanBody, body: PlanBody): Observable<Step> {
    const planId = crypto.randomUUID();
    const title = `${lesson.planTitle.slice(0, TITLE_MOST - day.length - 2)}, ${day}`;
    return this.client.call(api.plans.create, { body: { id: planId, title, body } }).pipe(
      switchMap(() => this.day.saveLesson(lesson.id, { ...bareLesson(lesson), planId })),
      map((): Step => ({ kind: 'made', lesson, planId, before })),
    );
  }

  private change(planId: string, title: string, body: PlanBody): Observable<unknown> {
    return this.client.call(api.plans.get, { params: { id: planId } }).pipe(
      switchMap(({ version }) =>
        this.client.call(api.plans.update, {
          params: { id: planId },
          body: { title, body, baseVersion: version },
        }),
      ),
    );
  }

  private back({ lesson, planId, before }: Extract<Step, { kind: 'made' }>): Observable<unknown> {
    // A lesson whose plan was gone has the one that was made, as its own was before.
    if (lesson.planId === null) return this.change(planId, lesson.planTitle, before);
    return this.day
      .saveLesson(lesson.id, bareLesson(lesson))
      .pipe(switchMap(() => this.client.call(api.plans.remove, { params: { id: planId } })));
  }
}
