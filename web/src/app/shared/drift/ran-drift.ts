import type { DriftSetup } from '@doceo/core';
import type { ToldDrift } from '../../workers/bench-api';

/** A drift with what came of it. */
export interface RanDrift {
  setup: DriftSetup;
  told: ToldDrift;
}
