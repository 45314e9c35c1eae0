/** How the surface of still water lies in a wind. */
export interface Chop {
  kind: 'glass' | 'ripple' | 'light-chop' | 'rough';
  words: string;
}

/** A light chop is best, 16 to 24 km/h; m/s. Rules of thumb of the trade. */
const GLASS_MS = 0.8;
const CHOP_MS = 16 / 3.6;
const ROUGH_MS = 24 / 3.6;

/** What a wind makes of the surface of still water, and what that does to the fishing. */
export function chopOf(windMs: number): Chop {
  if (windMs < GLASS_MS)
    return { kind: 'glass', words: 'glass: the hardest surface to fish, finer and farther' };
  if (windMs < CHOP_MS) return { kind: 'ripple', words: 'ripple: hides line and angler a little' };
  if (windMs <= ROUGH_MS)
    return { kind: 'light-chop', words: 'light chop: hides you, stirs food, best of all' };
  return {
    kind: 'rough',
    words: 'rough: from the bank; small craft only as their keeper and the local rule say',
  };
}
