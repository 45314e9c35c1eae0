import { Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { api } from '@doceo/contract';
import { ApiClient } from '../data/api/api-client';
import { fetched } from '../data/api/fetched';

/** Behind the link of a letter: the account that was asked for is made. */
@Component({
  selector: 'doceo-welcome-page',
  imports: [RouterLink],
  template: `
    <article>
      <h1>Your account</h1>
      @if (!token()) {
        <p role="alert">This address lost its end on the way. Copy the link whole from the letter.</p>
      } @else if (made.failed(); as problem) {
        <p role="alert">{{ problem.message }}</p>
        <p><a class="btn" routerLink="/today">Back to sign in</a></p>
      } @else if (made.value(); as account) {
        <p role="status">
          It is made. Sign in with <b>{{ account.email }}</b> and the password you chose.
        </p>
        <p><a class="btn go" routerLink="/today">Sign in</a></p>
      } @else {
        <p class="soft" role="status">Making it …</p>
      }
    </article>
  `,
  styleUrl: './letter-page.css',
})
export class WelcomePage {
  private readonly client = inject(ApiClient);
  protected readonly token = toSignal(inject(ActivatedRoute).fragment);
  protected readonly made = fetched(
    () => this.token() || null,
    (token) => this.client.once(api.session.confirm, { body: { token } }),
  );
}
