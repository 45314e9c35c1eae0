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

/**
 * A length as people of the trade say it: `1.65 m`, `42 cm`, `5 ft 5 in`.
 *
 * @param lengthM metres, ≥ 0
 * Metric rounds to 1 cm, imperial to half an inch.
 */
export function formatLength(lengthM: number, system: UnitSystem): string {
  if (system === 'metric') {
    return lengthM < 0.995 ? `${Math.round(lengthM * 100)} cm` : `${lengthM.toFixed(2)} m`;
  }
  const halfInches = Math.round((lengthM / METRES_PER_INCH) * 2);
  const feet = Math.floor(halfInches / 24);
  const inches = (halfInches - feet * 24) / 2;
  if (feet === 0) return `${inches} in`;
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
