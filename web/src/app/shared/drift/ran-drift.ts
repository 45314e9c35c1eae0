import type { DriftSetup } from '@doceo/core';
import type { DriftResult } from '../../workers/bench-api';

/** A drift with what came of it. */
export interface RanDrift {
  setup: DriftSetup;
  told: DriftResult;
}
