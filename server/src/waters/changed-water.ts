import tzLookup from '@photostructure/tz-lookup';
import type { WaterChange } from '@doceo/contract';
import type { Saying, Water } from '@doceo/core';

/**
 * A water after a change, with who said what of it. Of a season's ends both are one saying, as are latitude and longitude.
 *
 * @param said who changes it, when, and from where he has it
 */
export function changedWater(water: Water, change: WaterChange, said: Saying): Water {
  const { source: _source, rules, putPlaces = [], removePlaces = [], ...own } = change;
  const keys = [
    ...('latitude' in own ? ['place'] : []),
    ...(['name', 'kind', 'species'] as const).filter((field) => field in own),
    ...Object.keys(rules ?? {}).map((field) => `rules.${field.startsWith('season') ? 'season' : field}`),
    ...putPlaces.map(({ id }) => `places.${id}`),
  ];
  const kept = Object.entries(water.said).filter(
    ([key]) => !removePlaces.some((id) => key === `places.${id}`),
  );
  return placed({
    ...water,
    ...own,
    rules: { ...water.rules, ...rules },
    places: [
      ...water.places.map((place) => putPlaces.find(({ id }) => id === place.id) ?? place),
      ...putPlaces.filter(({ id }) => !water.places.some((place) => place.id === id)),
    ].filter(({ id }) => !removePlaces.includes(id) || putPlaces.some((place) => place.id === id)),
    said: { ...Object.fromEntries(kept), ...Object.fromEntries(keys.map((key) => [key, said])) },
  });
}

/** A new water, with who said all that it comes with. */
export function newWater(water: Water, said: Saying): Water {
  const keys = [
    ...(water.latitude === null ? [] : ['place']),
    ...water.places.filter(({ lengthFrom }) => lengthFrom !== 'typical').map(({ id }) => `places.${id}`),
  ];
  return placed({ ...water, said: Object.fromEntries(keys.map((key) => [key, said])) });
}

/** The water with the time zone of the place where it lies; unchanged while that is not known. */
function placed(water: Water): Water {
  const { latitude, longitude } = water;
  if (latitude === null || longitude === null) return water;
  return { ...water, timeZone: tzLookup(latitude, longitude) };
}
