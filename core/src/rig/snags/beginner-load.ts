import { castingLoad } from '../cast/casting-load';
import { pointFly } from '../leader/leader-geometry';
import { withFlies } from '../strength/hook-count';
import { tangleRisk } from '../cast/tangle';
import type { RigRule } from './rule';

/** What a rig asks of a beginner's cast: tangles, and weight that flies past heads. */
export const beginnerLoad: RigRule = (rig) => {
  const snags: ReturnType<RigRule> = [];
  const point = pointFly(rig);
  const risk = tangleRisk(rig);
  if (risk.level === 'high') {
    const simpler = point && rig.flies.length > 1 ? withFlies(rig, [point]) : null;
    const without = { ...rig, fittings: rig.fittings.filter(({ kind }) => kind !== 'shot') };
    snags.push({
      id: 'tangle-risk',
      rule: 'tangle-risk',
      level: 'mind',
      title: 'Tangle risk for beginners: high',
      reason: `About ${risk.perHour.toFixed(1)} tangles an hour. ${simpler ? 'One fly teaches the same.' : 'A heavier bead instead of shot teaches the same.'}`,
      evidence: risk.parts.map(({ name, adds }) => ({ label: name, text: `+${adds.toFixed(1)}` })),
      fixes: simpler
        ? [{ label: 'One fly', change: simpler }]
        : without.fittings.length < rig.fittings.length
          ? [{ label: 'No shot', change: without }]
          : [],
    });
  }
  const load = castingLoad(rig);
  const shot = rig.fittings.filter(({ kind }) => kind === 'shot').length;
  if (load.advice !== 'any') {
    snags.push({
      id: 'open-loop',
      rule: 'open-loop',
      level: 'note',
      title:
        load.advice === 'open'
          ? 'Weight on the leader: open the loop'
          : 'Heavy rig: let the water load the rod',
      reason: `${load.advice === 'open' ? 'Oval or water-loaded cast' : 'Water-loaded cast, no false cast'}, hats and glasses on everybody near. A tight loop with weight can break a rod and hit a person.`,
      evidence: [
        { label: 'rig against the line’s head', text: `${(load.share * 100).toFixed(0)} %` },
        { label: 'shot', text: `${shot}` },
      ],
      fixes: [],
    });
  }
  return snags;
};
