import { COMMON, frame, pointOf, type RigTemplate, section, taperedLeader, xClamped } from './template';

/** Length of soft tippet that falls in curves and gives slack, metres. */
const SOFT_TIPPET_M = 1.1;

/** Dry fly on a tapered leader with a long soft tippet, one X finer, that lands in curves. */
export const dryFly: RigTemplate = {
  id: 'dry-fly',
  uses: ['rodLengthM', 'tippetX', 'lineWeight'],
  defaults: { ...COMMON, tippetX: 5 },
  build: (parameters) => {
    const tapered = Math.max(1.4, parameters.rodLengthM - 0.35);
    return {
      ...frame('dry-fly', parameters),
      sections: [
        ...taperedLeader(tapered, parameters.tippetX - 1),
        section(
          'tippet',
          'soft tippet',
          'tippet',
          SOFT_TIPPET_M,
          xClamped(parameters.tippetX),
          'limp-nylon',
          'triple-surgeon',
        ),
      ],
      flies: [pointOf('hackled dry', { dressing: 'hackle-full', wire: 'fine', hookSize: 14 })],
    };
  },
};
