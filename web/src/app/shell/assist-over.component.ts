import { Component, inject } from '@angular/core';
import { BankStore } from '../data/lesson/bank-store';
import { SessionStore } from '../data/session';

/** The lesson in which somebody helped is over: what is still here goes out, then the device is given back. */
@Component({
  selector: 'doceo-assist-over',
  template: `
    <article>
      <h1>The lesson is over</h1>
      <p role="status">
        @if (bank.waiting() > 0) {
          {{ bank.waiting() }} {{ bank.waiting() === 1 ? 'entry is' : 'entries are' }} kept here and go out as
          soon as there is a connection. Keep this page open until then.
        } @else {
          Thank you. All you logged is stored, and nothing of it is left here once you give the device back.
        }
      </p>
      <div class="row">
        <button type="button" class="btn go" [disabled]="bank.waiting() > 0" (click)="giveBack()">
          Give the device back
        </button>
      </div>
    </article>
  `,
  styles: `
    article {
      max-width: 460px;
      margin: 8vh auto 0;
      padding: 24px;
      display: grid;
      gap: 14px;
      background: var(--sheet);
      border-top: 3px solid var(--lime);
      font-size: 16px;
    }

    .btn {
      min-height: 52px;
      font-size: 16px;
    }
  `,
})
export class AssistOverComponent {
  private readonly session = inject(SessionStore);
  protected readonly bank = inject(BankStore);

  protected giveBack(): void {
    this.session.signOut().subscribe({ next: () => location.assign('/'), error: () => location.assign('/') });
  }
}
