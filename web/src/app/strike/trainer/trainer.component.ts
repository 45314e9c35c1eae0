import { Component, computed, ElementRef, inject, signal, viewChild } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  type BankEvent,
  type FloatKind,
  FLOATS,
  TAKES_OF,
  type TakeKind,
  TRAINER_WATERS,
  trainerAttempts,
  trainerRun,
  trainerScore,
  type TrainerScore,
  type TrainerWater,
} from '@doceo/core';
import { BenchRecord } from '../../data/records/bench-record';
import { KeptOnBenchComponent } from '../../shared/lesson/kept-on-bench.component';
import { RecordForComponent } from '../../shared/lesson/record-for.component';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { FLOAT_TEXTS, TAKE_TEXTS, WATER_TEXTS } from '../strike-texts';
import { TakeExamplesComponent } from './take-examples.component';
import { TakeStage } from '../../shared/takes/take-stage';
import type { ShownRun } from '../../shared/takes/trainer-run';
import { TrainerScoreComponent } from './trainer-score.component';
import { TrainerSessions } from './trainer-sessions';

const MINUTES = [1, 2, 5, 10];

/** The trainer: a float drifts, takes come, space or a tap sets. It works without a network. */
@Component({
  selector: 'doceo-trainer',
  imports: [
    FormsModule,
    KeptOnBenchComponent,
    RecordForComponent,
    SegmentsComponent,
    TakeExamplesComponent,
    TrainerScoreComponent,
  ],
  templateUrl: './trainer.component.html',
  styleUrl: './trainer.component.css',
  host: { '(window:keydown)': 'key($event)', '(document:visibilitychange)': 'hidden()' },
})
export class TrainerComponent {
  protected readonly record = inject(BenchRecord);
  private readonly sessions = inject(TrainerSessions);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('picture');

  protected readonly float = signal<FloatKind>('indicator');
  protected readonly water = signal<TrainerWater>('run');
  protected readonly minutes = signal(1);
  protected readonly left = signal<readonly TakeKind[]>([]);
  protected readonly telling = signal(true);
  private readonly stage = new TakeStage(
    () => this.canvas().nativeElement,
    () => this.end(),
  );
  protected readonly running = this.stage.running;
  protected readonly said = this.stage.said;
  protected readonly secondsLeft = this.stage.secondsLeft;
  protected readonly score = signal<TrainerScore | null>(null);
  protected readonly frameMs = signal(0);
  protected readonly kept = signal<BankEvent[]>([]);

  protected readonly floats = FLOATS.map((value) => ({ value, text: FLOAT_TEXTS[value] }));
  protected readonly waters = TRAINER_WATERS.map((value) => ({ value, ...WATER_TEXTS[value] }));
  protected readonly lengths = MINUTES.map((value) => ({ value, text: `${value} min` }));
  protected readonly takes = computed(() =>
    TAKES_OF[this.float()].map((kind) => ({ kind, text: TAKE_TEXTS[kind], on: !this.left().includes(kind) })),
  );
  protected readonly anyTake = computed(() => this.takes().some(({ on }) => on));

  protected toggle(kind: TakeKind): void {
    this.left.update((left) => (left.includes(kind) ? left.filter((one) => one !== kind) : [...left, kind]));
  }

  protected start(): void {
    const kinds = this.takes().flatMap(({ kind, on }) => (on ? [kind] : []));
    if (kinds.length === 0) return;
    const run = trainerRun({
      seed: crypto.randomUUID(),
      float: this.float(),
      water: this.water(),
      kinds,
      durationS: this.minutes() * 60,
    });
    this.score.set(null);
    this.kept.set([]);
    this.stage.begin({ run, float: this.float(), water: this.water(), telling: this.telling() });
    this.canvas().nativeElement.scrollIntoView({ block: 'nearest' });
  }

  /** Ends the run; what was shown until now is counted. */
  protected end(): void {
    const ended = this.stage.end();
    if (!ended) return;
    const { shown, beganMs } = ended;
    this.frameMs.set(shown.frameMs());
    const stimuli = shown.shown();
    if (stimuli.length === 0) return;
    const score = trainerScore(stimuli, shown.setsMs);
    this.score.set(score);
    this.sessions.add({
      atMs: Date.now(),
      studentId: this.record.canKeep() ? (this.record.student()?.id ?? null) : null,
      ...{ float: this.float(), water: this.water() },
      takes: score.hits + score.misses,
      ...{ hits: score.hits, falseAlarms: score.falseAlarms, dPrime: score.dPrime, medianMs: score.medianMs },
    });
    if (this.record.canKeep()) void this.keep(shown, beganMs);
  }

  private async keep(shown: ShownRun, beganMs: number): Promise<void> {
    const attempts = trainerAttempts(shown.shown(), shown.setsMs).map((one) => ({
      ...one,
      atMs: beganMs + one.atMs,
    }));
    this.kept.set(await this.record.keepAttempts(attempts));
  }

  protected press(event: PointerEvent): void {
    this.stage.press(event);
  }

  protected key(event: KeyboardEvent): void {
    if (this.stage.key(event) || !this.running() || event.key !== 'Escape') return;
    this.end();
    event.preventDefault();
  }

  /** Nobody watches a hidden page. */
  protected hidden(): void {
    if (document.hidden) this.end();
  }
}
