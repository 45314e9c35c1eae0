import { Component, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { api, newPasswordSchema } from '@doceo/contract';
import { ApiClient } from '../data/api/api-client';
import { Sending } from '../data/api/sending';
import { fetched } from '../data/api/fetched';
import { TextFieldComponent } from '../parts/fields/text-field.component';

/** Behind the link of a letter: a new password. */
@Component({
  selector: 'doceo-lost-page',
  imports: [FormsModule, RouterLink, TextFieldComponent],
  template: `
    <article>
      <h1>A new password</h1>
      @if (done()) {
        <p role="status">
          It is changed, and whoever was signed in with the old one is out. Sign in with the new one.
        </p>
        <p><a class="btn go" routerLink="/today">Sign in</a></p>
      } @else if (!token()) {
        <p role="alert">This address lost its end on the way. Copy the link whole from the letter.</p>
      } @else if (link.failed(); as problem) {
        <p role="alert">
          {{ problem.issues[0]?.message ? 'The link ' + problem.issues[0]?.message : problem.message }}
        </p>
        <p><a class="btn" routerLink="/today">Back to sign in</a></p>
      } @else if (link.value(); as whose) {
        <p>
          For <b>{{ whose.name }}</b>&ngsp;<span class="figure">{{ whose.email }}</span>
        </p>
        <form (ngSubmit)="change()" novalidate>
          <input class="for-managers" type="email" autocomplete="username" [value]="whose.email" readonly />
          <doceo-text-field
            label="The new one, ten characters or more"
            type="password"
            name="password"
            autocomplete="new-password"
            [value]="password"
            [fault]="sending.wrong()?.at('password')"
            (typed)="password = $event"
          />
          @if (sending.wrong()?.issues?.length === 0) {
            <p class="wrong" role="alert">{{ sending.wrong()?.message }}</p>
          }
          <div class="row">
            <button type="submit" class="btn go" [disabled]="sending.busy()">Keep it</button>
          </div>
        </form>
      } @else {
        <p class="soft" role="status">Looking at the link …</p>
      }
    </article>
  `,
  styleUrl: './letter-page.css',
  styles: `
    .for-managers {
      display: none;
    }
  `,
})
export class LostPage {
  private readonly client = inject(ApiClient);
  protected readonly token = toSignal(inject(ActivatedRoute).fragment);
  protected readonly link = fetched(
    () => this.token() || null,
    (token) => this.client.call(api.session.lostLink, { body: { token } }),
  );
  protected password = '';
  protected readonly sending = new Sending();
  protected readonly done = signal(false);

  protected change(): void {
    const form = this.sending.checked(newPasswordSchema, { token: this.token(), password: this.password });
    if (form)
      this.sending.send(this.client.once(api.session.lostAnswer, { body: form }), () => this.done.set(true));
  }
}
