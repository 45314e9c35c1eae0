import { Component } from '@angular/core';

/** A part of the screen that loads when it is wanted did not come: the way to get it. */
@Component({
  selector: 'doceo-part-failed',
  template: `
    <p role="alert">
      A part of this screen did not load: either there is no network, or Doceo has a newer version.
      <button type="button" class="btn small" (click)="again()">Load the page again</button>
    </p>
  `,
  styles: `
    p {
      position: fixed;
      inset: auto 12px 12px;
      z-index: 1200;
      max-width: 620px;
      margin: 0 auto;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      align-items: center;
      padding: 10px 14px;
      color: var(--ink);
      background: var(--sighter-pale);
      border: 1px solid var(--safety);
      border-radius: 4px;
    }

    @media (max-width: 700px) {
      /* Above the ways to the other screens. */
      p {
        bottom: 76px;
      }
    }
  `,
})
export class PartFailedComponent {
  protected again(): void {
    location.reload();
  }
}
