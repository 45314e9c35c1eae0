import { Component, computed, inject } from '@angular/core';
import { lessonWindows, type Stand } from '@doceo/core';
import { windowReasonText } from '@doceo/texts';
import { DayStore } from '../../data/lesson/day-store';
import { timeText } from '../../data/lesson/lesson-texts';
import { WaterStore } from '../water-store';

const SHOWN = 4;
/** Windows that begin nearer than this are told once, milliseconds. */
const APART_MS = 90 * 60_000;

/** When and where this lesson would go best: hours by the day's conditions, places by their stands for this group. */
@Component({
  selector: 'doceo-best-hours',
  template: `
    <h2>Best hours and places</h2>
    <p class="small soft">
      For {{ hoursText() }} with {{ students() }}{{ day.lesson() ? ': ' + day.lesson()!.planTitle : '' }}.
      Rules of thumb over {{ day.conditions()?.simulated ? 'simulated weather' : 'the weather foretold' }}: a
      choice to look at, no promise.
    </p>
    @if (places().length > 0) {
      <ul class="places">
        @for (place of places(); track place.id) {
          <li>
            <button
              type="button"
              class="btn small told"
              [attr.aria-pressed]="store.beat()?.id === place.id"
              (click)="store.beatId.set(place.id); store.standAt.set(0)"
            >
              {{ place.name }}
            </button>
            <span class="figure">{{ place.looking ? '…' : place.score.toFixed(2) }}</span>
            <span>{{ place.reason }}</span>
          </li>
        }
      </ul>
    }
    <ol>
      @for (window of windows(); track window.fromMs) {
        <li [class.stop]="window.score === 0">
          <button
            type="button"
            class="btn small figure told"
            [attr.aria-pressed]="window.fromMs === day.moment()?.atMs"
            (click)="store.setMoment(window.fromMs)"
          >
            {{ window.text }}
          </button>
          <span class="figure">{{ window.score.toFixed(2) }}</span>
          <span>{{ window.reasons || 'Nothing stands out' }}</span>
        </li>
      } @empty {
        <li class="soft">{{ none() }}</li>
      }
    </ol>
  `,
  styles: `
    ol,
    ul {
      list-style: none;
      padding: 0;
      margin: 6px 0;
    }

    li {
      display: grid;
      grid-template-columns: 150px 44px 1fr;
      gap: 10px;
      align-items: center;
      padding: 3px 0;
      border-bottom: 1px solid var(--line);
    }

    li.soft {
      display: block;
    }

    .btn {
      justify-content: center;
    }

    .btn[aria-pressed='true'] {
      background: var(--ink);
      color: #fff;
    }

    .stop {
      color: var(--safety);
    }

    @media (max-width: 700px) {
      li {
        grid-template-columns: 116px 38px 1fr;
      }

      /* Three lines, which are there before the reason is. */
      .places li {
        min-height: 67px;
      }
    }
  `,
})
export class BestHoursComponent {
  protected readonly store = inject(WaterStore);
  protected readonly day = inject(DayStore);

  protected readonly students = computed(() => {
    const count = this.store.people().length;
    return count === 0 ? 'one student' : count === 1 ? '1 student' : `${count} students`;
  });
  protected readonly hoursText = computed(() => {
    const minutes = this.store.lengthMin();
    return minutes % 60 === 0 ? `${minutes / 60} h` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
  });
  protected readonly windows = computed(() => {
    const [day, water, zone] = [this.day.conditions(), this.store.water(), this.store.zone()];
    if (!day || !water) return [];
    const all = lessonWindows(day.hours, water, this.store.light(), this.store.lengthMin(), day);
    const told: typeof all = [];
    for (const window of all) {
      if (told.length >= SHOWN) break;
      if (told.every((other) => Math.abs(other.fromMs - window.fromMs) >= APART_MS)) told.push(window);
    }
    return told.map((window) => ({
      ...window,
      reasons: window.reasons.map(windowReasonText).join(' · '),
      text: `${timeText(window.fromMs, zone)}–${timeText(window.toMs, zone)}`,
    }));
  });
  protected readonly none = computed(() => {
    if (!this.day.conditions()) return 'The day is not known yet.';
    return this.store.light()
      ? 'The light of the day is shorter than the lesson.'
      : 'The sun does not rise that day: no hours of light for a lesson.';
  });
  /** Beats of a river, the best for this group first. */
  protected readonly places = computed(() => {
    const wanted = Math.max(1, this.store.people().length);
    return this.store
      .beats()
      .map(({ id, beat }) => {
        const found = this.store.standsByBeat().get(id);
        const stands = found ?? [];
        const mean = stands.reduce((sum, { score }) => sum + score, 0) / Math.max(1, stands.length);
        return {
          id,
          name: beat.name,
          looking: found === undefined,
          score: (mean * stands.length) / wanted,
          reason: found ? reasonOf(found, wanted) : 'looking where each of them stands …',
        };
      })
      .sort((a, b) => b.score - a.score);
  });
}

function reasonOf(stands: readonly Stand[], wanted: number): string {
  if (stands.length === 0) return 'no place that is within reach and within the wading figure';
  const room =
    stands.length < wanted ? `places for ${stands.length} of ${wanted}` : `places for all ${wanted}`;
  const dry = stands.filter(({ inWater }) => !inWater).length;
  const bank =
    dry === stands.length ? 'all from the bank' : dry === 0 ? 'all in the water' : `${dry} from the bank`;
  const tight = stands.filter(({ backCast }) => !backCast).length;
  return `${room}, ${bank}${tight > 0 ? `, ${tight} without room for a back cast` : ''}`;
}
