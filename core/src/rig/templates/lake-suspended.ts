import { SUSPENDED_CLEARANCE_M } from '../sink/indicator-depth';
import { COMMON, LAKE_ROD_M, frame, pointOf, type RigTemplate, section, toCm, xClamped } from './template';

/** Midge pupa hung at a set depth under an indicator that lets go on a take and slides, so that the fish can be netted. */
export const lakeSuspended: RigTemplate = {
  id: 'lake-suspended',
  uses: ['waterDepthM', 'tippetX', 'lineWeight', 'rodLengthM'],
  defaults: {
    ...COMMON,
    rodLengthM: LAKE_ROD_M,
    lineWeight: 6,
    waterDepthM: 4,
    tippetX: 4,
    schools: { ...COMMON.schools, indicator: 'suspended' },
  },
  build: (parameters) => {
    const depthM = Math.max(0.3, parameters.waterDepthM - SUSPENDED_CLEARANCE_M);
    return {
      ...frame('lake-suspended', parameters),
      schools: { ...parameters.schools, indicator: 'suspended' },
      sections: [
        section('butt', 'butt', 'butt', 0.6, 0.000432, 'copolymer', 'loop-to-loop'),
        section('mid', 'middle', 'mid', 0.4, 0.000305, 'copolymer', 'double-uni'),
        section(
          'tippet',
          'level tippet',
          'tippet',
          depthM,
          xClamped(parameters.tippetX),
          'fluorocarbon',
          'double-uni',
        ),
      ],
      fittings: [
        {
          id: 'indicator',
          kind: 'indicator',
          style: 'slip-release',
          diameterM: 0.019,
          aboveFlyM: toCm(depthM),
        },
      ],
      flies: [
        pointOf('midge pupa', {
          dressing: 'slim-nymph',
          hookSize: 14,
          bead: 'tungsten',
          beadDiameterM: 0.0024,
          knot: 'loop-to-fly',
        }),
      ],
    };
  },
};
