import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Reach } from './streams';

/** The end of a reach and its name, with the tick that leads to it. */
@Component({
  selector: 'g[doceoReachName]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[class.phone]': "place() === 'phone'" },
  template: `
    <svg:line
      [attr.x1]="reach().gate.x1"
      [attr.y1]="reach().gate.y1"
      [attr.x2]="reach().gate.x2"
      [attr.y2]="reach().gate.y2"
      class="gate"
    />
    @if (reach().label.tick; as tick) {
      <svg:line
        [attr.x1]="reach().middle.x"
        [attr.x2]="reach().middle.x"
        [attr.y1]="tick.y1"
        [attr.y2]="tick.y2"
        class="tick"
      />
    }
    @for (line of reach().label.lines; track $index) {
      <svg:text
        [attr.x]="reach().label.x"
        [attr.y]="reach().label.y + $index * 12"
        [attr.text-anchor]="place() === 'desk' ? 'middle' : 'start'"
      >
        {{ line }}
      </svg:text>
    }
  `,
  styles: `
    .gate {
      stroke: var(--paper);
      stroke-width: 3;
      pointer-events: none;
    }
    .tick {
      stroke: var(--bed);
      stroke-width: 1;
      pointer-events: none;
    }
    text {
      font: 12.4px var(--body);
      fill: var(--ink);
    }
    :host(.phone) text {
      font-size: 11.5px;
    }
    :host(.chosen) text {
      font-weight: 700;
    }
  `,
})
export class ReachNameComponent {
  readonly reach = input.required<Reach>();
  readonly place = input.required<string>();
}
