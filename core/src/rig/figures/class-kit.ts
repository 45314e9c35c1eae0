import { boughtLeaders } from '../leader/bought-leader';
import { type Cut, cutList } from '../leader/cut-list';
import type { Bead } from '../tackle/beads';
import type { DressingId } from '../tackle/dressings';
import type { LineKind, MaterialId } from '../tackle/ids';
import { materialStrength } from '../tackle/materials';
import type { Fitting, Rig } from '../rig';
import { tangleRisk } from '../cast/tangle';

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

/** A thing of a class's kit. Lengths and thicknesses in metres, masses in kg, strength in newtons. */
export type KitThing =
  | { kind: 'material'; material: MaterialId; diameterM: number; strengthN: number }
  | { kind: 'tapered-leader'; lengthM: number; endM: number }
  | { kind: 'fly'; hookSize: number; dressing: DressingId; bead: Bead; beadDiameterM: number }
  | Pick<Extract<Fitting, { kind: 'shot' }>, 'kind' | 'metal' | 'massKg'>
  | Pick<Extract<Fitting, { kind: 'indicator' }>, 'kind' | 'style' | 'diameterM'>
  | { kind: 'line'; weight: number; line: LineKind };

export interface KitItem {
  thing: KitThing;
  /** Pieces, or metres of material rounded up to half a metre. */
  count: number;
  unit: 'pieces' | 'm';
  /** How many of it are spares. */
  spares: number;
}

/** Share of tangles that end with the scissors, and cost the rig below them. Rule of thumb. */
const CUT_SHARE = 0.5;
/** Leaders that go with a rig cut off: the rest is mended with tippet. Rule of thumb. */
const LEADERS_PER_CUT = 0.2;
/** Indicators that go with a rig cut off. Rule of thumb. */
const INDICATORS_PER_CUT = 0.2;
/** A beginner's flies left in trees and on the bottom, in an hour. Rule of thumb. */
const LOST_FLIES_PER_HOUR = 0.4;

/**
 * What a class needs of every material, with spares by each student's tangles.
 *
 * Material: cut list × (students + rigs cut off); flies, shot and indicators: one a student, with what is cut off or
 * lost in the hours. Counts are rounded up.
 *
 * @returns each thing once, as the rigs name it first
 */
export function classKit(uses: readonly RigUse[]): KitItem[] {
  const items = new Map<string, KitItem>();
  const add = (thing: KitThing, needed: number, spares: number): void => {
    const key = JSON.stringify(thing);
    const unit = thing.kind === 'material' ? 'm' : 'pieces';
    const item = items.get(key) ?? { thing, unit, count: 0, spares: 0 };
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
      add(materialOf(cut), cut.lengthM * n, cut.lengthM * tippetShare(rig, cut) * cutOff);
    for (const { lengthM, endM } of boughtLeaders(rig))
      add({ kind: 'tapered-leader', lengthM, endM }, n, cutOff * LEADERS_PER_CUT);
    for (const { hookSize, dressing, bead, beadDiameterM } of rig.flies)
      add(
        { kind: 'fly', hookSize, dressing, bead, beadDiameterM: bead === 'none' ? 0 : beadDiameterM },
        n,
        cutOff * CUT_SHARE + LOST_FLIES_PER_HOUR * hours * n,
      );
    for (const fitting of rig.fittings)
      if (fitting.kind === 'shot')
        add({ kind: 'shot', metal: fitting.metal, massKg: fitting.massKg }, n, cutOff);
      else
        add(
          { kind: 'indicator', style: fitting.style, diameterM: fitting.diameterM },
          n,
          cutOff * INDICATORS_PER_CUT,
        );
    add({ kind: 'line', weight: rig.line.weight, line: rig.line.kind }, n, 0);
  }
  return [...items.values()].map((item) => ({
    ...item,
    count: item.unit === 'm' ? Math.ceil(item.count * 2) / 2 : Math.ceil(item.count - 1e-9),
    spares:
      item.unit === 'm' ? Math.round(item.spares * 10) / 10 : Math.max(0, Math.ceil(item.spares - 1e-9)),
  }));
}

/** Tangles cost tippet and tags; the butt survives them. */
function tippetShare(rig: Rig, cut: Cut): number {
  const lost = rig.sections.some(
    ({ role, material, diameterM }) =>
      role === 'tippet' && material === cut.material && diameterM === cut.diameterM,
  );
  return lost ? 1 : 0;
}

function materialOf({ material, diameterM }: Cut): KitThing {
  return { kind: 'material', material, diameterM, strengthN: materialStrength(material, diameterM) };
}
