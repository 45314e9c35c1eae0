import { leaderLength, spans } from './leader-geometry';
import { KNOTS, type KnotUse, knotsFor } from '../tackle/knots';
import type { KnotId } from '../tackle/ids';
import type { Fly, FlyPlace, Rig, Section } from '../rig';

/** Most sections of a leader, and least length of one, metres. */
export const MAX_SECTIONS = 20;
export const SHORTEST_SECTION_M = 0.02;
/** Longest tag a fly hangs on, metres. */
export const LONGEST_TAG_M = 1;

/** A new section is this long, metres, and this much thinner than the one above it. */
const NEW_LENGTH_M = 0.4;
const NEW_STEP = 0.85;
const THINNEST_M = 0.0001;

/**
 * A section more below another, thinner by a step and tied with the strongest knot that holds both.
 *
 * @param aboveId the section it is tied to; null puts it at the fly line
 * @returns the rig as it was when it has as many sections as a leader can have
 */
export function addSection(rig: Rig, aboveId: string | null): Rig {
  if (rig.sections.length >= MAX_SECTIONS) return rig;
  const index = aboveId === null ? 0 : rig.sections.findIndex(({ id }) => id === aboveId) + 1;
  const above = rig.sections[index - 1];
  const below = rig.sections[index];
  const id = freeId(rig);
  const added: Section = {
    id,
    name: below ? 'step' : 'new tippet',
    role: below ? (above ?? below).role : 'tippet',
    lengthM: NEW_LENGTH_M,
    diameterM: above
      ? below
        ? (above.diameterM + below.diameterM) / 2
        : Math.max(THINNEST_M, above.diameterM * NEW_STEP)
      : (below?.diameterM ?? THINNEST_M),
    material: (above ?? below)?.material ?? 'copolymer',
    joint: 'loop-to-loop',
  };
  const sections = [...rig.sections.slice(0, index), added, ...rig.sections.slice(index)];
  return tied({ ...rig, byHand: true, sections }, [id, ...(index === 0 && below ? [below.id] : [])]);
}

/**
 * The leader without a section; the last one stays. What hung at its upper knot hangs at the next one down, or up where
 * there is none, and the lines it joined are tied to each other.
 */
export function removeSection(rig: Rig, id: string): Rig {
  const index = rig.sections.findIndex((section) => section.id === id);
  if (rig.sections.length < 2 || index < 0) return rig;
  const heir = rig.sections[index + 1] ?? (rig.sections[index - 1] as Section);
  const move = (at: FlyPlace): FlyPlace =>
    at.kind !== 'point' && at.sectionId === id ? { ...at, sectionId: heir.id } : at;
  const sections = rig.sections.filter((section) => section.id !== id);
  const flies = rig.flies.map((fly): Fly => ({ ...fly, at: move(fly.at) }));
  const shorter = { ...rig, byHand: true, sections, flies, hingeAt: rig.hingeAt === id ? null : rig.hingeAt };
  return fittingsKept(tied(shorter, index < sections.length ? [heir.id] : []));
}

/**
 * Slides the knot above a section along the leader: one side grows as the other shrinks. At the fly line the leader
 * itself grows or shrinks.
 *
 * @param aboveFlyM where the knot shall be, metres above the point fly
 */
export function moveJoint(rig: Rig, sectionId: string, aboveFlyM: number): Rig {
  const chain = spans(rig);
  const index = chain.findIndex(({ section }) => section.id === sectionId);
  const here = chain[index];
  if (!here) return rig;
  const upper = chain[index - 1];
  const topM = upper ? upper.topM - SHORTEST_SECTION_M : Number.POSITIVE_INFINITY;
  const atM = Math.min(topM, Math.max(here.bottomM + SHORTEST_SECTION_M, aboveFlyM));
  return fittingsKept({
    ...rig,
    sections: rig.sections.map((section, i) =>
      i === index
        ? { ...section, lengthM: atM - here.bottomM }
        : i === index - 1 && upper
          ? { ...section, lengthM: upper.topM - atM }
          : section,
    ),
  });
}

/** The last section made this long: the point fly moves. Fittings stay where they are on the leader. */
export function moveTip(rig: Rig, lengthM: number): Rig {
  const last = rig.sections.at(-1);
  if (!last) return rig;
  const keptM = Math.max(SHORTEST_SECTION_M, lengthM);
  const grownM = keptM - last.lengthM;
  return fittingsKept({
    ...rig,
    sections: rig.sections.map((section) => (section === last ? { ...last, lengthM: keptM } : section)),
    fittings: rig.fittings.map((fitting) => ({
      ...fitting,
      aboveFlyM: Math.max(SHORTEST_SECTION_M, fitting.aboveFlyM + grownM),
    })),
  });
}

/** A tag made this long, within what a tag can be. */
export function tagLength(rig: Rig, flyId: string, lengthM: number): Rig {
  const keptM = Math.min(LONGEST_TAG_M, Math.max(SHORTEST_SECTION_M, lengthM));
  return {
    ...rig,
    flies: rig.flies.map((fly) =>
      fly.id === flyId && fly.at.kind === 'tag' ? { ...fly, at: { ...fly.at, lengthM: keptM } } : fly,
    ),
  };
}

/** Fittings that would lie above the leader slide down to its top. */
export function fittingsKept(rig: Rig): Rig {
  const topM = leaderLength(rig);
  return rig.fittings.every(({ aboveFlyM }) => aboveFlyM <= topM)
    ? rig
    : {
        ...rig,
        fittings: rig.fittings.map((fitting) => ({
          ...fitting,
          aboveFlyM: Math.min(topM, fitting.aboveFlyM),
        })),
      };
}

/** These sections with a knot that suits what they join, where the one they have does not. */
function tied(rig: Rig, ids: readonly string[]): Rig {
  return {
    ...rig,
    sections: rig.sections.map((section, index) =>
      ids.includes(section.id) ? { ...section, joint: jointFor(rig, index) } : section,
    ),
  };
}

function jointFor(rig: Rig, index: number): KnotId {
  const section = rig.sections[index] as Section;
  const upper = rig.sections[index - 1];
  const onFly = rig.flies.some(({ at }) => at.kind === 'inline' && at.sectionId === section.id);
  const use: KnotUse = onFly ? 'line-to-bend' : upper ? 'line-to-line' : 'line-to-loop';
  const lines = upper && !onFly ? [upper.diameterM, section.diameterM] : [section.diameterM];
  const ratio = Math.max(...lines) / Math.min(...lines);
  const holds = (id: KnotId): boolean => {
    const { uses, maxDiameterRatio, rangeM } = KNOTS[id];
    return (
      uses.includes(use) &&
      ratio <= maxDiameterRatio &&
      lines.every((diameterM) => diameterM >= rangeM[0] && diameterM <= rangeM[1])
    );
  };
  if (use === 'line-to-loop') return 'loop-to-loop';
  if (holds(section.joint)) return section.joint;
  return knotsFor(use).find(({ id }) => holds(id))?.id ?? 'tippet-ring';
}

function freeId(rig: Rig): string {
  const taken = new Set([...rig.sections, ...rig.fittings, ...rig.flies].map(({ id }) => id));
  let n = rig.sections.length + 1;
  while (taken.has(`section-${n}`)) n += 1;
  return `section-${n}`;
}
