import { Component, computed, inject, input, output, signal } from '@angular/core';
import type { SavedStudent } from '@doceo/contract';
import { type BankEvent, firstEntries } from '@doceo/core';
import { eventText } from '../data/lesson/event-text';
import { callNames, timeText } from '../data/lesson/lesson-texts';
import { SessionStore } from '../data/session';
import { EntryCorrectionComponent } from '../shared/lesson/entry-correction.component';
import { TeachingStore } from '../data/teaching/teaching-store';

/** What was logged in a lesson, latest first; each entry opens to be corrected. */
@Component({
  selector: 'doceo-log-list',
  imports: [EntryCorrectionComponent],
  template: `
    <ol>
      @for (line of lines(); track line.event.id) {
        <li [class.open]="line.event.id === opened()">
          <button
            type="button"
            [attr.aria-expanded]="line.event.id === opened()"
            (click)="toggle(line.event.id)"
          >
            <span class="figure">{{ line.at }}</span>&ngsp;<b>{{ line.who }}</b
            >&ngsp;<span>{{ line.text }}</span>
          </button>
          @for (first of line.before; track first) {
            <p>
              was <s>{{ first }}</s>
            </p>
          }
          @if (line.event.id === opened()) {
            <doceo-entry-correction
              [entry]="line.event"
              [of]="line.who"
              [others]="line.others"
              (closed)="close($event)"
            />
          }
        </li>
      } @empty {
        <li>Nothing logged yet.</li>
      }
    </ol>
  `,
  styles: `
    ol {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      border-bottom: 1px solid var(--line);
      font-size: 16px;
    }
    li.open {
      border: 2px solid #0c1a14;
      background: #fff;
      padding: 0 10px 10px;
    }
    li > button {
      display: grid;
      grid-template-columns: 56px 84px 1fr;
      gap: 6px;
      width: 100%;
      min-height: 56px;
      align-items: center;
      text-align: left;
      font: inherit;
      color: inherit;
      background: none;
      border: 0;
      padding: 0;
      cursor: pointer;
    }
    p {
      margin: 0 0 6px 146px;
      font-size: 14px;
    }
    @media (min-width: 900px) {
      li > button {
        min-height: 40px;
      }
    }
  `,
})
export class LogListComponent {
  private readonly teaching = inject(TeachingStore);
  private readonly session = inject(SessionStore);
  /** That stand, in the order of time; and all there are. */
  readonly standing = input.required<readonly BankEvent[]>();
  readonly events = input.required<readonly BankEvent[]>();
  readonly students = input.required<readonly SavedStudent[]>();
  readonly zone = input.required<string>();
  readonly most = input(40);
  readonly corrected = output<BankEvent[]>();
  protected readonly opened = signal<string | null>(null);

  protected readonly lines = computed(() => {
    const before = firstEntries(this.events());
    const people = [...callNames(this.students())].map(([id, first]) => ({ id, first }));
    const text = ({ body }: BankEvent): string =>
      eventText(body, this.session.units(), this.teaching.curriculum());
    const drill = ({ body }: BankEvent): string | undefined =>
      body.kind === 'attempt'
        ? this.teaching
            .curriculum()
            .drills.find(body.drillId ?? '')
            ?.name.toLowerCase()
        : undefined;
    return this.standing()
      .slice(-this.most())
      .reverse()
      .map((event) => ({
        event,
        at: timeText(event.atMs, this.zone()),
        who: people.find(({ id }) => id === event.studentId)?.first ?? 'All',
        text: [text(event), drill(event)].filter(Boolean).join(', '),
        others: people.filter(({ id }) => id !== event.studentId),
        before: (before.get(event.id) ?? []).map(text),
      }));
  });

  protected toggle(id: string): void {
    this.opened.update((now) => (now === id ? null : id));
  }

  protected close(events: BankEvent[]): void {
    this.opened.set(null);
    if (events.length > 0) this.corrected.emit(events);
  }
}
