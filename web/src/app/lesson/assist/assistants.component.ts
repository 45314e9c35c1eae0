import { Component, computed, inject, input, signal } from '@angular/core';
import { api, type Assistants } from '@doceo/contract';
import { DateTime } from 'luxon';
import type { Observable } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Sending } from '../../data/api/sending';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { MadeLinkComponent } from '../../shared/made-link.component';

/** Who helps in a lesson: let in by a code, or by this device lent, and ended. */
@Component({
  selector: 'doceo-assistants',
  imports: [LoadFailedComponent, MadeLinkComponent],
  template: `
    @if (assistants.failed(); as problem) {
      <doceo-load-failed [problem]="problem" (again)="assistants.again()" />
    } @else if (assistants.value(); as now) {
      <p>
        An assistant logs in this lesson on a phone of his own or on yours, without an account. He sees who is
        in it and what is logged today: no record of before, no note, no guardian. At
        {{ time(now.until) }} it ends by itself.
      </p>
      @if (made(); as address) {
        <doceo-made-link
          [address]="address"
          label="Code for assistants of this lesson"
          (done)="made.set(null)"
        >
          <p class="small">For as many as help, until {{ time(now.until) }} or until you close it.</p>
        </doceo-made-link>
      }
      <ul class="given">
        @for (one of now.people; track one.userId) {
          <li>
            <span>
              <b>{{ one.name }}</b><br />
              <span class="small soft">
                since {{ time(one.since) }}, {{ one.entries }} {{ one.entries === 1 ? 'entry' : 'entries' }}
                {{ one.ended ? ', ended' : '' }}
              </span>
            </span>
            @if (!one.ended) {
              <button
                type="button"
                class="btn small"
                [disabled]="sending.busy()"
                [attr.aria-label]="'End it for ' + one.name"
                (click)="end(one.userId)"
              >
                End it
              </button>
            }
          </li>
        } @empty {
          <li class="soft">Nobody yet.</li>
        }
      </ul>
      @if (over()) {
        <p class="soft">The lesson is over; nobody can begin to help any more.</p>
      } @else {
        <div class="row">
          <button type="button" class="btn go" [disabled]="sending.busy()" (click)="open()">
            {{ now.open ? 'A new code' : 'Show a code' }}
          </button>
          <button type="button" class="btn" [disabled]="sending.busy()" (click)="lend()">
            Lend this device
          </button>
          @if (now.open) {
            <button type="button" class="btn plain" [disabled]="sending.busy()" (click)="close()">
              Close the code
            </button>
          }
        </div>
        <p class="small soft">A device that is lent shows this lesson alone; you are signed out on it.</p>
      }
      @if (sending.wrong(); as problem) {
        <p class="wrong" role="alert">{{ problem.message }}</p>
      }
    } @else {
      <p class="soft" role="status">Looking …</p>
    }
  `,
  styles: `
    p {
      margin: 8px 0;
    }
  `,
})
export class AssistantsComponent {
  private readonly client = inject(ApiClient);
  readonly lessonId = input.required<string>();
  readonly zone = input('UTC');

  protected readonly assistants = fetched(
    () => this.lessonId(),
    (id) => this.client.call(api.assistants.list, { params: { id } }),
  );
  protected readonly over = computed(() => Date.parse(this.assistants.value()?.until ?? '') <= Date.now());
  protected readonly made = signal<string | null>(null);
  protected readonly sending = new Sending();

  protected time(at: string): string {
    return DateTime.fromISO(at, { zone: this.zone() }).toFormat('HH:mm');
  }

  protected open(): void {
    this.newCode((token) => this.made.set(`${location.origin}/assist#${token}`));
  }

  /** This device goes over to whoever helps: the code is opened here. */
  protected lend(): void {
    this.newCode((token) => location.assign(`/assist#${token}`));
  }

  protected close(): void {
    this.made.set(null);
    this.send(this.client.call(api.assistants.close, { params: { id: this.lessonId() } }));
  }

  protected end(userId: string): void {
    this.send(this.client.call(api.assistants.end, { params: { id: this.lessonId(), userId } }));
  }

  private newCode(then: (token: string) => void): void {
    this.sending.send(
      this.client.call(api.assistants.open, { params: { id: this.lessonId() } }),
      ({ assistants, token }) => {
        this.assistants.update(() => assistants);
        then(token);
      },
    );
  }

  private send(call: Observable<Assistants>): void {
    this.sending.send(call, (assistants) => this.assistants.update(() => assistants));
  }
}
