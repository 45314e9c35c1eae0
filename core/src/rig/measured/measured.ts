import type { KnotId } from '../tackle/knots';
import type { LineKind } from '../tackle/lines';
import type { MaterialId } from '../tackle/materials';
import type { Fitting, Fly } from '../rig';

export const MEASURED_KINDS = [
  'fly-mass',
  'fly-lift',
  'fly-sink',
  'material-strength',
  'material-stiffness',
  'knot-share',
  'line-sink',
  'indicator-lift',
] as const;
/**
 * What can be measured, in SI: mass and carried load of a kind of fly (kg) and its free sink (m/s), breaking load (N)
 * and elastic modulus (Pa) of a material, the share of a knot, the sink rate of a line (m/s), the load that drowns an
 * indicator (kg).
 */
export type MeasuredKind = (typeof MEASURED_KINDS)[number];

/** A measured value that stands in for an estimate wherever its key fits. */
export interface Measured {
  kind: MeasuredKind;
  /** Which fly, material, knot, line or indicator, see `measuredKey`. */
  key: string;
  value: number;
  /** How many readings it is the mean of. */
  readings: number;
  /** ISO date of the last of them. */
  on: string;
}

/** Flies that are alike in all that is weighed. */
export type FlyType = Pick<Fly, 'hookSize' | 'wire' | 'dressing' | 'bead' | 'beadDiameterM'>;

type Indicator = Pick<Extract<Fitting, { kind: 'indicator' }>, 'style' | 'diameterM'>;

const micrometres = (metres: number): string => (metres * 1e6).toFixed(0);

/** The keys under which measured values are kept: what is alike has the same key. */
export const measuredKey = {
  fly: ({ hookSize, wire, dressing, bead, beadDiameterM }: FlyType): string =>
    `${hookSize}/${wire}/${dressing}/${bead}/${bead === 'none' ? 0 : micrometres(beadDiameterM)}`,
  line: (line: LineKind): string => line,
  material: (material: MaterialId): string => material,
  diameter: (material: MaterialId, diameterM: number): string => `${material}/${micrometres(diameterM)}`,
  knot: (knot: KnotId): string => knot,
  indicator: ({ style, diameterM }: Indicator): string => `${style}/${micrometres(diameterM)}`,
};

/** Nothing measured: every value is an estimate. */
export const NOTHING_MEASURED: readonly Measured[] = [];

/** The measured value of a kind under a key, if there is one. */
export function measuredOf(
  measured: readonly Measured[],
  kind: MeasuredKind,
  key: string,
): Measured | undefined {
  return measured.find((one) => one.kind === kind && one.key === key);
}
