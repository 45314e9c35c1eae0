import { Component, computed, input } from '@angular/core';
import type { PaperKind } from './plan-papers';
import type { PlanSheet } from './plan-sheet';

/** A sheet as it is drawn small, pixels. */
const WIDTH = 132;
const HEIGHT = 178;
const LEFT = 12;
const TOP = 34;
const FOOT = 12;
/** Most lines that are told apart at that size. */
const MOST = 22;

/** What a paper of a plan looks like from afar: a bar for each of its lines, as long as it takes. */
@Component({
  selector: 'doceo-paper-picture',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" aria-hidden="true">
      <rect class="page" x="0.5" y="0.5" [attr.width]="width - 1" [attr.height]="height - 1" />
      <rect class="ink" x="12" y="12" width="66" height="7" />
      <rect class="faint" x="12" y="23" width="44" height="3" />
      @for (line of lines(); track $index) {
        @if (line.box) {
          <rect class="box" x="12.5" [attr.y]="line.y" width="5" height="5" />
        } @else {
          <rect [attr.class]="line.strand" x="12" [attr.y]="line.y" width="4" [attr.height]="line.height" />
        }
        <rect class="faint" x="22" [attr.y]="line.y" [attr.width]="line.width" height="3" />
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 132px;
      height: 178px;
    }
    .page {
      fill: #fff;
      stroke: var(--line);
    }
    .ink {
      fill: var(--ink);
    }
    .faint {
      fill: #b9bdb0;
    }
    .box {
      fill: none;
      stroke: var(--ink);
    }
    .rest {
      fill: #a3a79b;
    }
    [class^='strand-'] {
      fill: var(--strand);
    }
  `,
})
export class PaperPictureComponent {
  readonly sheet = input.required<PlanSheet>();
  readonly kind = input.required<PaperKind>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly lines = computed(() => {
    const { rows, pack } = this.sheet();
    const told =
      this.kind() === 'packing'
        ? pack.flatMap(({ lines }) =>
            lines.map(({ name }) => ({ strand: null, chars: name.length, minutes: 1 })),
          )
        : rows
            .filter(({ strand }) => this.kind() === 'desk' || strand !== null)
            .map(({ strand, title, say, minutes }) => ({
              strand,
              chars: title.length + say.length,
              minutes,
            }));
    const shown = told.slice(0, MOST);
    const whole = shown.reduce((sum, { minutes }) => sum + minutes, 0);
    const room = HEIGHT - TOP - FOOT;
    let y = TOP;
    return shown.map(({ strand, chars, minutes }) => {
      const share = this.kind() === 'desk' ? (minutes / whole) * room : room / shown.length;
      const line = {
        ...{ y, box: this.kind() === 'packing', strand: strand ? `strand-${strand}` : 'rest' },
        height: Math.max(3, share - 2),
        width: Math.min(WIDTH - LEFT - 22, 18 + chars * 1.6),
      };
      y += share;
      return line;
    });
  });
}
