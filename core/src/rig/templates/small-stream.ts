import { COMMON, frame, pointOf, type RigTemplate, section, xClamped } from './template';

/** What is left of a bought leader of 2.3 m when its tip is cut at 1.8: thick enough to turn over on a short line. */
const LEFT_M = { butt: 1.0, taper: 0.35, lower: 0.3, end: 0.15 };
/** Tippet that brings it back to 2.35 m. */
const TIPPET_M = 0.55;

/** A short leader for short casts: a bought one cut back, and tippet to its old length. */
export const smallStream: RigTemplate = {
  id: 'small-stream',
  uses: ['rodLengthM', 'tippetX', 'lineWeight', 'waterDepthM'],
  defaults: { ...COMMON, rodLengthM: 2.3, lineWeight: 3, tippetX: 4, waterDepthM: 0.4 },
  build: (parameters) => ({
    ...frame('small-stream', parameters),
    sections: [
      section('butt', 'butt', 'butt', LEFT_M.butt, 0.000533, 'stiff-mono', 'loop-to-loop'),
      section('taper', 'upper taper', 'mid', LEFT_M.taper, 0.000432, 'copolymer', 'tapered'),
      section('taper-lower', 'lower taper', 'mid', LEFT_M.lower, 0.00033, 'copolymer', 'tapered'),
      section(
        'end',
        'cut end',
        'tippet',
        LEFT_M.end,
        xClamped(parameters.tippetX - 2),
        'copolymer',
        'tapered',
      ),
      section(
        'tippet',
        'tippet',
        'tippet',
        TIPPET_M,
        xClamped(parameters.tippetX),
        'limp-nylon',
        'triple-surgeon',
      ),
    ],
    flies: [pointOf('bushy dry', { dressing: 'palmered', wire: 'fine', hookSize: 14 })],
  }),
};
