import { Component, inject } from '@angular/core';
import { SessionStore } from '../data/session';
import { LeaveComponent } from './leave.component';
import { PasswordChangeComponent } from './password-change.component';
import { SecondStepComponent } from './second-step.component';
import { SignInsComponent } from './sign-ins.component';
import { TakeAlongComponent } from './take-along.component';

/** One's own account: who gets in, from where, and how to leave with what is one's own. */
@Component({
  selector: 'doceo-account-page',
  imports: [
    LeaveComponent,
    PasswordChangeComponent,
    SecondStepComponent,
    SignInsComponent,
    TakeAlongComponent,
  ],
  template: `
    <div class="bench-main page">
      <header>
        <h1>Your account</h1>
        <p>
          <b>{{ session.user()?.name }}</b>
          <span class="figure">{{ session.user()?.email }}</span>
        </p>
      </header>
      <div class="pair">
        <div>
          <h2>Who gets in</h2>
          <doceo-password-change />
          <doceo-second-step />
        </div>
        <div>
          <h2>Where you are signed in</h2>
          <doceo-sign-ins />
          <h2>Leaving</h2>
          <doceo-take-along />
          <doceo-leave />
        </div>
      </div>
    </div>
  `,
  styles: `
    .page {
      max-width: 1080px;
      display: grid;
      gap: 14px;
    }

    header p {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 12px;
      overflow-wrap: anywhere;
    }

    .pair {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 8px 48px;
    }

    .pair > div {
      display: grid;
      gap: 14px;
      align-content: start;
      border-top: 3px solid var(--lime);
      padding-top: 12px;
    }

    @media (max-width: 800px) {
      .pair {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class AccountPage {
  protected readonly session = inject(SessionStore);
}
