import { castingLoad } from '../cast/casting-load';
import { pointFly } from '../leader/leader-geometry';
import { withFlies } from '../strength/hook-count';
import { tangleRisk } from '../cast/tangle';
import type { RigRule } from './rule';

/** What a rig asks of a beginner's cast: tangles, and weight that flies past heads. */
export const beginnerLoad: RigRule = (rig) => {
  const problems: ReturnType<RigRule> = [];
  const point = pointFly(rig);
  const risk = tangleRisk(rig);
  if (risk.level === 'high') {
    const simpler = point && rig.flies.length > 1 ? withFlies(rig, [point]) : null;
    const without = { ...rig, fittings: rig.fittings.filter(({ kind }) => kind !== 'shot') };
    problems.push({
      id: 'tangle-risk',
      rule: 'tangle-risk',
      level: 'check',
      facts: { perHour: risk.perHour, fewerFlies: simpler !== null, parts: risk.parts },
      fixes: simpler
        ? [{ does: 'one-fly', change: simpler }]
        : without.fittings.length < rig.fittings.length
          ? [{ does: 'no-shot', change: without }]
          : [],
    });
  }
  const load = castingLoad(rig);
  const shot = rig.fittings.filter(({ kind }) => kind === 'shot').length;
  if (load.advice !== 'any') {
    problems.push({
      id: 'open-loop',
      rule: 'open-loop',
      level: 'tip',
      facts: { advice: load.advice, headShare: load.share, shot },
      fixes: [],
    });
  }
  return problems;
};
