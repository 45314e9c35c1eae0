import { inRange } from '../error';

export interface SunTimes {
  /** First usable light: the sun 6° below the horizon. Epoch milliseconds, null where it does not happen. */
  dawnMs: number | null;
  sunriseMs: number | null;
  sunsetMs: number | null;
  /** Last usable light: the sun 6° below the horizon. */
  duskMs: number | null;
}

const DAY_MS = 86_400_000;
const RAD = Math.PI / 180;
/** Julian day of the epoch, and of noon on the first of January 2000. */
const EPOCH_JD = 2_440_587.5;
const J2000_JD = 2_451_545;
const CENTURY_DAYS = 36_525;
/** Degrees from the zenith: half the sun's disc and the bending of light at the horizon; civil twilight. */
const RISE_DEG = 90.833;
const TWILIGHT_DEG = 96;
/** The sun moves on while it climbs: each turn takes its place at the moment found last. */
const TURNS = 4;

/**
 * Sun times of one day at one place, by the equations that NOAA publishes (after J. Meeus, Astronomical Algorithms,
 * 1991), each for the sun's place at that very moment: good to a minute below 65° latitude; hills are not considered.
 *
 * @param latitude degrees north, −90…90
 * @param longitude degrees east, −180…180
 * @param noonMs epoch milliseconds of about noon of the wanted day there
 * @returns epoch milliseconds; null in polar night or day
 * @throws CoreError 'out-of-range' for impossible coordinates
 */
export function sunTimes(latitude: number, longitude: number, noonMs: number): SunTimes {
  inRange('latitude', latitude, -90, 90);
  inRange('longitude', longitude, -180, 180);
  inRange('noonMs', noonMs, 0);
  const midnightMs = Math.floor(noonMs / DAY_MS) * DAY_MS;
  const at = (zenithDeg: number, side: 1 | -1): number | null => {
    let minutes = 720 - 4 * longitude;
    for (let turn = 0; turn < TURNS; turn++) {
      const { declination, equationMin } = sunAt(midnightMs + minutes * 60_000);
      const cosine =
        (Math.cos(zenithDeg * RAD) - Math.sin(latitude * RAD) * Math.sin(declination)) /
        (Math.cos(latitude * RAD) * Math.cos(declination));
      if (!(Math.abs(cosine) <= 1)) return null;
      minutes = 720 - 4 * (longitude + side * (Math.acos(cosine) / RAD)) - equationMin;
    }
    return Math.round(midnightMs + minutes * 60_000);
  };
  return {
    dawnMs: at(TWILIGHT_DEG, 1),
    sunriseMs: at(RISE_DEG, 1),
    sunsetMs: at(RISE_DEG, -1),
    duskMs: at(TWILIGHT_DEG, -1),
  };
}

/** Declination of the sun, radians, and the equation of time, minutes. */
function sunAt(atMs: number): { declination: number; equationMin: number } {
  const t = (atMs / DAY_MS + EPOCH_JD - J2000_JD) / CENTURY_DAYS;
  const longitude = (280.46646 + t * (36000.76983 + t * 0.0003032)) * RAD;
  const anomaly = (357.52911 + t * (35999.05029 - 0.0001537 * t)) * RAD;
  const eccentricity = 0.016708634 - t * (0.000042037 + 0.0000001267 * t);
  const centre =
    Math.sin(anomaly) * (1.914602 - t * (0.004817 + 0.000014 * t)) +
    Math.sin(2 * anomaly) * (0.019993 - 0.000101 * t) +
    Math.sin(3 * anomaly) * 0.000289;
  const node = (125.04 - 1934.136 * t) * RAD;
  const apparent = longitude + (centre - 0.00569 - 0.00478 * Math.sin(node)) * RAD;
  const tilt =
    (23 +
      (26 + (21.448 - t * (46.815 + t * (0.00059 - t * 0.001813))) / 60) / 60 +
      0.00256 * Math.cos(node)) *
    RAD;
  const y = Math.tan(tilt / 2) ** 2;
  const equation =
    y * Math.sin(2 * longitude) -
    2 * eccentricity * Math.sin(anomaly) +
    4 * eccentricity * y * Math.sin(anomaly) * Math.cos(2 * longitude) -
    0.5 * y * y * Math.sin(4 * longitude) -
    1.25 * eccentricity * eccentricity * Math.sin(2 * anomaly);
  return {
    declination: Math.asin(Math.sin(tilt) * Math.sin(apparent)),
    equationMin: (4 * equation) / RAD,
  };
}
