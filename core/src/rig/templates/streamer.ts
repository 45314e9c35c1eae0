import { COMMON, frame, pointOf, type RigTemplate, section, toCm, xClamped } from './template';

/** Beyond this a leader lets the fly ride up above a sunk tip, metres. */
const SINK_TIP_LEADER_M = 1.2;

/** Streamer on a short strong leader; in deep water on a sink tip with a leader of an arm's length. */
export const streamer: RigTemplate = {
  id: 'streamer',
  uses: ['waterDepthM', 'tippetX', 'lineWeight', 'rodLengthM'],
  defaults: { ...COMMON, lineWeight: 6, waterDepthM: 1, tippetX: 1 },
  build: (parameters) => {
    const sunk = parameters.waterDepthM > 1.5;
    const lengthM = sunk ? SINK_TIP_LEADER_M : 2.1;
    return {
      ...frame('streamer', parameters),
      line: { weight: parameters.lineWeight, kind: sunk ? 'sink-tip' : 'floating' },
      sections: [
        section('butt', 'butt', 'butt', toCm(lengthM * 0.5), 0.000533, 'stiff-mono', 'loop-to-loop'),
        section('mid', 'middle', 'mid', toCm(lengthM * 0.25), 0.000432, 'copolymer', 'double-uni'),
        section(
          'tippet',
          'tippet',
          'tippet',
          toCm(lengthM * 0.25),
          xClamped(parameters.tippetX),
          'fluorocarbon',
          'double-uni',
        ),
      ],
      flies: [
        pointOf('marabou leech', {
          dressing: 'streamer',
          hookSize: 8,
          bead: 'brass',
          beadDiameterM: 0.0038,
          wire: 'heavy',
          knot: 'loop-to-fly',
        }),
      ],
    };
  },
};
