import { formatLength } from '../../units';
import { indicatorOf } from '../leader/leader-geometry';
import { moveIndicator } from '../sink/indicator-depth';
import { netReach } from '../strength/net-reach';
import type { RigRule } from './rule';

/** A fish that cannot be brought to the net is played too long and lost. */
export const netTooFar: RigRule = (rig, { system }) => {
  const { shortestM, reachM, stoppedBy } = netReach(rig);
  const indicator = indicatorOf(rig);
  if (shortestM <= reachM || !indicator) return [];
  return [
    {
      id: 'net-too-far',
      rule: 'net-too-far',
      level: 'stop',
      title: 'Too long to net a fish',
      reason: `The ${stoppedBy} stops at the tip guide with ${formatLength(shortestM, system)} of line still out.`,
      evidence: [
        { label: 'line left', text: formatLength(shortestM, system) },
        { label: 'rod, arm and net', text: formatLength(reachM, system) },
      ],
      fixes: [
        {
          label: 'Slip-release indicator',
          change: {
            ...rig,
            fittings: rig.fittings.map((fitting) =>
              fitting === indicator ? { ...indicator, style: 'slip-release' as const } : fitting,
            ),
          },
        },
        { label: 'Move it within reach', change: moveIndicator(rig, reachM) },
      ],
    },
  ];
};
