import type { KnotId } from './knots';
import type { MaterialId } from './materials';

/** A length of leader. Sections run from the fly line to the point fly; `joint` is the knot at the upper end. */
export interface Section {
  id: string;
  name: string;
  role: 'butt' | 'mid' | 'tippet';
  lengthM: number;
  diameterM: number;
  material: MaterialId;
  joint: KnotId;
}

/** Something that sits on the leader at a distance above the point fly, measured along it. */
export type Fitting =
  | {
      id: string;
      kind: 'indicator';
      style: 'fixed' | 'slip-release' | 'yarn';
      diameterM: number;
      aboveFlyM: number;
    }
  | { id: string; kind: 'shot'; massKg: number; metal: 'tin' | 'lead'; aboveFlyM: number };

export interface Fly {
  id: string;
  name: string;
  hookSize: number;
  bead: 'none' | 'brass' | 'tungsten';
  /** 0 without a bead. */
  beadDiameterM: number;
  knot: KnotId;
  /** The point fly ends the leader; a dropper hangs on a tag from the joint above the section named. */
  at:
    | { kind: 'point' }
    | { kind: 'tag'; sectionId: string; lengthM: number; diameterM: number; material: MaterialId };
}

export const INDICATOR_SCHOOLS = ['one-and-half', 'double', 'suspended'] as const;
/** Where the indicator goes: 1.5 × depth, 2 × depth, or exactly the depth wanted (slow water). */
export type IndicatorSchool = (typeof INDICATOR_SCHOOLS)[number];

export const SHOT_SCHOOLS = ['near-fly', 'above-knot'] as const;
/** Where the shot goes: 10–15 cm above the fly, or 15–30 cm and above a stopper knot. */
export type ShotSchool = (typeof SHOT_SCHOOLS)[number];

/** A rig: a chain from the fly line to the point fly. All lengths in metres. */
export interface Rig {
  template: 'indicator-nymph';
  rod: { lengthM: number };
  line: { weight: number };
  waterDepthM: number;
  schools: { indicator: IndicatorSchool; shot: ShotSchool };
  sections: Section[];
  fittings: Fitting[];
  flies: Fly[];
}
