import { COMMON, frame, pointOf, type RigTemplate, section, taperedLeader, xClamped } from './template';

/** Changed with every fly, so that the taper above is not eaten, metres. */
const SACRIFICE_M = 0.4;

/** A new tapered leader with a short length of the same X, which fly changes may eat. */
export const sacrificialTippet: RigTemplate = {
  id: 'sacrificial-tippet',
  uses: ['rodLengthM', 'tippetX', 'lineWeight'],
  defaults: { ...COMMON, tippetX: 4 },
  build: (parameters) => ({
    ...frame('sacrificial-tippet', parameters),
    sections: [
      ...taperedLeader(parameters.rodLengthM, parameters.tippetX),
      section(
        'tippet',
        'sacrificial tippet',
        'tippet',
        SACRIFICE_M,
        xClamped(parameters.tippetX),
        'limp-nylon',
        'double-surgeon',
      ),
    ],
    flies: [pointOf('palmered sedge', { dressing: 'palmered', hookSize: 12 })],
  }),
};
