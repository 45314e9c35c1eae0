import type { UnitSystem } from './length';

/** A water or air temperature: `14.5 °C`, `58 °F`. */
export function formatTemperature(celsius: number, system: UnitSystem): string {
  const degrees =
    system === 'metric' ? Math.round(celsius * 10) / 10 : Math.round(fromCelsius(celsius, system));
  return `${degrees < 0 ? '−' : ''}${Math.abs(degrees)} ${system === 'metric' ? '°C' : '°F'}`;
}

/**
 * The degrees a thermometer of this system shows.
 *
 * @returns degrees Celsius or Fahrenheit
 */
export function fromCelsius(celsius: number, system: UnitSystem): number {
  return system === 'metric' ? celsius : celsius * 1.8 + 32;
}

/**
 * Degrees Celsius of what a thermometer of this system shows.
 *
 * @param degrees Celsius or Fahrenheit, as the system has it
 */
export function toCelsius(degrees: number, system: UnitSystem): number {
  return system === 'metric' ? degrees : (degrees - 32) / 1.8;
}
