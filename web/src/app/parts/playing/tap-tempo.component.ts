import { Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { formatRoundLength, MIN_TAPS, METRES_PER_FOOT, tapTempo, type UnitSystem } from '@doceo/core';

/** Steps of the length of line. */
const LINE_STEP_M: Record<UnitSystem, number> = { metric: 1, imperial: 3 * METRES_PER_FOOT };
/** Pauses that differ more than this share of their mean are told uneven. Rule of thumb. */
const UNEVEN = 0.15;
const MAX_TAPS = 200;

/** A rhythm that was tapped. */
export interface Tapped {
  lineM: number;
  tapsMs: number[];
}

/** The beat of a student's casts, tapped at each stop, against what the line needs. */
@Component({
  selector: 'doceo-tap-tempo',
  templateUrl: './tap-tempo.component.html',
  styleUrls: ['../thumb-buttons.css', './tap-tempo.component.css'],
})
export class TapTempoComponent {
  readonly units = input<UnitSystem>('metric');
  /** Line out to begin with, metres; as long as the unit's usual one when left out. */
  readonly startM = input<number | null>(null);
  /** Whether it can be kept. */
  readonly keepable = input(true);
  readonly kept = output<Tapped>();

  protected readonly lineM = linkedSignal(
    () => this.startM() ?? (this.units() === 'metric' ? 8 : 9 * LINE_STEP_M.imperial),
  );
  protected readonly taps = signal<number[]>([]);
  private beatStart: number | null = null;

  protected readonly tempo = computed(() =>
    this.taps().length >= MIN_TAPS ? tapTempo(this.taps(), this.lineM()) : null,
  );
  protected readonly words = computed(() => {
    const tempo = this.tempo();
    if (!tempo) return 'Tap at each stop of the rod: back, forward, back …';
    const said = {
      hurried: 'Too soon: wait longer behind.',
      fits: 'The line has time to straighten.',
      late: 'Too late: the line has begun to fall.',
    }[tempo.verdict];
    return `${said} ${tempo.unevenness > UNEVEN ? 'Uneven.' : 'Even.'}`;
  });

  protected beat(event: Event): void {
    event.preventDefault();
    const now = Math.round(performance.now());
    this.taps.update((taps) => {
      const start = this.beatStart ?? now;
      this.beatStart = start;
      const at = now - start;
      return at > (taps.at(-1) ?? -1) ? [...taps, at] : taps;
    });
    navigator.vibrate?.(15);
  }

  protected again(): void {
    this.beatStart = null;
    this.taps.set([]);
  }

  protected keep(): void {
    this.kept.emit({ lineM: this.lineM(), tapsMs: this.taps().slice(0, MAX_TAPS) });
    this.again();
  }

  protected longer(by: number): void {
    const step = LINE_STEP_M[this.units()];
    this.lineM.update((m) => Math.min(30, Math.max(1, Math.round((m + by * step) * 10_000) / 10_000)));
  }

  protected length(lengthM: number): string {
    return formatRoundLength(lengthM, this.units());
  }
}
