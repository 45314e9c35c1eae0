import { placeIndicator } from '../indicator-depth';
import type { Fly, IndicatorSchool, Rig, ShotSchool } from '../rig';
import { diameterOfX } from '../x-size';

export interface IndicatorNymphOptions {
  rodLengthM: number;
  waterDepthM: number;
  indicatorSchool: IndicatorSchool;
  shotSchool: ShotSchool;
  tippetX: number;
  flyCount: 1 | 2;
  /** 0 for no shot. */
  shotMassKg: number;
}

export const INDICATOR_NYMPH_DEFAULTS: IndicatorNymphOptions = {
  rodLengthM: 2.74,
  waterDepthM: 1.1,
  indicatorSchool: 'one-and-half',
  shotSchool: 'above-knot',
  tippetX: 5,
  flyCount: 2,
  shotMassKg: 0.0002,
};

/** Distance of the two flies; typical 20–25 cm of a range of 15–50 cm. */
const FLY_SPACING_M = 0.25;
const SHOT_ABOVE_FLY_M: Record<ShotSchool, number> = { 'near-fly': 0.12, 'above-knot': 0.27 };

/**
 * The indicator nymph rig: about 9 ft of leader, thick butt, limp middle, fine tippet, one or two nymphs, shot.
 *
 * @param options X size 3…7 for the tippet; depth and rod in metres
 * The leader grows beyond rod length only when the indicator distance asks for it.
 */
export function indicatorNymph(options: IndicatorNymphOptions): Rig {
  const { tippetX, waterDepthM } = options;
  const tippet = { material: 'fluorocarbon', diameterM: diameterOfX(tippetX), role: 'tippet' } as const;
  const upperX = Math.max(0, tippetX - 2);
  const upperM = Math.max(0.6, Math.round((waterDepthM * 1.5 - 0.65) * 100) / 100);
  const point: Fly = {
    id: 'point',
    name: 'point nymph',
    hookSize: 14,
    bead: 'tungsten',
    beadDiameterM: 0.0028,
    knot: 'improved-clinch',
    at: { kind: 'point' },
  };
  const dropper: Fly = {
    id: 'dropper',
    name: 'dropper nymph',
    hookSize: 16,
    bead: 'none',
    beadDiameterM: 0,
    knot: 'improved-clinch',
    at: {
      kind: 'tag',
      sectionId: 'tippet-lower',
      lengthM: 0.09,
      diameterM: tippet.diameterM,
      material: 'fluorocarbon',
    },
  };
  return placeIndicator({
    template: 'indicator-nymph',
    rod: { lengthM: options.rodLengthM },
    line: { weight: 5 },
    waterDepthM,
    schools: { indicator: options.indicatorSchool, shot: options.shotSchool },
    sections: [
      {
        id: 'butt',
        name: 'butt',
        role: 'butt',
        lengthM: 0.9,
        diameterM: 0.000483,
        material: 'stiff-mono',
        joint: 'loop-to-loop',
      },
      {
        id: 'middle',
        name: 'middle',
        role: 'mid',
        lengthM: 0.6,
        diameterM: 0.00033,
        material: 'limp-nylon',
        joint: 'double-uni',
      },
      {
        id: 'upper',
        name: 'upper tippet',
        role: 'tippet',
        lengthM: upperM,
        diameterM: diameterOfX(upperX),
        material: 'limp-nylon',
        joint: 'double-uni',
      },
      { id: 'tippet', name: 'tippet', lengthM: 0.4, joint: 'triple-surgeon', ...tippet },
      {
        id: 'tippet-lower',
        name: 'lower tippet',
        lengthM: FLY_SPACING_M,
        joint: 'double-surgeon',
        ...tippet,
      },
    ],
    fittings: [
      { id: 'indicator', kind: 'indicator', style: 'fixed', diameterM: 0.019, aboveFlyM: 1 },
      ...(options.shotMassKg > 0
        ? [
            {
              id: 'shot',
              kind: 'shot',
              massKg: options.shotMassKg,
              metal: 'tin',
              aboveFlyM: SHOT_ABOVE_FLY_M[options.shotSchool],
            } as const,
          ]
        : []),
    ],
    flies: options.flyCount === 2 ? [dropper, point] : [point],
  });
}
