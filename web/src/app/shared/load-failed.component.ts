import { Component, input, output } from '@angular/core';
import type { ApiError } from '../data/api/api-error';

/** Something could not be fetched: why, and the way to try again. */
@Component({
  selector: 'doceo-load-failed',
  template: `
    <div class="empty" role="alert">
      <h3>
        {{ problem().code === 'not-found' ? 'This is not here any more' : 'This could not be fetched' }}
      </h3>
      <p>{{ problem().message }}</p>
      <button type="button" class="btn" (click)="again.emit()">Try again</button>
    </div>
  `,
})
export class LoadFailedComponent {
  readonly problem = input.required<ApiError>();
  readonly again = output<void>();
}
