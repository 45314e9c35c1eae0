import { hookCount, withHooks } from '../../rig';
import type { PlanRule } from './rule';

/** Rigs of the blocks against the hooks the water's card allows. */
export const hookLimit: PlanRule = (plan, lesson) => {
  const maxHooks = lesson?.water.rules.maxHooks ?? null;
  if (!lesson || maxHooks === null) return [];
  return plan.blocks.flatMap((block) => {
    const rig = plan.rigs.find((candidate) => candidate.id === block.rigId);
    if (!rig || hookCount(rig.rig) <= maxHooks) return [];
    const fewer = plan.rigs.find((candidate) => hookCount(candidate.rig) <= maxHooks);
    const bare = withHooks(rig.rig, maxHooks);
    return [
      {
        id: `hook-limit/${block.id}`,
        rule: 'hook-limit',
        level: 'must-fix',
        blockIds: [block.id],
        studentId: null,
        facts: {
          rig: rig.name,
          block: block.title,
          hooks: hookCount(rig.rig),
          water: lesson.water.name,
          maxHooks,
        },
        fixes: [
          ...(fewer
            ? [
                {
                  does: { rig: fewer.name },
                  change: {
                    kind: 'edit',
                    edit: { kind: 'change', blockId: block.id, change: { rigId: fewer.id } },
                  },
                } as const,
              ]
            : []),
          ...(hookCount(bare) <= maxHooks
            ? [
                {
                  does: 'fewer-hooks',
                  change: {
                    kind: 'edit',
                    edit: {
                      kind: 'set',
                      change: {
                        rigs: plan.rigs.map((other) => (other === rig ? { ...rig, rig: bare } : other)),
                      },
                    },
                  },
                } as const,
              ]
            : []),
        ],
      },
    ];
  });
};
