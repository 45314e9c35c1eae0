import { Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { api, ROLES } from '@doceo/contract';
import { ApiClient } from '../../data/api/api-client';
import { Sending } from '../../data/api/sending';
import { fetched } from '../../data/api/fetched';
import { NoSuchComponent } from '../../shared/no-such.component';

/** What each role may do. */
const MAY: Record<(typeof ROLES)[number], string> = {
  owner: 'You ask others in, give roles, and share plans and waters.',
  editor: 'You share plans, and draw the waters of the circle.',
  reader: 'You read what is shared, and take your own copies.',
};

/** Behind a link or a letter: a circle that asks, and a yes or no. */
@Component({
  selector: 'doceo-join-page',
  imports: [NoSuchComponent, RouterLink],
  template: `
    @if (!token()) {
      <doceo-no-such
        heading="This link is not whole"
        why="It lost its end on the way. Copy all of it from where it was sent."
        path="/circle"
        on="To your circles"
      />
    } @else if (offer.failed(); as problem) {
      <doceo-no-such
        heading="Nobody asks you here"
        [why]="problem.issues[0] ? 'The link ' + problem.issues[0].message : problem.message"
        path="/circle"
        on="To your circles"
      />
    } @else if (offer.value(); as one) {
      <div class="bench-main">
        <h1>{{ one.circleName }}</h1>
        @if (one.member) {
          <p>You are in it already, and keep the role you have. The link is still for somebody else.</p>
          <p><a class="btn go" routerLink="/circle">To your circles</a></p>
        } @else {
          <p>{{ one.invitedBy || 'Somebody' }} asks you to join as {{ one.role }}. {{ may() }}</p>
          <p class="soft">
            A circle shares plans: blocks, drills, rigs and cue words. Students and their records never
            travel. You can leave whenever you like, and your plans go with you.
          </p>
          <div class="row">
            <button type="button" class="btn go" [disabled]="sending.busy()" (click)="answer(true)">
              Join
            </button>
            <button type="button" class="btn" [disabled]="sending.busy()" (click)="answer(false)">
              Decline
            </button>
          </div>
          @if (sending.wrong(); as problem) {
            <p class="wrong" role="alert">{{ problem.message }}</p>
          }
        }
      </div>
    } @else {
      <div class="bench-main"><p class="soft" role="status">Looking at the link …</p></div>
    }
  `,
  styles: `
    .bench-main {
      display: grid;
      gap: 14px;
      max-width: 620px;
    }

    h1,
    p {
      overflow-wrap: anywhere;
    }
  `,
})
export class JoinPage {
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  protected readonly token = toSignal(inject(ActivatedRoute).fragment);
  protected readonly offer = fetched(
    () => this.token() || null,
    (token) => this.client.call(api.circles.offer, { body: { token } }),
  );
  protected readonly may = computed(() => MAY[this.offer.value()?.role ?? 'reader']);
  protected readonly sending = new Sending();

  protected answer(accept: boolean): void {
    this.sending.send(
      this.client.call(api.circles.take, { body: { token: this.token() ?? '', accept } }),
      () => void this.router.navigateByUrl('/circle'),
    );
  }
}
