import { Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute } from '@angular/router';
import { api, assistBeginSchema } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Sending } from '../../data/api/sending';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** Behind the code of an instructor: one lesson to help in, and a name. */
@Component({
  selector: 'doceo-assist-page',
  imports: [FormsModule, TextFieldComponent],
  template: `
    <article>
      @if (!token()) {
        <h1>This code is not whole</h1>
        <p role="alert">It lost its end on the way. Read it again.</p>
      } @else if (offer.failed(); as problem) {
        <h1>Nobody asks for help here</h1>
        <p role="alert">{{ problem.issues.length ? 'The code is not whole.' : problem.message }}</p>
      } @else if (offer.value(); as one) {
        <h1>Help {{ one.instructor }} teach</h1>
        <p>
          <b>{{ one.title }}</b>, {{ one.water }}, {{ when() }}
        </p>
        <p>
          You log what you see, one tap a cast. It ends at {{ until() }} by itself; records of before are not
          shown. Your name stands on what you log while the lesson is on.
        </p>
        <form (ngSubmit)="begin()" novalidate>
          <doceo-text-field
            label="Your name"
            name="assistant"
            autocomplete="name"
            [most]="80"
            [value]="name"
            [fault]="sending.wrong()?.at('name') && 'your name is needed'"
            (typed)="name = $event"
          />
          @if (sending.wrong()?.issues?.length === 0) {
            <p class="wrong" role="alert">{{ sending.wrong()?.message }}</p>
          }
          <div class="row">
            <button type="submit" class="btn go" [disabled]="sending.busy()">Begin</button>
          </div>
        </form>
      } @else {
        <p class="soft" role="status">Looking at the code …</p>
      }
    </article>
  `,
  styles: `
    article {
      max-width: 460px;
      margin: 6vh auto 0;
      padding: 24px;
      display: grid;
      gap: 14px;
      background: var(--sheet);
      border-top: 3px solid var(--lime);
      font-size: 16px;
      overflow-wrap: anywhere;
    }

    form {
      display: grid;
      gap: 12px;
    }

    .btn {
      min-height: 52px;
      font-size: 16px;
    }
  `,
})
export class AssistPage {
  private readonly client = inject(ApiClient);
  protected readonly token = toSignal(inject(ActivatedRoute).fragment);
  protected readonly offer = fetched(
    () => this.token() || null,
    (token) => this.client.call(api.assistants.look, { body: { token } }),
  );
  protected readonly when = computed(() => this.told(this.offer.value()?.startsAt, 'cccc d LLLL, HH:mm'));
  protected readonly until = computed(() => this.told(this.offer.value()?.until, 'HH:mm'));
  protected name = '';
  protected readonly sending = new Sending();

  protected begin(): void {
    const form = this.sending.checked(assistBeginSchema, { token: this.token(), name: this.name });
    // The whole application begins anew, as somebody else's.
    if (form)
      this.sending.send(this.client.once(api.assistants.begin, { body: form }), () =>
        location.assign('/teach'),
      );
  }

  private told(at: string | undefined, format: string): string {
    if (!at) return '';
    return DateTime.fromISO(at, { zone: this.offer.value()?.timeZone ?? 'UTC' }).toFormat(format);
  }
}
