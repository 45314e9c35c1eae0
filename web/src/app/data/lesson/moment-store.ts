import { inject, Injectable, signal } from '@angular/core';
import { UserStorage } from '../device/user-storage';

/** A water and a moment there. */
export interface WaterMoment {
  waterId: string;
  atMs: number;
}

/** A place at a water: what it is called, how deep at the usual level, how fast; still water has no speed. */
export interface Spot {
  name: string;
  depthM: number;
  speedMs: number | null;
}

/** Screens on which one looks what would change: another water or hour stays while one goes from one to the other. */
const LOOKING = /^\/(water|rig|cast|drift|strike)\b/;

/**
 * What was chosen on Water: another water or hour, which ends with the visit there and to the benches; and the place to fish
 * at each water, which stays.
 */
@Injectable({ providedIn: 'root' })
export class MomentStore {
  private readonly chosen = signal<WaterMoment | null>(null);
  private readonly places = inject(UserStorage).value<Record<string, Spot>>('spots', {});

  readonly elsewhere = this.chosen.asReadonly();
  /** By water. */
  readonly spots = this.places.asReadonly();

  goTo(moment: WaterMoment): void {
    this.chosen.set(moment);
  }

  back(): void {
    this.chosen.set(null);
  }

  /** Whether another water or hour lives on at an address. */
  livesAt(url: string): boolean {
    return LOOKING.test(url);
  }

  /** The benches take depth and speed from this place while its water is the chosen one. */
  fish(waterId: string, spot: Spot | null): void {
    this.places.update(({ [waterId]: _left, ...others }) => (spot ? { ...others, [waterId]: spot } : others));
  }
}
