import { Component, computed, inject, type OnInit, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { SavedCourse } from '@doceo/contract';
import { listed } from '@doceo/texts';
import { DateTime } from 'luxon';
import { CourseStore } from '../../data/lesson/course-store';
import { DayStore } from '../../data/lesson/day-store';
import { callNames } from '../../data/lesson/lesson-texts';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { CourseExampleComponent } from './course-example.component';
import { CourseFormComponent } from './course-form.component';

/** The courses there are: those that go on first. */
@Component({
  selector: 'doceo-course-list',
  imports: [FetchingComponent, CourseExampleComponent, CourseFormComponent, LoadFailedComponent, RouterLink],
  template: `
    <div class="bench-main page">
      <div class="row">
        <h1>Courses</h1>
        <span class="spread"></span>
        <a class="btn" routerLink="/plan">Plans</a>
        <button type="button" class="btn go" (click)="making.set(true)">New course</button>
      </div>
      @if (store.failed(); as problem) {
        <doceo-load-failed [problem]="problem" (again)="store.load()" />
      } @else if (!store.courses()) {
        <doceo-fetching what="courses" />
      } @else {
        @for (one of rows(); track one.id) {
          <a class="course" [class.over]="one.over" [routerLink]="['/plan/courses', one.id]">
            <h3>{{ one.course.name }}</h3>
            <span class="figure">{{ one.days }}</span>
            <span>{{ one.who }}</span>
            <span class="small soft goals">{{ one.goals }}</span>
          </a>
        } @empty {
          <div class="empty">
            <h3>No course yet</h3>
            <p>
              A course says what a group wants to be able to do by a day. Its lessons are planned toward that,
              and the chance of each goal is told before and after every one.
            </p>
            <button type="button" class="btn go" (click)="making.set(true)">Begin one</button>
          </div>
          <doceo-course-example />
        }
      }
    </div>
    @if (making()) {
      <doceo-course-form (closed)="making.set(false)" (kept)="open($event)" />
    }
  `,
  styles: `
    .page {
      max-width: 1060px;
      display: grid;
      gap: 8px;
    }
    .course {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 2px 16px;
      padding: 10px 14px;
      background: var(--sheet);
      border: 1px solid var(--line);
      border-left: 5px solid var(--river);
      color: inherit;
      text-decoration: none;
    }
    .course.over {
      border-left-color: var(--line);
    }
    .course:hover h3 {
      text-decoration: underline;
    }
    .goals {
      grid-column: 1 / -1;
    }
  `,
})
export class CourseListPage implements OnInit {
  private readonly router = inject(Router);
  private readonly day = inject(DayStore);
  private readonly teaching = inject(TeachingStore);
  protected readonly store = inject(CourseStore);
  protected readonly making = signal(false);
  protected readonly rows = computed(() => {
    const today = DateTime.fromMillis(this.day.now()).toISODate() ?? '';
    const day = (date: string): string => DateTime.fromISO(date).toFormat('d LLL yyyy');
    const { skills } = this.teaching.curriculum();
    return (this.store.courses() ?? [])
      .map((saved) => {
        const { fromOn, untilOn, studentIds, goals } = saved.course;
        const names = callNames(this.day.students().filter(({ id }) => studentIds.includes(id)));
        return {
          ...saved,
          over: untilOn < today,
          days: `${day(fromOn)} – ${day(untilOn)}`,
          who: listed(studentIds.flatMap((id) => names.get(id) ?? [])) || 'nobody yet',
          goals: goals.map((id) => skills.find(id)?.name ?? id).join(' · '),
        };
      })
      .sort((a, b) => Number(a.over) - Number(b.over) || a.course.untilOn.localeCompare(b.course.untilOn));
  });

  ngOnInit(): void {
    this.store.load();
  }

  protected open({ id }: SavedCourse): void {
    void this.router.navigate(['/plan/courses', id]);
  }
}
