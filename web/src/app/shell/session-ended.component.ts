import { Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { DIALOG } from '../parts/dialog';
import type { ApiError } from '../data/api/api-error';
import { SessionStore } from '../data/session';

/** The session ended in the middle of the work: sign in again, and what was being saved goes on. */
@Component({
  selector: 'doceo-session-ended',
  imports: [FormsModule, DIALOG],
  template: `
    <p-dialog
      header="Your session has ended"
      [visible]="true"
      [modal]="true"
      [closable]="false"
      [draggable]="false"
      [style]="{ width: '400px' }"
    >
      <form (ngSubmit)="submit()" class="body">
        <p>Sign in again to go on. What you typed is still here and will be saved.</p>
        <p>
          <b>{{ session.user()?.email }}</b>
        </p>
        <label class="field"
          ><span>Password</span
          ><input
            type="password"
            name="password"
            autocomplete="current-password"
            [(ngModel)]="password"
            [attr.aria-invalid]="!!error()"
          />
          @if (error(); as problem) {
            <span class="wrong" role="alert">{{ problem.message }}</span>
          }
        </label>
        <div class="row"><button type="submit" class="btn go">Sign in again</button></div>
      </form>
    </p-dialog>
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
  protected password = '';

  protected submit(): void {
    this.session
      .signIn(this.session.user()?.email ?? '', this.password)
      .subscribe({ error: (error: ApiError) => this.error.set(error) });
  }
}
