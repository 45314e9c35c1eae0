import { Component, input } from '@angular/core';
import { Player } from './player';

/** Plays a run, or goes to a time of it; what belongs to the time stands behind. */
@Component({
  selector: 'doceo-play-row',
  template: `
    <div class="row play">
      <button type="button" class="btn go" (click)="player().toggle()">
        {{ player().playing() ? 'Stop' : 'Play' }}
      </button>
      <input
        type="range"
        min="0"
        step="0.01"
        [attr.aria-label]="label()"
        [max]="endS()"
        [value]="player().atS()"
        [attr.aria-valuetext]="player().atS().toFixed(2) + ' s'"
        (input)="player().goTo(+$any($event.target).value)"
      />
      <ng-content />
    </div>
  `,
  styles: `
    .play {
      margin: 10px 0;
    }
    input {
      flex: 1;
      min-width: 120px;
      accent-color: var(--sighter);
    }
  `,
})
export class PlayRowComponent {
  readonly player = input.required<Player>();
  readonly endS = input.required<number>();
  readonly label = input.required<string>();
}
