import type { Snag } from '../../snag';
import type { UnitSystem } from '../../units';
import type { RuleCard } from '../../water';
import type { Rig } from '../rig';

/** What a rig is checked against. */
export interface RigContext {
  /** The water's name and card, or null when none is chosen. */
  water: { name: string; rules: RuleCard } | null;
  system: UnitSystem;
}

/** A fix of a rig is the mended rig. */
export type RigSnag = Snag<Rig>;
export type RigRule = (rig: Rig, context: RigContext) => RigSnag[];
