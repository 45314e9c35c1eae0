import { Component, computed, DestroyRef, ElementRef, inject, signal, viewChild } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  type BankEvent,
  DRIFT_WIDTHS,
  type FloatKind,
  FLOATS,
  LATEST_MS,
  TAKE_KINDS,
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
import { drawFloat, fitCanvas } from '../../shared/takes/float-picture';
import { FLOAT_TEXTS, TAKE_TEXTS, WATER_TEXTS } from '../strike-texts';
import { TakeExamplesComponent } from './take-examples.component';
import { ShownRun, type Verdict } from '../../shared/takes/trainer-run';
import { verdictText } from '../../shared/takes/verdict-text';
import { TrainerScoreComponent } from './trainer-score.component';
import { TrainerSessions } from './trainer-sessions';

const MINUTES = [1, 2, 5, 10];
/** A verdict stays so long, milliseconds. */
const SAID_MS = 1100;
const isTake = (kind: string): boolean => (TAKE_KINDS as readonly string[]).includes(kind);

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
  protected readonly running = signal(false);
  protected readonly said = signal<{ text: string; good: boolean } | null>(null);
  protected readonly secondsLeft = signal(0);
  protected readonly score = signal<TrainerScore | null>(null);
  protected readonly frameMs = signal(0);
  protected readonly kept = signal<BankEvent[]>([]);
  private shown: ShownRun | null = null;
  private startMs = 0;
  private saidUntilMs = 0;
  private frame = 0;

  protected readonly floats = FLOATS.map((value) => ({ value, text: FLOAT_TEXTS[value] }));
  protected readonly waters = TRAINER_WATERS.map((value) => ({ value, ...WATER_TEXTS[value] }));
  protected readonly lengths = MINUTES.map((value) => ({ value, text: `${value} min` }));
  protected readonly takes = computed(() =>
    TAKES_OF[this.float()].map((kind) => ({ kind, text: TAKE_TEXTS[kind], on: !this.left().includes(kind) })),
  );
  protected readonly anyTake = computed(() => this.takes().some(({ on }) => on));
  constructor() {
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(this.frame));
  }

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
    this.shown = new ShownRun(run, LATEST_MS, isTake);
    this.score.set(null);
    this.kept.set([]);
    this.said.set(null);
    this.running.set(true);
    this.startMs = performance.now();
    this.draw();
    this.canvas().nativeElement.scrollIntoView({ block: 'nearest' });
  }

  /** Ends the run; what was shown until now is counted. */
  protected end(): void {
    const { shown } = this;
    cancelAnimationFrame(this.frame);
    if (!this.running() || !shown) return;
    this.running.set(false);
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
    if (this.record.canKeep()) void this.keep();
  }

  private async keep(): Promise<void> {
    const { shown } = this;
    if (!shown) return;
    const began = Date.now() - (performance.now() - this.startMs);
    const attempts = trainerAttempts(shown.shown(), shown.setsMs).map((one) => ({
      ...one,
      atMs: began + one.atMs,
    }));
    this.kept.set(await this.record.keepAttempts(attempts));
  }

  protected press(event: PointerEvent): void {
    if (!this.running()) return;
    event.preventDefault();
    this.set(event.timeStamp);
  }

  protected key(event: KeyboardEvent): void {
    if (!this.running()) return;
    if (event.key === 'Escape') this.end();
    else if (event.key === ' ' && !event.repeat) this.set(event.timeStamp);
    else return;
    event.preventDefault();
  }

  /** Nobody watches a hidden page. */
  protected hidden(): void {
    if (document.hidden) this.end();
  }

  private set(atMs: number): void {
    if (!this.shown) return;
    const verdict = this.shown.set(atMs - this.startMs);
    navigator.vibrate?.(12);
    if (this.telling()) this.say(verdict);
  }

  private say(verdict: Verdict): void {
    this.said.set({ text: verdictText(verdict), good: verdict.kind === 'hit' || verdict.kind === 'bottom' });
    this.saidUntilMs = performance.now() + SAID_MS;
  }

  private draw(): void {
    this.frame = requestAnimationFrame(() => {
      const { shown } = this;
      if (!shown || !this.running()) return;
      const now = performance.now();
      const atMs = now - this.startMs;
      if (atMs >= shown.run.durationMs) return this.end();
      this.picture(atMs);
      const missed = shown.frame(atMs);
      if (missed && this.telling()) this.say(missed);
      if (this.said() && now > this.saidUntilMs) this.said.set(null);
      const left = Math.ceil((shown.run.durationMs - atMs) / 1000);
      if (left !== this.secondsLeft()) this.secondsLeft.set(left);
      this.draw();
    });
  }

  private picture(atMs: number): void {
    const element = this.canvas().nativeElement;
    const canvas = fitCanvas(element);
    if (!canvas || !this.shown) return;
    const motion = this.shown.run.motionAt(atMs);
    const size = { width: element.clientWidth, height: element.clientHeight };
    drawFloat(canvas, size, this.float(), motion, DRIFT_WIDTHS[this.water()] * (atMs / 1000));
  }
}
