import type { Need } from '../need';
import type { Outfit } from '../safety';

export type Hand = 'left' | 'right';

/** One of a group who is to stand somewhere and cast. */
export interface Caster extends Outfit {
  id: string;
  hand: Hand;
  needs: readonly Need[];
  /** The longest line he has shown that he casts, metres; null where nothing was seen. */
  reachM: number | null;
}

/** Why somebody stands where he does. */
export type StandReason =
  | { why: 'bank'; need: Need }
  | { why: 'shallow'; wadeM: number }
  | { why: 'reach'; reachM: number }
  /** Trees are beside the other hand. */
  | { why: 'hand'; hand: Hand }
  /** The wind comes from the side of the other hand. */
  | { why: 'wind'; hand: Hand }
  /** The water is shallow before his feet. */
  | { why: 'edge'; need: Need; depthM: number };

/** @returns the other of the two hands */
export const opposite = (hand: Hand): Hand => (hand === 'left' ? 'right' : 'left');
