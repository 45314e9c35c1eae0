/**
 * Shares the places of a group out evenly: neighbours stay with the same adult, and the first have one more where it does
 * not come out even.
 *
 * @param places the places, in the order in which they stand beside each other
 * @param adults how many share them, 1 and more
 * @returns the places of each adult, as many lists as adults; no unit
 */
export function shareGroup<T>(places: readonly T[], adults: number): T[][] {
  const each = Math.floor(places.length / adults);
  const more = places.length % adults;
  return Array.from({ length: adults }, (_, i) => {
    const from = i * each + Math.min(i, more);
    return places.slice(from, from + each + (i < more ? 1 : 0));
  });
}
