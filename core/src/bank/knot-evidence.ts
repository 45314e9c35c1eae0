import { type KnotId, KNOTS } from '../rig';

/** Tied as well as this below what the knot typically holds still counts as tied well. The spread of the rule of thumb. */
const SPREAD = 0.08;

const CLINCH = 'rigging.knots.clinch';
const SURGEON = 'rigging.knots.surgeon';
const LOOPS = 'rigging.loops';
/** The skill a knot is of; every other knot shows whether it was wetted and seated. */
const SKILL_OF: Partial<Record<KnotId, string>> = {
  clinch: CLINCH,
  'improved-clinch': CLINCH,
  'bend-clinch': CLINCH,
  'double-surgeon': SURGEON,
  'triple-surgeon': SURGEON,
  'surgeon-loop': LOOPS,
  'perfection-loop': LOOPS,
  'loop-to-loop': LOOPS,
};

/** What a knot that was broken on the scale shows of who tied it. */
export interface KnotShown {
  skillId: string;
  good: boolean;
}

/**
 * What a knot that was broken on the scale shows of who tied it: good when it held what such a knot typically holds, as
 * nearly as that is known.
 *
 * @param heldShare what it broke at, as a share 0…1 and more of what the line holds without a knot
 */
export function knotShown(knot: KnotId, heldShare: number): KnotShown {
  return {
    skillId: SKILL_OF[knot] ?? 'rigging.knots.wet-and-seat',
    good: heldShare >= KNOTS[knot].share - SPREAD,
  };
}
