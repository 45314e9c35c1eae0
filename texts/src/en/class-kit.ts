import {
  formatBead,
  formatForce,
  formatLength,
  formatMass,
  formatTippet,
  type KitItem,
  type KitThing,
  type UnitSystem,
} from '@doceo/core';
import { DRESSING_NAMES, MATERIAL_NAMES } from './tackle';

/** A line of what a class needs, in words. */
export interface KitLine {
  group: string;
  name: string;
  /** Pieces, or metres. */
  count: number;
  unit: 'pieces' | 'm';
  spares: number;
}

/** Groups of a kit, in the order in which they are packed. */
const GROUPS: readonly { name: string; kinds: readonly KitThing['kind'][] }[] = [
  { name: 'leader material', kinds: ['material', 'tapered-leader'] },
  { name: 'flies', kinds: ['fly'] },
  { name: 'shot', kinds: ['shot'] },
  { name: 'indicators', kinds: ['indicator'] },
  { name: 'fly lines', kinds: ['line'] },
];

/** What a class needs in words: by groups, then by name. What is called the same in these units is one line. */
export function kitInWords(items: readonly KitItem[], units: UnitSystem): KitLine[] {
  return GROUPS.flatMap(({ name: group, kinds }) => {
    const lines = new Map<string, KitLine>();
    for (const { thing, count, unit, spares } of items) {
      if (!kinds.includes(thing.kind)) continue;
      const name = thingName(thing, units);
      const line = lines.get(name) ?? { group, name, unit, count: 0, spares: 0 };
      lines.set(name, { ...line, count: line.count + count, spares: line.spares + spares });
    }
    return [...lines.values()].sort((a, b) => a.name.localeCompare(b.name, 'en'));
  });
}

function thingName(thing: KitThing, units: UnitSystem): string {
  switch (thing.kind) {
    case 'material':
      return `${MATERIAL_NAMES[thing.material]} ${formatTippet(thing.diameterM, units)}, ${formatForce(thing.strengthN, units)}`;
    case 'tapered-leader':
      return `tapered leader ${formatLength(thing.lengthM, units)} to ${formatTippet(thing.endM, units)}`;
    case 'fly': {
      const head = thing.bead === 'none' ? '' : `, ${thing.bead} ${formatBead(thing.beadDiameterM, units)}`;
      return `#${thing.hookSize} ${DRESSING_NAMES[thing.dressing]}${head}`;
    }
    case 'shot':
      return `${formatMass(thing.massKg, units)} ${thing.metal}`;
    case 'indicator':
      return `${thing.style}, ${formatBead(thing.diameterM, units)}`;
    case 'line':
      return `${thing.weight}-weight, ${thing.line}`;
  }
}
