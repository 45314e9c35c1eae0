import { Component, computed, input } from '@angular/core';
import type { KeepingRule } from '@doceo/contract';

const WIDTH = 320;

/** How long a record is kept, as water that thins: entries go first, and the rest some time after the last lesson. */
@Component({
  selector: 'doceo-kept-for',
  template: `
    @if (rule(); as kept) {
      <svg
        [attr.viewBox]="'0 0 ' + width + ' 34'"
        preserveAspectRatio="none"
        role="img"
        [attr.aria-label]="text()"
      >
        <path class="flow" [attr.d]="flow()" />
        <line class="end" [attr.x1]="narrows()" [attr.x2]="narrows()" y1="2" y2="32" />
        <line class="end" [attr.x1]="width - 1" [attr.x2]="width - 1" y1="2" y2="32" />
      </svg>
      <p class="ends small" aria-hidden="true">
        <span>a lesson</span>
        <span class="middle" [style.left.%]="(100 * narrows()) / width">{{ told(kept.entryMonths) }}</span>
        <span>{{ told(kept.studentMonths) }}</span>
      </p>
      <p>{{ text() }}</p>
    } @else {
      <p>Nobody has set an end: until the instructor deletes it, or you have it deleted here.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
    }

    svg {
      width: 100%;
      height: 34px;
    }

    .flow {
      fill: var(--water);
    }

    .end {
      stroke: var(--ink);
      stroke-width: 1.5;
      stroke-dasharray: 3 3;
    }

    .ends {
      position: relative;
      display: flex;
      justify-content: space-between;
      margin: 0;
    }

    .middle {
      position: absolute;
      transform: translateX(-50%);
    }
  `,
})
export class KeptForComponent {
  readonly rule = input.required<KeepingRule | null>();
  protected readonly width = WIDTH;
  protected readonly narrows = computed(() => {
    const { entryMonths = 1, studentMonths = 1 } = this.rule() ?? {};
    return Math.round((WIDTH * entryMonths) / studentMonths);
  });
  protected readonly flow = computed(() => {
    const x = this.narrows();
    return `M0 3H${x - 12}Q${x} 3 ${Math.min(WIDTH, x + 8)} 13H${WIDTH}V21H${Math.min(WIDTH, x + 8)}Q${x} 31 ${x - 12} 31H0Z`;
  });
  protected readonly text = computed(() => {
    const { entryMonths = 1, studentMonths = 1 } = this.rule() ?? {};
    return `What was seen in a lesson goes ${told(entryMonths)} after it. Everything goes ${told(studentMonths)} after the last lesson.`;
  });

  protected told(months: number): string {
    return told(months);
  }
}

/** `18 months`, `3 years`. */
function told(months: number): string {
  if (months % 12 !== 0) return months === 1 ? '1 month' : `${months} months`;
  return months === 12 ? '1 year' : `${months / 12} years`;
}
