import type { MaterialId } from '../tackle/ids';
import { DEFAULT_SCHOOLS, type Fly, type Rig, type RigSchools, type Section, type TemplateId } from '../rig';
import { diameterOfX } from '../tackle/x-size';

/** What drives a template. Every one has all; each template uses those that concern it. */
export interface TemplateParameters {
  rodLengthM: number;
  lineWeight: number;
  waterDepthM: number;
  /** X size of the finest tippet, 0…8. */
  tippetX: number;
  /** Flies, 1…3; a template that carries fewer takes fewer. */
  flyCount: number;
  /** 0 for no shot. */
  shotMassKg: number;
  /** Bending stiffness above ÷ below the hinge of the hinge leader. */
  hingeRatio: number;
  /** Whole leader of lake rigs, metres. */
  leaderLengthM: number;
  schools: RigSchools;
}

/** A way to rig, parametric. */
export interface RigTemplate {
  id: TemplateId;
  /** Which parameters change it. */
  uses: (keyof TemplateParameters)[];
  defaults: TemplateParameters;
  build: (parameters: TemplateParameters) => Rig;
  /** The disagreements that this rig settles; none when left out. Shot is a question of every rig that carries some. */
  settles?: readonly (keyof RigSchools)[];
  /** True where sections are made by hand from the start. */
  byHand?: boolean;
  /** Flies it can carry; two when left out. */
  maxFlies?: 1 | 2 | 3;
  /** True where the rig has a place of its own for the indicator, whatever the school. */
  ownIndicatorPlace?: boolean;
  /** How it lies when that does not follow from what it carries. */
  lies?: 'grass' | 'tight';
  /** Changes that keep the leader as it is; where one is left out, the rig is built anew with the new value. */
  edits?: {
    depth?: (rig: Rig, waterDepthM: number) => Rig;
    rod?: (rig: Rig, lengthM: number) => Rig;
    flyCount?: (rig: Rig, count: number) => Rig;
  };
}

export const COMMON: TemplateParameters = {
  rodLengthM: 2.74,
  lineWeight: 5,
  waterDepthM: 0.8,
  tippetX: 5,
  flyCount: 1,
  shotMassKg: 0,
  hingeRatio: 8,
  leaderLengthM: 4.5,
  schools: DEFAULT_SCHOOLS,
};

/** Lakes are fished with a longer rod than rivers, 2.9 to 3.05 m; metres. */
export const LAKE_ROD_M = 2.95;

/**
 * Diameter of an X size, with sizes beyond the table held at its ends.
 *
 * @param x X size, any number
 * @returns metres
 */
export function xClamped(x: number): number {
  return diameterOfX(Math.min(8, Math.max(0, Math.round(x))));
}

/**
 * A length rounded to a centimetre, as people cut it.
 *
 * @returns metres
 */
export function toCm(metres: number): number {
  return Math.round(metres * 100) / 100;
}

/** A section of leader and the knot above it, its length rounded to a centimetre. */
export function section(
  id: string,
  name: string,
  role: Section['role'],
  lengthM: number,
  diameterM: number,
  material: MaterialId,
  joint: Section['joint'],
): Section {
  return { id, name, role, lengthM: toCm(lengthM), diameterM, material, joint };
}

const PLAIN_FLY: Omit<Fly, 'id' | 'name' | 'at'> = {
  hookSize: 14,
  wire: 'standard',
  dressing: 'nymph',
  bead: 'none',
  beadDiameterM: 0,
  knot: 'improved-clinch',
};

/** The fly at the end of the leader. */
export function pointOf(name: string, change: Partial<Fly> = {}): Fly {
  return { ...PLAIN_FLY, id: 'point', name, ...change, at: { kind: 'point' } };
}

/** A fly on a tag of the joint above a section, of that section's own material. */
export function onTag(
  id: string,
  name: string,
  below: Section,
  lengthM: number,
  change: Partial<Fly> = {},
): Fly {
  const { id: sectionId, diameterM, material } = below;
  return { ...PLAIN_FLY, id, name, ...change, at: { kind: 'tag', sectionId, lengthM, diameterM, material } };
}

/** A fly in line, with the section hanging from its bend or eye. */
export function inLine(id: string, name: string, below: Section, change: Partial<Fly> = {}): Fly {
  return { ...PLAIN_FLY, id, name, ...change, at: { kind: 'inline', sectionId: below.id } };
}

/** What every rig has, from the parameters. */
export function frame(template: TemplateId, parameters: TemplateParameters): Omit<Rig, 'sections' | 'flies'> {
  return {
    template,
    rod: { lengthM: parameters.rodLengthM },
    line: { weight: parameters.lineWeight, kind: 'floating' },
    waterDepthM: parameters.waterDepthM,
    schools: parameters.schools,
    byHand: false,
    hingeAt: null,
    fittings: [],
    measured: [],
  };
}

/**
 * Sections of a bought tapered leader: it has no knots, its taper is told in steps.
 *
 * @param tippetX X size of its end, any number
 */
export function taperedLeader(lengthM: number, tippetX: number): Section[] {
  return [
    section('butt', 'butt', 'butt', lengthM * 0.5, 0.000533, 'stiff-mono', 'loop-to-loop'),
    section('taper', 'upper taper', 'mid', lengthM * 0.15, 0.000432, 'copolymer', 'tapered'),
    section('taper-lower', 'lower taper', 'mid', lengthM * 0.15, 0.00033, 'copolymer', 'tapered'),
    section('end', 'tapered end', 'tippet', lengthM * 0.2, xClamped(tippetX), 'copolymer', 'tapered'),
  ];
}
