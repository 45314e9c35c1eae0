import { Component, computed, input, inject } from '@angular/core';
import { type Moved, MIN_MOVED } from '@doceo/core';
import { TeachingStore } from '../../data/teaching/teaching-store';

const MAX = 4;

/** Which drill moved which fault: of 100 attempts before and after, with how sure that is. */
@Component({
  selector: 'doceo-moved-faults',
  template: `
    <h3>Before a drill, and after it</h3>
    @for (line of lines(); track line.key) {
      <p [class.unclear]="line.says === 'unclear'">
        <b>{{ line.fault }}</b> {{ line.says === 'unclear' ? 'no clear change:' : line.says }} from
        <b class="figure">{{ line.before }}</b> to <b class="figure">{{ line.after }}</b> of 100 since
        {{ line.drill }}
        <span class="soft small"
          >({{ line.low }} to {{ line.high }}; {{ line.nBefore }} attempts before,
          {{ line.nAfter }} after)</span
        >
      </p>
    } @empty {
      <p class="soft small">
        Nothing is said before there are {{ least }} attempts on either side of a drill’s first day.
      </p>
    }
    @if (lines().length > 0) {
      <p class="soft small">
        The change of 100 attempts with its 90 % interval. It came after the drill; that the drill did it is
        likely, not proved.
      </p>
    }
  `,
  styles: `
    h3 {
      margin-top: 12px;
    }

    p {
      margin-top: 4px;
    }

    .unclear b:first-child {
      font-weight: 400;
    }
  `,
})
export class MovedFaultsComponent {
  private readonly teaching = inject(TeachingStore);
  readonly moved = input.required<readonly Moved[]>();

  protected readonly least = MIN_MOVED;
  protected readonly lines = computed(() =>
    this.moved()
      .slice(0, MAX)
      .map(({ drillId, faultId, before, after, low, high, says }) => ({
        key: drillId + faultId,
        drill: `“${this.teaching.curriculum().drills.get(drillId).name}”`,
        fault: this.teaching.curriculum().faults.get(faultId).short,
        says,
        before: ((100 * before.count) / before.n).toFixed(0),
        after: ((100 * after.count) / after.n).toFixed(0),
        low: signed(low),
        high: signed(high),
        nBefore: before.n,
        nAfter: after.n,
      })),
  );
}

function signed(value: number): string {
  const whole = Math.round(value);
  return whole > 0 ? `+${whole}` : whole < 0 ? `−${-whole}` : '0';
}
