import { Component, inject, input } from '@angular/core';
import { ApiClient } from '../data/api/api-client';

/** Something is on its way; and when no server answers, that this device does not have it either. */
@Component({
  selector: 'doceo-fetching',
  template: `
    <p class="soft" role="status">
      @if (client.unreachable()) {
        The server does not answer, and this device keeps no copy of {{ what() }}. It asks again by itself.
      } @else {
        Fetching {{ what() }} …
      }
    </p>
  `,
  styles: ':host { display: block; }',
})
export class FetchingComponent {
  protected readonly client = inject(ApiClient);

  /** As in "Fetching the plan". */
  readonly what = input.required<string>();
}
