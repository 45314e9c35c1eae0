import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import type { StudentPage } from '@doceo/contract';
import { formatRoundLength, tapTempo } from '@doceo/core';
import { Metronome } from '../app/shared/beat/metronome';
import { MyPage } from './my-page';
import { tempoText } from './words';

/** Taps after which a beat is told: three waits behind and three before. */
const TAPS = 7;
/** How much of its pace a slower beat keeps. */
const PACES = [1, 0.75, 0.5] as const;
const TIP = { x: 62, y: 26 };

/** The beat of a cast as a drawing that moves, in sound, and tapped along. */
@Component({
  selector: 'doceo-beat',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './beat.component.html',
  styleUrl: './beat.component.css',
})
export class BeatComponent {
  private readonly my = inject(MyPage);
  readonly page = input.required<StudentPage>();
  /** Where one taps: under the hand at once, also of who has only keys. */
  private readonly pad = viewChild<ElementRef<HTMLElement>>('pad');
  protected readonly metronome = new Metronome();
  private readonly pace = signal(0);
  protected readonly taps = signal<readonly number[] | null>(null);
  protected readonly result = signal<string | null>(null);
  protected readonly left = computed(() => TAPS - (this.taps()?.length ?? 0));

  protected readonly line = computed(() => {
    const { beat, units } = this.page();
    return `${formatRoundLength(beat.lineM, units)} of line${beat.typical ? ', a typical length' : ''}`;
  });
  protected readonly slower = computed(() => {
    const next = PACES[(this.pace() + 1) % PACES.length] ?? 1;
    return next === 1 ? 'as it is' : 'slower';
  });
  /** How far the loop has rolled out behind, 0…1; none while the rod moves. */
  private readonly rolled = computed(() => {
    const now = this.metronome.now();
    if (!now) return 0.6;
    return now.pausing ? now.share : 1 - now.share;
  });
  protected readonly word = computed(() => {
    const now = this.metronome.now();
    if (!now) return 'wait';
    if (!now.pausing) return now.share > 0.5 ? 'stop' : 'go';
    return now.share < 0.8 ? 'wait, still rolling …' : 'now';
  });
  protected readonly bead = computed(() => ({ x: TIP.x + 60 + 230 * this.rolled(), y: 30 }));
  protected readonly loop = computed(() => {
    const front = this.bead().x;
    const end = Math.min(front, TIP.x + 60 + (front - TIP.x - 60) * 0.35 + 10);
    return `M${TIP.x} ${TIP.y}C${TIP.x + 40} 16 ${front - 40} 16 ${front} 22q16 8 0 16H${end}`;
  });

  constructor() {
    effect(() => this.pad()?.nativeElement.focus());
  }

  protected toggle(): void {
    if (this.metronome.running()) return this.metronome.stop();
    const pace = PACES[this.pace()] ?? 1;
    const { pauseS, strokeS } = this.page().beat;
    this.metronome.start({ pauseS: pauseS / pace, strokeS: strokeS / pace });
  }

  protected slow(): void {
    this.pace.update((pace) => (pace + 1) % PACES.length);
    if (this.metronome.running()) {
      this.metronome.stop();
      this.toggle();
    }
  }

  protected beginTaps(): void {
    this.metronome.stop();
    this.result.set(null);
    this.taps.set([]);
  }

  /** A stop of the rod, by the clock of the tap itself. */
  protected tap(event: Event): void {
    event.preventDefault();
    const taps = this.taps();
    if (!taps) return;
    const at = Math.round(event.timeStamp);
    if (at <= (taps.at(-1) ?? -1)) return;
    navigator.vibrate?.(15);
    const all = [...taps, at];
    if (all.length < TAPS) return this.taps.set(all);
    const { beat, tells } = this.page();
    const tempo = tapTempo(all, beat.lineM);
    this.result.set(tempoText(tempo, beat));
    this.taps.set(null);
    if (tells.beat)
      this.my.did([{ skillId: 'casting.pause', good: tempo.verdict === 'fits', evidence: 'measured' }]);
  }
}
