import { Component, computed, input, output, signal } from '@angular/core';
import {
  DRESSINGS,
  flyLift,
  flyMass,
  formatMass,
  type Fly,
  GRAVITY,
  type Rig,
  rigEdits,
  type UnitSystem,
} from '@doceo/core';

type Measure = 'measuredKg' | 'measuredLiftKg';

/** Heaviest fly and largest load that are believed, grams. */
const MOST_G = 50;

interface Row {
  fly: Fly;
  /** What the fly weighs or carries by the estimate. */
  estimates: Record<Measure, string>;
  floats: boolean;
}

/** What a kitchen scale and a bucket say of the flies; it replaces the estimates in every figure of this rig. */
@Component({
  selector: 'doceo-rig-measures',
  template: `
    <details>
      <summary>Measured beats estimated</summary>
      <p class="small soft">
        Weigh a fly on a kitchen scale. Hang weight below a dry fly in a bucket until it sinks. Leave a field
        empty to go back to the estimate.
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th>Fly</th>
            <th>Weighs, g</th>
            <th>Carries, g</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.fly.id) {
            <tr [attr.data-fly]="row.fly.id">
              <td>#{{ row.fly.hookSize }} {{ row.fly.name }}</td>
              @for (measure of measures; track measure) {
                <td>
                  @if (measure === 'measuredKg' || row.floats) {
                    <input
                      type="text"
                      inputmode="decimal"
                      class="figure"
                      [attr.aria-label]="(measure === 'measuredKg' ? 'Weighs' : 'Carries') + ', grams'"
                      [placeholder]="row.estimates[measure]"
                      [value]="shown(row.fly[measure])"
                      [attr.aria-invalid]="wrong() === row.fly.id + measure"
                      (change)="set(row.fly, measure, $any($event.target).value)"
                    />
                    @if (wrong() === row.fly.id + measure) {
                      <span class="wrong">a number of grams up to {{ most }}</span>
                    }
                  }
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    </details>
  `,
  styles: `
    :host {
      display: block;
      margin-top: 10px;
    }
    summary {
      cursor: pointer;
      font-weight: 700;
    }
    input {
      width: 92px;
    }
    .wrong {
      color: var(--safety);
      font-size: 12.5px;
      display: block;
    }
  `,
})
export class RigMeasuresComponent {
  readonly rig = input.required<Rig>();
  readonly system = input.required<UnitSystem>();
  readonly edited = output<Rig>();

  protected readonly measures: Measure[] = ['measuredKg', 'measuredLiftKg'];
  protected readonly most = MOST_G;
  protected readonly wrong = signal<string | null>(null);
  protected readonly rows = computed<Row[]>(() =>
    this.rig().flies.map((fly) => {
      const plain = { ...fly, measuredKg: null, measuredLiftKg: null };
      const spareN = flyLift(plain).totalN - Math.max(0, flyMass(plain).submergedN);
      return {
        fly,
        floats: DRESSINGS[fly.dressing].stage === 'adult',
        estimates: {
          measuredKg: `about ${formatMass(flyMass(plain).totalKg, 'metric')}`,
          measuredLiftKg: `about ${formatMass(Math.max(0, spareN) / GRAVITY, 'metric')}`,
        },
      };
    }),
  );

  protected shown(kg: number | null): string {
    return kg === null ? '' : `${Math.round(kg * 1e6) / 1000}`;
  }

  protected set(fly: Fly, measure: Measure, text: string): void {
    const clean = text.trim().replace(',', '.').replace(/\s*g$/, '');
    const grams = Number(clean);
    const empty = clean === '';
    if (!empty && !(grams >= 0.001 && grams <= MOST_G)) return this.wrong.set(fly.id + measure);
    this.wrong.set(null);
    this.edited.emit(rigEdits.fly(this.rig(), fly.id, { [measure]: empty ? null : grams / 1000 }));
  }
}
