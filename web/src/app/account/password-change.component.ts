import { Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { passwordChangeSchema } from '@doceo/contract';
import { MessageService } from 'primeng/api';
import type { ApiError } from '../data/api/api-error';
import { checked } from '../data/api/checked';
import { SessionStore } from '../data/session';
import { TextFieldComponent } from '../parts/fields/text-field.component';

/** Another password. */
@Component({
  selector: 'doceo-password-change',
  imports: [FormsModule, TextFieldComponent],
  template: `
    <h3>Another password</h3>
    <form (ngSubmit)="change()" novalidate>
      <doceo-text-field
        label="The one you have"
        type="password"
        name="current"
        autocomplete="current-password"
        [value]="current"
        [fault]="wrong()?.at('current') && (current ? wrong()?.at('current') : 'it is needed to change it')"
        (typed)="current = $event"
      />
      <doceo-text-field
        label="The new one, ten characters or more"
        type="password"
        name="next"
        autocomplete="new-password"
        [value]="next"
        [fault]="wrong()?.at('next')"
        (typed)="next = $event"
      />
      @if (wrong()?.issues?.length === 0) {
        <p class="wrong" role="alert">{{ wrong()?.message }}</p>
      }
      <div class="row">
        <button type="submit" class="btn go" [disabled]="busy()">Change it</button>
        <span class="small soft">You are signed out everywhere else.</span>
      </div>
    </form>
  `,
  styleUrl: './account-part.css',
})
export class PasswordChangeComponent {
  private readonly session = inject(SessionStore);
  private readonly messages = inject(MessageService);
  protected current = '';
  protected next = '';
  protected readonly busy = signal(false);
  protected readonly wrong = signal<ApiError | null>(null);

  protected change(): void {
    const form = checked(passwordChangeSchema, { current: this.current, next: this.next });
    if ('error' in form) return this.wrong.set(form.error);
    this.busy.set(true);
    this.wrong.set(null);
    this.session.changePassword(this.current, this.next).subscribe({
      next: () => {
        this.messages.add({ severity: 'success', summary: 'The password is changed', life: 3000 });
        this.busy.set(false);
        this.current = this.next = '';
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.wrong.set(error);
      },
    });
  }
}
