import { Component, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { waterSchema } from '@doceo/contract';
import { type Place, type PlaceKind, type WaterKind, WATER_KINDS } from '@doceo/core';
import { DialogComponent } from '../../parts/dialog.component';
import { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { checked } from '../../data/api/checked';

const place = (name: string, kind: PlaceKind, lengthM: number): Place => ({ id: kind, name, kind, lengthM });

/** Places a new water starts with, by its kind; lengths are guesses to be paced out. */
const FIRST_PLACES: Record<WaterKind, Place[]> = {
  river: [
    place('Pool', 'pool', 40),
    place('Run', 'run', 60),
    place('Riffle', 'riffle', 40),
    place('Meadow', 'grass', 50),
  ],
  brook: [place('Pockets', 'pocket', 80), place('Meadow', 'grass', 40)],
  lake: [place('Shoal', 'shoal', 120), place('Margin', 'margin', 120), place('Lawn', 'grass', 50)],
  pond: [place('Margin', 'margin', 60), place('Lawn', 'grass', 40)],
};

/** A new water with the little that the plan check needs. Its rule card starts unread. */
@Component({
  selector: 'doceo-water-dialog',
  imports: [ChoiceFieldComponent, DialogComponent, FormsModule, TextFieldComponent],
  templateUrl: './water-dialog.component.html',
  styles: `
    .body {
      display: grid;
      gap: 12px;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px;
    }
    .wrong {
      color: var(--safety);
    }
  `,
})
export class WaterDialogComponent {
  private readonly day = inject(DayStore);
  readonly closed = output<string | null>();
  protected readonly kinds = WATER_KINDS.map((kind) => ({ value: kind, text: kind }));
  protected readonly error = signal<ApiError | null>(null);
  protected name = '';
  protected kind: WaterKind = 'river';
  protected latitude: number | null = null;
  protected longitude: number | null = null;
  protected maxHooks: number | null = 1;
  protected whoSaysSo = '';

  protected numberOf(text: string): number | null {
    return text === '' ? null : Number(text);
  }

  protected save(): void {
    const form = checked(waterSchema, {
      name: this.name,
      kind: this.kind,
      latitude: this.latitude,
      longitude: this.longitude,
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      places: FIRST_PLACES[this.kind],
      rules: {
        licence: '',
        seasonFrom: '01-01',
        seasonTo: '12-31',
        maxHooks: this.maxHooks,
        barbless: true,
        leadAllowed: false,
        release: '',
        hours: '',
        other: '',
        whoSaysSo: this.whoSaysSo,
        checkedOn: null,
        checkedBy: null,
      },
    });
    if ('error' in form) return this.error.set(form.error);
    this.day.addWater(crypto.randomUUID(), form.data).subscribe({
      next: ({ id }) => this.closed.emit(id),
      error: (error: ApiError) => this.error.set(error),
    });
  }
}
