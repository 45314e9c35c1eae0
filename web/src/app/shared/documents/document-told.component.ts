import { Component, input } from '@angular/core';
import type { EditedDocument } from '../../data/documents/edited-document';

/** What stands between a document on the screen and the stored one: a refusal, or that it was saved elsewhere too. */
@Component({
  selector: 'doceo-document-told',
  template: `
    @if (of().refusal(); as refusal) {
      <p class="wrong" role="alert">
        {{ refusal.message }}
        @for (issue of refusal.issues; track issue.path) {
          <span>{{ issue.path }} {{ issue.message }}. </span>
        }
      </p>
    }
    @if (asks() && of().theirs()) {
      <p class="wrong" role="alert">
        {{ what() }} was saved elsewhere too.
        <button type="button" class="btn small" (click)="of().keepMine()">Keep this one</button>
        <button type="button" class="btn small" (click)="of().takeTheirs()">Take the other</button>
      </p>
    }
  `,
  styles: `
    .wrong {
      color: var(--safety);
      margin: 6px 0;
    }
  `,
})
export class DocumentToldComponent {
  readonly of =
    input.required<Pick<EditedDocument<unknown>, 'refusal' | 'theirs' | 'keepMine' | 'takeTheirs'>>();
  /** How a sentence about it begins. */
  readonly what = input('It');
  /** Whether it asks which of two is kept; else the screen does. */
  readonly asks = input(true);
}
