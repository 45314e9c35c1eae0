import { Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  DEFAULT_THROW,
  formatDiameter,
  formatRoundLength,
  formatWind,
  METRES_PER_FOOT,
  pauseTable,
} from '@doceo/core';
import { MessageService } from 'primeng/api';
import { BenchRecord } from '../../data/records/bench-record';
import { SessionStore } from '../../data/session';
import { RecordForComponent } from '../../shared/lesson/record-for.component';
import { type Tapped, TapTempoComponent } from '../../parts/playing/tap-tempo.component';
import { beatOf } from '../../shared/beat/beat-clock';
import { Metronome } from '../../shared/beat/metronome';

/** Lengths of the table. */
const LENGTHS = { metric: [5, 6, 7, 8, 9, 10, 12, 14], imperial: [15, 18, 21, 24, 27, 30, 36, 42] };
/** Where the rod stands at its stops, degrees from upright. */
const STOP_DEG = { back: -32, forward: 34 };

/** The pause: a metronome for a length of line, the table of them, and a student's own beat tapped against it. */
@Component({
  selector: 'doceo-pause-panel',
  imports: [FormsModule, RecordForComponent, RouterLink, TapTempoComponent],
  template: `
    <div class="two">
      <section>
        <h2>The beat to cast to</h2>
        <div class="clock" [class.flash]="flash()" aria-hidden="true">
          <svg viewBox="0 0 320 200" width="100%">
            <path class="ground" d="M0 186H320" />
            <path class="rod" [attr.d]="rod()" />
            <path class="line" [attr.d]="line()" />
            <text x="16" y="26">back</text>
            <text x="304" y="26" text-anchor="end">forward</text>
          </svg>
          <p class="say">{{ say() }}</p>
        </div>
        <div class="row">
          <button type="button" class="btn go big" [disabled]="!beat()" (click)="toggle()">
            {{ metronome.running() ? 'Stop' : 'Beat' }}
          </button>
          <label class="row small"
            ><input
              type="checkbox"
              [ngModel]="metronome.sound()"
              (ngModelChange)="metronome.sound.set($event)"
            />
            sound</label
          >
          <label class="field line-out"
            ><span
              >Line out <b class="figure">{{ length(lineM()) }}</b></span
            >
            <input
              type="range"
              min="4"
              max="16"
              step="0.5"
              [ngModel]="lineM()"
              (ngModelChange)="lineM.set(+$event)"
              [attr.aria-valuetext]="length(lineM())"
          /></label>
          <label class="field line-out"
            ><span
              >Wind <b class="figure">{{ windText() }}</b></span
            >
            <input
              type="range"
              min="-4"
              max="6"
              step="1"
              [ngModel]="windMs()"
              (ngModelChange)="windMs.set(+$event)"
              [attr.aria-valuetext]="windText()"
          /></label>
        </div>
        @if (beat(); as now) {
          <p>
            Pause <b class="figure">{{ now.pauseS.toFixed(2) }} s</b> after each stop, then the stroke,
            <b class="figure">{{ now.strokeS.toFixed(2) }} s</b>: {{ perMin() }} stops a minute.
          </p>
        } @else {
          <p class="wrong" role="status">
            Against this wind so much line never straightens: shorten it, or cast lower and harder.
          </p>
        }
        <p class="small soft">
          The loop with air: a line of {{ thrown().thick }}, thrown at {{ thrown().speed }}. Harder throws
          need less: it is a beat to begin with, then watch the line.
        </p>
        <h2>For the card</h2>
        <table class="plain">
          <thead>
            <tr>
              <th>Line out</th>
              <th>Pause</th>
              <th>Stops a minute</th>
            </tr>
          </thead>
          <tbody>
            @for (row of table(); track row.length) {
              <tr [class.now]="row.now">
                <td class="figure">{{ row.length }}</td>
                <td class="figure">{{ row.pause }}</td>
                <td class="figure">{{ row.beats }}</td>
              </tr>
            }
          </tbody>
        </table>
        <a class="btn small card" routerLink="/cast/card">Card to print</a>
      </section>
      <section>
        <h2>The student’s own beat</h2>
        <p class="small soft">Tap at each stop of the rod while the student casts: back, forward, back.</p>
        <doceo-record-for />
        <doceo-tap-tempo
          [units]="session.units()"
          [startM]="lineM()"
          [keepable]="record.canKeep()"
          (kept)="keep($event)"
        />
      </section>
    </div>
  `,
  styleUrl: './pause-panel.component.css',
})
export class PausePanelComponent {
  protected readonly session = inject(SessionStore);
  protected readonly record = inject(BenchRecord);
  private readonly messages = inject(MessageService);
  protected readonly metronome = new Metronome();
  protected readonly lineM = signal(9);
  protected readonly windMs = signal(0);

