/** A source of numbers in [0, 1), the same sequence for the same seed on every machine. */
export type Random = () => number;

/**
 * 32-bit FNV-1a hash of a text.
 *
 * @returns a whole number, 0…2³² − 1
 */
export function hashText(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) {
    hash ^= text.charCodeAt(i);
    hash = Math.imul(hash, 0x01000193);
  }
  return hash >>> 0;
}

/**
 * Random source from a text seed.
 *
 * @returns a function that yields the next number in [0, 1)
 * Small fast counter generator of 128 bits of state, warmed up by 12 steps; for simulations, not for secrets.
 */
export function seededRandom(seed: string): Random {
  let a = hashText(seed);
  let b = hashText(`${seed}/b`);
  let c = hashText(`${seed}/c`);
  let counter = 1;
  const next = (): number => {
    const sum = (a + b + counter++) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = ((c << 21) | (c >>> 11)) + sum;
    return (sum >>> 0) / 4294967296;
  };
  for (let i = 0; i < 12; i++) next();
  return next;
}

/**
 * Standard normal deviate by the Box–Muller method.
 *
 * @returns no unit; mean 0, standard deviation 1
 */
export function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** Picks one item in proportion to its weight; weights ≥ 0, at least one > 0. */
export function pickWeighted<T>(random: Random, items: readonly T[], weight: (item: T) => number): T {
  const total = items.reduce((sum, item) => sum + weight(item), 0);
  let left = random() * total;
  for (const item of items) {
    left -= weight(item);
    if (left < 0) return item;
  }
  return items[items.length - 1] as T;
}
