import { indicatorOf } from '../leader/leader-geometry';
import { moveIndicator } from '../sink/indicator-depth';
import { netReach } from '../strength/net-reach';
import type { RigRule } from './rule';

/** A fish that cannot be brought to the net is played too long and lost. */
export const netTooFar: RigRule = (rig) => {
  const { shortestM, reachM, stoppedBy } = netReach(rig);
  const indicator = indicatorOf(rig);
  if (shortestM <= reachM || !indicator || stoppedBy === null) return [];
  return [
    {
      id: 'net-too-far',
      rule: 'net-too-far',
      level: 'must-fix',
      facts: { stoppedBy, shortestM, reachM },
      fixes: [
        {
          does: 'slip-release',
          change: {
            ...rig,
            fittings: rig.fittings.map((fitting) =>
              fitting === indicator ? { ...indicator, style: 'slip-release' as const } : fitting,
            ),
          },
        },
        { does: 'within-reach', change: moveIndicator(rig, reachM) },
      ],
    },
  ];
};
