import { DestroyRef, inject, signal } from '@angular/core';
import { type Beat, beatAt, stopsBetween } from './beat-clock';

/** Tones of the stop behind and before, hertz, and how long they last, seconds. */
const TONES = { back: 660, forward: 440 };
const TONE_S = 0.07;
/** Tones are given to the sound card so long ahead, seconds, and that often, milliseconds. */
const AHEAD_S = 0.25;
const EVERY_MS = 80;

/** Beats the time of casts in sound and picture, both by the sound card's clock; without one by the page's. */
export class Metronome {
  readonly running = signal(false);
  readonly sound = signal(true);
  /** What the rod does now. */
  readonly now = signal<ReturnType<typeof beatAt> | null>(null);
  private beat: Beat | null = null;
  private context: AudioContext | null = null;
  private startS = 0;
  private toldS = 0;
  private timer: ReturnType<typeof setInterval> | null = null;
  private frame = 0;

  /** To be made where a component is; ends with it. */
  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.stop();
      void this.context?.close();
    });
  }

  start(beat: Beat): void {
    this.stop();
    this.beat = beat;
    if (typeof AudioContext !== 'undefined') {
      this.context ??= new AudioContext();
      void this.context.resume();
    }
    this.startS = this.clockS() + 0.15;
    this.toldS = 0;
    this.running.set(true);
    this.timer = setInterval(() => this.schedule(), EVERY_MS);
    this.schedule();
    this.draw();
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
    cancelAnimationFrame(this.frame);
    this.timer = null;
    this.running.set(false);
    this.now.set(null);
  }

  private clockS(): number {
    // A sound card that is not allowed to run yet stands still.
    return this.context?.state === 'running' ? this.context.currentTime : performance.now() / 1000;
  }

  private schedule(): void {
    const { beat, context } = this;
    if (!beat) return;
    if (context?.state === 'running' && this.startS > context.currentTime + 5)
      this.startS = context.currentTime + 0.1;
    const untilS = this.clockS() - this.startS + AHEAD_S;
    if (untilS <= this.toldS) return;
    if (context?.state === 'running' && this.sound())
      for (const { atS, way } of stopsBetween(beat, this.toldS, untilS))
        this.tone(context, this.startS + atS, TONES[way]);
    this.toldS = untilS;
  }

  private tone(context: AudioContext, atS: number, hertz: number): void {
    const oscillator = context.createOscillator();
    const gain = context.createGain();
    oscillator.frequency.value = hertz;
    gain.gain.setValueAtTime(0.4, atS);
    gain.gain.exponentialRampToValueAtTime(0.001, atS + TONE_S);
    oscillator.connect(gain).connect(context.destination);
    oscillator.start(atS);
    oscillator.stop(atS + TONE_S);
  }

  private draw(): void {
    this.frame = requestAnimationFrame(() => {
      const { beat } = this;
      if (!beat || !this.running()) return;
      const atS = this.clockS() - this.startS;
      this.now.set(atS < 0 ? null : beatAt(beat, atS));
      this.draw();
    });
  }
}
