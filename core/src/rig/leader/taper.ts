import { spans } from './leader-geometry';
import { bendingStiffness } from '../tackle/materials';
import type { Rig } from '../rig';

/** A fall in bending stiffness of at least this in one knot folds the leader: a hinge. Rule of thumb. */
export const HINGE_RATIO = 5;

export interface Step {
  /** The section below the knot. */
  sectionId: string;
  aboveFlyM: number;
  /** Bending stiffness above ÷ below. */
  stiffnessRatio: number;
  /** Diameter above less below, metres. */
  diameterStepM: number;
  hinge: 'none' | 'meant' | 'mistake';
}

export interface TaperPoint {
  aboveFlyM: number;
  diameterM: number;
  stiffness: number;
}

export interface Taper {
  steps: Step[];
  /** Two points a section, from the fly line down, for a drawing. */
  profile: TaperPoint[];
  hinges: number;
}

/** Sections whose upper knot is a hinge on purpose. */
function isMeant(rig: Rig, sectionId: string): boolean {
  return rig.hingeAt === sectionId;
}

/**
 * The taper of a leader: how diameter and bending stiffness E·π·d⁴/64 go from section to section, with hinges.
 *
 * The last step to level tippet of tight-line and hinge rigs is as steep as any; only a fall above the tippet counts
 * as a mistake, since tippet is meant to be limp.
 */
export function taperOf(rig: Rig): Taper {
  const chain = spans(rig);
  const steps = chain.slice(1).map(({ section, topM }, index): Step => {
    const above = (chain[index] as (typeof chain)[number]).section;
    const ratio =
      bendingStiffness(above.material, above.diameterM, rig.measured) /
      bendingStiffness(section.material, section.diameterM, rig.measured);
    const folds = ratio >= HINGE_RATIO;
    return {
      sectionId: section.id,
      aboveFlyM: topM,
      stiffnessRatio: ratio,
      diameterStepM: above.diameterM - section.diameterM,
      hinge: !folds
        ? 'none'
        : isMeant(rig, section.id)
          ? 'meant'
          : section.role === 'tippet' || section.role === 'sighter'
            ? 'none'
            : 'mistake',
    };
  });
  return {
    steps,
    profile: chain.flatMap(({ section, topM, bottomM }) => {
      const stiffness = bendingStiffness(section.material, section.diameterM, rig.measured);
      return [topM, bottomM].map((aboveFlyM) => ({ aboveFlyM, diameterM: section.diameterM, stiffness }));
    }),
    hinges: steps.filter(({ hinge }) => hinge !== 'none').length,
  };
}
