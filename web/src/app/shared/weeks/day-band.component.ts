import { Component, computed, inject, input, output } from '@angular/core';
import { formatTemperature, type UnitSystem } from '@doceo/core';
import { DateTime } from 'luxon';
import { SessionStore } from '../../data/session';
import { narrowWindow } from '../../parts/narrow';
import { type BandDay, type BandMark, hoursShown, levelArea, lightArea, placeOf } from './band-shape';

/** Every so many hours one is named at the side. */
const NAMED_EVERY = 3;
/** Of an hour, CSS pixels: a lesson of an hour and a half can still be hit. */
const HOUR_PX = 14;

/** Days beside each other in their light, with the water below them: what stands in them can be chosen. */
@Component({
  selector: 'doceo-day-band',
  template: `
    <div class="band" [style.--days]="days().length">
      <div class="side" aria-hidden="true">
        @for (hour of hours(); track hour.text) {
          <span [style.top.%]="hour.at * 100">{{ hour.text }}</span>
        }
      </div>
      <div class="sky" [style.height.px]="height()">
        <svg aria-hidden="true" preserveAspectRatio="none" [attr.viewBox]="'0 0 ' + days().length + ' 1'">
          <rect [class]="hasLight() ? 'night' : 'unknown'" [attr.width]="days().length" height="1" />
          <path class="twilight" [attr.d]="twilight()" />
          <path class="sun" [attr.d]="light()" />
          @for (hour of hours(); track hour.text) {
            <path class="hour" [attr.d]="'M0 ' + hour.at + 'H' + days().length" />
          }
          @for (day of days(); track day.date; let i = $index) {
            <path class="edge" [attr.d]="'M' + i + ' 0V1'" />
          }
        </svg>
        @for (day of shown(); track day.date; let i = $index) {
          <div class="day" [class.weekend]="day.weekend" [style.left.%]="(100 * i) / days().length">
            @for (mark of day.marks; track mark.id) {
              <button
                type="button"
                [class]="mark.looks"
                [attr.aria-pressed]="mark.id === chosenId()"
                [attr.aria-label]="mark.label"
                [title]="mark.label"
                [style.top.%]="mark.top * 100"
                [style.height.%]="mark.height * 100"
                (click)="chosen.emit(mark.id)"
              >
                <span class="long">{{ mark.text }}</span><span class="short">{{ mark.short }}</span>
              </button>
            }
          </div>
        }
      </div>
      <div class="dates">
        @for (day of shown(); track day.date) {
          <span [class.today]="day.date === today()" [class.weekend]="day.weekend"
            >{{ day.weekday }} <b class="figure">{{ day.day }}</b>
            @if (day.month) {
              <i>{{ day.month }}</i>
            }
          </span>
        }
      </div>
      @if (hasWater()) {
        <span class="names" aria-hidden="true">water{{ narrow() ? unit() : '' }}</span>
        <div class="water" role="img" [attr.aria-label]="waterText()">
          <svg preserveAspectRatio="none" [attr.viewBox]="'0 0 ' + days().length + ' 1'">
            <path [attr.d]="level()" />
          </svg>
          @for (day of shown(); track day.date; let i = $index) {
            <span class="figure" [style.left.%]="(100 * i) / days().length">{{
              narrow() ? day.degrees : day.warmth
            }}</span>
          }
        </div>
      }
    </div>
  `,
  styleUrl: './day-band.component.css',
})
export class DayBandComponent {
  private readonly units = inject(SessionStore).units;
  /** A day of a phone has no room for the unit beside its figure: it stands before the row. */
  protected readonly narrow = narrowWindow();
  protected readonly unit = computed(() => (this.units() === 'metric' ? ' °C' : ' °F'));
  readonly days = input.required<readonly BandDay[]>();
  readonly marks = input.required<readonly BandMark[]>();
  readonly zone = input.required<string>();
  readonly chosenId = input<string | null>(null);
  readonly today = input<string | null>(null);
  readonly chosen = output<string>();

  private readonly within = computed(() => hoursShown(this.days(), this.marks(), this.zone()));
  /** Of the whole day, CSS pixels. */
  protected readonly height = computed(() => HOUR_PX * (this.within().toHour - this.within().fromHour));
  protected readonly hours = computed(() => {
    const { fromHour, toHour } = this.within();
    const first = Math.ceil((fromHour + 0.5) / NAMED_EVERY) * NAMED_EVERY;
    return Array.from({ length: 8 }, (_, i) => first + i * NAMED_EVERY)
      .filter((hour) => hour < toHour)
      .map((hour) => ({
        text: `${String(hour).padStart(2, '0')}:00`,
        at: (hour - fromHour) / (toHour - fromHour),
      }));
  });
  protected readonly twilight = computed(() =>
    lightArea(this.days(), this.zone(), 'twilight', this.within()),
  );
  protected readonly light = computed(() => lightArea(this.days(), this.zone(), 'sun', this.within()));
  protected readonly level = computed(() => levelArea(this.days()));
  /** Without a water, or where nobody said where it lies, no light is known: that is not night. */
  protected readonly hasLight = computed(() => this.days().some(({ sun }) => sun !== null));
  protected readonly hasWater = computed(() => this.days().some(({ waterC }) => waterC !== null));
  protected readonly shown = computed(() =>
    this.days().map(({ date, waterC }) => {
      const at = DateTime.fromISO(date, { zone: 'utc' });
      return {
        date,
        weekday: at.toFormat('ccc'),
        day: at.toFormat('d'),
        // Where a month begins, and below its day: a column is no wider than the day.
        month: at.day === 1 ? at.toFormat('LLL') : '',
        weekend: at.weekday > 5,
        ...warmthTexts(waterC, this.units()),
        marks: this.marks()
          .filter((mark) => mark.date === date)
          .map((mark) => {
            const { top, bottom } = placeOf(mark, this.zone(), this.within());
            return { ...mark, top, height: Math.max(0.06, bottom - top) };
          }),
      };
    }),
  );
  protected readonly waterText = computed(
    () =>
      `Level and warmth of the water: ${this.shown()
        .filter(({ warmth }) => warmth !== '')
        .map(({ weekday, day, warmth }) => `${weekday} ${day} ${warmth}`)
        .join(', ')}`,
  );
}

/** How warm the water is, with its unit and without. */
function warmthTexts(waterC: number | null, units: UnitSystem): { warmth: string; degrees: string } {
  const warmth = waterC === null ? '' : formatTemperature(Math.round(waterC), units);
  return { warmth, degrees: warmth.replace(/ .*/, '°') };
}
