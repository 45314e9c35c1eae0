import { Component, computed, input } from '@angular/core';
import type { StandReason, UnitSystem } from '@doceo/core';
import { listed } from '@doceo/texts';
import { standReasonText } from '../../shared/water/stand-texts';

/** Where somebody stands and what he does there, to be read. */
export interface StandLine {
  who: string;
  where: string;
  because: readonly StandReason[];
}

/** The stands of a group in words, under the name of their water. */
@Component({
  selector: 'doceo-stand-list',
  template: `
    <h2>{{ name() }}</h2>
    <ol>
      @for (line of lines(); track $index) {
        <li>
          <b>{{ line.who }}</b> {{ line.where }}
          @if (why(line); as text) {
            <span class="soft">({{ text }})</span>
          }
        </li>
      }
    </ol>
    @if (names(); as list) {
      <p>No place found for {{ list }}: find one together, or take turns.</p>
    }
  `,
  styles: `
    ol {
      margin: 2px 0 6px;
      padding-left: 20px;
    }
  `,
})
export class StandListComponent {
  readonly name = input.required<string>();
  readonly lines = input.required<readonly StandLine[]>();
  /** Names of those for whom there is no place. */
  readonly without = input.required<readonly string[]>();
  readonly units = input.required<UnitSystem>();

  protected readonly names = computed(() => listed([...this.without()]));

  protected why({ because }: StandLine): string {
    return because.map((reason) => standReasonText(reason, this.units())).join('; ');
  }
}
