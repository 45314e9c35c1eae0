import { type KnotUse, KNOTS, knotsFor } from '../knots';
import type { RigRule } from './rule';

/** Each joint's knot against the two diameters and what it joins. */
export const knotsFit: RigRule = (rig) =>
  rig.sections.flatMap((section, index) => {
    const upper = rig.sections[index - 1];
    const onFly = rig.flies.some(({ at }) => at.kind === 'inline' && at.sectionId === section.id);
    const use: KnotUse = onFly ? 'line-to-bend' : upper ? 'line-to-line' : 'line-to-loop';
    const ratio =
      upper && !onFly
        ? Math.max(upper.diameterM, section.diameterM) / Math.min(upper.diameterM, section.diameterM)
        : 1;
    const knot = KNOTS[section.joint];
    if (section.joint === 'tapered') return [];
    const wrongUse = !knot.uses.includes(use);
    if (!wrongUse && ratio <= knot.maxDiameterRatio) return [];
    const better = knotsFor(use).find((candidate) => ratio <= candidate.maxDiameterRatio);
    return [
      {
        id: `knot-unsuited/${section.id}`,
        rule: 'knot-unsuited',
        level: 'mind',
        title: `${capital(knot.name)} does not suit here`,
        reason: wrongUse
          ? `It is not a knot to join ${onFly ? 'a line to a fly' : upper ? 'two lines' : 'a leader to the loop of a fly line'}.`
          : `${capital(upper?.name ?? 'the fly line')} is ${ratio.toFixed(1)} times as thick as ${section.name}; this knot slips above ${knot.maxDiameterRatio}.`,
        evidence: [{ label: 'diameters', text: `${ratio.toFixed(2)} : 1` }],
        fixes: better
          ? [
              {
                label: `Use a ${better.name}`,
                change: {
                  ...rig,
                  sections: rig.sections.map((other) =>
                    other === section ? { ...section, joint: better.id } : other,
                  ),
                },
              },
            ]
          : [],
      },
    ];
  });

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
