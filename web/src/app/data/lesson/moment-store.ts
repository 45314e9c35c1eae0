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

const MOMENT_KEY = 'doceo.moment';

/** What was chosen on the Water stop: another water or hour for this tab, and the place to fish at each water. */
@Injectable({ providedIn: 'root' })
export class MomentStore {
  private readonly chosen = signal<WaterMoment | null>(readMoment());
  private readonly places = inject(UserStorage).value<Record<string, Spot>>('spots', {});

  readonly elsewhere = this.chosen.asReadonly();
  /** By water. */
  readonly spots = this.places.asReadonly();

  goTo(moment: WaterMoment): void {
    this.chosen.set(moment);
    sessionStorage.setItem(MOMENT_KEY, JSON.stringify(moment));
  }

  back(): void {
    this.chosen.set(null);
    sessionStorage.removeItem(MOMENT_KEY);
  }

  /** The benches take depth and speed from this place while its water is the chosen one. */
  fish(waterId: string, spot: Spot | null): void {
    this.places.update(({ [waterId]: _left, ...others }) => (spot ? { ...others, [waterId]: spot } : others));
  }
}

/** Of this tab, which ends with the session. */
function readMoment(): WaterMoment | null {
  try {
    return JSON.parse(sessionStorage.getItem(MOMENT_KEY) ?? 'null') as WaterMoment | null;
  } catch {
    return null;
  }
}
