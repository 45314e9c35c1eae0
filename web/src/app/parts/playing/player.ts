import { effect, inject, signal, DestroyRef, type Signal } from '@angular/core';

/** A clock that plays a run on the screen: one time for every picture of it. */
export class Player {
  readonly atS = signal(0);
  readonly playing = signal(false);
  /** Seconds of the run in a second. */
  readonly pace = signal(1);
  private frame = 0;

  /** To be made where a component is; ends with it. */
  constructor(private readonly endS: Signal<number>) {
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(this.frame));
    effect(() => {
      if (this.atS() > this.endS()) this.atS.set(this.endS());
    });
  }

  toggle(): void {
    if (this.playing()) this.pause();
    else this.play();
  }

  play(): void {
    if (this.atS() >= this.endS() - 1e-6) this.atS.set(0);
    this.playing.set(true);
    let before = performance.now();
    const step = (now: number): void => {
      if (!this.playing()) return;
      const next = this.atS() + ((now - before) / 1000) * this.pace();
      before = now;
      this.atS.set(Math.min(this.endS(), next));
      if (next >= this.endS()) this.playing.set(false);
      else this.frame = requestAnimationFrame(step);
    };
    this.frame = requestAnimationFrame(step);
  }

  pause(): void {
    this.playing.set(false);
    cancelAnimationFrame(this.frame);
  }

  goTo(atS: number): void {
    this.pause();
    this.atS.set(Math.max(0, Math.min(this.endS(), atS)));
  }
}
