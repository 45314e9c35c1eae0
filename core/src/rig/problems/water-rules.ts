import { hookCount, withHooks } from '../strength/hook-count';
import type { RigRule } from './rule';

/** Hooks and shot against the water's rule card; what the card does not say forbids nothing. */
export const waterRules: RigRule = (rig, { water }) => {
  if (!water) return [];
  const { maxHooks, leadAllowed } = water.rules;
  const problems: ReturnType<RigRule> = [];
  const hooks = hookCount(rig);
  if (maxHooks !== null && hooks > maxHooks) {
    const fewer = withHooks(rig, maxHooks);
    problems.push({
      id: 'hooks-over-limit',
      rule: 'hooks-over-limit',
      level: 'must-fix',
      facts: { water: water.name, hooks, maxHooks },
      fixes: hookCount(fewer) <= maxHooks ? [{ does: 'fewer-hooks', change: fewer }] : [],
    });
  }
  const lead = rig.fittings.filter((fitting) => fitting.kind === 'shot' && fitting.metal === 'lead');
  if (lead.length > 0 && leadAllowed === false) {
    problems.push({
      id: 'lead-not-allowed',
      rule: 'lead-not-allowed',
      level: 'must-fix',
      facts: { water: water.name, shot: lead.length },
      fixes: [
        {
          does: 'tin-shot',
          change: {
            ...rig,
            fittings: rig.fittings.map((fitting) =>
              fitting.kind === 'shot' ? { ...fitting, metal: 'tin' as const } : fitting,
            ),
          },
        },
      ],
    });
  }
  return problems;
};
