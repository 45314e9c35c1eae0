import type { PlanRule } from './rule';

/** Rigs of the blocks against the hooks the water's card allows. */
export const hookLimit: PlanRule = (plan, lesson) => {
  if (!lesson) return [];
  const { maxHooks } = lesson.water.rules;
  return plan.blocks.flatMap((block) => {
    const rig = plan.rigs.find((candidate) => candidate.id === block.rigId);
    if (!rig || rig.rig.flies.length <= maxHooks) return [];
    const fewer = plan.rigs.find((candidate) => candidate.rig.flies.length <= maxHooks);
    return [
      {
        id: `hook-limit/${block.id}`,
        rule: 'hook-limit',
        level: 'stop',
        blockIds: [block.id],
        studentId: null,
        title: 'More hooks than the card allows',
        reason: `“${rig.name}” in “${block.title}” has ${rig.rig.flies.length} flies; ${lesson.water.name} allows ${maxHooks}.`,
        evidence: [
          { label: rig.name, text: `${rig.rig.flies.length} hooks` },
          { label: 'card', text: `${maxHooks}` },
        ],
        fixes: [
          ...(fewer
            ? [
                {
                  label: `Use “${fewer.name}”`,
                  change: {
                    kind: 'edit',
                    edit: { kind: 'change', blockId: block.id, change: { rigId: fewer.id } },
                  },
                } as const,
              ]
            : []),
          ...(rig.rig.flies.some((fly) => fly.at.kind === 'tag') && maxHooks === 1
            ? [
                {
                  label: 'Point fly only',
                  change: {
                    kind: 'edit',
                    edit: {
                      kind: 'set',
                      change: {
                        rigs: plan.rigs.map((other) =>
                          other === rig
                            ? {
                                ...rig,
                                rig: {
                                  ...rig.rig,
                                  flies: rig.rig.flies.filter((fly) => fly.at.kind === 'point'),
                                },
                              }
                            : other,
                        ),
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
