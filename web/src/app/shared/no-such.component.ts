import { Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';

/** A screen whose address leads to nothing, with why and a way on. */
@Component({
  selector: 'doceo-no-such',
  imports: [RouterLink],
  template: `
    <div class="empty">
      <h1>{{ heading() }}</h1>
      <p>{{ why() }}</p>
      <a class="btn go" [routerLink]="path()">{{ on() }}</a>
    </div>
  `,
  host: { class: 'bench-main', style: 'display: block' },
})
export class NoSuchComponent {
  readonly heading = input.required<string>();
  readonly why = input.required<string>();
  readonly path = input.required<string>();
  /** Words of the way on. */
  readonly on = input.required<string>();
}
