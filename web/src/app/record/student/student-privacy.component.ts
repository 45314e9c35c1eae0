import { Component, computed, inject, input, type OnInit, output, signal } from '@angular/core';
import { api, type DeletionEffect, type Look, type SavedStudent } from '@doceo/contract';
import { type BankEvent, activeEvents } from '@doceo/core';
import { DateTime } from 'luxon';
import Papa from 'papaparse';
import { eventText } from '../../data/lesson/event-text';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { download, fileName } from '../../data/download';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { lessonsById } from '../../data/known/lessons-besides';

/** What belongs to the student: take it along, see who looked, or have it deleted. */
@Component({
  selector: 'doceo-student-privacy',
  template: `
    <h2>The student’s own data</h2>
    <div class="row">
      <button type="button" class="btn small" (click)="saveAll()">Everything, as JSON</button>
      <button type="button" class="btn small" [disabled]="named() === null" (click)="saveCsv()">
        Record, as CSV
      </button>
    </div>
    @if (student().mine) {
      <details class="small">
        <summary>Who looked</summary>
        <ul>
          @for (look of looks(); track look.who + look.hour + look.what) {
            <li>{{ look.who }}, {{ look.what }}, {{ time(look.hour) }}</li>
          } @empty {
            <li class="soft">Nobody yet.</li>
          }
        </ul>
      </details>
      @if (effect(); as goes) {
        <div class="delete" role="alert">
          <p>
            Deleting {{ student().student.name }} removes for good <b>{{ goes.events }}</b> entries of the
            record and <b>{{ goes.readings }}</b> readings, and takes the student out of
            <b>{{ goes.lessons }}</b> lessons, {{ goes.comingLessons }} of them still to come.
            @if (goes.courses > 0) {
              {{ goes.courses }} {{ goes.courses === 1 ? 'course goes' : 'courses go' }} on without them.
            }
            @if (goes.rigs > 0) {
              {{ goes.rigs }} rigs forget whose knots they have.
            }
            @if (goes.others.length > 0) {
              {{ goes.others.join(', ') }} {{ goes.others.length === 1 ? 'loses' : 'lose' }} what they see of
              this record, and what they wrote in it.
            }
            Other devices drop the record when they next connect.
          </p>
          <div class="row">
            <button type="button" class="btn small" (click)="remove()">Delete for good</button>
            <button type="button" class="btn small" (click)="effect.set(null)">Keep</button>
          </div>
        </div>
      } @else {
        <button type="button" class="btn small plain" (click)="ask()">Delete this student …</button>
      }
    }
    @if (wrong(); as text) {
      <p class="wrong small" role="alert">{{ text }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
      justify-items: start;
      margin-top: 16px;
    }
    ul {
      margin: 4px 0;
      padding-left: 18px;
    }
    .delete {
      border-left: 5px solid var(--must-fix);
      padding: 4px 0 4px 10px;
    }
  `,
})
export class StudentPrivacyComponent implements OnInit {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  readonly student = input.required<SavedStudent>();
  readonly events = input.required<readonly BankEvent[]>();
  readonly removed = output<void>();

  /** Whether the lessons are here that the record names. */
  protected readonly named = lessonsById(() => [...new Set(this.events().map(({ lessonId }) => lessonId))]);
  protected readonly looks = signal<Look[]>([]);
  protected readonly effect = signal<DeletionEffect | null>(null);
  protected readonly wrong = signal<string | null>(null);
  private readonly params = computed(() => ({ params: { id: this.student().id } }));

  ngOnInit(): void {
    if (this.student().mine)
      this.client.call(api.students.accessLog, this.params()).subscribe({
        next: (looks) => this.looks.set(looks),
        error: (error: ApiError) => this.wrong.set(error.message),
      });
  }

  protected time(hour: string): string {
    return DateTime.fromISO(hour).toFormat('d LLL, HH:mm');
  }

  protected saveAll(): void {
    this.client.call(api.students.export, this.params()).subscribe({
      next: (file) =>
        download(
          fileName(this.student().student.name, 'student.json'),
          `${JSON.stringify(file, null, 2)}\n`,
          'application/json',
        ),
      error: (error: ApiError) => this.wrong.set(error.message),
    });
  }

  /** What stands on the record, a line an entry; by RFC 4180. */
  protected saveCsv(): void {
    const curriculum = this.teaching.curriculum();
    const { skills, faults } = curriculum;
    const lines = activeEvents(this.events()).map((event) => ({
      time: new Date(event.atMs).toISOString(),
      lesson: this.day.lessons().find(({ id }) => id === event.lessonId)?.planTitle ?? '',
      kind: event.body.kind,
      skill: event.body.kind === 'attempt' ? skills.get(event.body.skillId).name : '',
      good: event.body.kind === 'attempt' ? (event.body.good ? 'yes' : 'no') : '',
      fault: event.body.kind === 'attempt' ? (faults.find(event.body.faultId ?? '')?.short ?? '') : '',
      text: event.body.kind === 'attempt' ? '' : eventText(event.body, 'metric', curriculum),
    }));
    const columns = ['time', 'lesson', 'kind', 'skill', 'good', 'fault', 'text'];
    download(
      fileName(this.student().student.name, 'record.csv'),
      Papa.unparse(lines, { columns, newline: '\r\n', escapeFormulae: true }),
      'text/csv;charset=utf-8',
    );
  }

  protected ask(): void {
    this.client.call(api.students.deletionPreview, this.params()).subscribe({
      next: (effect) => this.effect.set(effect),
      error: (error: ApiError) => this.wrong.set(error.message),
    });
  }

  protected remove(): void {
    this.day.removeStudent(this.student().id).subscribe({
      next: () => this.removed.emit(),
      error: (error: ApiError) => this.wrong.set(error.message),
    });
  }
}
