import { boughtLeaders } from './bought-leader';
import { KNOTS } from '../tackle/knots';
import type { MaterialId } from '../tackle/ids';
import type { Rig } from '../rig';

/** Line that a knot takes, on each of the lines it joins, metres. Rule of thumb. */
export const KNOT_ALLOWANCE_M = 0.15;

export interface Cut {
  material: MaterialId;
  diameterM: number;
  lengthM: number;
}

/**
 * Leader material cut from spools for one rig: each section and tag with allowance for the knots at its ends, same
 * materials added up. A bought tapered leader is not cut and not among them.
 *
 * @returns thickest first
 */
export function cutList(rig: Rig): Cut[] {
  const cuts = new Map<string, Cut>();
  const add = (material: MaterialId, diameterM: number, lengthM: number): void => {
    const key = `${material}/${diameterM.toFixed(7)}`;
    const cut = cuts.get(key) ?? { material, diameterM, lengthM: 0 };
    cuts.set(key, { ...cut, lengthM: cut.lengthM + lengthM });
  };
  const bought = boughtLeaders(rig).flatMap(({ sections }) => sections);
  rig.sections.forEach((section) => {
    if (bought.includes(section)) return;
    const { material, diameterM, lengthM, joint } = section;
    const looped = KNOTS[joint].uses.includes('line-to-loop');
    add(material, diameterM, lengthM + KNOT_ALLOWANCE_M * (looped ? 1.5 : 1) + KNOT_ALLOWANCE_M);
  });
  for (const { at } of rig.flies)
    if (at.kind === 'tag') add(at.material, at.diameterM, at.lengthM + KNOT_ALLOWANCE_M);
  return [...cuts.values()].sort(
    (a, b) => b.diameterM - a.diameterM || a.material.localeCompare(b.material, 'en'),
  );
}
