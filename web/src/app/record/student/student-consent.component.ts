import { Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { ageOn, api, askConsentSchema, type AskedConsent, type SavedStudent } from '@doceo/contract';
import { ADULT_AGE } from '@doceo/core';
import { DateTime } from 'luxon';
import type { Observable } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Sending } from '../../data/api/sending';
import { SessionStore } from '../../data/session';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { MadeLinkComponent } from '../../shared/made-link.component';

/** Whether a guardian agrees that a minor's record is kept: asked by a letter or a code, and what was answered. */
@Component({
  selector: 'doceo-student-consent',
  imports: [ChoiceFieldComponent, FormsModule, LoadFailedComponent, MadeLinkComponent, TextFieldComponent],
  templateUrl: './student-consent.component.html',
  styles: `
    :host {
      display: grid;
      gap: 8px;
      margin-top: 16px;
    }

    form {
      display: grid;
      gap: 8px;
      max-width: 360px;
    }

    .stands {
      border-left: 5px solid var(--safety);
      padding-left: 10px;
    }

    .stands.agreed {
      border-left-color: var(--lime);
    }
  `,
})
export class StudentConsentComponent {
  private readonly client = inject(ApiClient);
  private readonly session = inject(SessionStore);
  readonly student = input.required<SavedStudent>();
  /** What may be recorded is another now. */
  readonly changed = output<void>();

  protected readonly asked = fetched(
    () => this.student().id,
    (id) => this.client.call(api.consents.list, { params: { id } }),
  );
  protected readonly lines = computed(() => (this.asked.value() ?? []).map(told));
  private readonly age = computed(() =>
    ageOn(this.student().student.bornOn, new Date().toISOString().slice(0, 10)),
  );
  /** Of age nobody asks a guardian; what was asked before is still told. */
  protected readonly minor = computed(() => {
    const age = this.age();
    return age === null ? !this.student().student.saidAdult : age < ADULT_AGE;
  });
  protected readonly shown = computed(() => this.minor() || this.lines().length > 0);
  protected readonly asking = signal(false);
  protected readonly ways = computed(() =>
    [
      { value: 'link' as const, text: 'a link or its code, here' },
      { value: 'letter' as const, text: 'a letter' },
    ].filter(({ value }) => value === 'link' || this.session.mail() !== 'none'),
  );
  protected readonly way = signal<'link' | 'letter'>('link');
  protected guardianName = '';
  protected email = '';
  protected readonly made = signal<string | null>(null);
  protected readonly sending = new Sending();

  protected day(on: string): string {
    return DateTime.fromISO(on).toFormat('d LLL yyyy');
  }

  protected begin(): void {
    const { guardianName, guardianContact } = this.student().student;
    this.guardianName = guardianName;
    if (guardianContact.includes('@')) this.email = guardianContact;
    this.sending.clear();
    this.made.set(null);
    this.asking.set(true);
  }

  protected ask(): void {
    const form = this.sending.checked(askConsentSchema, {
      id: crypto.randomUUID(),
      guardianName: this.guardianName,
      email: this.way() === 'letter' ? this.email : null,
    });
    if (!form) return;
    this.sending.send(
      this.client.call(api.consents.ask, { params: { id: this.student().id }, body: form }),
      ({ asked, token }) => {
        this.asked.update(() => asked);
        this.asking.set(false);
        this.made.set(token === null ? null : `${location.origin}/consent#${token}`);
        this.changed.emit();
      },
    );
  }

  protected know(consentId: string): void {
    this.send(this.client.call(api.consents.know, { params: { id: this.student().id, consentId } }));
  }

  protected withdraw(consentId: string): void {
    this.made.set(null);
    this.send(this.client.call(api.consents.withdraw, { params: { id: this.student().id, consentId } }));
  }

  private send(call: Observable<AskedConsent[]>): void {
    this.sending.send(call, (asked) => {
      this.asked.update(() => asked);
      this.changed.emit();
    });
  }
}

const dayOf = (at: string | null): string =>
  at === null ? '' : DateTime.fromISO(at).toFormat('d LLL yyyy, HH:mm');

function told(one: AskedConsent): AskedConsent & { told: string } {
  const way = one.email === null ? 'by a link' : `by a letter to ${one.email}`;
  const name = one.byName ?? '';
  const words: Record<AskedConsent['state'], string> = {
    asked: `Asked ${way} on ${dayOf(one.askedAt)}, not answered yet`,
    over: `Asked ${way} on ${dayOf(one.askedAt)}, not answered`,
    given: `${name} agreed on ${dayOf(one.answeredAt)}`,
    look: `“${name}” agreed on ${dayOf(one.answeredAt)}, which is not the name you wrote down`,
    refused: `${name} said no on ${dayOf(one.answeredAt)}`,
    'taken-back': `${name} took it back on ${dayOf(one.takenBackAt)}`,
  };
  return { ...one, told: words[one.state] };
}
