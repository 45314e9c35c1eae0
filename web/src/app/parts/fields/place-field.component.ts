import { Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { type EarthPlace, placeOfGeoJson, placeOfText } from '@doceo/core';
import { TextFieldComponent } from './text-field.component';

/** Digits of a degree: a ten-thousandth is some ten metres. */
const DIGITS = 4;

const REFUSED: Record<number, string> = {
  1: 'This browser does not tell where it is. Type the place, or open a file.',
  2: 'This device does not know where it is just now. Type the place, or open a file.',
  3: 'This device did not say in time where it is. Try again, or type the place.',
};

/** Where something lies on the earth: typed, taken from the device, or from the middle of a GeoJSON file. */
@Component({
  selector: 'doceo-place-field',
  imports: [TextFieldComponent],
  template: `
    <doceo-text-field
      [label]="label()"
      name="place"
      example="57.9, 9.1"
      [value]="text()"
      [fault]="fault()"
      (typed)="type($event)"
      (changed)="leave()"
    />
    <div class="row">
      <button type="button" class="btn small" [disabled]="asking()" (click)="here()">
        {{ asking() ? 'Asking this device …' : 'Where I am now' }}
      </button>
      <label class="btn small"
        >From a GeoJSON file<input
          class="visually-hidden"
          type="file"
          accept=".geojson,.json,application/geo+json"
          (change)="file($any($event.target))"
      /></label>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
    }
    label:focus-within {
      outline: 3px solid var(--sighter);
      outline-offset: 2px;
    }
  `,
})
export class PlaceFieldComponent {
  readonly label = input.required<string>();
  readonly value = input<EarthPlace | null>(null);
  /** A place, null when the field is empty, `unreadable` when what is typed is no place. */
  readonly placed = output<EarthPlace | null | 'unreadable'>();
  /** The place that stands when the field is left, or that device or file said; nothing of what is half typed. */
  readonly settled = output<EarthPlace | null>();

  protected readonly text = linkedSignal(() => placeText(this.value()));
  protected readonly left = signal(false);
  protected readonly asking = signal(false);
  private readonly refused = signal<string | null>(null);
  protected readonly fault = computed(
    () =>
      this.refused() ??
      (this.left() && this.text().trim() !== '' && !placeOfText(this.text())
        ? 'degrees north and east, as 57.9, 9.1 or 57° 54′ N, 9° 6′ E'
        : null),
  );

  protected type(text: string): void {
    this.text.set(text);
    this.refused.set(null);
    this.placed.emit(text.trim() === '' ? null : (placeOfText(text) ?? 'unreadable'));
  }

  protected leave(): void {
    this.left.set(true);
    const text = this.text().trim();
    const place = placeOfText(text);
    if (place || text === '') this.settled.emit(place);
  }

  protected here(): void {
    this.asking.set(true);
    this.refused.set(null);
    navigator.geolocation.getCurrentPosition(
      ({ coords: { latitude, longitude } }) => {
        this.asking.set(false);
        this.take({ latitude, longitude });
      },
      ({ code }) => {
        this.asking.set(false);
        this.refused.set(REFUSED[code] ?? null);
      },
      { timeout: 15_000, maximumAge: 600_000 },
    );
  }

  protected async file(field: HTMLInputElement): Promise<void> {
    const chosen = field.files?.[0];
    if (!chosen) return;
    const place = placeOfGeoJson(await chosen.text());
    field.value = '';
    if (place) this.take(place);
    else this.refused.set(`${chosen.name} is no GeoJSON with a point, a line or an area in it.`);
  }

  private take(place: EarthPlace): void {
    this.refused.set(null);
    this.text.set(placeText(place));
    this.placed.emit(place);
    this.settled.emit(place);
  }
}

/** `57.9, 9.1`. */
function placeText(place: EarthPlace | null): string {
  const told = (degrees: number): string => String(Number(degrees.toFixed(DIGITS)));
  return place ? `${told(place.latitude)}, ${told(place.longitude)}` : '';
}
