import { CHOP } from '../water';

/** How the surface of still water lies in a wind. */
export interface Chop {
  kind: 'glass' | 'ripple' | 'light-chop' | 'rough';
  words: string;
}

/** What a wind makes of the surface of still water, and what that does to the fishing. */
export function chopOf(windMs: number): Chop {
  if (windMs < CHOP.glassMs)
    return { kind: 'glass', words: 'glass: the hardest surface to fish, finer and farther' };
  if (windMs < CHOP.lightMs) return { kind: 'ripple', words: 'ripple: hides line and angler a little' };
  if (windMs <= CHOP.roughMs)
    return { kind: 'light-chop', words: 'light chop: hides you, stirs food, best of all' };
  return {
    kind: 'rough',
    words: 'rough: from the bank; small craft only as their keeper and the local rule say',
  };
}
