import { Component, inject, output } from '@angular/core';
import { api, type IncomingStudent } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { Sending } from '../../data/api/sending';
import { fetched } from '../../data/api/fetched';

/** Students whom fellows hand over: each with who agreed, taken or left. Nothing while nobody does. */
@Component({
  selector: 'doceo-incoming-students',
  template: `
    @for (one of list.value() ?? []; track one.studentId) {
      <section>
        <p>
          <b>{{ one.from || 'Somebody' }}</b> hands <b>{{ one.name }}</b> over to you with the whole record,
          agreed by {{ one.consentBy }} on {{ day(one.consentOn) }}.
        </p>
        <div class="row">
          <button
            type="button"
            class="btn go"
            [disabled]="sending.busy()"
            [attr.aria-label]="'Take over ' + one.name"
            (click)="answer(one, true)"
          >
            Take over
          </button>
          <button
            type="button"
            class="btn"
            [disabled]="sending.busy()"
            [attr.aria-label]="'Decline ' + one.name"
            (click)="answer(one, false)"
          >
            Decline
          </button>
        </div>
      </section>
    }
    @if (sending.wrong(); as problem) {
      <p class="wrong" role="alert">{{ problem.message }}</p>
    }
  `,
  styles: `
    section {
      border-left: 5px solid var(--lime);
      background: var(--sheet);
      padding: 10px 14px;
      margin: 12px 0;
      display: grid;
      gap: 8px;
    }

    p {
      overflow-wrap: anywhere;
    }
  `,
})
export class IncomingStudentsComponent {
  private readonly client = inject(ApiClient);
  /** A student was taken over: the list is another. */
  readonly taken = output<void>();
  protected readonly list = fetched(
    () => true,
    () => this.client.call(api.access.incoming),
  );
  protected readonly sending = new Sending();

  protected day(on: string): string {
    return DateTime.fromISO(on).toFormat('d LLL yyyy');
  }

  protected answer({ studentId }: IncomingStudent, accept: boolean): void {
    this.sending.send(
      this.client.call(api.access.answer, { params: { id: studentId }, body: { accept } }),
      () => {
        this.list.again();
        if (accept) this.taken.emit();
      },
      () => this.list.again(),
    );
  }
}
