import { indicatorOf } from '../chain';
import type { RigRule } from './rule';

/** What a rig asks of a beginner's cast: tangles, and weight that flies past heads. */
export const beginnerLoad: RigRule = (rig) => {
  const shot = rig.fittings.filter((fitting) => fitting.kind === 'shot');
  const hinges = rig.flies.length + shot.length + (indicatorOf(rig) ? 1 : 0);
  const snags: ReturnType<RigRule> = [];
  const point = rig.flies.filter((fly) => fly.at.kind === 'point');
  if (hinges >= 4) {
    snags.push({
      id: 'tangle-risk',
      rule: 'tangle-risk',
      level: 'mind',
      title: 'Tangle risk for beginners: high',
      reason: `Flies, shot and indicator make ${hinges} hinges. One fly teaches the same.`,
      evidence: [{ label: 'hinges', text: `${hinges}` }],
      fixes:
        point.length > 0 && point.length < rig.flies.length
          ? [{ label: 'One fly', change: { ...rig, flies: point } }]
          : [],
    });
  }
  const heavy = shot.length > 0 || rig.flies.some((fly) => fly.bead === 'tungsten');
  if (heavy) {
    snags.push({
      id: 'open-loop',
      rule: 'open-loop',
      level: 'note',
      title: 'Weight on the leader: open the loop',
      reason:
        'Oval or water-loaded cast, hats and glasses on everybody near. A tight loop with weight can break a rod and hit a person.',
      evidence: [{ label: 'shot', text: `${shot.length}` }],
      fixes: [],
    });
  }
  return snags;
};
