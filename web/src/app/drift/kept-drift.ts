import { type DriftSetup, setupFaults, USUAL_SETUP } from '@doceo/core';

const KEY = 'doceo.drift';

/** The drift that is on the bench, kept on this device. */
export function keepDrift(setup: DriftSetup): void {
  localStorage.setItem(KEY, JSON.stringify(setup));
}

/** As it was left; the usual one when there is none, or one that cannot be. */
export function keptDrift(): DriftSetup {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as DriftSetup | null;
    return kept && setupFaults(kept).length === 0 ? { ...USUAL_SETUP, ...kept } : USUAL_SETUP;
  } catch {
    return USUAL_SETUP;
  }
}
