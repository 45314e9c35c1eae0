import { limitsOf, mostLimiting, type Need, type Wader } from '@doceo/core';

/** Height of an adult, when nobody has said it, metres. */
const ADULT_M = 1.7;

/**
 * Those who wade together, as one: the limits of the youngest or oldest and the height of the shortest of them. An
 * unknown height is taken as an adult's. Where one of them stays on the bank, stands are sought there.
 */
export function waderOf(
  people: readonly { ageYears: number | null; heightM: number | null; needs?: readonly Need[] }[],
): Wader {
  const { wadeM } = limitsOf(people.flatMap(({ needs }) => needs ?? []));
  return {
    ...(wadeM === null ? {} : { deepestM: wadeM }),
    heightM: Math.min(ADULT_M, ...people.flatMap(({ heightM }) => heightM ?? [])),
    ageYears: mostLimiting(people.flatMap(({ ageYears }) => ageYears ?? [])),
    hasStaff: true,
  };
}
