import type { RigRule } from './rule';

/** A dropper never thicker than what holds it. */
export const dropperTooThick: RigRule = (rig) =>
  rig.flies.flatMap((fly) => {
    const at = fly.at;
    if (at.kind !== 'tag') return [];
    const holder = rig.sections.find((section) => section.id === at.sectionId);
    if (!holder || at.diameterM <= holder.diameterM * 1.001) return [];
    return [
      {
        id: `dropper-too-thick/${fly.id}`,
        rule: 'dropper-too-thick',
        level: 'check',
        facts: {
          fly: fly.name,
          tagM: at.diameterM,
          holder: holder.name,
          holderM: holder.diameterM,
        },
        fixes: [
          {
            does: 'as-leader',
            change: {
              ...rig,
              flies: rig.flies.map((other) =>
                other === fly ? { ...fly, at: { ...at, diameterM: holder.diameterM } } : other,
              ),
            },
          },
        ],
      },
    ];
  });
