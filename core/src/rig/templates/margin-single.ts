import { COMMON, LAKE_ROD_M, frame, pointOf, type RigTemplate, section, toCm, xClamped } from './template';

/** Home-made two-step taper with one fly, as long as the fish's window asks for. */
export const marginSingle: RigTemplate = {
  id: 'margin-single',
  uses: ['leaderLengthM', 'tippetX', 'waterDepthM', 'lineWeight', 'rodLengthM'],
  defaults: { ...COMMON, rodLengthM: LAKE_ROD_M, waterDepthM: 1.2, tippetX: 4, leaderLengthM: 4 },
  build: (parameters) => {
    const heavyM = toCm(parameters.leaderLengthM * 0.4);
    return {
      ...frame('margin-single', parameters),
      sections: [
        section('heavy', 'heavy section', 'butt', heavyM, 0.000432, 'copolymer', 'loop-to-loop'),
        section('step', 'step', 'mid', 0.5, 0.00033, 'copolymer', 'double-uni'),
        section(
          'tippet',
          'level tippet',
          'tippet',
          Math.max(0.6, parameters.leaderLengthM - heavyM - 0.5),
          xClamped(parameters.tippetX),
          'fluorocarbon',
          'double-uni',
        ),
      ],
      flies: [
        pointOf('shrimp', {
          hookSize: 12,
          dressing: 'nymph',
          bead: 'brass',
          beadDiameterM: 0.0024,
          knot: 'loop-to-fly',
        }),
      ],
    };
  },
};
