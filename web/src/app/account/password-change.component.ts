import { Component, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { passwordChangeSchema } from '@doceo/contract';
import { MessageService } from 'primeng/api';
import { Sending } from '../data/api/sending';
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
        [fault]="
          sending.wrong()?.at('current') &&
          (current ? sending.wrong()?.at('current') : 'it is needed to change it')
        "
        (typed)="current = $event"
      />
      <doceo-text-field
        label="The new one, ten characters or more"
        type="password"
        name="next"
        autocomplete="new-password"
        [value]="next"
        [fault]="sending.wrong()?.at('next')"
        (typed)="next = $event"
      />
      @if (sending.wrong()?.issues?.length === 0) {
        <p class="wrong" role="alert">{{ sending.wrong()?.message }}</p>
      }
      <div class="row">
        <button type="submit" class="btn go" [disabled]="sending.busy()">Change it</button>
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
  protected readonly sending = new Sending();

  protected change(): void {
    const form = this.sending.checked(passwordChangeSchema, { current: this.current, next: this.next });
    if (!form) return;
    this.sending.send(this.session.changePassword(form.current, form.next), () => {
      this.messages.add({ severity: 'success', summary: 'The password is changed', life: 3000 });
      this.current = this.next = '';
    });
  }
}
