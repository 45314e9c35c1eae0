import { Component, input, model, type OnDestroy } from '@angular/core';
import { formatLength, type UnitSystem } from '@doceo/core';
import { plainLength } from '../../parts/fields/plain-length';
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
  imports: [TextFieldComponent],
  template: `
    @if (picture(); as under) {
      <doceo-text-field
        class="wide"
        label="picture shows, across"
        [figures]="true"
        [value]="length(under.widthM)"
        (changed)="setWidth($event)"
      />
      <label class="field"
        ><span>right</span>
        <input
          type="range"
          [min]="-lengthM()"
          [max]="lengthM()"
          step="0.5"
          [value]="under.x"
          (input)="picture.set({ ...under, x: +$any($event.target).value })"
      /></label>
      <label class="field"
        ><span>down</span>
        <input
          type="range"
          [min]="-lengthM()"
          [max]="lengthM()"
          step="0.5"
          [value]="under.y"
          (input)="picture.set({ ...under, y: +$any($event.target).value })"
      /></label>
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
    input[type='range'] {
      width: 120px;
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
