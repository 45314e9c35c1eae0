import type { Rig } from '../rig';
import { weakestLink } from '../strength/strength';
import { diameterOfX, xOfDiameter } from '../tackle/x-size';
import type { RigRule } from './rule';

/** A rig should part at the tippet, else line is left in the fish and the whole rig is lost. */
export const breaksAboveTippet: RigRule = (rig) =>
  rig.flies.flatMap((fly) => {
    const link = weakestLink(rig, fly);
    if (!link || link.expendable) return [];
    const finer = finerTippet(rig);
    return [
      {
        id: `breaks-above-tippet/${fly.id}`,
        rule: 'breaks-above-tippet',
        level: 'must-fix',
        facts: { fly: fly.name, link: link.part, holdsN: link.holdsN, lostFlies: link.lostFlies },
        fixes: finer ? [{ does: 'finer-tippet', change: finer }] : [],
      },
    ];
  });

/** The rig with tippet and tags one X finer, or null when it is at 8X or no X size. */
function finerTippet(rig: Rig): Rig | null {
  const last = rig.sections.at(-1);
  const x = last ? xOfDiameter(last.diameterM) : null;
  if (!last || x === null || x >= 8) return null;
  const diameterM = diameterOfX(x + 1);
  return {
    ...rig,
    sections: rig.sections.map((section) =>
      section.role === 'tippet' && section.diameterM <= last.diameterM ? { ...section, diameterM } : section,
    ),
    flies: rig.flies.map((fly) => (fly.at.kind === 'tag' ? { ...fly, at: { ...fly.at, diameterM } } : fly)),
  };
}
