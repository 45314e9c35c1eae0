import { Component, inject } from '@angular/core';
import { api } from '@doceo/contract';
import { DateTime } from 'luxon';
import { ApiClient } from '../data/api/api-client';
import { fetched } from '../data/api/fetched';
import { LoadFailedComponent } from '../shared/load-failed.component';

/** The letters that the demo would have sent: nothing leaves the machine, and everybody at it reads them here. */
@Component({
  selector: 'doceo-mailbox-page',
  imports: [LoadFailedComponent],
  template: `
    <article>
      <header>
        <div>
          <h1>Letters of the demo</h1>
          <p class="soft">
            Simulated mail: none of it leaves this machine, and whoever opens this demo reads it.
          </p>
        </div>
        <button type="button" class="btn" (click)="letters.again()">Look again</button>
      </header>
      @if (letters.failed(); as problem) {
        <doceo-load-failed [problem]="problem" (again)="letters.again()" />
      } @else if (letters.value(); as all) {
        @for (letter of all; track letter.id) {
          <section>
            <h2>{{ letter.subject }}</h2>
            <p class="small soft">to {{ letter.to }}, {{ when(letter.at) }}</p>
            <p class="text">
              @for (part of parts(letter.text); track $index) {
                @if (part.path) {
                  <a [href]="part.path">{{ part.text }}</a>
                } @else {
                  {{ part.text }}
                }
              }
            </p>
          </section>
        } @empty {
          <p>
            No letter has come. One comes when somebody asks for a new password, is invited to a circle, or
            makes an account.
          </p>
        }
      } @else {
        <p class="soft" role="status">Looking …</p>
      }
    </article>
  `,
  styles: `
    article {
      max-width: 720px;
      margin: 0 auto;
      padding: 26px 20px 60px;
      display: grid;
      gap: 14px;
    }

    header {
      display: flex;
      flex-wrap: wrap;
      align-items: start;
      justify-content: space-between;
      gap: 10px 20px;
      border-bottom: 3px solid var(--lime);
      padding-bottom: 12px;
    }

    section {
      background: var(--sheet);
      padding: 14px 18px;
    }

    .text {
      white-space: pre-line;
      overflow-wrap: anywhere;
      margin-top: 8px;
    }

    .text a {
      display: inline-block;
      min-height: 44px;
      padding: 11px 0;
      color: var(--ink);
    }
  `,
})
export class MailboxPage {
  private readonly client = inject(ApiClient);
  protected readonly letters = fetched(
    () => true,
    () => this.client.call(api.mailbox.list),
  );

  protected when(at: string): string {
    return DateTime.fromISO(at).toFormat('d LLL yyyy, HH:mm');
  }

  /** A letter's text, its links apart; they lead to where this page came from. */
  protected parts(text: string): { text: string; path: string | null }[] {
    return text.split(/(https?:\/\/\S+)/).map((part) => {
      const url = /^https?:/.test(part) && URL.canParse(part) ? new URL(part) : null;
      return { text: part, path: url && `${url.pathname}${url.search}${url.hash}` };
    });
  }
}
