import { inject, Injectable } from '@angular/core';
import { type DriftSetup, setupFaults, DEFAULT_SETUP } from '@doceo/core';
import { UserStorage } from './device/user-storage';

/** The drift that is on the bench, kept on this device. */
@Injectable({ providedIn: 'root' })
export class BenchDrift {
  private readonly kept = inject(UserStorage).value<DriftSetup | null>('drift', null);

  keep(setup: DriftSetup): void {
    this.kept.set(setup);
  }

  /** As it was left; the usual one when there is none, or one that cannot be. */
  get(): DriftSetup {
    try {
      const kept = this.kept();
      return kept && setupFaults(kept).length === 0 ? { ...DEFAULT_SETUP, ...kept } : DEFAULT_SETUP;
    } catch {
      return DEFAULT_SETUP;
    }
  }
}
