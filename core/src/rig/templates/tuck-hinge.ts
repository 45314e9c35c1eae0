import { bendingStiffness, MATERIALS } from '../tackle/materials';
import { COMMON, frame, pointOf, type RigTemplate, section, toCm, xClamped } from './template';

const BUTT_DIAMETER_M = 0.000483;
/** Each limp section against the butt: shorter, and it does not fold. A rule of the trade. */
const LIMP_SHARE = 2 / 3;
/** How much bending stiffness falls at the hinge, so that it folds: 12- to 16-fold. */
const HINGE_RATIO = 14;

/** Diameter of limp nylon that is the hinge ratio less stiff than the butt: E·d⁴ solved for d. */
function limpDiameter(hingeRatio: number): number {
  const wanted = bendingStiffness('stiff-mono', BUTT_DIAMETER_M) / hingeRatio;
  return ((64 * wanted) / (Math.PI * MATERIALS['limp-nylon'].modulusPa)) ** 0.25;
}

/** Stiff bright butt, a hinge on purpose, two limp sections, ring, tippet: folds so that the fly enters first. */
export const tuckHinge: RigTemplate = {
  id: 'tuck-hinge',
  uses: ['rodLengthM', 'waterDepthM', 'tippetX', 'hingeRatio', 'shotMassKg', 'lineWeight'],
  defaults: { ...COMMON, waterDepthM: 1.2, tippetX: 4, shotMassKg: 0.0003, hingeRatio: HINGE_RATIO },
  ownIndicatorPlace: true,
  build: (parameters) => {
    const { rodLengthM, tippetX, hingeRatio } = parameters;
    const limpM = limpDiameter(hingeRatio);
    const heavier = Math.max(0, 5 - tippetX) * 0.05;
    const buttM = rodLengthM / 3;
    const lengthOf = toCm(LIMP_SHARE * buttM + heavier);
    const rig = {
      ...frame('tuck-hinge', parameters),
      hingeAt: 'limp-upper',
      sections: [
        section('butt', 'bright butt', 'butt', buttM, BUTT_DIAMETER_M, 'stiff-mono', 'loop-to-loop'),
        section('limp-upper', 'limp upper', 'mid', lengthOf, limpM, 'limp-nylon', 'double-uni'),
        section(
          'limp-lower',
          'limp lower',
          'mid',
          lengthOf,
          Math.min(limpM * 0.8, xClamped(0)),
          'limp-nylon',
          'double-uni',
        ),
        section(
          'tippet',
          'tippet',
          'tippet',
          Math.max(0.6, parameters.waterDepthM * 0.8),
          xClamped(tippetX),
          'fluorocarbon',
          'tippet-ring',
        ),
      ],
      flies: [
        pointOf('heavy nymph', { hookSize: 12, bead: 'tungsten', beadDiameterM: 0.0033, wire: 'heavy' }),
      ],
    } as const;
    const lowerM = rig.sections[3].lengthM;
    return {
      ...rig,
      sections: [...rig.sections],
      flies: [...rig.flies],
      fittings: [
        {
          id: 'indicator',
          kind: 'indicator',
          style: 'yarn',
          diameterM: 0.03,
          aboveFlyM: toCm(lowerM + 2 * lengthOf),
        },
        ...(parameters.shotMassKg > 0
          ? [
              {
                id: 'shot',
                kind: 'shot',
                massKg: parameters.shotMassKg,
                metal: 'tin',
                aboveFlyM: 0.25,
              } as const,
            ]
          : []),
      ],
    };
  },
};
