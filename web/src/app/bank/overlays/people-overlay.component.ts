import { A11yModule } from '@angular/cdk/a11y';
import { Component, inject, output } from '@angular/core';
import { WhoWords } from '../who-words';

/** Whom a tap counts for, with what matters of each at the water, and whom to call. */
@Component({
  selector: 'doceo-people-overlay',
  imports: [A11yModule],
  styleUrls: ['../../parts/thumb-buttons.css', '../bank-sheet.component.css', './overlay.css'],
  styles: `
    p {
      margin: 0;
    }

    .call {
      display: grid;
      place-items: center;
      min-height: 60px;
      background: #0c1a14;
      color: #fff;
      font-weight: 700;
      margin-top: 6px;
    }
  `,
  host: { role: 'dialog', 'aria-modal': 'true', 'aria-label': 'Who it is' },
  template: `
    <h2 tabindex="-1" cdkFocusInitial>{{ who.forWhom() }}</h2>
    @for (one of who.people(); track one.id) {
      <p>
        <b>{{ one.name }}</b>{{ one.age }}
        @if (one.about) {
          <br />{{ one.about }}
        }
        @if (one.withheld) {
          <br />{{ one.withheld }}
        }
        @if (one.guardian) {
          <br />Guardian: {{ one.guardian }}
          @if (one.call) {
            <a class="call" [href]="'tel:' + one.call">Call {{ one.call }}</a>
          }
        }
      </p>
    }
    <button type="button" class="leave" (click)="closed.emit()">Close</button>
  `,
})
export class PeopleOverlayComponent {
  protected readonly who = inject(WhoWords);
  readonly closed = output<void>();
}
