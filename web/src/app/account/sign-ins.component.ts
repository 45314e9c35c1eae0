import { Component, inject, linkedSignal, signal } from '@angular/core';
import { api, type SignInPlace } from '@doceo/contract';
import { DateTime } from 'luxon';
import type { Observable } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import { Sending } from '../data/api/sending';
import { fetched } from '../data/api/fetched';
import { LoadFailedComponent } from '../shared/load-failed.component';

/** So many sign-ins are shown before one asks for the rest. */
const FIRST_SHOWN = 6;

/** Every browser that is signed in, with a button to end what one does not know. */
@Component({
  selector: 'doceo-sign-ins',
  imports: [LoadFailedComponent],
  template: `
    @if (list.failed(); as problem) {
      <doceo-load-failed [problem]="problem" (again)="list.again()" />
    } @else if (places(); as all) {
      <ul>
        @for (place of all.slice(0, shown()); track place.id) {
          <li>
            <span>
              <b>{{ place.browser }}</b>&ngsp;
              @if (place.here) {
                <span class="chip">here</span>
              }
              <br />
              <span class="small soft">since {{ day(place.since) }}, used {{ ago(place) }}</span>
            </span>
            @if (!place.here) {
              <button
                type="button"
                class="btn small"
                [disabled]="sending.busy()"
                [attr.aria-label]="'End it: the sign-in of ' + place.browser + ' since ' + day(place.since)"
                (click)="end(place)"
              >
                End it
              </button>
            }
          </li>
        }
      </ul>
      @if (all.length > 2) {
        <div class="row">
          <button type="button" class="btn small" [disabled]="sending.busy()" (click)="endOthers()">
            End all but this one
          </button>
          @if (all.length > shown()) {
            <button type="button" class="btn small" (click)="shown.set(all.length)">
              Show {{ all.length - shown() }} more
            </button>
          }
        </div>
      }
      @if (sending.wrong(); as problem) {
        <p class="wrong" role="alert">{{ problem.message }}</p>
      }
    } @else {
      <p class="soft looking" role="status">Looking …</p>
    }
  `,
  styleUrl: './account-part.css',
  styles: `
    li {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 12px;
      padding: 8px 0;
      border-bottom: 1px solid var(--line);
    }

    .chip {
      border: 1.5px solid var(--sighter);
      padding: 0 6px;
      font-size: 12px;
    }
  `,
})
export class SignInsComponent {
  private readonly client = inject(ApiClient);
  protected readonly list = fetched(
    () => true,
    () => this.client.call(api.account.signIns),
  );
  protected readonly places = linkedSignal(() => this.list.value());
  /** How many of them are shown: who signs in often finds the last ones first. */
  protected readonly shown = signal(FIRST_SHOWN);
  protected readonly sending = new Sending();

  protected day(at: string): string {
    return DateTime.fromISO(at).toFormat('d LLL yyyy');
  }

  /** Use is noted by the hour. */
  protected ago({ here, usedAt }: SignInPlace): string {
    const hours = -DateTime.fromISO(usedAt).diffNow('hours').hours;
    if (here || hours < 1.5) return 'just now';
    if (hours < 24) return `${Math.round(hours)} hours ago`;
    const days = Math.round(hours / 24);
    return days === 1 ? 'a day ago' : `${days} days ago`;
  }

  protected end({ id }: SignInPlace): void {
    this.then(this.client.call(api.account.endSignIn, { params: { id } }));
  }

  protected endOthers(): void {
    this.then(this.client.call(api.account.endOtherSignIns));
  }

  private then(call: Observable<SignInPlace[]>): void {
    this.sending.send(
      call,
      (places) => this.places.set(places),
      () => this.list.again(),
    );
  }
}
