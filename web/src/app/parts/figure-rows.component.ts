import { Component, input } from '@angular/core';
import { OriginComponent } from './origin.component';

/** A figure with its name; a bad one stands out. */
export interface FigureRow {
  name: string;
  text: string;
  bad: boolean;
}

/** Figures of a bench, computed, one below the other. */
@Component({
  selector: 'doceo-figure-rows',
  imports: [OriginComponent],
  template: `
    <doceo-origin of="computed" [from]="from()" />
    <dl>
      @for (row of rows(); track row.name) {
        <div [class.bad]="row.bad">
          <dt>{{ row.name }}</dt>
          <dd class="figure">{{ row.text }}</dd>
        </div>
      }
    </dl>
  `,
  styles: `
    dl {
      margin: 8px 0;
    }
    div {
      display: flex;
      justify-content: space-between;
      gap: 8px;
      border-bottom: 1px solid var(--line);
      padding: 4px 0;
    }
    dd {
      margin: 0;
      white-space: nowrap;
    }
    .bad dd {
      color: var(--safety);
    }
  `,
})
export class FigureRowsComponent {
  readonly rows = input.required<readonly FigureRow[]>();
  /** What they are computed from. */
  readonly from = input.required<string>();
}
