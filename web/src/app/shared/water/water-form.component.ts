import { Component, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { waterSchema } from '@doceo/contract';
import { BLANK_CARD, type EarthPlace, WATER_KINDS, type WaterKind } from '@doceo/core';
import type { ApiError } from '../../data/api/api-error';
import { checked } from '../../data/api/checked';
import { WaterChanges } from '../../data/lesson/water-changes';
import { PlaceFieldComponent } from '../../parts/fields/place-field.component';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** A new water: its name, its kind and, when one knows it, where it lies. All else is said later, or never. */
@Component({
  selector: 'doceo-water-form',
  imports: [FormsModule, PlaceFieldComponent, SegmentsComponent, TextFieldComponent],
  template: `
    <form (ngSubmit)="save()" novalidate>
      <doceo-text-field
        label="Name of the water"
        name="water-name"
        [most]="80"
        [value]="name()"
        [fault]="error()?.at('name') && 'a name is needed'"
        (typed)="name.set($event)"
      />
      <div>
        <doceo-segments label="Kind" [options]="kinds" [value]="kind()" (chosen)="kind.set($event)" />
        @if (error()?.at('kind')) {
          <p class="wrong" role="alert">say which kind it is</p>
        }
      </div>
      <doceo-place-field label="Where it lies (may be said later)" (placed)="place.set($event)" />
      @if (place() === 'unreadable' && error()) {
        <p class="wrong" role="alert">The place is not read yet: mend it, or leave it empty.</p>
      }
      <p class="small soft">
        Light, weather and its clock follow from the place. Rules, stretches and fish start empty: nothing is
        assumed.
      </p>
      @if (general(); as text) {
        <p class="wrong" role="alert">{{ text }}</p>
      }
      <div class="row">
        <button type="submit" class="btn go" [disabled]="busy()">Add the water</button>
        <ng-content />
      </div>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 12px;
    }
    p {
      margin: 0;
    }
  `,
})
export class WaterFormComponent {
  private readonly changes = inject(WaterChanges);
  readonly made = output<string>();
  protected readonly kinds = WATER_KINDS.map((kind) => ({ value: kind, text: kind }));
  protected readonly name = signal('');
  protected readonly kind = signal<WaterKind | null>(null);
  protected readonly place = signal<EarthPlace | null | 'unreadable'>(null);
  protected readonly error = signal<ApiError | null>(null);
  protected readonly busy = signal(false);

  protected general(): string | null {
    const error = this.error();
    return error && error.issues.length === 0 ? error.message : null;
  }

  protected save(): void {
    const place = this.place();
    const form = checked(waterSchema, {
      name: this.name(),
      kind: this.kind(),
      // What is typed and no place is told as one: nothing is added without it in silence.
      latitude: place === 'unreadable' ? Number.NaN : (place?.latitude ?? null),
      longitude: place === 'unreadable' ? Number.NaN : (place?.longitude ?? null),
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      places: [],
      rules: BLANK_CARD,
    });
    if ('error' in form) return this.error.set(form.error);
    this.busy.set(true);
    this.error.set(null);
    this.changes.add(crypto.randomUUID(), form.data).subscribe({
      next: ({ id }) => this.made.emit(id),
      error: (error: ApiError) => {
        this.busy.set(false);
        this.error.set(error);
      },
    });
  }
}
