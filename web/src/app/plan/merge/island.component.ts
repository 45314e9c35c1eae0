import { Component, computed, input, output } from '@angular/core';
import type { MergeSide } from '@doceo/core';
import type { MergeOption, Question } from './merge-state';

/** Height of the picture, and of a minute in it at the most, pixels. */
const HEIGHT_PX = 112;
const MINUTE_PX = 1.7;
const ARM_PX = 26;
/** How far the ends of the arms slant, as blocks do. */
const SLANT_PX = 9;

/** Where both changed the same: the stream parts round it, an arm for each way, and one of them is chosen. */
@Component({
  selector: 'doceo-island',
  template: `
    <fieldset [class.open]="question().chosen === null" [attr.data-island]="question().key">
      <legend>{{ question().what }}</legend>
      @if (arms(); as all) {
        <svg
          class="parting"
          [attr.width]="all.widthPx"
          [attr.height]="heightPx"
          role="img"
          aria-label="The minutes of each way, to scale"
        >
          <path class="trunk" [attr.d]="all.trunk" />
          @for (arm of all.arms; track arm.side) {
            <path [attr.class]="'arm ' + arm.side" [class.chosen]="arm.chosen" [attr.d]="arm.path" />
            <text class="figure" [attr.x]="arm.x" [attr.y]="arm.y" text-anchor="middle">
              {{ arm.minutes }}
            </text>
          }
        </svg>
      }
      <div class="ways">
        @for (option of question().options; track option.side) {
          <label [class.taken]="question().chosen === option.side">
            <input
              type="radio"
              [name]="question().key"
              [checked]="question().chosen === option.side"
              (change)="chosen.emit(option.side)"
            />
            <b>{{ names()[option.side] }}</b>&ngsp; <span class="text">{{ option.text }}</span>&ngsp;
            @if (endsDiffer()) {
              <span class="end figure" title="When the blocks end then"
                >ends {{ clock()(option.endMin) }}</span
              >
            }
          </label>
        }
      </div>
    </fieldset>
  `,
  styleUrl: './island.component.css',
})
export class IslandComponent {
  readonly question = input.required<Question>();
  /** How each side is called. */
  readonly names = input.required<Record<MergeSide, string>>();
  /** The time of a minute of the lesson. */
  readonly clock = input.required<(minute: number) => string>();
  readonly chosen = output<MergeSide>();
  protected readonly heightPx = HEIGHT_PX;

  protected readonly endsDiffer = computed(
    () => new Set(this.question().options.map(({ endMin }) => endMin)).size > 1,
  );

  /** The arms of the stream, where it is minutes that differ. */
  protected readonly arms = computed(() => {
    const options = this.question().options;
    if (options.some(({ minutes }) => minutes === null)) return null;
    const most = Math.max(...options.map(({ minutes }) => minutes ?? 0));
    const scale = Math.min(MINUTE_PX, (HEIGHT_PX - 34) / most);
    const middle = ((options.length - 1) * (ARM_PX + 12)) / 2 + ARM_PX / 2;
    return {
      widthPx: options.length * (ARM_PX + 12),
      trunk: `M${middle - 9} 0h18v10h-18z`,
      arms: options.map((option, i) => this.toArm(option, i * (ARM_PX + 12), middle, scale)),
    };
  });

  private toArm({ side, minutes }: MergeOption, left: number, middle: number, scale: number) {
    const top = 24;
    const bottom = top + (minutes ?? 0) * scale;
    return {
      ...{ side, minutes, x: left + ARM_PX / 2, y: Math.max(top + 13, (top + bottom) / 2) },
      chosen: this.question().chosen === side,
      path: [
        `M${middle - 9} 8Q${left} 10 ${left} ${top}V${bottom - SLANT_PX}L${left + ARM_PX} ${bottom}V${top}`,
        `Q${left + ARM_PX} 12 ${middle + 9} 8Z`,
      ].join(''),
    };
  }
}
