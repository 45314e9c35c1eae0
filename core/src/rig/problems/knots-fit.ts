import { type Knot, KNOTS, type KnotUse, knotsFor } from '../tackle/knots';
import type { KnotId } from '../tackle/ids';
import { MATERIALS } from '../tackle/materials';
import type { Fly, Rig, Section } from '../rig';
import { sectionLine, tagLine, type TiedLine } from '../tied-line';
import type { KnotMisfit, RigProblem, RigRule } from './rule';

/** A knot of the rig: what it is for, and the one or two lines it is tied in. */
interface Tied {
  id: string;
  knot: KnotId;
  use: KnotUse;
  /** The line tied, and the other one where it joins two. */
  line: TiedLine;
  other: TiedLine | null;
  retie: (knot: KnotId) => Rig;
}

/** Each knot against the diameters and materials it is tied in, and what it joins. */
export const knotsFit: RigRule = (rig) =>
  [...joints(rig), ...flyKnots(rig)].flatMap((tied) => unsuited(tied) ?? []);

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
        line: sectionLine(section),
        other: upper && !onFly ? sectionLine(upper) : null,
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
function strandOf(rig: Rig, { at, name }: Fly): TiedLine | null {
  if (at.kind === 'tag') return tagLine(name, at);
  const section =
    at.kind === 'point'
      ? rig.sections.at(-1)
      : rig.sections[rig.sections.findIndex(({ id }) => id === at.sectionId) - 1];
  return section ? sectionLine(section) : null;
}

function unsuited(tied: Tied): RigProblem | null {
  const misfit = misfitOf(KNOTS[tied.knot], tied);
  if (!misfit) return null;
  const better = knotsFor(tied.use).find((candidate) => misfitOf(candidate, tied) === null);
  const strands = [tied.line, ...(tied.other ? [tied.other] : [])];
  return {
    id: `knot-unsuited/${tied.id}`,
    rule: 'knot-unsuited',
    level: 'check',
    facts: {
      knot: tied.knot,
      misfit,
      strands,
    },
    fixes: better ? [{ does: { tie: better.id }, change: tied.retie(better.id) }] : [],
  };
}

/** Why a knot does not suit, or null when it does. */
function misfitOf(knot: Knot, { use, line, other }: Tied): KnotMisfit | null {
  if (!knot.uses.includes(use)) return { kind: 'other-use', use };
  const strands = other ? [line, other] : [line];
  const slips = strands.find(({ material }) => knot.notIn.includes(material));
  if (slips) return { kind: 'slips', strand: slips };
  const [thinnestM, thickestM] = knot.rangeM;
  const outside = strands.find(
    ({ diameterM }) => diameterM < thinnestM - EPSILON_M || diameterM > thickestM + EPSILON_M,
  );
  if (outside) return { kind: 'outside-range', strand: outside, thinnestM, thickestM };
  if (!other) return null;
  const both = { upper: other, lower: line };
  const ratio = largerRatio(line.diameterM, other.diameterM);
  if (ratio > knot.maxDiameterRatio)
    return { kind: 'diameters-differ', ...both, ratio, maxRatio: knot.maxDiameterRatio };
  const stiffness = largerRatio(MATERIALS[line.material].modulusPa, MATERIALS[other.material].modulusPa);
  return knot.maxModulusRatio !== null && stiffness > knot.maxModulusRatio
    ? { kind: 'stiffness-differs', ...both }
    : null;
}

/** A hair of tolerance, so that a size at the end of a range is within it; metres. */
const EPSILON_M = 5e-6;

function largerRatio(a: number, b: number): number {
  return Math.max(a, b) / Math.min(a, b);
}
