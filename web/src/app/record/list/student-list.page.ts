import { Component, computed, inject, signal, viewChild } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { ageOn, api, readStudentFile, type SavedStudent, type StudentFile } from '@doceo/contract';
import { READY, STRAND_NAMES, STRANDS } from '@doceo/core';
import { map, switchMap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { aboutStudent, initials } from '../../data/lesson/lesson-texts';
import { RecordsStore } from '../../data/records/records-store';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { OpenFileComponent } from '../../parts/fields/open-file.component';
import { StudentNewsComponent } from './student-news.component';
import { KeepingComponent } from './keeping.component';
import { IncomingStudentsComponent } from './incoming-students.component';
import { StudentDialogComponent } from './student-dialog.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** Students with the share of each strand they are ready in. */
@Component({
  selector: 'doceo-student-list',
  imports: [
    StudentNewsComponent,
    IncomingStudentsComponent,
    KeepingComponent,
    LoadFailedComponent,
    OpenFileComponent,
    RouterLink,
    StudentDialogComponent,
  ],
  template: `
    <div class="bench-main page">
      <div class="row">
        <h1>Students</h1>
        <span class="spread"></span>
        @if (day.students().length > 1) {
          <a class="btn" routerLink="/record/group">The group</a>
        }
        <doceo-open-file #opener label="Import a student" [read]="read" (opened)="take($event.file)" />
        <button type="button" class="btn go" (click)="adding.set(true)">New student</button>
      </div>
      <doceo-incoming-students (taken)="came()" />
      <doceo-student-news />
      @if (day.students().length === 0) {
        <div class="empty">
          <h3>No students yet</h3>
          <p>Add those you teach. Their record stays with you; it never travels with a plan.</p>
          <button type="button" class="btn go" (click)="adding.set(true)">Add the first</button>
        </div>
      }
      @if (records.failed(); as problem) {
        <doceo-load-failed [problem]="problem" (again)="records.load()" />
      }
      <ul>
        @for (card of cards(); track card.id) {
          <li>
            <a [routerLink]="['/record', card.id]">
              <b class="initials">{{ card.initials }}</b>
              <span class="who"
                ><b>{{ card.name }}</b
                ><span class="soft">{{ card.about }}</span></span
              >
              <span class="bars">
                @for (bar of card.bars; track bar.strand) {
                  <span class="bar" [class]="'strand-' + bar.strand"
                    ><i class="strand-fill" [style.width.%]="bar.share * 100"></i
                    ><small
                      >{{ bar.name }} <span class="figure">{{ bar.ready }}/{{ bar.of }}</span></small
                    ></span
                  >
                }
              </span>
              <span class="soft small"
                ><span class="figure">{{ card.attempts }}</span> attempts</span
              >
            </a>
          </li>
        }
      </ul>
      @if (cards().length > 0) {
        <p class="small soft">Bars count skills at {{ ready }} or more.</p>
        <doceo-keeping />
      }
    </div>
    @if (adding()) {
      <doceo-student-dialog (closed)="added($event)" />
    }
  `,
  styleUrl: './student-list.page.css',
})
export class StudentListPage {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  protected readonly records = inject(RecordsStore);
  protected readonly day = inject(DayStore);
  private readonly opener = viewChild.required<OpenFileComponent<StudentFile>>('opener');
  protected readonly adding = signal(false);
  protected readonly read = readStudentFile;
  protected readonly ready = READY;
  protected readonly cards = computed(() => this.day.students().map((student) => this.toCard(student)));

  constructor() {
    this.records.keepFresh();
  }

  /** A student taken in from a file is shown; what the server finds wrong is told like any other fault of the file. */
  protected take(file: StudentFile): void {
    this.client
      .call(api.students.import, { body: file })
      .pipe(switchMap(({ id }) => this.day.load().pipe(map(() => id))))
      .subscribe({
        next: (id) => void this.router.navigate(['/record', id]),
        error: ({ issues, message, code }: ApiError) =>
          this.opener().refuse(issues.length > 0 ? issues : [{ path: 'student', code, message }]),
      });
  }

  /** A student came over with the record: both are fetched. */
  protected came(): void {
    this.day.load().subscribe(() => this.records.load());
  }

  protected added(id: string | null): void {
    this.adding.set(false);
    if (id) void this.router.navigate(['/record', id]);
  }

  private toCard({ id, student }: SavedStudent) {
    const now = Date.now();
    const state = this.records.stateOf(id, now);
    const age = ageOn(student.bornOn, new Date(now).toISOString().slice(0, 10));
    return {
      id,
      name: student.name,
      initials: initials(student.name),
      attempts: this.records.attemptCount(id),
      about: [age === null ? '' : `${age}`, aboutStudent(student)].filter(Boolean).join(', '),
      bars: STRANDS.slice(0, 4).map((strand) => {
        const skills = this.teaching.curriculum().skills.all.filter((skill) => skill.strand === strand);
        const ready = skills.filter((skill) => (state[skill.id]?.mastery ?? 0) >= READY).length;
        return {
          strand,
          name: STRAND_NAMES[strand].toLowerCase(),
          ready,
          of: skills.length,
          share: ready / Math.max(1, skills.length),
        };
      }),
    };
  }
}
