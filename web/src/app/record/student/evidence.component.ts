import { Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { activeEvents, type BankEvent, firstEntries } from '@doceo/core';
import { DateTime } from 'luxon';
import { eventText } from '../../data/lesson/event-text';
import { SessionStore } from '../../data/session';
import { EntryCorrectionComponent } from '../../shared/lesson/entry-correction.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** Entries shown at first, and how many more each time. */
const PAGE = 8;
const MORE = 40;

/** What was seen, latest first, day by day. Each entry opens to be corrected. */
@Component({
  selector: 'doceo-evidence',
  imports: [EntryCorrectionComponent],
  template: `
    <h2>What was seen</h2>
    @for (day of days(); track day.day) {
      <h3>{{ day.day }}</h3>
      <ul>
        @for (line of day.lines; track line.id) {
          <li [class.open]="line.id === opened()">
            <button type="button" [attr.aria-expanded]="line.id === opened()" (click)="toggle(line.id)">
              <span class="figure">{{ line.time }}</span>
              <span [class.ok]="line.good === true" [class.bad]="line.good === false">{{ line.text }}</span>
              <span class="soft">{{ line.what }}</span>
            </button>
            @for (first of line.before; track first.id) {
              <p class="small soft">
                was <s>{{ first.text }}</s>
              </p>
            }
            @if (line.id === opened()) {
              <doceo-entry-correction [entry]="line.event" (closed)="close($event)" />
            }
          </li>
        }
      </ul>
    } @empty {
      <p class="soft">Nothing of this is on the record.</p>
    }
    @if (total() > shown()) {
      <button type="button" class="btn small" (click)="shown.set(shown() + more)">
        Show more of {{ total() }}
      </button>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 16px;
    }
    h3 {
      font: 400 13px var(--body);
      color: var(--ink-soft);
      margin: 6px 0 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      border-bottom: 1px solid var(--line);
    }
    li.open {
      border: 1.5px solid var(--ink);
      background: #fff;
      padding: 6px 10px 10px;
      margin: 4px 0;
    }
    li > button {
      display: grid;
      grid-template-columns: 52px minmax(0, 1fr) auto;
      gap: 8px;
      width: 100%;
      min-height: 30px;
      align-items: baseline;
      font: inherit;
      color: inherit;
      text-align: left;
      background: none;
      border: 0;
      padding: 3px 0;
      cursor: pointer;
    }
    li > button:hover {
      text-decoration: underline;
    }
    p {
      margin: 0 0 4px 60px;
    }
    .ok {
      color: var(--water);
    }
    .bad {
      color: var(--safety);
    }
    .btn {
      margin-top: 8px;
    }
    @media (max-width: 700px) {
      li > button {
        min-height: 44px;
        align-items: center;
      }
    }
  `,
})
export class EvidenceComponent {
  private readonly teaching = inject(TeachingStore);
  private readonly session = inject(SessionStore);
  readonly events = input.required<readonly BankEvent[]>();
  /** The one skill of which evidence is shown; null for all. */
  readonly skillId = input.required<string | null>();
  readonly corrected = output<BankEvent[]>();
  protected readonly more = MORE;
  protected readonly opened = signal<string | null>(null);
  /** Another skill begins with its first page. */
  protected readonly shown = linkedSignal({ source: () => this.skillId(), computation: () => PAGE });

  private readonly standing = computed(() => {
    const skillId = this.skillId();
    return activeEvents(this.events())
      .filter(({ body }) => !skillId || (body.kind === 'attempt' && body.skillId === skillId))
      .reverse();
  });
  protected readonly total = computed(() => this.standing().length);
  protected readonly days = computed(() => {
    const before = firstEntries(this.events());
    const days = new Map<string, ReturnType<typeof this.lineOf>[]>();
    for (const event of this.standing().slice(0, this.shown())) {
      const day = DateTime.fromMillis(event.atMs).toFormat('ccc d LLL yyyy');
      days.set(day, [...(days.get(day) ?? []), this.lineOf(event, before.get(event.id) ?? [])]);
    }
    return [...days].map(([day, lines]) => ({ day, lines }));
  });

  protected toggle(id: string): void {
    this.opened.update((now) => (now === id ? null : id));
  }

  protected close(events: BankEvent[]): void {
    this.opened.set(null);
    if (events.length > 0) this.corrected.emit(events);
  }

  private lineOf(event: BankEvent, before: readonly BankEvent[]) {
    const { body } = event;
    const { drills, skills } = this.teaching.curriculum();
    const text = (one: BankEvent): string =>
      eventText(one.body, this.session.units(), this.teaching.curriculum());
    return {
      id: event.id,
      event,
      time: DateTime.fromMillis(event.atMs).toFormat('HH:mm'),
      text: text(event),
      what:
        body.kind === 'attempt'
          ? (drills.find(body.drillId ?? '')?.name ??
            // What was seen otherwise than in a drill says its skill itself.
            (body.evidence === undefined ? skills.get(body.skillId).name : ''))
          : '',
      good: body.kind === 'attempt' ? body.good : null,
      before: before.map((one) => ({ id: one.id, text: text(one) })),
    };
  }
}
