import { Component, computed, inject, input, output } from '@angular/core';
import { formatLength, type KitEntry, REEL_HANDS, ROD_FOR, thingOf } from '@doceo/core';
import { SessionStore } from '../../data/session';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { plainLength } from '../../parts/fields/plain-length';
import { plainNumber } from '../../parts/fields/plain-number';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** The longest rod that is drawn whole, metres. */
const LONGEST_M = 3.4;
const HANDS = {
  either: 'either hand',
  left: 'left hand',
  right: 'right hand',
};

/** One thing of the kit: how many there are, what tells them apart, and what one costs. Rods are drawn by their length. */
@Component({
  selector: 'doceo-kit-entry',
  imports: [ChoiceFieldComponent, TextFieldComponent],
  template: `
    <div class="thing">
      <b>{{ entry().item }}</b>
      @if (rod(); as long) {
        <svg viewBox="0 0 340 14" aria-hidden="true">
          <path [attr.d]="long" />
        </svg>
      }
    </div>
    <div class="count" role="group" [attr.aria-label]="'How many: ' + entry().item">
      <button
        type="button"
        class="btn"
        aria-label="One less"
        [disabled]="entry().count === 0"
        (click)="count(-1)"
      >
        −</button
      ><span class="figure">{{ entry().count }}</span
      ><button type="button" class="btn" aria-label="One more" (click)="count(1)">+</button>
    </div>
    @if (isRod()) {
      <doceo-text-field
        label="Length"
        [figures]="true"
        [most]="12"
        [value]="lengthText()"
        (changed)="setLength($event)"
      />
      <doceo-choice-field
        label="For"
        [options]="who"
        [value]="entry().rodFor"
        (chosen)="set({ rodFor: $event })"
      />
      <doceo-choice-field
        label="Reel, wound with"
        [options]="hands"
        [value]="entry().reelHand"
        (chosen)="set({ reelHand: $event })"
      />
    } @else {
      <doceo-text-field
        class="note"
        label="Sizes, or what tells them apart"
        [most]="80"
        [value]="entry().note"
        (changed)="set({ note: $event.trim() })"
      />
    }
    <doceo-text-field
      [label]="'One costs, ' + currency()"
      [figures]="true"
      [most]="10"
      [value]="entry().priceEach"
      (changed)="setPrice($event)"
    />
    <button
      type="button"
      class="btn small plain"
      [attr.aria-label]="'Take out: ' + entry().item"
      (click)="gone.emit()"
    >
      Take out
    </button>
  `,
  styleUrl: './kit-entry.component.css',
})
export class KitEntryComponent {
  private readonly units = inject(SessionStore).units;
  readonly entry = input.required<KitEntry>();
  readonly currency = input.required<string>();
  readonly changed = output<KitEntry>();
  readonly gone = output<void>();

  protected readonly who = ROD_FOR.map((value) => ({
    value,
    text: value === 'child' ? 'a child' : 'anybody',
  }));
  protected readonly hands = REEL_HANDS.map((value) => ({ value, text: HANDS[value] }));
  protected readonly isRod = computed(() => thingOf(this.entry().item) === 'rod');
  protected readonly lengthText = computed(() => {
    const { lengthM } = this.entry();
    return lengthM === null ? '' : formatLength(lengthM, this.units());
  });
  /** Thick at the grip, thin at the tip. */
  protected readonly rod = computed(() => {
    const { lengthM } = this.entry();
    if (!this.isRod() || lengthM === null) return null;
    const tip = (Math.min(lengthM, LONGEST_M) / LONGEST_M) * 336;
    return `M2 4.5h24v-1L${tip} 6.6v0.8L26 10.5v-1H2Z`;
  });

  protected count(by: number): void {
    this.set({ count: Math.max(0, Math.min(999, this.entry().count + by)) });
  }

  protected set(change: Partial<KitEntry>): void {
    this.changed.emit({ ...this.entry(), ...change });
  }

  /** What is no length of a rod leaves it unsaid. */
  protected setLength(text: string): void {
    const lengthM = plainLength(text, this.units());
    this.set({ lengthM: lengthM !== null && lengthM >= 0.5 && lengthM <= 6 ? lengthM : null });
  }

  protected setPrice(text: string): void {
    const price = plainNumber(text);
    this.set({ priceEach: price !== null && price >= 0 && price <= 100_000 ? price : null });
  }
}
