import { DestroyRef, inject, signal } from '@angular/core';
import {
  DRIFT_WIDTHS,
  type FloatKind,
  LATEST_MS,
  TAKE_KINDS,
  type TrainerRun,
  type TrainerWater,
} from '@doceo/core';
import { drawFloat, fitCanvas } from './float-picture';
import { ShownRun, type Verdict } from './trainer-run';
import { verdictText } from './verdict-text';

/** A verdict stays so long, milliseconds. */
const SAID_MS = 1100;
const isTake = (kind: string): boolean => (TAKE_KINDS as readonly string[]).includes(kind);

/** What drifts, and on what. */
export interface Drifting {
  run: TrainerRun;
  float: FloatKind;
  water: TrainerWater;
  /** Whether each set is judged at once. */
  telling: boolean;
}

/** A run of takes as it is drawn and answered, frame by frame. To be made where a component is; ends with it. */
export class TakeStage {
  readonly running = signal(false);
  readonly said = signal<{ text: string; good: boolean } | null>(null);
  readonly secondsLeft = signal(0);
  private drifting: Drifting | null = null;
  private shown: ShownRun | null = null;
  private startMs = 0;
  private saidUntilMs = 0;
  private frame = 0;

  /** @param over what to do when the run is through */
  constructor(
    private readonly canvas: () => HTMLCanvasElement,
    private readonly over: () => void,
  ) {
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(this.frame));
  }

  begin(drifting: Drifting): void {
    this.drifting = drifting;
    this.shown = new ShownRun(drifting.run, LATEST_MS, isTake);
    this.said.set(null);
    this.running.set(true);
    this.startMs = performance.now();
    this.draw();
  }

  /** Ends the run: what was shown until now with the moment it began, epoch milliseconds; null when none was on. */
  end(): { shown: ShownRun; beganMs: number } | null {
    cancelAnimationFrame(this.frame);
    const { shown } = this;
    if (!this.running() || !shown) return null;
    this.running.set(false);
    return { shown, beganMs: Date.now() - (performance.now() - this.startMs) };
  }

  /** A finger on the picture. */
  press(event: PointerEvent): void {
    if (!this.running()) return;
    event.preventDefault();
    this.set(event.timeStamp);
  }

  /** A key: space sets. Whether it was one of the run's. */
  key(event: KeyboardEvent): boolean {
    if (!this.running() || event.key !== ' ' || event.repeat) return false;
    event.preventDefault();
    this.set(event.timeStamp);
    return true;
  }

  private set(atMs: number): void {
    if (!this.shown) return;
    const verdict = this.shown.set(atMs - this.startMs);
    navigator.vibrate?.(12);
    this.say(verdict);
  }

  private say(verdict: Verdict): void {
    if (!this.drifting?.telling) return;
    this.said.set({ text: verdictText(verdict), good: verdict.kind === 'hit' || verdict.kind === 'bottom' });
    this.saidUntilMs = performance.now() + SAID_MS;
  }

  private draw(): void {
    this.frame = requestAnimationFrame(() => {
      const { shown } = this;
      if (!shown || !this.running()) return;
      const now = performance.now();
      const atMs = now - this.startMs;
      if (atMs >= shown.run.durationMs) return this.over();
      this.picture(shown, atMs);
      const missed = shown.frame(atMs);
      if (missed) this.say(missed);
      if (this.said() && now > this.saidUntilMs) this.said.set(null);
      const left = Math.ceil((shown.run.durationMs - atMs) / 1000);
      if (left !== this.secondsLeft()) this.secondsLeft.set(left);
      this.draw();
    });
  }

  private picture(shown: ShownRun, atMs: number): void {
    const element = this.canvas();
    const pen = fitCanvas(element);
    if (!pen || !this.drifting) return;
    const { float, water } = this.drifting;
    const size = { width: element.clientWidth, height: element.clientHeight };
    drawFloat(pen, size, float, shown.run.motionAt(atMs), DRIFT_WIDTHS[water] * (atMs / 1000));
  }
}
