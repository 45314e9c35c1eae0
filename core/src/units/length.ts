import { CoreError } from '../error';

export type UnitSystem = 'metric' | 'imperial';

export const METRES_PER_INCH = 0.0254;
export const METRES_PER_FOOT = 0.3048;
export const METRES_PER_MILE = 1609.344;

const UNIT_METRES: Record<string, number> = {
  m: 1,
  cm: 0.01,
  mm: 0.001,
  ft: METRES_PER_FOOT,
  "'": METRES_PER_FOOT,
  in: METRES_PER_INCH,
  '"': METRES_PER_INCH,
};

/** Below this an imperial length is told in inches, as tippet is: `15.5 in`. */
const INCHES_BELOW_FT = 3;

/**
 * A length as people of the trade say it: `42 cm`, `1.65 m`, `12.5 m`, `60 m`; `15.5 in`, `5 ft 5 in`, `41 ft`.
 *
 * @param lengthM metres, ≥ 0
 * Metric rounds to 1 cm, from 10 m on to 10 cm; imperial to half an inch, from 10 ft on to an inch, from 30 ft on to a foot.
 */
export function formatLength(lengthM: number, system: UnitSystem): string {
  if (system === 'metric') {
    if (lengthM < 0.995) return `${Math.round(lengthM * 100)} cm`;
    return lengthM < 9.995 ? `${lengthM.toFixed(2)} m` : `${Math.round(lengthM * 10) / 10} m`;
  }
  const allInches = lengthM / METRES_PER_INCH;
  if (allInches >= 360) return `${Math.round(allInches / 12)} ft`;
  const rounded = allInches >= 120 ? Math.round(allInches) : Math.round(allInches * 2) / 2;
  const feet = Math.floor(rounded / 12);
  if (feet < INCHES_BELOW_FT) return `${rounded} in`;
  const inches = rounded - feet * 12;
  return inches === 0 ? `${feet} ft` : `${feet} ft ${inches} in`;
}

/** A depth or a length of line that was chosen in whole steps: `8 m`, `1.5 m`, `26 ft`, `4.5 ft`. */
export function formatRoundLength(lengthM: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${Math.round(lengthM * 100) / 100} m`
    : `${Math.round((lengthM / METRES_PER_FOOT) * 2) / 2} ft`;
}

/** A tippet or bead diameter in millimetres or thousandths of an inch. */
export function formatDiameter(diameterM: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${(diameterM * 1000).toFixed(2)} mm`
    : `${(diameterM / METRES_PER_INCH).toFixed(3)} in`;
}

/** The diameter of a bead or an indicator: `2.8 mm`, `0.11 in`. */
export function formatBead(diameterM: number, system: UnitSystem): string {
  return system === 'metric'
    ? `${(diameterM * 1000).toFixed(1)} mm`
    : `${(diameterM / METRES_PER_INCH).toFixed(2)} in`;
}

/**
 * Reads a typed length: `1.2`, `40 cm`, `5 ft 3 in`, `5' 3"`, `18in`, `0,4 m`.
 *
 * @param system decides what a number without a unit means: metres or feet
 * @returns metres
 * @throws CoreError 'unreadable' when the text is no length
 */
export function parseLength(text: string, system: UnitSystem): number {
  const clean = text.trim().toLowerCase().replace(/,/g, '.').replace(/[’′]/g, "'").replace(/[”″]/g, '"');
  const bare = /^\d+(\.\d+)?$/.exec(clean);
  if (bare) return Number(clean) * (system === 'metric' ? 1 : METRES_PER_FOOT);
  const parts = [...clean.matchAll(/(\d+(?:\.\d+)?)\s*(mm|cm|m|ft|in|'|")\s*/g)];
  const matched = parts.reduce((sum, part) => sum + part[0].length, 0);
  if (parts.length === 0 || matched !== clean.length)
    throw new CoreError('unreadable', { name: 'length', value: text });
  return parts.reduce((sum, part) => sum + Number(part[1]) * (UNIT_METRES[part[2] as string] as number), 0);
}
