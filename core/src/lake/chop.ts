import { CHOP } from '../water';

/** How the surface of still water lies in a wind. */
export type Chop = 'glass' | 'ripple' | 'light-chop' | 'rough';

/** What a wind makes of the surface of still water. */
export function chopOf(windMs: number): Chop {
  if (windMs < CHOP.glassMs) return 'glass';
  if (windMs < CHOP.lightMs) return 'ripple';
  return windMs <= CHOP.roughMs ? 'light-chop' : 'rough';
}
