/** Age in whole years from which no guardian is asked. Local rules may set another. */
export const ADULT_AGE = 18;

/**
 * Whether a record of a student may be kept: not of a minor without a guardian's consent on file. Whose age nobody has
 * said is taken for a minor.
 *
 * @param ageYears whole years on the day of the lesson; null when the birthday is not known
 * @param saidAdult whether it was said that a student without a birthday is of age
 */
export function mayBeRecorded(ageYears: number | null, saidAdult: boolean, hasConsent: boolean): boolean {
  return (ageYears === null ? saidAdult : ageYears >= ADULT_AGE) || hasConsent;
}
