import { Component, input } from '@angular/core';
import { NoSuchComponent } from '../no-such.component';

/** In place of a lesson that is not there: there is none, or nobody could be asked. */
@Component({
  selector: 'doceo-no-such-lesson',
  imports: [NoSuchComponent],
  template: `
    <doceo-no-such
      [heading]="looked() ? 'No such lesson' : 'Not on this device'"
      [why]="
        looked()
          ? 'It is not on your calendar.'
          : 'The server does not answer, and this device has no copy of the lesson.'
      "
      path="/today"
      on="Back to today"
    />
  `,
  host: { style: 'display: contents' },
})
export class NoSuchLessonComponent {
  /** Whether it could be looked for. */
  readonly looked = input.required<boolean>();
}
