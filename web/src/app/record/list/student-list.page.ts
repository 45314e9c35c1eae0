import { Component, computed, inject, signal, viewChild } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { ageOn, api, readStudentFile, type SavedStudent, type StudentFile } from '@doceo/contract';
import { READY, STRANDS } from '@doceo/core';
import { STRAND_NAMES } from '@doceo/texts';
import { DateTime } from 'luxon';
import { map, switchMap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { fetched } from '../../data/api/fetched';
import { Failures } from '../../data/api/failures';
import { DayStore } from '../../data/lesson/day-store';
import { aboutStudent, initials } from '../../data/lesson/lesson-texts';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { OpenFileComponent } from '../../parts/fields/open-file.component';
import { StudentNewsComponent } from './student-news.component';
import { KeepingComponent } from './keeping.component';
import { IncomingStudentsComponent } from './incoming-students.component';
import { StudentDialogComponent } from './student-dialog.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** From here on a list is searched rather than read. */
const LONG = 12;
/** Students shown at first, and more at each press. */
const SHOWN = 24;

/** Students with the share of each strand they are ready in. */
@Component({
  selector: 'doceo-student-list',
  imports: [
    StudentNewsComponent,
    IncomingStudentsComponent,
    FormsModule,
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
      @if (progress.failed(); as problem) {
        <doceo-load-failed [problem]="problem" (again)="progress.again()" />
      }
      @if (isLong()) {
        <div class="row find">
          <input
            type="search"
            name="find"
            placeholder="Find a student"
            aria-label="Find a student"
            [ngModel]="words()"
            (ngModelChange)="find($event)"
          />
          <div class="segments" role="group" aria-label="In which order">
            <button type="button" [attr.aria-pressed]="order() === 'name'" (click)="order.set('name')">
              by name</button
            ><button type="button" [attr.aria-pressed]="order() === 'last'" (click)="order.set('last')">
              seen last
            </button>
          </div>
          <span class="soft small" role="status">{{ counted() }}</span>
        </div>
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
                      >{{ bar.name }}
                      @if (progress.value()) {
                        <span class="figure">{{ bar.ready }}/{{ bar.of }}</span>
                      }
                    </small></span
                  >
                }
              </span>
              <span class="soft small seen">
                @if (progress.value()) {
                  <span class="figure">{{ card.attempts }}</span> attempts&ngsp;<br />{{ card.last }}
                }
              </span>
            </a>
          </li>
        }
      </ul>
      @if (isLong() && found().length === 0) {
        <div class="empty">
          <h3>Nobody of that name</h3>
          <p>A part of the name is enough.</p>
          <button type="button" class="btn" (click)="find('')">Show all</button>
        </div>
      }
      @if (cards().length < found().length) {
        <button type="button" class="btn" (click)="shown.set(shown() + step)">Show more</button>
      }
      @if (cards().length > 0) {
        <p class="small soft">Bars count the skills that are ready: {{ ready }} % sure, or more.</p>
      }
      @if (day.students().length > 0) {
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
  private readonly failures = inject(Failures);
  protected readonly day = inject(DayStore);
  private readonly opener = viewChild.required<OpenFileComponent<StudentFile>>('opener');
  protected readonly adding = signal(false);
  protected readonly read = readStudentFile;
  protected readonly ready = 100 * READY;
  protected readonly step = SHOWN;
  protected readonly shown = signal(SHOWN);
  protected readonly words = signal('');
  protected readonly order = signal<'name' | 'last'>('name');
  private readonly strands = computed(() => {
    const skills = this.teaching.curriculum().skills.all;
    return STRANDS.slice(0, 4).map((strand) => ({
      ...{ strand, name: STRAND_NAMES[strand].toLowerCase() },
      of: skills.filter((skill) => skill.strand === strand).length,
    }));
  });
  protected readonly isLong = computed(() => this.day.students().length > LONG);
  /** Asked for at once, beside the students; it holds for all that one may see. */
  protected readonly progress = fetched(
    () => true,
    () => this.client.call(api.records.progress),
  );
  private readonly progressOf = computed(
    () => new Map(this.progress.value()?.map((one) => [one.id, one]) ?? []),
  );
  protected readonly found = computed(() => {
    const words = this.words().trim().toLowerCase();
    const found = this.day.students().filter(({ student }) => student.name.toLowerCase().includes(words));
    const lastMs = ({ id }: SavedStudent): number => this.progressOf().get(id)?.lastAtMs ?? 0;
    return this.order() === 'name' ? found : found.sort((a, b) => lastMs(b) - lastMs(a));
  });
  protected readonly counted = computed(() => {
    const [found, of] = [this.found().length, this.day.students().length];
    return found === of ? `${of} students` : `${found} of ${of} students`;
  });
  protected readonly cards = computed(() =>
    this.found()
      .slice(0, this.shown())
      .map((student) => this.toCard(student)),
  );

  protected find(words: string): void {
    this.words.set(words);
    this.shown.set(SHOWN);
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
    this.day.load().subscribe({ next: this.progress.again, error: this.failures.tell });
  }

  protected added(id: string | null): void {
    this.adding.set(false);
    if (id) void this.router.navigate(['/record', id]);
  }

  private toCard({ id, student }: SavedStudent) {
    const now = Date.now();
    const progress = this.progressOf().get(id);
    const age = ageOn(student.bornOn, new Date(now).toISOString().slice(0, 10));
    return {
      id,
      name: student.name,
      initials: initials(student.name),
      attempts: progress?.attempts ?? 0,
      last: progress?.lastAtMs
        ? `last on ${DateTime.fromMillis(progress.lastAtMs).toFormat('d LLL yyyy')}`
        : '',
      about: [age === null ? '' : `${age}`, aboutStudent(student)].filter(Boolean).join(', '),
      bars: this.strands().map(({ strand, name, of }) => {
        const ready = progress?.ready[strand] ?? 0;
        return { strand, name, ready, of, share: ready / Math.max(1, of) };
      }),
    };
  }
}
