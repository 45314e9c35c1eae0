import {
  COMMON,
  LAKE_ROD_M,
  frame,
  onTag,
  pointOf,
  type RigTemplate,
  section,
  toCm,
  xClamped,
} from './template';

/** Up to three flies on tags along a leader of up to 6 m on a hover line, the heaviest on the point. */
export const lakeLongLeader: RigTemplate = {
  id: 'lake-long-leader',
  uses: ['leaderLengthM', 'tippetX', 'flyCount', 'waterDepthM', 'lineWeight', 'rodLengthM'],
  defaults: {
    ...COMMON,
    rodLengthM: LAKE_ROD_M,
    lineWeight: 6,
    waterDepthM: 3,
    tippetX: 3,
    flyCount: 3,
    leaderLengthM: 5,
  },
  maxFlies: 3,
  build: (parameters) => {
    const buttM = parameters.leaderLengthM * 0.3;
    const count = Math.min(3, Math.max(1, parameters.flyCount));
    const eachM = toCm((parameters.leaderLengthM - buttM) / count);
    const tippet = (id: string, name: string, joint: 'double-uni' | 'triple-surgeon') =>
      section(id, name, 'tippet', eachM, xClamped(parameters.tippetX), 'fluorocarbon', joint);
    const parts = [
      tippet('upper', 'upper tippet', 'double-uni'),
      ...(count > 1 ? [tippet('middle', 'middle tippet', 'triple-surgeon')] : []),
      ...(count > 2 ? [tippet('lower', 'lower tippet', 'triple-surgeon')] : []),
    ];
    const names = ['top dropper', 'middle dropper'];
    return {
      ...frame('lake-long-leader', parameters),
      line: { weight: parameters.lineWeight, kind: 'hover' },
      sections: [section('butt', 'butt', 'butt', buttM, 0.000432, 'copolymer', 'loop-to-loop'), ...parts],
      flies: [
        ...parts.slice(1).map((below, i) =>
          onTag(`dropper-${i + 1}`, names[i] as string, below, 0.12, {
            dressing: 'slim-nymph',
            hookSize: 12,
          }),
        ),
        pointOf('damsel nymph', { hookSize: 10, bead: 'brass', beadDiameterM: 0.0028 }),
      ],
    };
  },
};
