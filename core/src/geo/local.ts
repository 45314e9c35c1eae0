import type { Point } from '../geometry';
import { inRange } from '../error';

/** Where a sheet lies on the earth: its corner at x = y = 0, and where its x axis points, degrees from north. */
export interface SheetOrigin {
  longitude: number;
  latitude: number;
  bearingDeg: number;
}

/** Mean radius of the earth (IUGG), metres. */
const EARTH_M = 6_371_008.8;
const RADIANS = Math.PI / 180;
/** Nearer to a pole degrees of longitude no longer tell places apart. */
const FURTHEST_DEG = 85;
/** Nine decimals of a degree are a tenth of a millimetre: a millimetre survives. */
const DEGREE_DIGITS = 1e9;
const MILLIMETRES = 1000;

/**
 * Longitude and latitude of a point of a sheet, on a plane that touches the earth at its origin. Good to a millimetre
 * either way for sheets of a few kilometres: what is written and read again is the same to the millimetre.
 *
 * @throws CoreError 'out-of-range' for an origin beyond 85 degrees of latitude
 */
export function toLonLat(origin: SheetOrigin, { x, y }: Point): [number, number] {
  inRange('latitude', origin.latitude, -FURTHEST_DEG, FURTHEST_DEG);
  const turn = origin.bearingDeg * RADIANS;
  const east = x * Math.sin(turn) + y * Math.cos(turn);
  const north = x * Math.cos(turn) - y * Math.sin(turn);
  const longitude = origin.longitude + east / (EARTH_M * Math.cos(origin.latitude * RADIANS)) / RADIANS;
  const latitude = origin.latitude + north / EARTH_M / RADIANS;
  return [round(longitude, DEGREE_DIGITS), round(latitude, DEGREE_DIGITS)];
}

/**
 * The point of a sheet at a longitude and latitude, to the millimetre.
 *
 * @throws CoreError 'out-of-range' for an origin beyond 85 degrees of latitude
 */
export function fromLonLat(origin: SheetOrigin, [longitude, latitude]: readonly [number, number]): Point {
  inRange('latitude', origin.latitude, -FURTHEST_DEG, FURTHEST_DEG);
  const turn = origin.bearingDeg * RADIANS;
  const east = (longitude - origin.longitude) * RADIANS * EARTH_M * Math.cos(origin.latitude * RADIANS);
  const north = (latitude - origin.latitude) * RADIANS * EARTH_M;
  return {
    x: round(east * Math.sin(turn) + north * Math.cos(turn), MILLIMETRES),
    y: round(east * Math.cos(turn) - north * Math.sin(turn), MILLIMETRES),
  };
}

function round(value: number, digits: number): number {
  const rounded = Math.round(value * digits) / digits;
  return Object.is(rounded, -0) ? 0 : rounded;
}
