import { seededRandom } from '../../random';

/** Distance between stones, metres. */
const APART_M = 0.6;
/** Stones along the stream before they come again. */
const STONES = 64;

/**
 * Height of the bed above its lowest, by the place along the stream: round stones of random heights up to the highest,
 * the same for the same seed.
 */
export function stonyBed(highestM: number, seed: string): (x: number) => number {
  if (highestM === 0) return () => 0;
  const random = seededRandom(seed);
  const heights = Array.from({ length: STONES }, () => highestM * random());
  return (x) => {
    const at = x / APART_M;
    const stone = ((Math.floor(at) % STONES) + STONES) % STONES;
    return heights[stone]! * Math.sin(Math.PI * (at - Math.floor(at))) ** 2;
  };
}
