import { formatBead, formatForce, formatLength, formatMass, type UnitSystem } from '../../units';
import { DRESSINGS } from '../tackle/dressings';
import { boughtLeaders } from '../leader/bought-leader';
import { type Cut, cutList } from '../leader/cut-list';
import { MATERIALS, materialStrength } from '../tackle/materials';
import type { Fly, Rig } from '../rig';
import { tangleRisk } from '../cast/tangle';
import { formatTippet } from '../tackle/x-size';

/** Who fishes a rig in the class, and for how long. */
export interface RigUse {
  rig: Rig;
  name: string;
  students: {
    name: string;
    /** Tangles in an hour by this student's own record, or null for the rule of thumb. */
    tanglesPerHour: number | null;
  }[];
  hours: number;
}

export interface KitItem {
  group: 'leader material' | 'flies' | 'shot' | 'indicators' | 'fly lines';
  name: string;
  /** Metres of material, whatever units the names are in. */
  count: number;
  /** Pieces, or metres of material rounded up to half a metre. */
  unit: 'pieces' | 'm';
  /** How many of it are spares. */
  spares: number;
}

/** Share of tangles that end with the scissors, and cost the rig below them. Rule of thumb. */
const CUT_SHARE = 0.5;
/** Leaders that go with a rig cut off: the rest is mended with tippet. Rule of thumb. */
const LEADERS_PER_CUT = 0.2;
/** A beginner's flies left in trees and on the bottom, in an hour. Rule of thumb. */
const LOST_FLIES_PER_HOUR = 0.4;

/**
 * What a class needs of every material, with spares by each student's tangles.
 *
 * Material: cut list × (students + rigs cut off); flies, shot and indicators: one a student, with what is cut off or
 * lost in the hours. Counts are rounded up.
 *
 * @param system for the names of things
 * @returns in the order of groups, then by name
 */
export function classKit(uses: readonly RigUse[], system: UnitSystem): KitItem[] {
  const items = new Map<string, KitItem>();
  const add = (
    group: KitItem['group'],
    name: string,
    unit: KitItem['unit'],
    needed: number,
    spares: number,
  ): void => {
    const key = `${group}/${name}`;
    const item = items.get(key) ?? { group, name, unit, count: 0, spares: 0 };
    items.set(key, { ...item, count: item.count + needed + spares, spares: item.spares + spares });
  };
  for (const { rig, students, hours } of uses) {
    const own = tangleRisk(rig).perHour;
    const cutOff = students.reduce(
      (sum, { tanglesPerHour }) => sum + (tanglesPerHour ?? own) * hours * CUT_SHARE,
      0,
    );
    const n = students.length;
    for (const cut of cutList(rig))
      add(
        'leader material',
        materialName(cut, system),
        'm',
        cut.lengthM * n,
        cut.lengthM * tippetShare(rig, cut) * cutOff,
      );
    for (const { lengthM, endM } of boughtLeaders(rig))
      add(
        'leader material',
        `tapered leader ${formatLength(lengthM, system)} to ${formatTippet(endM, system)}`,
        'pieces',
        n,
        cutOff * LEADERS_PER_CUT,
      );
    for (const fly of rig.flies)
      add('flies', flyName(fly, system), 'pieces', n, cutOff * CUT_SHARE + LOST_FLIES_PER_HOUR * hours * n);
    for (const fitting of rig.fittings) {
      if (fitting.kind === 'shot')
        add('shot', `${formatMass(fitting.massKg, system)} ${fitting.metal}`, 'pieces', n, cutOff);
      else
        add(
          'indicators',
          `${fitting.style}, ${formatBead(fitting.diameterM, system)}`,
          'pieces',
          n,
          cutOff * 0.2,
        );
    }
    add('fly lines', `${rig.line.weight} ${rig.line.kind}`, 'pieces', n, 0);
  }
  const order: KitItem['group'][] = ['leader material', 'flies', 'shot', 'indicators', 'fly lines'];
  return [...items.values()]
    .map((item) => ({
      ...item,
      count: item.unit === 'm' ? Math.ceil(item.count * 2) / 2 : Math.ceil(item.count - 1e-9),
      spares:
        item.unit === 'm' ? Math.round(item.spares * 10) / 10 : Math.max(0, Math.ceil(item.spares - 1e-9)),
    }))
    .sort((a, b) => order.indexOf(a.group) - order.indexOf(b.group) || a.name.localeCompare(b.name, 'en'));
}

/** Tangles cost tippet and tags; the butt survives them. */
function tippetShare(rig: Rig, cut: Cut): number {
  const lost = rig.sections.some(
    ({ role, material, diameterM }) =>
      role === 'tippet' && material === cut.material && diameterM === cut.diameterM,
  );
  return lost ? 1 : 0;
}

function materialName({ material, diameterM }: Cut, system: UnitSystem): string {
  return `${MATERIALS[material].name} ${formatTippet(diameterM, system)}, ${formatForce(materialStrength(material, diameterM), system)}`;
}

function flyName({ hookSize, dressing, bead, beadDiameterM }: Fly, system: UnitSystem): string {
  const head = bead === 'none' ? '' : `, ${bead} ${formatBead(beadDiameterM, system)}`;
  return `#${hookSize} ${DRESSINGS[dressing].name}${head}`;
}
