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
