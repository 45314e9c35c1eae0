import { Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  castingLoad,
  CROSSED_M,
  DEFAULT_THROW,
  formatLength,
  formatMass,
  formatWind,
  type LoopFault,
  type LoopSigns,
  PILED,
  WHIP,
  WIDE_M,
} from '@doceo/core';
import { SessionStore } from '../../data/session';
import { FigureRowsComponent } from '../../parts/figure-rows.component';
import { ADVICE_TEXTS, STROKE_TEXTS } from '../cast-texts';
import { rowOf } from '../../shared/beat/beat-clock';
import { LoopStore } from './loop-store';
import { ChoiceFieldComponent, NamedPipe } from '../../parts/fields/choice-field.component';
import { ChosenRig } from '../../data/records/chosen-rig';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** What is seen of the cast: its figures, and each fault of the catalogue with its cause and cure. */
@Component({
  selector: 'doceo-loop-signs',
  imports: [ChoiceFieldComponent, FigureRowsComponent, FormsModule, NamedPipe],
  template: `
    <h2>What is seen</h2>
    <p class="small soft">{{ reason() }}</p>
    <doceo-figure-rows [rows]="figures()" from="this stroke and a typical line" />
    @for (fault of faults(); track fault.id) {
      <div class="fault">
        <b>{{ fault.short }}</b>
        <p class="small">{{ fault.sign }}. Likely: {{ fault.cause }}.</p>
        <p class="small"><b>Cure</b> {{ fault.cure }}.</p>
      </div>
    } @empty {
      @if (store.ran()) {
        <p class="fine">
          No fault of the catalogue is seen{{
            store.ran()?.run?.unrollS === null ? ', but the line lands before it is straight' : ''
          }}.
        </p>
      }
    }
    <h2>With my rig</h2>
    @if (rigs.all().length > 0) {
      <doceo-choice-field
        label="Rig"
        [quiet]="true"
        [options]="rigs.all() | named"
        [value]="rig()?.id"
        (chosen)="rigs.choose($event)"
      />
      <p class="small more">{{ advice() }}</p>
    }
    <p class="small more">Glasses and a hat with a brim, for you and for everybody within a cast’s length.</p>
  `,
  styles: `
    .fault {
      border-left: 5px solid var(--check);
      background: #fff;
      padding: 7px 10px;
      margin: 8px 0;
    }
    .fine {
      border-left: 5px solid var(--water);
      background: #fff;
      padding: 7px 10px;
      margin: 8px 0 14px;
    }
    .more {
      margin-top: 6px;
    }
  `,
})
export class LoopSignsComponent {
  private readonly teaching = inject(TeachingStore);
  protected readonly store = inject(LoopStore);
  private readonly session = inject(SessionStore);
  protected readonly rigs = new ChosenRig();
  protected readonly rig = this.rigs.rig;
  protected readonly advice = computed(() => {
    const rig = this.rig();
    if (!rig) return '';
    const { massKg, share, advice } = castingLoad(rig.rig);
    return `${formatMass(massKg, this.session.units())} beyond the line, ${Math.round(share * 100)} % of its head. ${ADVICE_TEXTS[advice]}`;
  });
  protected readonly reason = computed(() => STROKE_TEXTS[this.store.settings().kind].reason);
  protected readonly faults = computed(() =>
    (this.store.ran()?.run.signs.faults ?? []).flatMap((id) => {
      const fault = this.teaching.curriculum().faults.find(id);
      return fault ? { ...fault, sign: fault.sign.charAt(0).toUpperCase() + fault.sign.slice(1) } : [];
    }),
  );
  protected readonly figures = computed(() => {
    const run = this.store.ran()?.run;
    if (!run) return [];
    const { signs, unrollS } = run;
    const units = this.session.units();
    const { lineM, windMs } = this.store.settings();
    const { pauseS: teachS } = rowOf(lineM, windMs);
    const bad = (fault: LoopFault): boolean => signs.faults.includes(fault);
    return [
      {
        name: `Straight after the stop, tip at ${formatWind(this.store.settings().speedMs, units)}`,
        text: unrollS === null ? 'lands before it is' : `${unrollS.toFixed(2)} s`,
        bad: false,
      },
      {
        name: `Pause to teach, tip at ${formatWind(DEFAULT_THROW.speedMs, units)}`,
        text: teachS === null ? 'too much line' : `${teachS.toFixed(2)} s`,
        bad: false,
      },
      {
        name: `Loop, wide from ${this.length(WIDE_M)}`,
        text: loopText(signs, (m) => this.length(m)),
        bad: bad('cast.wide-loop'),
      },
      {
        name: `Crosses itself, from ${this.length(CROSSED_M)}`,
        text: signs.crossesM === 0 ? 'no' : this.length(signs.crossesM),
        bad: bad('cast.tailing'),
      },
      {
        name: `Whip behind, cracks from ${WHIP} ×`,
        text: `${signs.whip.toFixed(1)} ×`,
        bad: bad('cast.crack'),
      },
      {
        name: `Lies straight, at least ${Math.round(PILED * 100)} %`,
        text: signs.laidShare === null ? 'still in the air' : `${Math.round(signs.laidShare * 100)} %`,
        bad: bad('cast.pile'),
      },
      { name: 'Fly nearest the tip', text: this.length(signs.nearestM), bad: false },
    ];
  });

  private length(metres: number): string {
    return formatLength(metres, this.session.units());
  }
}

function loopText({ loopM }: LoopSigns, length: (metres: number) => string): string {
  if (loopM === null) return 'none';
  return loopM < 0 ? `crossed by ${length(-loopM)}` : length(loopM);
}
