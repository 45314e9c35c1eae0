/** A place on the earth, degrees north and east. */
export interface EarthPlace {
  latitude: number;
  longitude: number;
}

/** A number of degrees with, perhaps, minutes and seconds, a sign or a letter of the sky. */
const ANGLE = String.raw`([+-−]?\d+(?:\.\d+)?)\s*°?\s*(?:(\d+(?:\.\d+)?)\s*['’′]\s*(?:(\d+(?:\.\d+)?)\s*(?:["”″]|''))?)?\s*([NSEWnsew])?`;
const PLACE = new RegExp(String.raw`^\s*${ANGLE}\s*[,;\s]\s*${ANGLE}\s*$`, 'u');
const MINUTES = 60;

/**
 * A place as people type or paste it: `57.9, 9.1`, `57.9 N 9.1 W`, `57° 54' N, 9° 6' 30" E`; latitude first.
 *
 * @returns null for what is no place on the earth
 */
export function placeOfText(text: string): EarthPlace | null {
  const match = PLACE.exec(text.trim());
  if (!match) return null;
  const latitude = degrees(match.slice(1, 5), 'NS');
  const longitude = degrees(match.slice(5, 9), 'EW');
  return onEarth(latitude, longitude);
}

/** Degrees of one half of a place; not a number when its letter belongs to the other half. */
function degrees([whole, minutes, seconds, letter]: (string | undefined)[], letters: string): number {
  const sign = (whole ?? '').startsWith('-') || (whole ?? '').startsWith('−') ? -1 : 1;
  const side = letter?.toUpperCase() ?? '';
  if (side && !letters.includes(side)) return Number.NaN;
  const size = Math.abs(Number((whole ?? '').replace('−', '-')));
  const all = size + Number(minutes ?? 0) / MINUTES + Number(seconds ?? 0) / (MINUTES * MINUTES);
  return sign * all * (side === 'S' || side === 'W' ? -1 : 1);
}

/**
 * The middle of whatever a GeoJSON file draws: of the box around all its points.
 *
 * @returns null for a text that is no GeoJSON, or draws nothing on the earth
 */
export function placeOfGeoJson(text: string): EarthPlace | null {
  let drawn: unknown;
  try {
    drawn = JSON.parse(text);
  } catch {
    return null;
  }
  const points = pointsOf(drawn);
  if (points.length === 0) return null;
  const middle = (of: (point: [number, number]) => number): number => {
    const values = points.map(of);
    const [low, high] = values.reduce(
      ([least, most], value) => [Math.min(least, value), Math.max(most, value)],
      [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY],
    );
    return (low + high) / 2;
  };
  return onEarth(
    middle(([, latitude]) => latitude),
    middle(([longitude]) => longitude),
  );
}

/** Every longitude and latitude under the keys in which GeoJSON keeps them. */
function pointsOf(value: unknown): [number, number][] {
  if (typeof value !== 'object' || value === null) return [];
  const { coordinates, geometry, geometries, features } = value as Record<string, unknown>;
  const within = [geometry, ...asList(geometries), ...asList(features)].flatMap(pointsOf);
  return [...positions(coordinates), ...within];
}

function positions(value: unknown): [number, number][] {
  if (!Array.isArray(value)) return [];
  const [x, y] = value as unknown[];
  return typeof x === 'number' && typeof y === 'number' ? [[x, y]] : value.flatMap(positions);
}

function asList(value: unknown): unknown[] {
  return Array.isArray(value) ? value : [];
}

function onEarth(latitude: number, longitude: number): EarthPlace | null {
  return Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 ? { latitude, longitude } : null;
}
