import { Component, input } from '@angular/core';

/** What a fly looks like, by what it stands for. */
export type FlyPicture = 'nymph' | 'wet' | 'emerger' | 'adult' | 'terrestrial' | 'streamer' | 'practice';

/** A fly from the side, its head to the right, about 40 px long around the middle of its own frame. */
@Component({
  selector: '[doceoFlyPicture]',
  template: `
    @switch (doceoFlyPicture()) {
      @case ('adult') {
        <svg:path class="hackle" d="M-7 -3 l-4 -11 M-1 -4 l-2 -13 M5 -4 l1 -13 M9 -3 l6 -10 M-8 0 l-8 -6" />
        <svg:path class="body" d="M-12 0 q3 -8 13 -7 q11 0 12 7 q-12 5 -25 0z" />
        <svg:path class="hook" d="M-12 1 q-6 3 -4 8 q4 3 6 -2" />
      }
      @case ('emerger') {
        <svg:path class="hackle" d="M2 -5 q-3 -10 -12 -12 q2 8 8 12 M5 -4 l3 -8 M9 -3 l6 -5" />
        <svg:path class="body" d="M12 -3 q-12 -5 -20 3 q-6 7 -9 14 q7 -2 14 -9 q8 -2 15 -8z" />
        <svg:path class="hook" d="M-14 10 q-2 6 4 6 q4 -1 3 -5" />
      }
      @case ('terrestrial') {
        <svg:path class="hackle" d="M-8 3 l-6 8 M0 4 l-1 9 M8 3 l6 8" />
        <svg:path class="body" d="M-14 2 q2 -13 14 -13 q14 0 15 12 q-3 5 -14 5 q-12 1 -15 -4z" />
        <svg:path class="hackle" d="M-12 -2 q13 -5 25 0" />
      }
      @case ('streamer') {
        <svg:path
          class="body"
          d="M14 0 q-6 -8 -20 -6 q-12 2 -26 -2 q8 6 4 8 q8 2 2 7 q16 -2 24 -1 q12 1 16 -6z"
        />
        <svg:path class="hook" d="M-4 5 q-2 7 4 6" />
      }
      @case ('practice') {
        <svg:path class="tuft" d="M12 0 L-12 -9 L-7 -3 L-16 -1 L-8 3 L-13 9 Z" />
      }
      @default {
        <svg:path class="body" d="M-12 0 q12 -13 24 0 q-12 10 -24 0z" />
        <svg:path class="hook" d="M-12 0 q-7 3 -5 9 q4 3 6 -2" />
      }
    }
    @if (bead()) {
      <svg:circle class="bead" cx="11" cy="0" r="5" />
    }
  `,
  styles: `
    .body,
    .tuft {
      fill: var(--fly-body, #7a6540);
      stroke: var(--ink);
      stroke-width: 1.4;
    }
    .tuft {
      fill: var(--sighter);
    }
    .hackle,
    .hook {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
      stroke-linecap: round;
    }
    .bead {
      fill: #d7a92f;
      stroke: var(--ink);
      stroke-width: 1.4;
    }
  `,
})
export class FlyPictureComponent {
  readonly doceoFlyPicture = input.required<FlyPicture>();
  readonly bead = input(false);
}
