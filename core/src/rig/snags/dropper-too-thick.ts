import { formatTippet } from '../tackle/x-size';
import type { RigRule } from './rule';

/** A dropper never thicker than what holds it. */
export const dropperTooThick: RigRule = (rig, { system }) =>
  rig.flies.flatMap((fly) => {
    const at = fly.at;
    if (at.kind !== 'tag') return [];
    const holder = rig.sections.find((section) => section.id === at.sectionId);
    if (!holder || at.diameterM <= holder.diameterM * 1.001) return [];
    return [
      {
        id: `dropper-too-thick/${fly.id}`,
        rule: 'dropper-too-thick',
        level: 'mind',
        title: 'Dropper thicker than its leader',
        reason: `The tag of the ${fly.name} outlasts the ${holder.name} that holds it: a snagged dropper takes both flies.`,
        evidence: [
          { label: 'tag', text: formatTippet(at.diameterM, system) },
          { label: holder.name, text: formatTippet(holder.diameterM, system) },
        ],
        fixes: [
          {
            label: 'Same size as the leader',
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
