import { Component, input } from '@angular/core';
import type { Evidence } from '@doceo/texts';

/** The figures behind a problem, line by line. */
@Component({
  selector: 'doceo-evidence-lines',
  template: `
    <dl>
      @for (line of lines(); track line.label) {
        <div>
          <dt>{{ line.label }}</dt>
          <dd class="figure">{{ line.text }}</dd>
        </div>
      }
    </dl>
  `,
  styleUrl: './told-rows.css',
  styles: `
    dl {
      margin: 0 0 4px;
      font-size: 12px;
    }
  `,
})
export class EvidenceLinesComponent {
  readonly lines = input.required<readonly Evidence[]>();
}
