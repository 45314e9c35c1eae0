import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  formatForce,
  formatLength,
  frameAt,
  pointFly,
  setGeometry,
  type SetGiven,
  setupDrift,
  DEFAULT_SET,
  weakestLink,
  METRES_PER_FOOT,
} from '@doceo/core';
import { capital, rigPartText } from '@doceo/texts';
import { SessionStore } from '../../data/session';
import { SlidersComponent } from '../../parts/fields/sliders.component';
import { FigureRowsComponent } from '../../parts/figure-rows.component';
import { type DriftResult } from '../../workers/bench-api';
import { BenchRunner } from '../../workers/bench-runner';
import { BenchDrift } from '../../data/kept-drift';
import { SetRoseComponent } from './set-rose.component';
import { SET_TEXTS } from '../strike-texts';
import { ChoiceFieldComponent, NamedPipe } from '../../parts/fields/choice-field.component';
import { ChosenRig } from '../../data/records/chosen-rig';

const SLIDERS = [
  { name: 'sweepM', text: 'How far the tip goes', min: 0.2, max: 3, step: 0.1 },
  { name: 'slackM', text: 'Slack in the line', min: 0, max: 3, step: 0.05 },
  { name: 'awayM', text: 'Tip to fly', min: 2, max: 15, step: 0.5 },
] as const;
type SliderName = (typeof SLIDERS)[number]['name'];

