import { leaderLength } from '../../rig';
import { hookDistance, type Outfit, studentsThatFit } from '../../safety';
import { isSaid } from '../../origin';
import { groundSuits, type Place, type PlaceKind, type Water } from '../../water';
import { drillOf } from '../carried';
import type { Block, PlanBody } from '../plan';
import { endOf } from '../timing';
import type { PlanRule } from './rule';

/** The longest place of a kind at a water; null when there is none. */
export function longestPlace(water: Water, kind: PlaceKind): Place | null {
  return water.places
    .filter((place) => place.kind === kind)
    .reduce<Place | null>(
      (longest, place) => (place.lengthM > (longest?.lengthM ?? 0) ? place : longest),
      null,
    );
}

/** A group too large for the place: students at the same kind of place at the same time, lines out. */
export const hookDistanceRule: PlanRule = (plan, lesson, curriculum) => {
  if (!lesson) return [];
  const present = Math.max(1, lesson.students.length);
  return plan.blocks.flatMap((block) => {
    const lineOutM = drillOf(curriculum, block)?.lineOutM ?? 0;
    const longest = longestPlace(lesson.water, block.place);
    if (lineOutM === 0 || longest === null) return [];
    const together = studentsAt(plan, block, present);
    const distanceM = hookDistance(lineOutM, outfitOf(plan, block));
    const fit = studentsThatFit(longest.lengthM, distanceM);
    if (together <= fit) return [];
    const longer = lesson.water.places.find(
      (place) =>
        place.kind !== block.place &&
        groundSuits(drillOf(curriculum, block)?.ground ?? 'anywhere', place.kind) &&
        studentsThatFit(place.lengthM, distanceM) >= together,
    );
    return [
      {
        id: `hook-distance/${block.id}`,
        rule: 'hook-distance',
        level: isSaid(longest.lengthFrom) ? 'must-fix' : 'check',
        blockIds: [block.id],
        studentId: null,
        facts: {
          students: together,
          fit,
          block: block.title,
          place: block.place,
          lineOutM,
          distanceM,
          lengthM: longest.lengthM,
          lengthFrom: longest.lengthFrom,
        },
        fixes: longer
          ? [
              {
                does: { longerPlace: longer.name },
                change: {
                  kind: 'edit',
                  edit: { kind: 'change', blockId: block.id, change: { place: longer.kind } },
                },
              },
            ]
          : [],
      },
    ];
  });
};

/** Rod and leader of a block's rig; undefined where it has none, and those of beginners are taken. */
export function outfitOf(plan: PlanBody, block: Block): Outfit | undefined {
  const rig = plan.rigs.find(({ id }) => id === block.rigId)?.rig;
  return rig && { rodM: rig.rod.lengthM, leaderM: leaderLength(rig) };
}

function studentsAt(plan: PlanBody, block: Block, present: number): number {
  if (block.lane === null) return present;
  return plan.blocks.filter(
    (other) =>
      other.lane !== null &&
      other.lane < present &&
      other.place === block.place &&
      other.startMin < endOf(block) &&
      block.startMin < endOf(other),
  ).length;
}
