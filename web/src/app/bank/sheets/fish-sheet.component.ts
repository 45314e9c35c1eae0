import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { formatLength } from '@doceo/core';
import { CastFromComponent, lastFrom } from './cast-from.component';
import { SHEET } from './sheet';

const CM_PER_INCH = 2.54;
const SPECIES = ['brown trout', 'grayling', 'rainbow trout', 'other'];
const FLIES = ['point fly', 'dropper', 'dry'] as const;
/** Held in the air for so long, seconds; ten are told as the most. */
const AIRS = [
  { text: 'never', seconds: 0 },
  { text: 'under 10 s', seconds: 10 },
  { text: 'longer', seconds: 30 },
] as const;
const MIN_CM = 5;
const MAX_CM = 120;
/** Where the length begins on the first fish of a lesson. */
const FIRST_CM = 28;

/** A fish to hand or lost; it begins with the kind and length of the one before. */
@Component({
  selector: 'doceo-fish-sheet',
  imports: [CastFromComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    <div class="choices">
      @for (kind of kinds; track kind) {
        <button type="button" [attr.aria-pressed]="species() === kind" (click)="species.set(kind)">
          {{ kind }}
        </button>
      }
    </div>
    <div class="amount">
      <button type="button" aria-label="Shorter" (click)="longer(-1)">−</button
      ><b class="figure">{{ length() }}</b
      ><button type="button" aria-label="Longer" (click)="longer(1)">+</button>
    </div>
    <p>Which fly, and how long in the air? Wet hands, mouth in the water.</p>
    <div class="choices three">
      @for (one of flies; track one) {
        <button
          type="button"
          [attr.aria-pressed]="fly() === one"
          (click)="fly.set(fly() === one ? null : one)"
        >
          {{ one }}
        </button>
      }
      @for (one of airs; track one.seconds) {
        <button
          type="button"
          [attr.aria-pressed]="air() === one.seconds"
          (click)="air.set(air() === one.seconds ? null : one.seconds)"
        >
          {{ one.text }}
        </button>
      }
    </div>
    <p>From where, and which way the cast went?</p>
    <doceo-cast-from [(from)]="from" />
    <div class="choices">
      <button type="button" class="yes" (click)="keep('to-hand')">To hand, let go</button
      ><button type="button" (click)="keep('lost')">Lost</button>
    </div>
  `,
})
export class FishSheetComponent {
  private readonly sheet = inject(SHEET);
  private readonly before = this.sheet.logged().flatMap((body) => (body.kind === 'fish' ? [body] : []));
  protected readonly kinds = SPECIES;
  protected readonly flies = FLIES;
  protected readonly airs = AIRS;
  /** Not said until it is tapped; tapped again it is not said. */
  protected readonly fly = signal<string | null>(null);
  protected readonly air = signal<number | null>(null);
  protected readonly from = signal(lastFrom(this.sheet.logged()));
  protected readonly species = signal(this.before.at(-1)?.species ?? (SPECIES[0] as string));
  private readonly lengthCm = signal(
    this.before.findLast(({ lengthCm }) => lengthCm !== null)?.lengthCm ?? FIRST_CM,
  );
  protected readonly length = computed(() => formatLength(this.lengthCm() / 100, this.sheet.units()));

  /** By a centimetre, or an inch. */
  protected longer(by: number): void {
    const step = this.sheet.units() === 'metric' ? 1 : CM_PER_INCH;
    this.lengthCm.update((cm) =>
      Math.min(MAX_CM, Math.max(MIN_CM, Math.round((cm + by * step) * 100) / 100)),
    );
  }

  protected keep(outcome: 'to-hand' | 'lost'): void {
    const lengthCm = outcome === 'lost' ? null : this.lengthCm();
    const [fly, air] = [this.fly(), this.air()];
    this.sheet.keep({
      kind: 'fish',
      species: this.species(),
      lengthCm,
      outcome,
      ...this.from(),
      ...(fly === null ? {} : { fly }),
      ...(air === null || outcome === 'lost' ? {} : { outOfWaterS: air }),
    });
  }
}
