import { CoreError } from '../../error';
import type { Fitting, Fly, Rig, Section } from '../rig';

/** A section with where its two ends lie, metres above the point fly along the leader. */
export interface Span {
  section: Section;
  topM: number;
  bottomM: number;
}

/** Length of the leader from fly line to point fly, metres. Dropper tags are not part of it. */
export function leaderLength(rig: Rig): number {
  return rig.sections.reduce((sum, section) => sum + section.lengthM, 0);
}

/** Sections from the fly line down, each with its ends measured from the point fly. */
export function spans(rig: Rig): Span[] {
  let topM = leaderLength(rig);
  return rig.sections.map((section) => {
    const bottomM = Math.max(0, topM - section.lengthM);
    const span = { section, topM, bottomM };
    topM = bottomM;
    return span;
  });
}

/**
 * The section a point of the leader lies on.
 *
 * @param aboveFlyM metres above the point fly
 * @throws CoreError 'out-of-range' for a rig without sections
 */
export function sectionAt(rig: Rig, aboveFlyM: number): Section {
  const all = spans(rig);
  const hit = all.find((span) => aboveFlyM >= span.bottomM) ?? all[all.length - 1];
  if (!hit) throw new CoreError('out-of-range', { name: 'sections', value: 0, min: 1 });
  return hit.section;
}

/** The fly at the end of the leader; undefined when there is none. */
export function pointFly(rig: Rig): Fly | undefined {
  return rig.flies.find((fly) => fly.at.kind === 'point');
}

/** The indicator on the leader; undefined when there is none. */
export function indicatorOf(rig: Rig): (Fitting & { kind: 'indicator' }) | undefined {
  return rig.fittings.find((fitting) => fitting.kind === 'indicator');
}

/**
 * Where a fly sits in the leader, or its tag leaves it: metres above the point fly; 0 for the point fly.
 *
 * @throws CoreError 'unknown-id' for a fly on a section that the rig does not have
 */
export function flyAttachment(rig: Rig, fly: Fly): number {
  const at = fly.at;
  if (at.kind === 'point') return 0;
  const span = spans(rig).find((candidate) => candidate.section.id === at.sectionId);
  if (!span) throw new CoreError('unknown-id', { name: 'sectionId', value: at.sectionId });
  return span.topM;
}