  protected readonly beat = computed(() => beatOf(this.lineM(), this.windMs()));
  protected readonly perMin = computed(() => {
    const beat = this.beat();
    return beat ? Math.round(60 / (beat.pauseS + beat.strokeS)) : 0;
  });
  protected readonly windText = computed(() => {
    const wind = this.windMs();
    if (wind === 0) return 'calm';
    return `${formatWind(Math.abs(wind), this.session.units())} ${wind > 0 ? 'against' : 'behind'}`;
  });
  protected readonly table = computed(() => {
    const units = this.session.units();
    const metres = LENGTHS[units].map((one) => (units === 'metric' ? one : one * METRES_PER_FOOT));
    return pauseTable(metres, { headWindMs: this.windMs() }).map(({ lineM, pauseS, beatsPerMin }) => ({
      length: formatRoundLength(lineM, units),
      pause: pauseS === null ? 'never' : `${pauseS.toFixed(2)} s`,
      beats: beatsPerMin === null ? '–' : beatsPerMin.toFixed(0),
      now: Math.abs(lineM - this.lineM()) < 0.26,
    }));
  });

  protected readonly thrown = computed(() => ({
    thick: formatDiameter(DEFAULT_THROW.diameterM, this.session.units()),
    speed: formatWind(DEFAULT_THROW.speedMs, this.session.units()),
  }));
  private readonly tipDeg = computed(() => {
    const now = this.metronome.now();
    if (!now) return STOP_DEG.back;
    if (now.pausing) return STOP_DEG[now.way];
    const from = STOP_DEG[now.way === 'back' ? 'forward' : 'back'];
    return from + (STOP_DEG[now.way] - from) * now.share ** 2;
  });
  protected readonly flash = computed(() => {
    const now = this.metronome.now();
    return !!now && now.pausing && now.share < 0.12;
  });
  protected readonly say = computed(() => {
    const now = this.metronome.now();
    if (!now) return this.beat() ? 'ready' : '';
    return now.pausing
      ? `stop … wait (${now.way === 'back' ? 'watch it straighten' : 'let it roll out'})`
      : `${now.way}!`;
  });
  protected readonly rod = computed(() => {
    const { x, y } = tipAt(this.tipDeg());
    return `M160 186L${x} ${y}`;
  });
  /** The line behind the tip: a loop that rolls out while the rod waits. */
  protected readonly line = computed(() => {
    const now = this.metronome.now();
    const { x, y } = tipAt(this.tipDeg());
    if (!now) return `M${x} ${y}L${x - 110} ${y - 8}`;
    if (!now.pausing) {
      const side = now.way === 'forward' ? -1 : 1;
      return `M${x} ${y}L${x + side * 110} ${y - 8}`;
    }
    const side = now.way === 'back' ? -1 : 1;
    const front = x + side * (12 + 100 * now.share);
    const end = front - side * 100 * (1 - now.share);
    return `M${x} ${y}L${front} ${y - 6}q${side * 12} -12 0 -24L${end} ${y - 30}`;
  });

  constructor() {
    effect(() => {
      const beat = this.beat();
      untracked(() => {
        if (!this.metronome.running()) return;
        if (beat) this.metronome.start(beat);
        else this.metronome.stop();
      });
    });
  }

  protected toggle(): void {
    const beat = this.beat();
    if (this.metronome.running() || !beat) this.metronome.stop();
    else this.metronome.start(beat);
  }

  protected keep({ lineM, tapsMs }: Tapped): void {
    void this.record.keep([{ body: { kind: 'tempo', lineM, tapsMs }, atMs: Date.now() }]).then(([event]) => {
      if (event)
        this.messages.add({
          severity: 'success',
          summary: `In the record of ${this.record.student()?.student.name}`,
          life: 4000,
        });
    });
  }

  protected length(metres: number): string {
    return formatRoundLength(metres, this.session.units());
  }
}

function tipAt(deg: number): { x: number; y: number } {
  const turn = (deg * Math.PI) / 180;
  return { x: 160 + 112 * Math.sin(turn), y: 186 - 112 * Math.cos(turn) };
}
