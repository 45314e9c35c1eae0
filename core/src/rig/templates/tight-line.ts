import type { Fly } from '../rig';
import { COMMON, frame, onTag, pointOf, type RigTemplate, section, xClamped } from './template';

/** Spacing of the two flies and length of the tag: 25–30 cm and 10 cm. */
const SPACING_M = 0.28;
const TAG_M = 0.1;
/** To the end of the sighter about rod length and two hands. */
const BEYOND_ROD_M = 0.2;
const SIGHTER_M = 0.5;

/** Long thin leader with a sighter and one or two weighted nymphs, fished without fly line on the water. */
export const tightLine: RigTemplate = {
  id: 'tight-line',
  uses: ['rodLengthM', 'waterDepthM', 'tippetX', 'flyCount', 'schools', 'lineWeight'],
  defaults: { ...COMMON, rodLengthM: 3.05, lineWeight: 3, waterDepthM: 0.9, tippetX: 5, flyCount: 2 },
  settles: ['heaviest'],
  lies: 'tight',
  build: (parameters) => {
    const toSighterM = parameters.rodLengthM + BEYOND_ROD_M - SIGHTER_M;
    const tippetM = Math.max(0.8, parameters.waterDepthM * 1.6);
    const lower = section(
      'lower',
      'lower tippet',
      'tippet',
      SPACING_M,
      xClamped(parameters.tippetX),
      'fluorocarbon',
      'triple-surgeon',
    );
    const heavy: Partial<Fly> = { bead: 'tungsten', beadDiameterM: 0.0033, dressing: 'slim-nymph' };
    const light: Partial<Fly> = {
      bead: 'tungsten',
      beadDiameterM: 0.0024,
      dressing: 'slim-nymph',
      hookSize: 16,
    };
    const [onPoint, above] = parameters.schools.heaviest === 'point' ? [heavy, light] : [light, heavy];
    return {
      ...frame('tight-line', parameters),
      sections: [
        section('butt', 'butt', 'butt', toSighterM * 0.55, 0.000381, 'stiff-mono', 'nail'),
        section('mid', 'middle', 'mid', toSighterM * 0.45, 0.000305, 'copolymer', 'blood'),
        section('sighter', 'sighter', 'sighter', SIGHTER_M, 0.000254, 'sighter', 'blood'),
        section(
          'tippet',
          'tippet',
          'tippet',
          tippetM - (parameters.flyCount > 1 ? SPACING_M : 0),
          xClamped(parameters.tippetX),
          'fluorocarbon',
          'tippet-ring',
        ),
        ...(parameters.flyCount > 1 ? [lower] : []),
      ],
      flies:
        parameters.flyCount > 1
          ? [onTag('dropper', 'upper nymph', lower, TAG_M, above), pointOf('point nymph', onPoint)]
          : [pointOf('point nymph', heavy)],
    };
  },
};
