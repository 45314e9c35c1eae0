import { Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type BankEvent, type BankEventBody, type Curriculum } from '@doceo/core';
import { DateTime } from 'luxon';
import { BankStore, type SetAside } from '../../data/lesson/bank-store';
import { DayStore } from '../../data/lesson/day-store';
import { download, fileName } from '../../data/download';
import { eventText } from '../../data/lesson/event-text';
import { SessionStore } from '../../data/session';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

type Attempt = Extract<BankEventBody, { kind: 'attempt' }>;

/** An attempt without the drill and the fault that are no more. */
function inLibrary({ drills, faults }: Curriculum, attempt: Attempt): Attempt {
  return {
    ...attempt,
    drillId: drills.find(attempt.drillId ?? '') ? attempt.drillId : null,
    faultId: faults.find(attempt.faultId ?? '') ? attempt.faultId : null,
  };
}

/** Format of the file in which entries are saved that no server takes. */
const FORMAT = 'doceo-entries';

/** Each entry that was set aside with its reason: it is mended and sent again, saved to a file, or let go. */
@Component({
  selector: 'doceo-set-aside-dialog',
  imports: [ChoiceFieldComponent, DialogComponent, FormsModule, TextFieldComponent],
  template: `
    @if (open()) {
      <doceo-dialog heading="Set aside" [width]="620" (closed)="closed.emit()">
        @if (entries().length === 0) {
          <p>Nothing is set aside any more.</p>
        } @else {
          <p>
            The server cannot store these as they are. They stay on this device until you mend them, save them
            or let them go; all others were sent.
          </p>
        }
        <ul>
          @for (entry of entries(); track entry.id) {
            <li>
              <p>
                <span class="figure">{{ entry.when }}</span>, <b>{{ entry.who }}</b>: {{ entry.text }}
              </p>
              <p class="why">{{ entry.reason }}</p>
              @if (entry.note !== null) {
                <doceo-text-field
                  label="Note"
                  [rows]="2"
                  [most]="1000"
                  [value]="notes()[entry.id] ?? entry.note"
                  (typed)="write(entry.id, $event)"
                />
              } @else if (entry.goneSkill) {
                <doceo-choice-field
                  label="It counts for"
                  [options]="allSkills()"
                  [value]="skills()[entry.id] ?? ''"
                  (chosen)="pick(entry.id, $event)"
                />
              }
              <div class="row">
                <button
                  type="button"
                  class="btn"
                  [disabled]="entry.goneSkill && !skills()[entry.id]"
                  (click)="again(entry.event)"
                >
                  Send again
                </button>
                <button type="button" class="btn plain" (click)="letGo([entry.event])">Let it go</button>
              </div>
            </li>
          }
        </ul>
        @if (gone().length > 0) {
          <p class="row" role="status">
            {{ gone().length === 1 ? 'One is gone.' : gone().length + ' are gone.' }}
            <button type="button" class="btn small" (click)="bringBack()">Undo</button>
          </p>
        }
        @if (entries().length > 0) {
          <button type="button" class="btn go" (click)="save()">Save all to a file</button>
        }
      </doceo-dialog>
    }
  `,
  styles: `
    ul {
      list-style: none;
      margin: 8px 0;
      padding: 0;
      display: grid;
      gap: 10px;
    }

    li {
      border-top: 1px solid var(--line);
      padding-top: 8px;
      display: grid;
      gap: 6px;
      overflow-wrap: anywhere;
    }

    .why {
      color: var(--safety);
    }
  `,
})
export class SetAsideDialogComponent {
  private readonly teaching = inject(TeachingStore);
  private readonly bank = inject(BankStore);
  private readonly day = inject(DayStore);
  private readonly session = inject(SessionStore);
  /** What was typed stays while it is closed. */
  readonly open = input.required<boolean>();
  readonly closed = output<void>();
  protected readonly notes = signal<Record<string, string>>({});
  protected readonly skills = signal<Record<string, string>>({});
  /** What was let go while the list is open, to be brought back. */
  protected readonly gone = signal<readonly SetAside[]>([]);
  protected readonly allSkills = computed(() => [
    { value: '', text: 'choose a skill' },
    ...this.teaching.curriculum().skills.all.map(({ id, name }) => ({ value: id, text: name })),
  ]);

  protected readonly entries = computed(() =>
    this.bank.setAside().map(({ event, reason }) => ({
      id: event.id,
      event,
      reason,
      when: DateTime.fromMillis(event.atMs).toFormat('d LLL yyyy HH:mm'),
      who:
        event.studentId === null
          ? 'All'
          : (this.day.students().find(({ id }) => id === event.studentId)?.student.name ??
            'a student who is not on your list'),
      text: eventText(event.body, this.session.units(), this.teaching.curriculum()),
      note: event.body.kind === 'note' ? event.body.text : null,
      goneSkill: event.body.kind === 'attempt' && !this.teaching.curriculum().skills.find(event.body.skillId),
    })),
  );

  protected write(id: string, text: string): void {
    this.notes.update((notes) => ({ ...notes, [id]: text }));
  }

  protected pick(id: string, skillId: string): void {
    this.skills.update((skills) => ({ ...skills, [id]: skillId }));
  }

  /** Half a character in a note is taken out; everything else is as it was mended here. */
  protected again(event: BankEvent): void {
    const { body } = event;
    const mended: BankEvent =
      body.kind === 'note'
        ? { ...event, body: { ...body, text: (this.notes()[event.id] ?? body.text).replace(/\p{Cs}/gu, '') } }
        : body.kind === 'attempt'
          ? {
              ...event,
              body: inLibrary(this.teaching.curriculum(), {
                ...body,
                skillId: this.skills()[event.id] ?? body.skillId,
              }),
            }
          : event;
    void this.bank.sendAgain(mended);
  }

  protected letGo(events: readonly BankEvent[]): void {
    const ids = events.map(({ id }) => id);
    const going = this.bank.setAside().filter(({ event }) => ids.includes(event.id));
    this.gone.update((list) => [...list, ...going]);
    void this.bank.letGo(ids);
  }

  protected bringBack(): void {
    for (const { event } of this.gone()) void this.bank.sendAgain(event);
    this.gone.set([]);
  }

  protected save(): void {
    const entries = this.entries().map(({ event, reason, who, text }) => ({ who, text, reason, event }));
    const file = { format: FORMAT, version: 1, writtenAt: new Date().toISOString(), entries };
    download(fileName('entries set aside', 'json'), `${JSON.stringify(file, null, 2)}\n`, 'application/json');
  }
}
