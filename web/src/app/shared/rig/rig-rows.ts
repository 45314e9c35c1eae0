import {
  boughtLeaders,
  cutList,
  formatForce,
  formatLength,
  formatTippet,
  type KnotId,
  type Link,
  linksTo,
  materialStrength,
  type Rig,
  spans,
  type UnitSystem,
} from '@doceo/core';
import { DRESSING_NAMES, KNOT_NAMES, MATERIAL_NAMES } from '@doceo/texts';

/** A length that is cut, or a leader that is bought whole. */
export interface CutRow {
  length: string;
  what: string;
}

/** What a rig is made of, each with its length. */
export function cutRows(rig: Rig, units: UnitSystem): CutRow[] {
  return [
    ...boughtLeaders(rig).map(({ lengthM, endM }) => ({
      length: formatLength(lengthM, units),
      what: `bought tapered leader, to ${formatTippet(endM, units)}`,
    })),
    ...cutList(rig).map(({ material, diameterM, lengthM }) => ({
      length: formatLength(lengthM, units),
      what: `${MATERIAL_NAMES[material]} ${formatTippet(diameterM, units)}, ${formatForce(materialStrength(material, diameterM, rig.measured), units)}`,
    })),
  ];
}

/** A knot that is tied. */
export interface KnotRow {
  knot: KnotId;
  name: string;
  joins: string;
  /** What it holds, and how one knows. */
  holds: string;
  /** Whether the rig parts here first. */
  weakest: boolean;
}

/** Who ties a rig, and which of his knots were broken on the scale. */
export interface TiedBy {
  name: string;
  knots: readonly KnotId[];
}

/** The knots of a rig in the order they are tied, from the line down, each with what it holds and who tied what was broken. */
export function knotRows(rig: Rig, units: UnitSystem, by: TiedBy | null): KnotRow[] {
  const links = rig.flies.flatMap((fly) => linksTo(rig, fly));
  // Of those that hold the same, the one nearest the last fly.
  const weakest = links.reduce<Link | null>(
    (worst, link) => (worst && worst.holdsN < link.holdsN ? worst : link),
    null,
  );
  const row = (id: string, knot: KnotId, joins: string): KnotRow => {
    const link = links.find((one) => one.id === id);
    return {
      ...{ knot, joins, name: KNOT_NAMES[knot] },
      holds: link ? holdsText(link, units, by?.knots.includes(knot) ? by.name : null) : '',
      weakest: link !== undefined && link.id === weakest?.id,
    };
  };
  const chain = spans(rig);
  const joints = chain.map(({ section }, i) =>
    row(
      `${section.id}/joint`,
      section.joint,
      `${chain[i - 1]?.section.name ?? 'fly line'} to ${section.name}`,
    ),
  );
  const flies = rig.flies.map((fly) =>
    row(
      `${fly.id}/knot`,
      fly.knot,
      `${fly.at.kind === 'point' ? 'end of the leader' : fly.at.kind === 'tag' ? 'tag' : 'leader'} to #${fly.hookSize} ${DRESSING_NAMES[fly.dressing]}`,
    ),
  );
  return [...joints, ...flies].filter(({ knot }) => knot !== 'tapered');
}

function holdsText({ holdsN, measured }: Link, units: UnitSystem, by: string | null): string {
  const force = formatForce(holdsN, units);
  if (!measured) return `about ${force}`;
  const broken = `broken ${measured.readings === 1 ? 'once' : `${measured.readings} times`}`;
  return by ? `${force} as ${by} ties it, ${broken}` : `${force}, ${broken}`;
}
