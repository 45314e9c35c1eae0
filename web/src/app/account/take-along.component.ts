import { Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { api, passwordOnlySchema } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { checked } from '../data/api/checked';
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
        [fault]="wrong() && (wrong()?.at('password') ?? wrong()?.message)"
        (typed)="password = $event"
      />
      <div class="row">
        <button type="submit" class="btn" [disabled]="busy()">
          {{ busy() ? 'Gathering …' : 'Save the file' }}
        </button>
      </div>
    </form>
  `,
  styleUrl: './account-part.css',
})
export class TakeAlongComponent {
  private readonly client = inject(ApiClient);
  protected password = '';
  protected readonly busy = signal(false);
  protected readonly wrong = signal<ApiError | null>(null);

  protected take(): void {
    const form = checked(passwordOnlySchema, { password: this.password });
    if ('error' in form) return this.wrong.set(form.error);
    this.busy.set(true);
    this.wrong.set(null);
    this.client.call(api.account.file, { body: form.data }).subscribe({
      next: (file) => {
        this.busy.set(false);
        this.password = '';
        const day = DateTime.fromISO(file.writtenAt).toISODate();
        download(`doceo-account-${day}.json`, JSON.stringify(file), 'application/json');
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.wrong.set(error);
      },
    });
  }
}
