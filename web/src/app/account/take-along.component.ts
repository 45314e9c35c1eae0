import { Component, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { api, passwordOnlySchema } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../data/api/api-client';
import { Sending } from '../data/api/sending';
import { download } from '../data/download';
import { TextFieldComponent } from '../parts/fields/text-field.component';

/** Everything that is one's own in one file. */
@Component({
  selector: 'doceo-take-along',
  imports: [FormsModule, TextFieldComponent],
  template: `
    <h3>Take everything along</h3>
    <p>
      One file with your students and their records, plans, lessons, waters, rigs, readings, kit and what you
      teach. Keep it as you would keep the records: nobody locks a file.
    </p>
    <form (ngSubmit)="take()" novalidate>
      <doceo-text-field
        label="Your password"
        type="password"
        name="file-password"
        autocomplete="current-password"
        [value]="password"
        [fault]="sending.wrong() && (sending.wrong()?.at('password') ?? sending.wrong()?.message)"
        (typed)="password = $event"
      />
      <div class="row">
        <button type="submit" class="btn" [disabled]="sending.busy()">
          {{ sending.busy() ? 'Gathering …' : 'Save the file' }}
        </button>
      </div>
    </form>
  `,
  styleUrl: './account-part.css',
})
export class TakeAlongComponent {
  private readonly client = inject(ApiClient);
  protected password = '';
  protected readonly sending = new Sending();

  protected take(): void {
    const form = this.sending.checked(passwordOnlySchema, { password: this.password });
    if (!form) return;
    this.sending.send(this.client.call(api.account.file, { body: form }), (file) => {
      this.password = '';
      const day = DateTime.fromISO(file.writtenAt).toISODate();
      download(`doceo-account-${day}.json`, JSON.stringify(file), 'application/json');
    });
  }
}
