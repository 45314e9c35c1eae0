import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { formatTemperature, toCelsius } from '@doceo/core';
import { plainNumber } from '../../parts/fields/plain-number';
import { SHEET } from './sheet';

const COLDEST_C = -2;
const WARMEST_C = 40;

/** A thermometer read in the water. */
@Component({
  selector: 'doceo-temperature-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <label class="typed"
      ><span>Water, {{ units() === 'metric' ? '°C' : '°F' }}</span
      ><input
        type="text"
        inputmode="decimal"
        class="figure"
        [attr.aria-invalid]="!!wrong()"
        (input)="text.set($any($event.target).value)"
        (keydown.enter)="keep()"
    /></label>
    @if (wrong(); as words) {
      <p class="wrong" role="alert">{{ words }}</p>
    }
    <button type="button" class="yes" (click)="keep()">Keep it</button>
  `,
})
export class TemperatureSheetComponent {
  private readonly sheet = inject(SHEET);
  protected readonly units = computed(() => this.sheet.units());
  protected readonly text = signal('');
  protected readonly wrong = signal<string | null>(null);

  protected keep(): void {
    const degrees = plainNumber(this.text());
    const celsius = degrees === null ? null : toCelsius(degrees, this.units());
    if (celsius === null || celsius < COLDEST_C || celsius > WARMEST_C)
      return this.wrong.set(
        `a temperature from ${formatTemperature(COLDEST_C, this.units())} to ${formatTemperature(WARMEST_C, this.units())}`,
      );
    this.sheet.keep({ kind: 'temperature', celsius: Math.round(celsius * 100) / 100, depthM: null });
  }
}