/** What a set does: where the tip goes, what the slack leaves of it, and where that draws the fly in the fish's mouth. */
@Component({
  selector: 'doceo-set-panel',
  imports: [
    ChoiceFieldComponent,
    FigureRowsComponent,
    FormsModule,
    NamedPipe,
    SetRoseComponent,
    SlidersComponent,
  ],
  template: `
    <div class="two">
      <section>
        <doceo-set-rose [given]="given()" (edited)="edit($event)" />
        <doceo-sliders [sliders]="sliders()" (slid)="set($event.name, $event.value)" />
        <p class="small soft">
          Drag the arrow to sweep elsewhere, the fly to another place, the fish to turn it; or use the arrow
          keys. Dark sectors draw the fly into the mouth, orange ones out of it or past what the tippet holds;
          pale ones move nothing.
        </p>
      </section>
      <aside>
        <h2>What this set does</h2>
        <p class="verdict" [attr.data-verdict]="found().verdict">{{ verdict() }}</p>
        <doceo-figure-rows [rows]="figures()" [from]="from()" />
        @if (best(); as words) {
          <p class="small">{{ words }}</p>
        }
        @if (rigs.all().length > 0) {
          <doceo-choice-field
            label="Against the weakest link of"
            [options]="rigs.all() | named"
            [value]="rig()?.id"
            (chosen)="rigs.choose($event)"
          />
        }
        @if (drift(); as told) {
          <label class="field"
            ><span
              >As the line lies in the drift, at <b class="figure">{{ driftS().toFixed(1) }} s</b></span
            >
            <input
              type="range"
              min="0"
              step="0.1"
              [max]="endS()"
              [ngModel]="driftS()"
              (ngModelChange)="takeDrift(told, +$event)"
              [attr.aria-valuetext]="driftS().toFixed(1) + ' s'"
            />
          </label>
        }
        <p class="small soft">
          Pull is an estimate: {{ pullText() }} the rod is drawn beyond the slack. The water’s own hold on the
          line is not counted. A miss sends the fly back at you: glasses on.
        </p>
      </aside>
    </div>
  `,
  styles: `
    .two {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 300px;
      gap: 20px 30px;
    }
    aside {
      display: grid;
      gap: 10px;
      align-content: start;
    }
    input[type='range'] {
      width: 100%;
      accent-color: var(--ink);
      min-height: 28px;
    }
    .verdict {
      border-left: 5px solid var(--check);
      background: #fff;
      padding: 8px 10px;
      font-weight: 600;
    }
    .verdict[data-verdict='into-the-mouth'] {
      border-color: var(--water);
    }
    .verdict[data-verdict='breaks'],
    .verdict[data-verdict='out-of-the-mouth'] {
      border-color: var(--must-fix);
    }
    @media (max-width: 900px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class SetPanelComponent {
  private readonly keptDrift = inject(BenchDrift);
  private readonly session = inject(SessionStore);
  private readonly settings = signal<Omit<SetGiven, 'breaksAtN'>>({
    ...DEFAULT_SET,
    lineDeg: 110,
    sweepDeg: -20,
    slackM: 0.2,
  });
  protected readonly rigs = new ChosenRig();
  protected readonly rig = this.rigs.rig;
  protected readonly drift = signal<DriftResult | null>(null);
  protected readonly driftS = signal(0);
  protected readonly endS = computed(() => this.drift()?.run.frames.at(-1)?.atS ?? 1);
  private readonly link = computed(() => {
    const rig = this.rig()?.rig;
    const fly = rig && pointFly(rig);
    return rig && fly ? weakestLink(rig, fly) : null;
  });
  protected readonly given = computed<SetGiven>(() => ({
    ...this.settings(),
    breaksAtN: Math.max(0.1, this.link()?.holdsN ?? DEFAULT_SET.breaksAtN),
  }));
  protected readonly pullText = computed(() => {
    const metric = this.session.units() === 'metric';
    const perUnitN = this.given().rodNPerM * (metric ? 1 : METRES_PER_FOOT);
    return `${formatForce(perUnitN, this.session.units())} for each ${metric ? 'metre' : 'foot'}`;
  });
  protected readonly found = computed(() => setGeometry(this.given()));
  protected readonly verdict = computed(() => SET_TEXTS[this.found().verdict]);
  protected readonly sliders = computed(() =>
    SLIDERS.map((slider) => ({
      ...slider,
      at: this.given()[slider.name],
      value: this.length(this.given()[slider.name]),
    })),
  );
  protected readonly from = computed(() => {
    const rig = this.rig();
    return rig ? `“${rig.name}” and a typical rod` : 'a typical rod and tippet';
  });
  protected readonly figures = computed(() => {
    const { takenM, movesM, pullN, load, intoMouth } = this.found();
    const link = this.link();
    return [
      { name: 'The sweep takes up', text: this.length(takenM), bad: false },
      { name: 'The fly moves', text: this.length(movesM), bad: movesM === 0 },
      {
        name: 'Into the mouth',
        text: movesM === 0 ? '–' : `${Math.round(intoMouth * 100)} %`,
        bad: movesM > 0 && intoMouth < 0,
      },
      { name: 'Pull', text: formatForce(pullN, this.session.units()), bad: load >= 1 },
      {
        name: link ? `${capital(rigPartText(link.part))} holds` : 'The weakest link holds',
        text: formatForce(this.given().breaksAtN, this.session.units()),
        bad: load >= 1,
      },
    ];
  });
  /** The direction in which the same sweep does most. */
  protected readonly best = computed(() => {
    const given = this.given();
    const worth = (sweepDeg: number): number => {
      const { movesM, intoMouth, load } = setGeometry({ ...given, sweepDeg });
      return load >= 1 ? -1 : movesM * intoMouth;
    };
    const all = Array.from({ length: 72 }, (_, i) => i * 5 - 180);
    const top = all.reduce((a, b) => (worth(b) > worth(a) ? b : a));
    if (worth(top) <= 0)
      return 'No direction draws the fly into the mouth with so much slack: strip in first.';
    return `The same sweep does most ${directionText(top)}.`;
  });

  constructor() {
    inject(BenchRunner)
      .run('surface', setupDrift(this.keptDrift.get()))
      .subscribe({
        next: (told) => this.drift.set(told),
        // Without a drift the line lies as it is set here.
        error: () => undefined,
      });
  }

  protected edit(change: Partial<SetGiven>): void {
    this.settings.update((settings) => ({ ...settings, ...change }));
  }

  protected set(name: SliderName, value: number): void {
    this.edit({ [name]: value });
  }

  /** Takes line and slack as they are in the drift at a time. */
  protected takeDrift({ run }: DriftResult, atS: number): void {
    this.driftS.set(atS);
    const { xs, ys } = frameAt(run.frames, atS);
    const [dx, dy] = [xs.at(-1)! - xs[0]!, ys.at(-1)! - ys[0]!];
    const lies = xs.slice(1).reduce((sum, x, i) => sum + Math.hypot(x - xs[i]!, ys[i + 1]! - ys[i]!), 0);
    const awayM = Math.max(0.5, Math.hypot(dx, dy));
    this.edit({
      awayM,
      lineDeg: (Math.atan2(dy, dx) * 180) / Math.PI,
      slackM: Math.max(0, Math.round((lies - awayM) * 100) / 100),
    });
  }

  private length(metres: number): string {
    return formatLength(metres, this.session.units());
  }
}

/** A direction in words: degrees from downstream, turning towards the far bank. */
export function directionText(deg: number): string {
  const turn = ((deg % 360) + 360) % 360;
  const names = [
    'downstream',
    'down and across',
    'towards the far bank',
    'up and across',
    'upstream',
    'up and towards you',
    'towards your own bank',
    'down and towards you',
  ];
  return names[Math.round(turn / 45) % 8]!;
}
