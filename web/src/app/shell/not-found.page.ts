import { Component } from '@angular/core';
import { NoSuchComponent } from '../shared/no-such.component';

@Component({
  selector: 'doceo-not-found',
  imports: [NoSuchComponent],
  template: `<doceo-no-such
    heading="Nothing lies here"
    why="The address leads nowhere, or to something that is not yours to see."
    path="/today"
    on="Back to today"
  />`,
})
export class NotFoundPage {}
