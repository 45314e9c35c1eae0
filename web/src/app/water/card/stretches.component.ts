import { Component, computed, inject, input, output, signal } from '@angular/core';
import {
  formatLength,
  isStill,
  type Place,
  PLACE_KINDS,
  type PlaceKind,
  groundOf,
  hookDistance,
  studentsThatFit,
  typicalPlaces,
  type Water,
} from '@doceo/core';
import { SessionStore } from '../../data/session';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { plainLength } from '../../parts/fields/plain-length';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { OriginComponent } from '../../parts/origin.component';
import type { Change } from './water-card.store';

/** Line with which the room of a stretch is told, metres: a beginner's. */
const LINE_OUT_M = 9;
const MIN_M = 1;
const MAX_M = 5000;

/** The stretches of a water that plans name, with how long each is and where that is from. */
@Component({
  selector: 'doceo-stretches',
  imports: [ChoiceFieldComponent, OriginComponent, TextFieldComponent],
  template: `
    <h2>Stretches</h2>
    <p class="small soft">
      How many students a place takes follows from its length. A typical length warns; a paced or told one
      counts.
    </p>
    @for (place of water().places; track place.id) {
      <div class="stretch">
        <doceo-text-field label="Name" [most]="60" [value]="place.name" (changed)="rename(place, $event)" />
        <doceo-choice-field
          label="What it is"
          [options]="kinds()"
          [value]="place.kind"
          (chosen)="put({ ...place, kind: $event })"
        />
        <doceo-text-field
          label="Length"
          [figures]="true"
          [value]="lengthText(place)"
          [fault]="wrong() === place.id ? 'a length, as 40 m or 130 ft' : null"
          (changed)="measure(place, $event)"
        />
        <button
          type="button"
          class="btn small plain"
          [attr.aria-label]="'Take out ' + place.name"
          (click)="changed.emit({ removePlaces: [place.id] })"
        >
          Take out
        </button>
        <div class="from">
          <doceo-origin
            [of]="place.lengthFrom"
            [said]="place.lengthFrom === 'typical' ? null : water().said['places.' + place.id]"
          />
          <span class="small soft">{{ takes(place) }}</span>
          @if (place.lengthFrom !== 'measured') {
            <button type="button" class="btn small" (click)="put({ ...place, lengthFrom: 'measured' })">
              I paced it: {{ lengthText(place) }}
            </button>
          }
        </div>
      </div>
    } @empty {
      <p>None is named yet, so a plan may use any.</p>
    }
    <div class="row">
      <button type="button" class="btn" (click)="add()">Add a stretch</button>
      @if (offered().length > 0) {
        <button type="button" class="btn" (click)="changed.emit({ putPlaces: offered() })">
          Add what a {{ water().kind }} mostly has
        </button>
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    h2,
    p {
      margin: 0;
    }
    .stretch {
      display: grid;
      grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr) 92px auto;
      gap: 4px 10px;
      align-items: end;
      border-top: 1px solid var(--line);
      padding-top: 8px;
    }
    .from {
      grid-column: 1 / -1;
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 12px;
    }
    @media (max-width: 560px) {
      .stretch {
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      }
    }
  `,
})
export class StretchesComponent {
  private readonly session = inject(SessionStore);
  readonly water = input.required<Water>();
  readonly changed = output<Change>();
  protected readonly wrong = signal<string | null>(null);
  protected readonly kinds = computed(() => {
    const ground = isStill(this.water().kind) ? 'stillwater' : 'river';
    const own = new Set(this.water().places.map(({ kind }) => kind));
    return PLACE_KINDS.filter(
      (kind) => kind !== 'anywhere' && (['grass', ground].includes(groundOf(kind)) || own.has(kind)),
    ).map((kind) => ({ value: kind, text: kind.replace('-', ' ') }));
  });
  /** What such a water mostly has and this one lacks. */
  protected readonly offered = computed(() =>
    typicalPlaces(this.water().kind).filter(
      ({ kind }) => !this.water().places.some((place) => place.kind === kind),
    ),
  );

  protected lengthText({ lengthM }: Place): string {
    return formatLength(lengthM, this.session.units()).replace('.00', '');
  }

  /** How many may cast there at a time, by the distance two lines ask for. */
  protected takes({ lengthM }: Place): string {
    const count = studentsThatFit(lengthM, hookDistance(LINE_OUT_M));
    const line = formatLength(LINE_OUT_M, this.session.units()).replace('.00', '');
    return `room for ${count} with ${line} of line out`;
  }

  protected put(place: Place): void {
    this.changed.emit({ putPlaces: [place] });
  }

  protected rename(place: Place, name: string): void {
    if (name.trim()) this.put({ ...place, name: name.trim() });
  }

  /** What was typed is what somebody said; that it was paced or taped is said apart. */
  protected measure(place: Place, text: string): void {
    const lengthM = plainLength(text, this.session.units());
    const fits = lengthM !== null && lengthM >= MIN_M && lengthM <= MAX_M;
    this.wrong.set(fits ? null : place.id);
    if (fits) this.put({ ...place, lengthM, lengthFrom: 'entered' });
  }

  protected add(): void {
    const [typical] = this.offered();
    const kind: PlaceKind = typical?.kind ?? 'grass';
    const [usual] = typicalPlaces(this.water().kind);
    this.put({
      ...(typical ?? { name: 'Stretch', lengthM: usual?.lengthM ?? 40, lengthFrom: 'typical' as const }),
      kind,
      id: crypto.randomUUID(),
    });
  }
}
