import type { Bead } from './tackle/beads';
import type { DressingId } from './tackle/dressings';
import type { WireId } from './tackle/hooks';
import type { INDICATOR_STYLES, KnotId, LineKind, MaterialId } from './tackle/ids';
import type { Measured } from './measured/measured';

export const SECTION_ROLES = ['butt', 'mid', 'sighter', 'tippet'] as const;

/** A length of leader. Sections run from the fly line to the point fly; `joint` is the knot at the upper end. */
export interface Section {
  id: string;
  name: string;
  role: (typeof SECTION_ROLES)[number];
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
      style: (typeof INDICATOR_STYLES)[number];
      diameterM: number;
      aboveFlyM: number;
    }
  | { id: string; kind: 'shot'; massKg: number; metal: 'tin' | 'lead'; aboveFlyM: number };

/**
 * The point fly ends the leader. A dropper hangs on a tag from the joint above the section named, or sits in line
 * there, with that section tied to its bend or into its eye.
 */
export type FlyPlace =
  | { kind: 'point' }
  | { kind: 'tag'; sectionId: string; lengthM: number; diameterM: number; material: MaterialId }
  | { kind: 'inline'; sectionId: string };

export interface Fly {
  id: string;
  name: string;
  hookSize: number;
  wire: WireId;
  dressing: DressingId;
  bead: Bead;
  /** 0 without a bead. */
  beadDiameterM: number;
  knot: KnotId;
  at: FlyPlace;
  /** Whether its barb is pressed flat, or was never there; left out where nobody has said it. */
  barb?: 'flat' | 'barbed' | undefined;
}

export const INDICATOR_SCHOOLS = ['one-and-half', 'double', 'suspended'] as const;
/** Where the indicator goes: 1.5 × depth, 2 × depth, or exactly the depth wanted (slow water). */
export type IndicatorSchool = (typeof INDICATOR_SCHOOLS)[number];

export const SHOT_SCHOOLS = ['near-fly', 'above-knot'] as const;
/** Where the shot goes: 10–15 cm above the fly, or 15–30 cm and above a stopper knot. */
export type ShotSchool = (typeof SHOT_SCHOOLS)[number];

export const DROPPER_SCHOOLS = ['bend', 'eye', 'tag'] as const;
/** How a dropper hangs from a dry: on its bend, in its eye, or the dry on a tag. */
export type DropperSchool = (typeof DROPPER_SCHOOLS)[number];

export const HEAVIEST_SCHOOLS = ['point', 'upper'] as const;
/** Where the heaviest of two nymphs goes: on the point as an anchor, or above, so that takes on the light one are felt. */
export type HeaviestSchool = (typeof HEAVIEST_SCHOOLS)[number];

export interface RigSchools {
  indicator: IndicatorSchool;
  shot: ShotSchool;
  dropper: DropperSchool;
  heaviest: HeaviestSchool;
}

export const DEFAULT_SCHOOLS: RigSchools = {
  indicator: 'one-and-half',
  shot: 'above-knot',
  dropper: 'bend',
  heaviest: 'point',
};

export const TEMPLATE_IDS = [
  'dry-fly',
  'small-stream',
  'sacrificial-tippet',
  'dry-dropper',
  'indicator-nymph',
  'tuck-hinge',
  'tight-line',
  'streamer',
  'lake-long-leader',
  'lake-suspended',
  'margin-single',
  'wet-swing',
  'fixed-line',
  'grass',
  'own',
] as const;
export type TemplateId = (typeof TEMPLATE_IDS)[number];

/** A rig: a chain from the fly line to the point fly. All lengths in metres. */
export interface Rig {
  template: TemplateId;
  /** `tipGuideM` is the inner width of the tip guide; left out, that of most trout rods. */
  rod: { lengthM: number; tipGuideM?: number };
  line: { weight: number; kind: LineKind };
  waterDepthM: number;
  schools: RigSchools;
  /** Sections were added or taken off by hand: the template no longer gives their lengths. */
  byHand: boolean;
  /** Section below the knot that is a hinge on purpose, or null. */
  hingeAt: string | null;
  sections: Section[];
  fittings: Fitting[];
  flies: Fly[];
  /** Values that were measured, before the estimates. */
  measured: Measured[];
}
