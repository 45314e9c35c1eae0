import { hookCount, withHooks } from '../strength/hook-count';
import type { RigRule } from './rule';

/** Hooks and shot against the water's rule card. */
export const waterRules: RigRule = (rig, { water }) => {
  if (!water) return [];
  const { maxHooks, leadAllowed } = water.rules;
  const snags: ReturnType<RigRule> = [];
  const hooks = hookCount(rig);
  if (hooks > maxHooks) {
    const fewer = withHooks(rig, maxHooks);
    snags.push({
      id: 'hooks-over-limit',
      rule: 'hooks-over-limit',
      level: 'stop',
      title: 'More hooks than the card allows',
      reason: `${water.name} allows ${maxHooks}. The card is a reminder; the water's own rules decide.`,
      evidence: [{ label: 'hooks', text: `${hooks} of ${maxHooks}` }],
      fixes: hookCount(fewer) <= maxHooks ? [{ label: 'Take the dropper off', change: fewer }] : [],
    });
  }
  const lead = rig.fittings.filter((fitting) => fitting.kind === 'shot' && fitting.metal === 'lead');
  if (lead.length > 0 && !leadAllowed) {
    snags.push({
      id: 'lead-not-allowed',
      rule: 'lead-not-allowed',
      level: 'stop',
      title: 'Lead is not allowed here',
      reason: `The card of ${water.name} asks for non-toxic shot.`,
      evidence: [{ label: 'lead shot', text: `${lead.length}` }],
      fixes: [
        {
          label: 'Use tin',
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
  return snags;
};
