import { flyAttachment, spans } from '../leader/leader-geometry';
import { knotShare } from '../tackle/knots';
import type { KnotId } from '../tackle/ids';
import { materialStrength } from '../tackle/materials';
import { type Measured, measuredOf } from '../measured/measured';
import { measuredKey } from '../measured/measured-key';
import type { Fly, Rig, Section } from '../rig';
import type { RigPart } from '../rig-part';

/** One place where a leader can part. */
export interface Link {
  id: string;
  part: RigPart;
  kind: 'section' | 'knot';
  holdsN: number;
  /** The reading behind it, where its strength or its knot was measured. */
  measured: Measured | null;
  /** Whether it is part of the tippet or a tag: the place where a rig should break. */
  expendable: boolean;
  /** Metres of leader that stay with the fly when it parts here. */
  lostLengthM: number;
  /** Flies that go with it. */
  lostFlies: number;
}

/**
 * Every link that carries the pull of one fly, from the fly line down to it.
 *
 * A joint holds the weaker of the two lines it joins × the knot's share; the fly line itself is taken as stronger than
 * any leader (its core holds about 90 N).
 */
export function linksTo(rig: Rig, fly: Fly): Link[] {
  const fromM = flyAttachment(rig, fly);
  const carried = (aboveM: number): number =>
    rig.flies.filter((other) => flyAttachment(rig, other) < aboveM + 1e-9).length;
  const links: Link[] = [];
  let above: { name: string; strengthN: number; role: string } | null = null;
  for (const { section, topM, bottomM } of spans(rig)) {
    if (topM <= fromM + 1e-9) break;
    const strengthN = materialStrength(section.material, section.diameterM, rig.measured);
    const inline = rig.flies.find(({ at }) => at.kind === 'inline' && at.sectionId === section.id);
    if (inline && above) links.push(inlineKnot(rig, inline, above.strengthN, topM));
    const weaker = above && above.strengthN < strengthN ? above.role : section.role;
    // A taper that is bought has no knot inside.
    if (section.joint !== 'tapered')
      links.push({
        id: `${section.id}/joint`,
        part: { kind: 'joint', knot: section.joint, upper: above?.name ?? null, lower: section.name },
        kind: 'knot',
        holdsN:
          Math.min(above?.strengthN ?? Number.POSITIVE_INFINITY, strengthN) *
          knotShare(section.joint, rig.measured),
        measured: knotReading(rig, section.joint),
        expendable: weaker === 'tippet',
        lostLengthM: topM,
        lostFlies: carried(topM),
      });
    links.push({
      id: section.id,
      part: { kind: 'section', name: section.name },
      kind: 'section',
      holdsN: strengthN,
      measured: strengthReading(rig, section),
      expendable: section.role === 'tippet',
      lostLengthM: topM,
      lostFlies: carried(bottomM + (topM - bottomM) / 2),
    });
    above = { name: section.name, strengthN, role: section.role };
  }
  if (fly.at.kind === 'inline') {
    if (above) links.push(inlineKnot(rig, fly, above.strengthN, fromM));
  } else if (fly.at.kind === 'tag') {
    const tagN = materialStrength(fly.at.material, fly.at.diameterM, rig.measured);
    links.push({
      id: `${fly.id}/tag`,
      part: { kind: 'tag', fly: fly.name },
      kind: 'section',
      holdsN: tagN,
      measured: strengthReading(rig, fly.at),
      expendable: true,
      lostLengthM: fly.at.lengthM,
      lostFlies: 1,
    });
    links.push(flyKnot(rig, fly, tagN));
  } else if (above) {
    links.push(flyKnot(rig, fly, above.strengthN));
  }
  return links;
}

/** The knot that ties a fly in the middle of the leader; what hangs below it goes too. */
function inlineKnot(rig: Rig, fly: Fly, lineN: number, topM: number): Link {
  return {
    ...flyKnot(rig, fly, lineN),
    lostLengthM: topM,
    lostFlies: rig.flies.filter((other) => flyAttachment(rig, other) < topM + 1e-9).length,
  };
}

function flyKnot(rig: Rig, fly: Fly, lineN: number): Link {
  return {
    id: `${fly.id}/knot`,
    part: { kind: 'fly-knot', knot: fly.knot, fly: fly.name },
    kind: 'knot',
    holdsN: lineN * knotShare(fly.knot, rig.measured),
    measured: knotReading(rig, fly.knot),
    expendable: true,
    lostLengthM: 0,
    lostFlies: 1,
  };
}

function knotReading({ measured }: Rig, knot: KnotId): Measured | null {
  return measuredOf(measured, 'knot-share', measuredKey.knot(knot)) ?? null;
}

function strengthReading(
  { measured }: Rig,
  { material, diameterM }: Pick<Section, 'material' | 'diameterM'>,
): Measured | null {
  return measuredOf(measured, 'material-strength', measuredKey.diameter(material, diameterM)) ?? null;
}

/** The link that parts first under a pull on this fly: the weakest, and of equals the one nearest the fly. */
export function weakestLink(rig: Rig, fly: Fly): Link | null {
  return linksTo(rig, fly).reduce<Link | null>(
    (worst, link) => (worst === null || link.holdsN <= worst.holdsN ? link : worst),
    null,
  );
}
