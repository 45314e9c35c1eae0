import { Component } from '@angular/core';
import { RouterLink } from '@angular/router';

@Component({
  selector: 'doceo-not-found',
  imports: [RouterLink],
  template: `<div class="bench-main">
    <div class="empty">
      <h1>Nothing lies here</h1>
      <p>The address leads nowhere, or to something that is not yours to see.</p>
      <a class="btn go" routerLink="/today">Back to today</a>
    </div>
  </div>`,
})
export class NotFoundPage {}
