import {
  METRES_PER_MILE,
  METRES_PER_INCH,
  formatLength,
  formatTemperature,
  formatWind,
  METRES_PER_FOOT,
  type ReadingKind,
  toCelsius,
  type UnitSystem,
} from '@doceo/core';

/** How a kind of reading is typed and told. */
export interface ReadingField {
  kind: ReadingKind;
  name: string;
  unit: (units: UnitSystem) => string;
  toSi: (typed: number, units: UnitSystem) => number;
  tell: (value: number, units: UnitSystem) => string;
}

const MM_PER_INCH = METRES_PER_INCH * 1000;
const HPA_PER_INCH = 33.8639;
const metric = (units: UnitSystem): boolean => units === 'metric';

export const READING_FIELDS: readonly ReadingField[] = [
  {
    kind: 'waterC',
    name: 'water',
    unit: (units) => (metric(units) ? '°C' : '°F'),
    toSi: toCelsius,
    tell: formatTemperature,
  },
  {
    kind: 'airC',
    name: 'air',
    unit: (units) => (metric(units) ? '°C' : '°F'),
    toSi: toCelsius,
    tell: formatTemperature,
  },
  {
    kind: 'windMs',
    name: 'wind',
    unit: (units) => (metric(units) ? 'm/s' : 'mph'),
    toSi: (typed, units) => (metric(units) ? typed : (typed * METRES_PER_MILE) / 3600),
    tell: formatWind,
  },
  {
    kind: 'windFromDeg',
    name: 'wind from',
    unit: () => '° from north',
    toSi: (typed) => typed,
    tell: (value) => `${value.toFixed(0)}°`,
  },
  {
    kind: 'levelM',
    name: 'level over the usual',
    unit: (units) => (metric(units) ? 'cm' : 'ft'),
    toSi: (typed, units) => (metric(units) ? typed / 100 : typed * METRES_PER_FOOT),
    tell: (value, units) => `${value < 0 ? '−' : '+'}${formatLength(Math.abs(value), units)}`,
  },
  {
    kind: 'rainMm',
    name: 'rain in the hour',
    unit: (units) => (metric(units) ? 'mm' : 'in'),
    toSi: (typed, units) => (metric(units) ? typed : typed * MM_PER_INCH),
    tell: (value, units) =>
      metric(units) ? `${value.toFixed(1)} mm` : `${(value / MM_PER_INCH).toFixed(2)} in`,
  },
  {
    kind: 'pressureHpa',
    name: 'pressure',
    unit: (units) => (metric(units) ? 'hPa' : 'inHg'),
    toSi: (typed, units) => (metric(units) ? typed : typed * HPA_PER_INCH),
    tell: (value, units) =>
      metric(units) ? `${value.toFixed(0)} hPa` : `${(value / HPA_PER_INCH).toFixed(2)} inHg`,
  },
  {
    kind: 'cloud',
    name: 'cloud',
    unit: () => 'eighths of the sky',
    toSi: (typed) => typed / 8,
    tell: (value) => `${Math.round(value * 8)} of 8`,
  },
];
