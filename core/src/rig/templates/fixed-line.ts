import { COMMON, frame, pointOf, type RigTemplate, section, toCm, xClamped } from './template';

/** Tippet of a fixed-line rig, of the range 0.6–0.9 m. */
const TIPPET_M = 0.75;
/** The level line is a little shorter than the rod, metres. */
const SHORTER_M = 0.15;

/** Rod without a reel: a level line about as long as the rod, slip loop on the cord tip, short tippet. */
export const fixedLine: RigTemplate = {
  id: 'fixed-line',
  uses: ['rodLengthM', 'tippetX', 'waterDepthM'],
  defaults: { ...COMMON, rodLengthM: 3.6, lineWeight: 1, tippetX: 5, waterDepthM: 0.5 },
  build: (parameters) => ({
    ...frame('fixed-line', parameters),
    line: { weight: parameters.lineWeight, kind: 'level' },
    sections: [
      section(
        'level',
        'level line',
        'butt',
        toCm(parameters.rodLengthM - SHORTER_M),
        0.0003,
        'fluorocarbon',
        'slip-loop',
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
    flies: [pointOf('soft-hackle wet', { dressing: 'wet', hookSize: 14 })],
  }),
};
