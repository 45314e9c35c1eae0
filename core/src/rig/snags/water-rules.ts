import type { RigRule } from './rule';

/** Hooks and shot against the water's rule card. */
export const waterRules: RigRule = (rig, { water }) => {
  if (!water) return [];
  const { maxHooks, leadAllowed } = water.rules;
  const snags: ReturnType<RigRule> = [];
  if (rig.flies.length > maxHooks) {
    const droppers = rig.flies.filter((fly) => fly.at.kind === 'tag');
    const kept = rig.flies.filter((fly) => !droppers.slice(0, rig.flies.length - maxHooks).includes(fly));
    snags.push({
      id: 'hooks-over-limit',
      rule: 'hooks-over-limit',
      level: 'stop',
      title: 'More hooks than the card allows',
      reason: `${water.name} allows ${maxHooks}. The card is a reminder; the water's own rules decide.`,
      evidence: [{ label: 'hooks', text: `${rig.flies.length} of ${maxHooks}` }],
      fixes:
        kept.length === maxHooks && maxHooks > 0
          ? [{ label: 'Take the dropper off', change: { ...rig, flies: kept } }]
          : [],
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
