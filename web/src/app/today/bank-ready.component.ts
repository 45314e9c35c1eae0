import { Component, computed, inject, input, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { api, type Endpoint, type SavedLesson } from '@doceo/contract';
import {
  catchError,
  concat,
  defer,
  EMPTY,
  forkJoin,
  from,
  map,
  type Observable,
  of,
  switchMap,
  toArray,
} from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import { DayStore } from '../data/lesson/day-store';
import { localDate } from '../data/lesson/local-date';
import { dayText } from '../data/lesson/lesson-texts';
import { allStudents } from '../data/known/all-students';

interface Part {
  name: string;
  here: boolean;
}

/** Whether a lesson can be held with no network: what is on this device, and what is missing. */
@Component({
  selector: 'doceo-bank-ready',
  template: `
    <section class="ready" [class.all]="missing().length === 0 && parts().length > 0" aria-live="polite">
      <h2>
        @if (parts().length === 0) {
          Packing this device for the water …
        } @else if (missing().length === 0) {
          Ready for the water, with or without a network
        } @else {
          Not all is on this device yet
        }
      </h2>
      <ul>
        @for (part of parts(); track part.name) {
          <li [class.here]="part.here">
            {{ part.name }} <span class="soft small">{{ part.here ? 'on this device' : 'missing' }}</span>
          </li>
        }
      </ul>
      @if (missing().length > 0) {
        <button type="button" class="btn small" (click)="again()">Fetch it now</button>
      }
    </section>
  `,
  styles: `
    .ready {
      border: 1px solid var(--line);
      border-left: 5px solid var(--check);
      background: var(--sheet);
      padding: 8px 12px;
      margin: 12px 0 14px;
    }
    .ready.all {
      border-left-color: var(--water);
    }
    h2 {
      font-size: 14.5px;
    }
    ul {
      list-style: none;
      margin: 4px 0 0;
      padding: 0;
      display: flex;
      flex-wrap: wrap;
      gap: 2px 16px;
      font-size: 13px;
    }
    li::before {
      content: '○ ';
      color: var(--check);
    }
    li.here::before {
      content: '● ';
      color: var(--water);
    }
    .btn {
      margin-top: 6px;
    }
  `,
})
export class BankReadyComponent {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  readonly lesson = input.required<SavedLesson>();
  private readonly tries = signal(0);
  protected readonly parts = signal<Part[]>([]);
  protected readonly missing = computed(() => this.parts().filter(({ here }) => !here));

  constructor() {
    toObservable(computed(() => ({ lesson: this.lesson(), tries: this.tries() })))
      .pipe(switchMap(({ lesson }) => concat(this.fetched(lesson), this.fetchedLater(lesson))))
      .subscribe((parts) => this.parts.set(parts));
  }

  protected again(): void {
    this.parts.set([]);
    this.tries.update((n) => n + 1);
  }

  /** Fetches what the lessons of the next days need, each part for itself, and tells what the device has then. */
  private fetched(lesson: SavedLesson) {
    const until = this.day.now() + DAYS_MS;
    const lessons = [
      lesson,
      ...this.day
        .lessons()
        .filter(({ id, startsAt }) => id !== lesson.id && isBetween(startsAt, this.day.now(), until)),
    ];
    const parts = [
      { name: APPLICATION, here: defer(() => from(applicationHere())) },
      ...lessons.map((one) => ({ name: this.nameOf(one), here: this.all(lessonNeeds(one)) })),
      { name: 'waters, rule cards and students', here: this.theDay() },
      { name: 'beats, lakes and conditions', here: this.all(this.drawings(lessons)) },
      { name: 'rigs and measured values', here: this.all(RIG_NEEDS) },
    ];
    return concat(...parts.map(({ name, here }) => here.pipe(map((is): Part => ({ name, here: is }))))).pipe(
      toArray(),
    );
  }

  /** Once more when the application has come to this device after all, on a slow network or a slow phone. */
  private fetchedLater(lesson: SavedLesson) {
    return defer(() => {
      const late = this.parts().some(({ name, here }) => name === APPLICATION && !here);
      return late && 'serviceWorker' in navigator
        ? from(navigator.serviceWorker.ready).pipe(switchMap(() => this.fetched(lesson)))
        : EMPTY;
    });
  }

  /** What every screen needs; students come in pages. */
  private theDay(): Observable<boolean> {
    const students = allStudents(this.client).pipe(
      switchMap(({ value }) => this.client.keep(api.students.list, value)),
      switchMap(() => this.client.hasCopy(api.students.list)),
      catchError(() => of(false)),
    );
    return forkJoin([this.all(DAY_NEEDS), students]).pipe(map((here) => here.every(Boolean)));
  }

  /** The drawing of each lesson's water, and the conditions of its day. */
  private drawings(lessons: readonly SavedLesson[]): Need[] {
    return lessons.flatMap((lesson) => {
      const saved = this.day.waterOf(lesson);
      if (!saved) return [];
      const params = { id: saved.id };
      const date = localDate(lesson.startsAt, saved.water.timeZone);
      const flows = ['river', 'brook'].includes(saved.water.kind);
      return [
        need(flows ? api.waters.beats : api.waters.lake, { params }),
        need(api.waters.conditions, { params, query: { date } }),
      ];
    });
  }

  private nameOf(lesson: SavedLesson): string {
    const zone = this.day.waterOf(lesson)?.water.timeZone ?? 'UTC';
    return `${lesson.planTitle}, ${dayText(lesson.startsAt, zone)}: plan, rigs, record`;
  }

  /** Asks the server for each, and tells whether the device has all of them afterwards. */
  private all(needs: readonly Need[]): Observable<boolean> {
    return forkJoin(
      needs.map(({ endpoint, input }) =>
        this.client.once(endpoint, input).pipe(
          switchMap((answer) => this.client.keep(endpoint, answer, input)),
          catchError(() => of(undefined)),
          switchMap(() => this.client.hasCopy(endpoint, input)),
        ),
      ),
    ).pipe(map((here) => here.every(Boolean)));
  }
}

interface Need {
  endpoint: Endpoint<object, object, object, unknown>;
  input: object;
}

const APPLICATION = 'the application';

/** Lessons this far ahead are packed too, milliseconds. */
const DAYS_MS = 4 * 24 * 3_600_000;

const need = (endpoint: unknown, input: object = {}): Need => ({
  endpoint: endpoint as Need['endpoint'],
  input,
});
const DAY_NEEDS = [need(api.session.get), need(api.lessons.list), need(api.waters.list)];
const RIG_NEEDS = [need(api.rigs.list), need(api.readings.list)];

function lessonNeeds({ id }: SavedLesson): Need[] {
  return [
    need(api.lessons.plan, { params: { id } }),
    need(api.records.list, { query: { lessonId: id } }),
    need(api.events.list, { query: { lessonId: id } }),
  ];
}

function isBetween(instant: string, fromMs: number, toMs: number): boolean {
  const ms = Date.parse(instant);
  return ms > fromMs && ms < toMs;
}

/** Whether the application itself starts from this device; waits for the worker that is being set up. */
async function applicationHere(): Promise<boolean> {
  if (!('serviceWorker' in navigator) || !('caches' in window)) return false;
  const patience = new Promise<null>((resolve) => setTimeout(() => resolve(null), WORKER_WAIT_MS));
  const worker = await Promise.race([navigator.serviceWorker.ready, patience]);
  if (!worker) return false;
  // Asked for, not insisted on: a browser may refuse to promise room.
  await navigator.storage?.persist?.().catch(() => false);
  return (await caches.match('/', { ignoreSearch: true })) !== undefined;
}

const WORKER_WAIT_MS = 8000;
