import { placeIndicator } from '../sink/indicator-depth';
import type { Fly, Rig, Section, ShotSchool } from '../rig';
import { withFlies } from '../strength/hook-count';
import { COMMON, frame, onTag, pointOf, type RigTemplate, section, toCm, xClamped } from './template';

/** Distance of the two flies; typical 20–25 cm of a range of 15–50 cm. */
const FLY_SPACING_M = 0.25;
const TAG_M = 0.09;
/** Shot sits this far above the point fly, by school; middles of the usual ranges, metres. */
export const SHOT_ABOVE_FLY_M: Record<ShotSchool, number> = { 'near-fly': 0.12, 'above-knot': 0.27 };

/**
 * One fly leaves the point fly; two put a dropper nymph on a tag above the last section.
 *
 * @param count 1 or 2
 */
export function pointAndDropper(rig: Rig, count: number): Rig {
  const point = rig.flies.filter((fly) => fly.at.kind === 'point');
  const last = rig.sections.at(-1);
  if (count === 1 || !last) return withFlies(rig, point);
  return { ...rig, flies: [dropperAbove(last), ...point] };
}

function dropperAbove(last: Section): Fly {
  return onTag('dropper', 'dropper nymph', last, TAG_M, { hookSize: 16 });
}

/**
 * The indicator nymph rig: about 9 ft of leader, thick butt, limp middle, fine tippet, one or two nymphs, shot. The
 * leader grows beyond rod length only when the indicator distance asks for it.
 */
export const indicatorNymph: RigTemplate = {
  id: 'indicator-nymph',
  uses: ['waterDepthM', 'tippetX', 'flyCount', 'shotMassKg', 'schools', 'rodLengthM', 'lineWeight'],
  defaults: { ...COMMON, waterDepthM: 1.1, flyCount: 2, shotMassKg: 0.0002 },
  settles: ['indicator'],
  // The indicator moves; the leader stays.
  edits: {
    depth: (rig, waterDepthM) => placeIndicator({ ...rig, waterDepthM }),
    rod: (rig, lengthM) => ({ ...rig, rod: { ...rig.rod, lengthM } }),
    flyCount: pointAndDropper,
  },
  build: (parameters) => {
    const { tippetX, waterDepthM, schools } = parameters;
    const fine = xClamped(tippetX);
    const upperM = Math.max(0.6, toCm(waterDepthM * 1.5 - 0.65));
    const lower = section(
      'tippet-lower',
      'lower tippet',
      'tippet',
      FLY_SPACING_M,
      fine,
      'fluorocarbon',
      'double-surgeon',
    );
    const point = pointOf('point nymph', { bead: 'tungsten', beadDiameterM: 0.0028 });
    return placeIndicator({
      ...frame('indicator-nymph', parameters),
      sections: [
        section('butt', 'butt', 'butt', 0.9, 0.000483, 'stiff-mono', 'loop-to-loop'),
        section('middle', 'middle', 'mid', 0.6, 0.000381, 'copolymer', 'double-uni'),
        section('upper', 'upper tippet', 'tippet', upperM, xClamped(tippetX - 2), 'limp-nylon', 'double-uni'),
        section('tippet', 'tippet', 'tippet', 0.4, fine, 'fluorocarbon', 'triple-surgeon'),
        lower,
      ],
      fittings: [
        { id: 'indicator', kind: 'indicator', style: 'fixed', diameterM: 0.019, aboveFlyM: 1 },
        ...(parameters.shotMassKg > 0
          ? [
              {
                id: 'shot',
                kind: 'shot',
                massKg: parameters.shotMassKg,
                metal: 'tin',
                aboveFlyM: SHOT_ABOVE_FLY_M[schools.shot],
              } as const,
            ]
          : []),
      ],
      flies: parameters.flyCount > 1 ? [dropperAbove(lower), point] : [point],
    });
  },
};
