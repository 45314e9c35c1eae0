import type { RigRule } from './rule';

/** Every length is measured from the point fly, so a rig needs one. */
export const noPointFly: RigRule = (rig) =>
  rig.flies.some((fly) => fly.at.kind === 'point')
    ? []
    : [
        {
          id: 'no-point-fly',
          rule: 'no-point-fly',
          level: 'must-fix',
          facts: {},
          fixes: [],
        },
      ];
