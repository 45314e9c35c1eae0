import { Component, computed, input, linkedSignal, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Bottom, BOTTOMS, formatLength, METRES_PER_FOOT, type UnitSystem, wading } from '@doceo/core';
import { WADING_REASONS } from '@doceo/texts';
import { plainLength } from '../../parts/fields/plain-length';
import { plainNumber } from '../../parts/fields/plain-number';

export interface WadingPerson {
  id: string;
  name: string;
  ageYears: number | null;
  /** As on his record; null when nobody has said it. */
  heightM: number | null;
}

/** Taken where nobody has said a height, metres. */
const ADULT_HEIGHT_M = 1.75;
const MAX_DEPTH_M = 3;
const MAX_SPEED_MS = 4;
const WIDTH = 262;

/** Depth by speed against a person's limit. It warns; it never gives leave. */
@Component({
  selector: 'doceo-wading-card',
  imports: [FormsModule],
  template: `
    <h2>Wading</h2>
    <div class="fields">
      <label
        >depth<input
          type="text"
          [attr.aria-invalid]="depth() === null"
          [ngModel]="depthText()"
          (ngModelChange)="depthText.set($event)"
      /></label>
      <label
        >speed, {{ units() === 'metric' ? 'm/s' : 'ft/s'
        }}<input
          type="text"
          inputmode="decimal"
          [attr.aria-invalid]="speed() === null"
          [ngModel]="speedText()"
          (ngModelChange)="speedText.set($event)"
      /></label>
      <label
        >bottom<select [ngModel]="bottom()" (ngModelChange)="bottom.set($event)">
          @for (one of bottoms; track one) {
            <option [value]="one">{{ one.replace('-', ' ') }}</option>
          }
        </select></label
      >
      <label
        >who<select [ngModel]="who()" (ngModelChange)="who.set($event)">
          <option value="">an adult</option>
          @for (one of people(); track one.id) {
            <option [value]="one.id">{{ one.name }}</option>
          }
        </select></label
      >
      <label
        >height{{ typical() ? ', typical' : ''
        }}<input
          type="text"
          [attr.aria-invalid]="height() === null"
          [ngModel]="heightText()"
          (ngModelChange)="heightText.set($event)"
      /></label>
      <label class="row"
        ><input type="checkbox" [ngModel]="staff()" (ngModelChange)="staff.set($event)" /> with a staff</label
      >
    </div>
    @if (wrong(); as words) {
      <p class="error" role="alert">{{ words }}</p>
    }
    @if (found(); as f) {
      <svg [attr.viewBox]="'0 0 ' + width + ' 52'" aria-hidden="true">
        <defs>
          <pattern
            id="hatch"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="6" />
          </pattern>
        </defs>
        <rect x="0" y="6" [attr.width]="width" height="14" class="bar" />
        <rect [attr.x]="x(f.limit)" y="6" [attr.width]="width - x(f.limit)" height="14" class="over" />
        <rect [attr.x]="x(f.most)" y="6" [attr.width]="width - x(f.most)" height="14" class="never" />
        @if (f.verdict === 'do-not-wade') {
          <rect x="0" y="6" [attr.width]="width" height="14" class="over" />
        }
        <path [attr.d]="'M' + x(f.product) + ' 22l-6 10h12z'" class="here" />
        <text x="0" y="46">0</text>
        <text [attr.x]="x(f.limit)" y="46" text-anchor="middle">{{ f.limit.toFixed(1) }} this person</text>
        <text [attr.x]="x(f.most)" y="46" text-anchor="middle">{{ f.most }} nobody</text>
      </svg>
      <p class="caution" [class.no]="f.verdict !== 'look-closer'" role="status">
        <b class="figure">{{ f.product.toFixed(1) }}</b> of
        <b class="figure">{{ f.limit.toFixed(1) }}</b>&ngsp;
        <b>{{ said() }}</b>
        @if (f.reasons.length > 0) {
          <span class="counted">Counted: {{ counted() }}.</span>
        }
      </p>
    }
    <p class="small soft">
      Depth in feet × speed in feet a second. Judge on the spot; local advice and your own limits decide. Belt
      on, a staff, an exit below, never alone.
    </p>
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 6px 10px;
      margin: 6px 0;
    }

    label {
      font-size: 12.5px;
      display: grid;
      gap: 2px;
    }

    label.row {
      display: flex;
      gap: 6px;
      align-self: end;
      min-height: 32px;
    }

    svg {
      width: 100%;
      height: auto;
    }

    .bar {
      fill: var(--track);
    }

    .over {
      fill: url('#hatch');
    }

    .never {
      fill: var(--safety);
    }

    pattern line {
      stroke: var(--safety);
      stroke-width: 3;
    }

    .here {
      fill: var(--ink);
    }

    svg text {
      font: 600 11px var(--figure);
      fill: var(--ink);
    }

    .caution {
      border-left: 5px solid var(--rigging);
      background: #fff;
      padding: 6px 10px;
      margin: 4px 0;
    }

    .counted {
      display: block;
    }

    .caution.no {
      border-color: var(--safety);
    }
  `,
})
export class WadingCardComponent {
  readonly units = input.required<UnitSystem>();
  readonly people = input.required<readonly WadingPerson[]>();
  /** Of the water now; null when not known. */
  readonly waterC = input<number | null>(null);
  readonly rising = input(false);

