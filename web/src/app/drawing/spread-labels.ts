/**
 * Moves labels along one axis as little as needed, so that none covers another.
 *
 * @param wanted where each label would like its middle, any order
 * @param gap least distance of two middles
 * @param min,max the stretch they must stay in; when it is too short for all, they share it evenly
 * @returns a place for each label, in the order of `wanted`
 */
export function spreadLabels(wanted: readonly number[], gap: number, min: number, max: number): number[] {
  const order = wanted.map((_, index) => index).sort((a, b) => (wanted[a] as number) - (wanted[b] as number));
  const step = Math.min(gap, wanted.length > 1 ? (max - min) / (wanted.length - 1) : gap);
  const places = order.map((index) => Math.min(max, Math.max(min, wanted[index] as number)));
  for (let i = 1; i < places.length; i++)
    places[i] = Math.max(places[i] as number, (places[i - 1] as number) + step);
  let limit = max;
  for (let i = places.length - 1; i >= 0; i--) {
    places[i] = Math.min(places[i] as number, limit);
    limit = (places[i] as number) - step;
  }
  const result: number[] = [];
  order.forEach((index, i) => (result[index] = places[i] as number));
  return result;
}
