import { Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { DialogComponent } from '../parts/dialogs/dialog.component';
import type { ApiError } from '../data/api/api-error';
import { SessionStore } from '../data/session';
import { TextFieldComponent } from '../parts/fields/text-field.component';

/** The session ended in the middle of the work: sign in again, and what was being saved goes on. */
@Component({
  selector: 'doceo-session-ended',
  imports: [DialogComponent, FormsModule, TextFieldComponent],
  template: `
    <doceo-dialog heading="Your session has ended" [width]="400" [asks]="true">
      <form (ngSubmit)="submit()" class="body">
        <p>Sign in again to go on. What you typed is still here and will be saved.</p>
        <p>
          <b>{{ session.user()?.email }}</b>
        </p>
        <doceo-text-field
          label="Password"
          type="password"
          name="password"
          autocomplete="current-password"
          [value]="password"
          [fault]="asksCode() ? null : error()?.message"
          (typed)="password = $event"
        />
        @if (asksCode()) {
          <doceo-text-field
            label="The code of your phone, or a spare one"
            name="code"
            autocomplete="one-time-code"
            [value]="code"
            [fault]="error()?.at('code') ?? error()?.message"
            (typed)="code = $event"
          />
        }
        <div class="row"><button type="submit" class="btn go">Sign in again</button></div>
      </form>
    </doceo-dialog>
  `,
  styles: `
    .body {
      display: grid;
      gap: 12px;
    }
  `,
})
export class SessionEndedComponent {
  protected readonly session = inject(SessionStore);
  protected readonly error = signal<ApiError | null>(null);
  /** Whether the account wants a code of the phone. */
  protected readonly asksCode = signal(false);
  protected password = '';
  protected code = '';

  protected submit(): void {
    this.session.signIn(this.session.user()?.email ?? '', this.password, this.code).subscribe({
      error: (error: ApiError) => {
        this.error.set(error);
        this.asksCode.set(error.issues.some(({ path }) => path === 'code'));
      },
    });
  }
}