  protected readonly bottoms = BOTTOMS;
  protected readonly width = WIDTH;
  protected readonly depthText = linkedSignal(() => formatLength(0.5, this.units()));
  protected readonly speedText = linkedSignal(() => (this.units() === 'metric' ? '0.5' : '1.6'));
  protected readonly bottom = signal<Bottom>('gravel');
  protected readonly who = signal('');
  private readonly person = computed(() => this.people().find(({ id }) => id === this.who()) ?? null);
  /** Of the person when it is known, else an adult's, which is said. */
  protected readonly heightText = linkedSignal(() =>
    formatLength(this.person()?.heightM ?? ADULT_HEIGHT_M, this.units()),
  );
  protected readonly typical = computed(() => (this.person()?.heightM ?? null) === null);
  protected readonly staff = signal(true);
  protected readonly depth = computed(() => this.lengthOf(this.depthText(), 0, MAX_DEPTH_M));
  protected readonly height = computed(() => this.lengthOf(this.heightText(), 0.8, 2.3));
  protected readonly speed = computed(() => {
    const typed = plainNumber(this.speedText());
    const ms = typed === null ? null : this.units() === 'metric' ? typed : typed * METRES_PER_FOOT;
    return ms !== null && ms >= 0 && ms <= MAX_SPEED_MS ? ms : null;
  });
  protected readonly wrong = computed(() => {
    const units = this.units();
    if (this.depth() === null) return `a depth from 0 to ${formatLength(MAX_DEPTH_M, units)}`;
    if (this.speed() === null) return `a speed from 0 to ${units === 'metric' ? '4 m/s' : '13 ft/s'}`;
    if (this.height() === null)
      return `a height from ${formatLength(0.8, units)} to ${formatLength(2.3, units)}`;
    return null;
  });
  protected readonly found = computed(() => {
    const [depthM, speedMs, heightM] = [this.depth(), this.speed(), this.height()];
    if (depthM === null || speedMs === null || heightM === null) return null;
    return wading(
      { depthM, speedMs, bottom: this.bottom(), waterC: this.waterC(), rising: this.rising() },
      { heightM, ageYears: this.person()?.ageYears ?? null, hasStaff: this.staff() },
    );
  });

  protected readonly counted = computed(
    () =>
      this.found()
        ?.reasons.map((reason) => WADING_REASONS[reason])
        .join('; ') ?? '',
  );
  protected readonly said = computed(
    () =>
      ({
        'do-not-wade': '· Do not wade here.',
        'over-the-limit': '· Over the limit of this person.',
        'look-closer': '· below the figure for this person: a reason to look closer, and no more.',
      })[this.found()?.verdict ?? 'do-not-wade'],
  );

  protected x(product: number): number {
    return Math.min(1, product / 12) * WIDTH;
  }

  private lengthOf(text: string, least: number, most: number): number | null {
    const metres = plainLength(text, this.units());
    return metres !== null && metres >= least && metres <= most ? metres : null;
  }
}
