import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { type EarthPlace, SPECIES, type Species, WATER_KINDS } from '@doceo/core';
import { SPECIES_NAMES } from '@doceo/texts';
import type { ApiError } from '../../data/api/api-error';
import { Failures } from '../../data/api/failures';
import { DayStore } from '../../data/lesson/day-store';
import { WaterChanges } from '../../data/lesson/water-changes';
import { readOnText } from '../../parts/dates';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { PlaceFieldComponent } from '../../parts/fields/place-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { OriginComponent } from '../../parts/origin.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { StretchesComponent } from './stretches.component';
import { RuleFieldsComponent } from './rule-fields.component';
import { WaterCardStore } from './water-card.store';
import { WaterHandoverComponent } from './water-handover.component';
import { FetchingComponent } from '../../shared/fetching.component';

/** All that is said of a water and its rules, each with who said it; changed where it stands, saved at once. */
@Component({
  selector: 'doceo-water-card',
  imports: [
    FetchingComponent,
    ChoiceFieldComponent,
    FormsModule,
    NoSuchComponent,
    OriginComponent,
    PlaceFieldComponent,
    RouterLink,
    RuleFieldsComponent,
    StretchesComponent,
    TextFieldComponent,
    WaterHandoverComponent,
  ],
  providers: [WaterCardStore],
  templateUrl: './water-card.page.html',
  styleUrl: './water-card.page.css',
})
export class WaterCardPage {
  readonly id = input.required<string>();
  private readonly failures = inject(Failures);
  protected readonly day = inject(DayStore);
  private readonly changes = inject(WaterChanges);
  protected readonly store = inject(WaterCardStore);
  protected readonly kinds = WATER_KINDS.map((kind) => ({ value: kind, text: kind }));
  protected readonly species = SPECIES.map((id) => ({ id, name: SPECIES_NAMES[id] }));
  protected readonly readOn = computed(() => readOnText(this.store.water()?.rules.checkedOn));
  protected readonly place = computed<EarthPlace | null>(() => {
    const water = this.store.water();
    return water && water.latitude !== null && water.longitude !== null
      ? { latitude: water.latitude, longitude: water.longitude }
      : null;
  });
  protected readonly busy = signal(false);

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => this.store.id.set(id));
    });
  }

  protected rename(name: string): void {
    if (name.trim()) this.store.change({ name: name.trim() });
  }

  protected move(place: EarthPlace | null): void {
    const now = this.place();
    if (place?.latitude === now?.latitude && place?.longitude === now?.longitude) return;
    this.store.change({ latitude: place?.latitude ?? null, longitude: place?.longitude ?? null });
  }

  protected toggle(species: Species): void {
    const list = this.store.water()?.species ?? [];
    this.store.change({
      species: list.includes(species) ? list.filter((one) => one !== species) : [...list, species],
    });
  }

  protected read(): void {
    this.busy.set(true);
    this.changes.readCard(this.id()).subscribe({
      next: () => this.busy.set(false),
      error: (error: ApiError) => {
        this.busy.set(false);
        this.failures.tell(error);
      },
    });
  }
}
