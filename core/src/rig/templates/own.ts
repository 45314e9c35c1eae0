import { COMMON, frame, pointOf, type RigTemplate, section, xClamped } from './template';

/** From the line: one length of butt and a fly, to be built on section by section. */
export const own: RigTemplate = {
  id: 'own',
  uses: ['rodLengthM', 'lineWeight', 'waterDepthM', 'tippetX'],
  defaults: COMMON,
  byHand: true,
  build: (parameters) => ({
    ...frame('own', parameters),
    byHand: true,
    sections: [
      section('butt', 'butt', 'butt', 1.2, 0.000432, 'stiff-mono', 'loop-to-loop'),
      section('tippet', 'tippet', 'tippet', 0.6, xClamped(parameters.tippetX), 'copolymer', 'tippet-ring'),
    ],
    flies: [pointOf('mayfly nymph')],
  }),
};
