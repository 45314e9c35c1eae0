import { GRAVITY } from '../../units';
import { WATER_DENSITY } from './fly-mass';
import type { Fitting } from '../rig';

type Indicator = Extract<Fitting, { kind: 'indicator' }>;

/** Foam, cork and greased yarn, kg/m³. An estimate, ± 50. */
const DENSITY = 150;
/** Share of its ball that an indicator fills: yarn is mostly gaps. Estimate, ± half for yarn. */
const FILLS: Record<Indicator['style'], number> = { fixed: 1, 'slip-release': 1, yarn: 0.22 };

function volume({ style, diameterM }: Indicator): number {
  return FILLS[style] * (Math.PI / 6) * diameterM ** 3;
}

/** Mass of an indicator, kg. */
export function indicatorMass(indicator: Indicator): number {
  return volume(indicator) * DENSITY;
}

/** Minutes of fishing in which dressed yarn soaks so far that it carries a third. Estimate: it floats for hours. */
const YARN_SOAKS_MIN = 240;

/**
 * What an indicator carries before it goes under, N: displaced water less its own weight. Yarn soaks with time, foam and
 * cork do not.
 *
 * @param fishedMin minutes since it was dressed, ≥ 0
 */
export function indicatorLift(indicator: Indicator, fishedMin = 0): number {
  const kept = indicator.style === 'yarn' ? Math.exp(-fishedMin / YARN_SOAKS_MIN) : 1;
  return kept * volume(indicator) * (WATER_DENSITY - DENSITY) * GRAVITY;
}
