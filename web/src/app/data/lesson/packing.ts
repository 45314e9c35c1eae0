import {
  classKit,
  type Curriculum,
  formatLength,
  gearList,
  type PlanBody,
  rigUses,
  type RigUse,
  textInUnits,
  type UnitSystem,
} from '@doceo/core';
import { kitInWords, type KitLine } from '@doceo/texts';

/** A line of a packing list. */
export type PackingLine = KitLine;

/** What to pack for a plan: gear of its drills, then material, flies and shot of its rigs with their spares. */
export function packingLines(
  curriculum: Curriculum,
  body: PlanBody,
  students: RigUse['students'],
  units: UnitSystem,
): PackingLine[] {
  const gear = gearList(curriculum, body).map(({ item, count }) => ({
    group: 'for the drills',
    name: textInUnits(item, units),
    count,
    unit: 'pieces' as const,
    spares: 0,
  }));
  return [...gear, ...kitInWords(classKit(rigUses(body, students)), units)];
}

/** `4 ×`, or the length of what is cut from a spool. */
export function packingAmount({ count, unit }: PackingLine, units: UnitSystem): string {
  return unit === 'm' ? formatLength(count, units) : `${count} ×`;
}

/** `2 spare`; empty where there are none. */
export function packingSpares({ spares, unit }: PackingLine, units: UnitSystem): string {
  return spares > 0 ? `${unit === 'm' ? formatLength(spares, units) : spares} spare` : '';
}
