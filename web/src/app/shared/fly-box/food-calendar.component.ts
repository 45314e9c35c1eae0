import { Component, computed, inject, input, signal } from '@angular/core';
import type { SavedWater } from '@doceo/contract';
import { calendarOf, type Food, withMonth } from '@doceo/core';
import type { ApiError } from '../../data/api/api-error';
import { WaterChanges } from '../../data/lesson/water-changes';
import { narrowWindow } from '../../parts/narrow';
import { OriginComponent } from '../../parts/origin.component';
import { MONTHS, seasonText } from './months';

/** What lives in a water, month by month; a tap on a month puts a food in or out of season. */
@Component({
  selector: 'doceo-food-calendar',
  imports: [OriginComponent],
  template: `
    <table>
      <caption>
        What lives in
        {{
          water().water.name
        }}
        <span class="small"
          ><doceo-origin
            [of]="water().water.calendar ? 'entered' : 'typical'"
            [from]="
              water().water.calendar ? 'what was found here' : 'such waters; turn stones and correct it'
            "
        /></span>
      </caption>
      <thead>
        <tr>
          <td></td>
          @for (one of months; track one.month) {
            <th scope="col" [class.now]="one.month === month()">
              <abbr [title]="one.name">{{ one.short }}</abbr>
            </th>
          }
        </tr>
      </thead>
      <tbody>
        @for (food of foods(); track food.name) {
          <tr [class.open]="food.name === open()">
            <th scope="row">
              @if (narrow()) {
                <button
                  type="button"
                  class="season"
                  [attr.aria-expanded]="food.name === open()"
                  (click)="open.set(food.name === open() ? null : food.name)"
                >
                  {{ food.name }} <span class="soft">{{ seasonText(food.months) }}</span>
                </button>
              } @else {
                {{ food.name }}
              }
            </th>
            @for (one of months; track one.month) {
              <td [class.now]="one.month === month()">
                <button
                  type="button"
                  [class.on]="food.months.includes(one.month)"
                  [attr.aria-pressed]="food.months.includes(one.month)"
                  [attr.aria-label]="food.name + ' in ' + one.name"
                  [disabled]="!water().editable"
                  (click)="toggle(food, one.month)"
                >
                  <span>{{ one.short }}</span>
                </button>
              </td>
            }
          </tr>
        }
      </tbody>
    </table>
    @if (wrong(); as text) {
      <p class="wrong small" role="alert">{{ text }}</p>
    }
    @if (water().water.calendar && water().editable) {
      <button type="button" class="btn small" (click)="save(null)">Back to the usual</button>
    }
  `,
  styleUrl: './food-calendar.component.css',
})
export class FoodCalendarComponent {
  private readonly changes = inject(WaterChanges);
  readonly water = input.required<SavedWater>();
  /** The month in view, 1…12. */
  readonly month = input.required<number>();
  protected readonly months = MONTHS;
  protected readonly narrow = narrowWindow();
  /** On a phone the months of one food are shown at a time. */
  protected readonly open = signal<string | null>(null);
  protected readonly seasonText = seasonText;
  protected readonly wrong = signal<string | null>(null);
  protected readonly foods = computed(() => calendarOf(this.water().water));

  protected toggle(food: Food, month: number): void {
    this.save(withMonth(this.foods(), food.name, month, !food.months.includes(month)));
  }

  protected save(calendar: Food[] | null): void {
    this.changes.setCalendar(this.water().id, calendar).subscribe({
      next: () => this.wrong.set(null),
      error: (error: ApiError) => this.wrong.set(`Not kept. ${error.message}`),
    });
  }
}
