import { Component, computed, input, model, type OnDestroy } from '@angular/core';
import { formatLength, type UnitSystem } from '@doceo/core';
import { plainLength } from '../../parts/fields/plain-length';
import { type Slider, SlidersComponent } from '../../parts/fields/sliders.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** A photograph or map that lies under a drawing while it is traced. Metres on the sheet. */
export interface TracePicture {
  url: string;
  /** Height of it for a width of one. */
  tall: number;
  widthM: number;
  x: number;
  y: number;
}

const MOST_M = 5000;

/** Lays a picture under the drawing, as wide as what it shows; it stays in this window and is sent nowhere. */
@Component({
  selector: 'doceo-trace-picture',
  imports: [SlidersComponent, TextFieldComponent],
  template: `
    @if (picture(); as under) {
      <doceo-text-field
        class="wide"
        label="picture shows, across"
        [figures]="true"
        [value]="length(under.widthM)"
        (changed)="setWidth($event)"
      />
      <doceo-sliders [sliders]="sliders()" (slid)="shift($event.name, $event.value)" />
      <button type="button" class="btn small" (click)="away()">Picture away</button>
    } @else {
      <label class="btn small"
        >Picture to trace<input
          class="visually-hidden"
          type="file"
          accept="image/*"
          (change)="take($any($event.target))"
      /></label>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 6px 12px;
      align-items: end;
    }
    .wide {
      width: 150px;
    }
    doceo-sliders {
      width: 300px;
      margin: 0;
    }
    label:focus-within {
      outline: 3px solid var(--sighter);
      outline-offset: 2px;
    }
  `,
})
export class TracePictureComponent implements OnDestroy {
  readonly lengthM = input.required<number>();
  readonly units = input.required<UnitSystem>();
  readonly picture = model.required<TracePicture | null>();

  /** Where the corner of the picture lies on the sheet. */
  protected readonly sliders = computed<Slider<'x' | 'y'>[]>(() => {
    const [under, most] = [this.picture(), this.lengthM()];
    return (
      [
        ['x', 'right'],
        ['y', 'down'],
      ] as const
    ).map(([name, text]) => {
      const at = under?.[name] ?? 0;
      const value = `${at < 0 ? '−' : ''}${this.length(Math.abs(at))}`;
      return { name, text, at, value, min: -most, max: most, step: 0.5 };
    });
  });

  ngOnDestroy(): void {
    const under = this.picture();
    if (under) URL.revokeObjectURL(under.url);
  }

  protected take(field: HTMLInputElement): void {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    const url = URL.createObjectURL(file);
    const image = new Image();
    image.onload = () =>
      this.picture.set({
        url,
        tall: image.naturalHeight / (image.naturalWidth || 1),
        widthM: this.lengthM(),
        x: 0,
        y: 0,
      });
    image.onerror = () => URL.revokeObjectURL(url);
    image.src = url;
  }

  protected shift(side: 'x' | 'y', metres: number): void {
    const under = this.picture();
    if (under) this.picture.set({ ...under, [side]: metres });
  }

  protected away(): void {
    const under = this.picture();
    if (under) URL.revokeObjectURL(under.url);
    this.picture.set(null);
  }

  protected setWidth(text: string): void {
    const widthM = plainLength(text, this.units());
    const under = this.picture();
    if (under && widthM !== null && widthM > 0 && widthM <= MOST_M) this.picture.set({ ...under, widthM });
  }

  protected length(metres: number): string {
    return formatLength(metres, this.units());
  }
}
