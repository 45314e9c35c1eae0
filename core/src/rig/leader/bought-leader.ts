import type { Rig, Section } from '../rig';
import { fittingsKept, SHORTEST_SECTION_M } from './section-edits';
import { leaderLength } from './leader-geometry';

/** So much of the butt stays whatever is trimmed, metres. */
const LEAST_BUTT_M = 0.3;

/** A tapered leader as it is bought: one piece that thins without a knot, told in sections. */
export interface BoughtLeader {
  sections: readonly [Section, ...Section[]];
  lengthM: number;
  buttM: number;
  /** Diameter of its end: what a tippet is tied to, metres. */
  endM: number;
}

/** The bought leaders of a rig, from the line down: sections that run into one another without a knot. */
export function boughtLeaders(rig: Rig): BoughtLeader[] {
  const runs: [Section, ...Section[]][] = [];
  rig.sections.forEach((section, index) => {
    const upper = rig.sections[index - 1];
    if (section.joint !== 'tapered' || !upper) return;
    const run = runs.find((one) => one.at(-1) === upper);
    if (run) run.push(section);
    else runs.push([upper, section]);
  });
  return runs.map((sections) => ({
    sections,
    lengthM: sections.reduce((sum, { lengthM }) => sum + lengthM, 0),
    buttM: sections[0].diameterM,
    endM: sections.at(-1)!.diameterM,
  }));
}

/** The bought leader that a section is a part of; undefined for one that is tied. */
export function boughtLeaderOf(rig: Rig, sectionId: string): BoughtLeader | undefined {
  return boughtLeaders(rig).find(({ sections }) => sections.some(({ id }) => id === sectionId));
}

/**
 * A bought leader cut shorter. At the tip it loses its thin end, and what is tied there is thicker; at the butt it loses
 * stiffness. A part of the butt always stays.
 *
 * @param end where it is cut
 * @param byM metres taken off, ≥ 0
 * @returns the rig as it was when the section is no part of a bought leader
 */
export function trimLeader(rig: Rig, sectionId: string, end: 'butt' | 'tip', byM: number): Rig {
  const bought = boughtLeaderOf(rig, sectionId);
  if (!bought) return rig;
  const takenM = Math.min(byM, bought.lengthM - LEAST_BUTT_M);
  if (takenM <= 0) return rig;
  const kept = end === 'tip' ? shortened([...bought.sections], takenM) : buttCut(bought.sections, takenM);
  const lowestM = lengthBelow(rig, bought.sections.at(-1)!);
  const sections = rig.sections.flatMap((section) =>
    bought.sections.includes(section) ? (kept.find(({ id }) => id === section.id) ?? []) : [section],
  );
  return fittingsKept({
    ...rig,
    byHand: true,
    sections,
    // What sits on the leader above a cut tip comes nearer the fly with it.
    fittings: rig.fittings.map((fitting) =>
      end === 'tip' && fitting.aboveFlyM > lowestM
        ? { ...fitting, aboveFlyM: Math.max(lowestM, fitting.aboveFlyM - takenM) || SHORTEST_SECTION_M }
        : fitting,
    ),
  });
}

/** Sections less a length at their lower end. */
function shortened(sections: Section[], takenM: number): Section[] {
  const last = sections.at(-1);
  if (!last) return [];
  return takenM >= last.lengthM - SHORTEST_SECTION_M
    ? shortened(sections.slice(0, -1), Math.max(0, takenM - last.lengthM))
    : [...sections.slice(0, -1), { ...last, lengthM: last.lengthM - takenM }];
}

/** Sections less a length at their upper end; the first of them keeps its knot to the line. */
function buttCut([first, ...rest]: readonly [Section, ...Section[]], takenM: number): Section[] {
  const next = rest[0];
  if (!next || takenM < first.lengthM - SHORTEST_SECTION_M)
    return [{ ...first, lengthM: first.lengthM - takenM }, ...rest];
  return buttCut([{ ...next, joint: first.joint }, ...rest.slice(1)], Math.max(0, takenM - first.lengthM));
}

function lengthBelow(rig: Rig, section: Section): number {
  const index = rig.sections.indexOf(section);
  return leaderLength({ ...rig, sections: rig.sections.slice(index + 1) });
}
