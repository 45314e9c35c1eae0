import type { StoneKind } from '../../fly-box';
import type { IndicatorSchool, RigPart } from '../../rig';
import type { PieceKind } from '../../beat';

/** What is to be chosen from, the right one apart. */
interface Choices<T> {
  right: T;
  wrong: T[];
}

/** A place where a leader can part, and what it holds, newtons. */
export interface HeldBy {
  part: RigPart;
  holdsN: number;
}

/** A piece of a beat with its depth, metres, and its speed, metres a second. */
export interface WaterSeen {
  piece: PieceKind;
  depthM: number;
  speedMs: number;
}

/** A creature found under stones: how many, and its share 0…1 of the food. */
export interface FoodSeen {
  food: StoneKind;
  count: number;
  share: number;
}

/** What one does at a temperature of the water. */
export const WARM_ACTS = ['stop', 'short', 'go-on'] as const;
export type WarmAct = (typeof WARM_ACTS)[number];

/** A question about what is on hand, as facts: its answer is computed, its words are written elsewhere. */
export type HereQuestion = { id: string; skillId: string } & (
  | ({ kind: 'parts-first'; fly: string } & Choices<HeldBy>)
  | ({ kind: 'indicator'; school: IndicatorSchool; depthM: number } & Choices<number>)
  | ({ kind: 'pause'; lineM: number } & Choices<number>)
  | ({ kind: 'barbless' | 'lead' } & Choices<boolean | null>)
  | ({ kind: 'hooks' } & Choices<number | null>)
  | ({ kind: 'warm'; waterC: number; stopC: number } & Choices<WarmAct>)
  | ({ kind: 'fastest' | 'deepest'; beat: string } & Choices<WaterSeen>)
  | ({ kind: 'food' } & Choices<FoodSeen>)
);
