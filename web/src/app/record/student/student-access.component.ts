import { Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { ageOn, api, handOverSchema, type SavedStudent, type StudentAccess } from '@doceo/contract';
import { mayBeRecorded } from '@doceo/core';
import { DateTime } from 'luxon';
import type { Observable } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { Sending } from '../../data/api/sending';
import { fetched } from '../../data/api/fetched';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';

/** For how long a fellow may see a record, days; null until it is ended. */
const TIMES = [
  { value: 0, text: 'today' },
  { value: 7, text: 'a week' },
  { value: 90, text: 'three months' },
  { value: null, text: 'until I end it' },
] as const;

/** Who else sees a student's record: given by name and for a time, ended, or handed over whole. */
@Component({
  selector: 'doceo-student-access',
  imports: [ChoiceFieldComponent, FormsModule, LoadFailedComponent, RouterLink, TextFieldComponent],
  templateUrl: './student-access.component.html',
  styles: `
    :host {
      display: grid;
      gap: 8px;
      margin-top: 16px;
    }

    form,
    .give {
      display: grid;
      gap: 8px;
      max-width: 360px;
    }
  `,
})
export class StudentAccessComponent {
  private readonly client = inject(ApiClient);
  readonly student = input.required<SavedStudent>();

  protected readonly times = TIMES;
  protected readonly access = fetched(
    () => this.student().id,
    (id) => this.client.call(api.access.get, { params: { id } }),
  );
  protected readonly fellows = computed(() =>
    (this.access.value()?.fellows ?? []).map(({ userId, name }) => ({ value: userId, text: name })),
  );
  /** All fellows, whoever sees it now too: the record may go over to any of them. */
  protected readonly heirs = computed(() => {
    const { fellows = [], people = [] } = this.access.value() ?? {};
    return [...people, ...fellows].map(({ userId, name }) => ({ value: userId, text: name }));
  });
  private readonly chosen = signal<string | null>(null);
  /** Who is to see it: chosen, else the first. */
  protected readonly who = computed(
    () =>
      this.fellows().find(({ value }) => value === this.chosen())?.value ?? this.fellows()[0]?.value ?? null,
  );
  protected readonly days = signal<(typeof TIMES)[number]['value']>(7);
  protected readonly handing = signal(false);
  protected readonly heir = signal<string | null>(null);
  protected consentBy = '';
  protected consentOn = DateTime.now().toISODate();
  protected readonly today = DateTime.now().toISODate();
  protected readonly sending = new Sending();

  protected choose(userId: string | null): void {
    this.chosen.set(userId);
  }

  protected day(at: string): string {
    return DateTime.fromISO(at).toFormat('d LLL yyyy');
  }

  protected give(): void {
    const userId = this.who();
    const days = this.days();
    if (userId === null) return;
    const untilOn = days === null ? null : (DateTime.now().plus({ days }).toISODate() as string);
    this.send(
      this.client.call(api.access.give, { params: { id: this.student().id, userId }, body: { untilOn } }),
    );
  }

  protected end(userId: string): void {
    this.send(this.client.call(api.access.end, { params: { id: this.student().id, userId } }));
  }

  protected begin(): void {
    const { student } = this.student();
    const age = ageOn(student.bornOn, this.today);
    // A minor does not agree alone; of whom the age is not known, nobody is put there.
    this.consentBy = mayBeRecorded(age, student.saidAdult, false) ? student.name : student.guardianName;
    this.heir.set(this.heirs()[0]?.value ?? null);
    this.sending.clear();
    this.handing.set(true);
  }

  protected handOver(): void {
    const form = this.sending.checked(handOverSchema, {
      userId: this.heir(),
      consentBy: this.consentBy,
      consentOn: this.consentOn,
    });
    if (form)
      this.send(
        this.client.call(api.access.handOver, { params: { id: this.student().id }, body: form }),
        () => this.handing.set(false),
      );
  }

  protected keep(): void {
    this.send(this.client.call(api.access.keep, { params: { id: this.student().id } }));
  }

  private send(call: Observable<StudentAccess>, done: () => void = () => undefined): void {
    this.sending.send(call, (access) => {
      this.access.update(() => access);
      done();
    });
  }
}
