import type { Fly, Rig } from '../rig';
import {
  COMMON,
  frame,
  inLine,
  onTag,
  pointOf,
  type RigTemplate,
  section,
  taperedLeader,
  xClamped,
} from './template';

/** The dropper hangs this share of the depth below the dry, between 30 and 90 cm. Rule of thumb. */
const OF_DEPTH = 0.7;
const MIN_M = 0.3;
const MAX_M = 0.9;

/** Dry fly with a nymph below it: on the bend, in the eye, or the dry on a tag. */
export const dryDropper: RigTemplate = {
  id: 'dry-dropper',
  uses: ['rodLengthM', 'waterDepthM', 'tippetX', 'schools', 'lineWeight'],
  defaults: { ...COMMON, waterDepthM: 0.7, tippetX: 5 },
  settles: ['dropper'],
  build: (parameters): Rig => {
    const lengthM = Math.min(MAX_M, Math.max(MIN_M, parameters.waterDepthM * OF_DEPTH));
    const onTagSchool = parameters.schools.dropper === 'tag';
    const dropper = section(
      'dropper',
      'dropper',
      'tippet',
      lengthM,
      xClamped(parameters.tippetX),
      'fluorocarbon',
      onTagSchool
        ? 'triple-surgeon'
        : parameters.schools.dropper === 'bend'
          ? 'bend-clinch'
          : 'improved-clinch',
    );
    const dry: Partial<Fly> = { dressing: 'foam', hookSize: 10, wire: 'standard' };
    return {
      ...frame('dry-dropper', parameters),
      sections: [
        ...taperedLeader(parameters.rodLengthM - 0.5, parameters.tippetX - 2),
        section(
          'tippet',
          'tippet',
          'tippet',
          0.5,
          xClamped(parameters.tippetX - 1),
          'limp-nylon',
          'triple-surgeon',
        ),
        dropper,
      ],
      flies: [
        onTagSchool
          ? onTag(
              'dry',
              'foam beetle',
              { ...dropper, diameterM: xClamped(parameters.tippetX - 1), material: 'limp-nylon' },
              0.1,
              dry,
            )
          : inLine('dry', 'foam beetle', dropper, dry),
        pointOf('bead-head nymph', {
          hookSize: 16,
          bead: 'tungsten',
          beadDiameterM: 0.0024,
          dressing: 'slim-nymph',
        }),
      ],
    };
  },
};
