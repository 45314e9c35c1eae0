import { ChangeDetectionStrategy, Component, model } from '@angular/core';
import { type BankEventBody, CAST_ANGLES, type CastAngle, type CastFrom } from '@doceo/core';
import { ANGLE_WORDS } from '../../data/lesson/event-text';

const MAX_STAND = 12;

/** From which stand and at which angle it was cast. Not said until it is tapped; tapped again it is not said. */
@Component({
  selector: 'doceo-cast-from',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <div class="amount">
      <button type="button" aria-label="Stand before" (click)="step(-1)">−</button>
      <b class="figure">{{ from().stand ? 'stand ' + from().stand : 'any stand' }}</b>
      <button type="button" aria-label="Next stand" (click)="step(1)">+</button>
    </div>
    <div class="choices three">
      @for (one of angles; track one) {
        <button type="button" [attr.aria-pressed]="from().angle === one" (click)="turn(one)">
          {{ words[one] }}
        </button>
      }
    </div>
  `,
})
export class CastFromComponent {
  readonly from = model.required<CastFrom>();
  protected readonly angles = CAST_ANGLES;
  protected readonly words = ANGLE_WORDS;

  /** Below the first stand none is said. */
  protected step(by: 1 | -1): void {
    const stand = Math.min(MAX_STAND, (this.from().stand ?? 0) + by);
    this.from.update(({ angle }) => ({ ...(stand < 1 ? {} : { stand }), ...(angle ? { angle } : {}) }));
  }

  protected turn(angle: CastAngle): void {
    this.from.update(({ stand, angle: now }) => ({
      ...(stand ? { stand } : {}),
      ...(angle === now ? {} : { angle }),
    }));
  }
}

/** Where the last cast of those logged was from; nothing is said when there is none. */
export function lastFrom(logged: readonly BankEventBody[]): CastFrom {
  const last = logged.findLast((body) => body.kind === 'lane' || body.kind === 'fish');
  return last ? fromOf(last) : {};
}

/** Stand and angle of an entry, without what was not said. */
export function fromOf({ stand, angle }: CastFrom): CastFrom {
  return { ...(stand ? { stand } : {}), ...(angle ? { angle } : {}) };
}
