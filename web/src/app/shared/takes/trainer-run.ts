import type { Stimulus, TrainerRun } from '@doceo/core';

/** What was told of a set, or of a take that passed. */
export type Verdict =
  | { kind: 'hit'; tookMs: number }
  | { kind: 'bottom' }
  | { kind: 'false' }
  | { kind: 'nothing' }
  | { kind: 'missed' };

/**
 * A run as it was shown and answered: each thing counts from the frame that showed it first, each set from the moment of
 * the key or the finger. All by the page's clock, milliseconds since the start.
 */
export class ShownRun {
  /** Times at which things were shown; those of things not reached yet are missing. */
  private readonly shownMs: number[] = [];
  readonly setsMs: number[] = [];
  private frames = 0;
  private lastMs = 0;
  private readonly answered = new Set<number>();
  private judged = 0;

  constructor(
    readonly run: TrainerRun,
    private readonly latestMs: number,
    private readonly isTake: (kind: Stimulus['kind']) => boolean,
  ) {}

  /** A frame was drawn at a time; what has begun by then was shown in it. */
  frame(atMs: number): Verdict | null {
    this.frames += 1;
    this.lastMs = atMs;
    const { stimuli } = this.run;
    while (this.shownMs.length < stimuli.length && stimuli[this.shownMs.length]!.atMs <= atMs)
      this.shownMs.push(atMs);
    // A take that nobody answered in time is told as missed, once.
    while (this.judged < this.shownMs.length && atMs - this.shownMs[this.judged]! > this.latestMs) {
      const index = this.judged++;
      if (this.isTake(stimuli[index]!.kind) && !this.answered.has(index)) return { kind: 'missed' };
    }
    return null;
  }

  set(atMs: number): Verdict {
    this.setsMs.push(atMs);
    const index = this.shownMs.findLastIndex(
      (shown, i) => shown <= atMs && atMs - shown <= this.latestMs && !this.answered.has(i),
    );
    if (index < 0) return { kind: 'nothing' };
    this.answered.add(index);
    const { kind } = this.run.stimuli[index]!;
    if (kind === 'tick') return { kind: 'bottom' };
    return this.isTake(kind) ? { kind: 'hit', tookMs: atMs - this.shownMs[index]! } : { kind: 'false' };
  }

  /** What was shown, at the times it was. */
  shown(): Stimulus[] {
    return this.shownMs.map((atMs, i) => ({ ...this.run.stimuli[i]!, atMs }));
  }

  /** Time between two pictures, milliseconds, on the mean. */
  frameMs(): number {
    return this.frames < 2 ? 0 : this.lastMs / this.frames;
  }
}
