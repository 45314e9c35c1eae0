/** Age in whole years from which no guardian is asked. Local rules may set another. */
export const ADULT_AGE = 18;

/**
 * Whether a record of a student may be kept: not of a minor without a guardian's consent on file.
 *
 * @param ageYears whole years on the day of the lesson; null when it is not known, which is taken for an adult
 */
export function mayBeRecorded(ageYears: number | null, hasConsent: boolean): boolean {
  return ageYears === null || ageYears >= ADULT_AGE || hasConsent;
}
