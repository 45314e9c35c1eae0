import type { Costs } from '../model';
import type { ScoreWeights } from '../task';

/**
 * What each part is worth, in skills gained by every student: one point is one whole skill. Rules of thumb; the sliders
 * of the plan multiply them.
 */
export const WORTH = {
  /** A minute in which nobody teaches him anything. */
  idle: 0.02,
  /** A change of place to one a hundred metres off. */
  walk: 0.05,
  beyondAttention: 0.01,
  sameStrand: 0.03,
  tired: 0.005,
  backToGrass: 0.1,
  /** A minute less than a drill likely takes. */
  hurried: 0.01,
  /** A drill that comes again. */
  again: 0.06,
  /** A minute less at the water than its share of the day. */
  waterShort: 0.02,
  /** A drill told to some that others are told too, or never. */
  telling: 0.05,
  /** Whatever a student begins anew: he must settle into it. */
  begun: 0.06,
  /** A drill that was planned for a student, and is not there any more. */
  lost: 0.3,
  /** Safety that comes late, care of fish that comes early. */
  outOfOrder: 0.1,
  /** A minute of margin at the end, up to ten. */
  margin: 0.005,
  /** A skill by which somebody falls short of what is fair. */
  unfair: 1,
};

/** What each thing in a student's day costs by the sliders. */
export function costsOf(weights: ScoreWeights): Costs {
  return {
    gain: weights.gain,
    idle: weights.idle * WORTH.idle,
    walk: weights.walking * WORTH.walk,
    beyondAttention: weights.attention * WORTH.beyondAttention,
    hurried: weights.attention * WORTH.hurried,
    sameStrand: weights.change * WORTH.sameStrand,
    again: weights.change * WORTH.again,
    tired: weights.breaks * WORTH.tired,
    backToGrass: weights['water-after-grass'] * WORTH.backToGrass,
    waterShort: weights['water-after-grass'] * WORTH.waterShort,
    begun: weights.telling * WORTH.begun,
    lost: weights.keeping * WORTH.lost,
    outOfOrder: weights.order * WORTH.outOfOrder,
  };
}
