import { formatDiameter, type UnitSystem } from '../../units';
import { type Knot, KNOTS, type KnotUse, knotsFor } from '../tackle/knots';
import type { KnotId, MaterialId } from '../tackle/ids';
import { MATERIALS } from '../tackle/materials';
import type { Fly, Rig, Section } from '../rig';
import type { RigRule, RigSnag } from './rule';

interface Strand {
  name: string;
  diameterM: number;
  material: MaterialId;
}

/** A knot of the rig: what it is for, and the one or two lines it is tied in. */
interface Tied {
  id: string;
  knot: KnotId;
  use: KnotUse;
  /** The line tied, and the other one where it joins two. */
  line: Strand;
  other: Strand | null;
  retie: (knot: KnotId) => Rig;
}

/** Each knot against the diameters and materials it is tied in, and what it joins. */
export const knotsFit: RigRule = (rig, { system }) =>
  [...joints(rig), ...flyKnots(rig)].flatMap((tied) => unsuited(tied, system) ?? []);

function joints(rig: Rig): Tied[] {
  return rig.sections.flatMap((section, index) => {
    if (section.joint === 'tapered') return [];
    const upper = rig.sections[index - 1];
    const onFly = rig.flies.some(({ at }) => at.kind === 'inline' && at.sectionId === section.id);
    return [
      {
        id: section.id,
        knot: section.joint,
        use: onFly ? 'line-to-bend' : upper ? 'line-to-line' : 'line-to-loop',
        line: section,
        other: upper && !onFly ? upper : null,
        retie: (joint) => ({
          ...rig,
          sections: rig.sections.map((one): Section => (one === section ? { ...section, joint } : one)),
        }),
      },
    ];
  });
}

function flyKnots(rig: Rig): Tied[] {
  return rig.flies.flatMap((fly) => {
    const line = strandOf(rig, fly);
    return line
      ? [
          {
            id: fly.id,
            knot: fly.knot,
            use: 'line-to-fly' as const,
            line,
            other: null,
            retie: (knot: KnotId) => ({
              ...rig,
              flies: rig.flies.map((one): Fly => (one === fly ? { ...fly, knot } : one)),
            }),
          },
        ]
      : [];
  });
}

/** The line a fly is tied to: its tag, the last section, or the one above its joint. */
function strandOf(rig: Rig, { at, name }: Fly): Strand | null {
  if (at.kind === 'tag') return { ...at, name: `tag of the ${name}` };
  if (at.kind === 'point') return rig.sections.at(-1) ?? null;
  return rig.sections[rig.sections.findIndex(({ id }) => id === at.sectionId) - 1] ?? null;
}

function unsuited(tied: Tied, system: UnitSystem): RigSnag | null {
  const knot = KNOTS[tied.knot];
  const problem = problemOf(knot, tied, system);
  if (!problem) return null;
  const better = knotsFor(tied.use).find((candidate) => problemOf(candidate, tied, system) === null);
  return {
    id: `knot-unsuited/${tied.id}`,
    rule: 'knot-unsuited',
    level: 'mind',
    title: `${capital(knot.name)} does not suit here`,
    reason: problem,
    evidence: [tied.line, ...(tied.other ? [tied.other] : [])].map(({ name, diameterM, material }) => ({
      label: name,
      text: `${formatDiameter(diameterM, system)} ${MATERIALS[material].name}`,
    })),
    fixes: better ? [{ label: `Use a ${better.name}`, change: tied.retie(better.id) }] : [],
  };
}

const JOINS: Record<KnotUse, string> = {
  'line-to-fly': 'tie a line to a fly',
  'line-to-bend': 'join a line to a fly',
  'line-to-line': 'join two lines',
  'line-to-loop': 'join a leader to the loop of a fly line',
  'line-to-ring': 'tie a line to a ring',
};

/** Why a knot does not suit, or null when it does. */
function problemOf(knot: Knot, { use, line, other }: Tied, system: UnitSystem): string | null {
  if (!knot.uses.includes(use)) return `It is not a knot to ${JOINS[use]}.`;
  const strands = other ? [line, other] : [line];
  const slips = strands.find(({ material }) => knot.notIn.includes(material));
  if (slips) return `It slips in ${MATERIALS[slips.material].name} (${slips.name}).`;
  const [thinnestM, thickestM] = knot.rangeM;
  const outside = strands.find(
    ({ diameterM }) => diameterM < thinnestM - EPSILON_M || diameterM > thickestM + EPSILON_M,
  );
  if (outside)
    return `It seats well from ${formatDiameter(thinnestM, system)} to ${formatDiameter(thickestM, system)}; ${outside.name} is ${formatDiameter(outside.diameterM, system)}.`;
  if (!other) return null;
  const ratio = largerRatio(line.diameterM, other.diameterM);
  if (ratio > knot.maxDiameterRatio)
    return `${capital(other.name)} and ${line.name} differ ${ratio.toFixed(1)}-fold in diameter; this knot slips above ${knot.maxDiameterRatio}.`;
  const stiffness = largerRatio(MATERIALS[line.material].modulusPa, MATERIALS[other.material].modulusPa);
  if (knot.maxModulusRatio !== null && stiffness > knot.maxModulusRatio)
    return `${capital(MATERIALS[other.material].name)} and ${MATERIALS[line.material].name} are too unlike in stiffness: the wraps lie unevenly.`;
  return null;
}

/** A hair of tolerance, so that a size at the end of a range is within it; metres. */
const EPSILON_M = 5e-6;

function largerRatio(a: number, b: number): number {
  return Math.max(a, b) / Math.min(a, b);
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
