import {
  COMMON,
  frame,
  onTag,
  pointOf,
  type RigTemplate,
  section,
  taperedLeader,
  xClamped,
} from './template';

/** One to three unweighted wet flies on droppers, swung across and down on a floating line. */
export const wetSwing: RigTemplate = {
  id: 'wet-swing',
  uses: ['rodLengthM', 'tippetX', 'flyCount', 'lineWeight', 'waterDepthM'],
  defaults: { ...COMMON, tippetX: 4, flyCount: 2 },
  maxFlies: 3,
  build: (parameters) => {
    const count = Math.min(3, Math.max(1, parameters.flyCount));
    const parts = Array.from({ length: count }, (_, i) =>
      section(
        `part-${i + 1}`,
        ['tippet', 'second tippet', 'third tippet'][i] as string,
        'tippet',
        0.5,
        xClamped(parameters.tippetX),
        'limp-nylon',
        i === 0 ? 'double-surgeon' : 'triple-surgeon',
      ),
    );
    const taperM = Math.max(1, parameters.rodLengthM - 0.5 * count);
    return {
      ...frame('wet-swing', parameters),
      sections: [...taperedLeader(taperM, parameters.tippetX - 1), ...parts],
      flies: [
        ...parts.slice(1).map((below, i) =>
          onTag(`dropper-${i + 1}`, i === 0 ? 'top wet' : 'middle wet', below, 0.1, {
            dressing: 'wet',
            hookSize: 14,
          }),
        ),
        pointOf('point wet', { dressing: 'wet', hookSize: 12 }),
      ],
    };
  },
};
