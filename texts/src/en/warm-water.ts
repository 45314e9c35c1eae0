import {
  COMFORT,
  formatTemperature,
  stopTemperature,
  type Species,
  SPECIES,
  type UnitSystem,
} from '@doceo/core';
import { SPECIES_NAMES } from './species';
import { listed } from './words';

/**
 * What a thermometer in the water says at once; null while it is cool enough for the fish that live there.
 *
 * @param species none when nobody has said what lives there: then the most sensitive counts
 */
export function warmReadingText(
  celsius: number,
  species: readonly Species[],
  units: UnitSystem,
): string | null {
  const stopC = stopTemperature(species);
  const there = (species.length > 0 ? species : SPECIES).filter((one) => celsius >= COMFORT[one].stopC);
  const read = formatTemperature(celsius, units);
  if (there.length > 0)
    return `${read}: from ${formatTemperature(stopC, units)} on one stops fishing for ${listed(there.map((one) => SPECIES_NAMES[one]))}. Let the water rest; signs, wardens and the local rules decide.`;
  const warmC = Math.min(...(species.length > 0 ? species : SPECIES).map((one) => COMFORT[one].toC));
  return celsius > warmC
    ? `${read}: warm for these fish. Play short, unhook in the water, and read again in an hour.`
    : null;
}
