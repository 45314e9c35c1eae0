import { groundOf } from '../../water';
import { drillOf } from '../carried';
import type { PlanRule, PlanProblem } from './rule';
import { drillSuits } from '../edits';

/** A block whose place does not exist at this water, or whose drill cannot be done on it. */
export const placeMissing: PlanRule = (plan, lesson, curriculum) =>
  plan.blocks.flatMap((block): PlanProblem[] => {
    const drill = drillOf(curriculum, block);
    const at = { rule: 'place-missing', blockIds: [block.id], studentId: null } as const;
    const suits = (kind: (typeof block)['place']): boolean => !drill || drillSuits(drill, kind);
    if (!suits(block.place)) {
      const other = lesson?.water.places.find((place) => suits(place.kind));
      return [
        {
          ...at,
          id: `place-wrong/${block.id}`,
          level: 'check',
          facts: {
            place: 'unsuited',
            block: block.title,
            kind: block.place,
            ground: drill?.ground ?? 'anywhere',
          },
          fixes: other
            ? [
                {
                  does: { place: other.name },
                  change: {
                    kind: 'edit',
                    edit: { kind: 'change', blockId: block.id, change: { place: other.kind } },
                  },
                },
              ]
            : [],
        },
      ];
    }
    // A water of which no place is named yet may have any.
    if (
      !lesson ||
      lesson.water.places.length === 0 ||
      block.place === 'anywhere' ||
      lesson.water.places.some((place) => place.kind === block.place)
    )
      return [];
    const instead =
      lesson.water.places.find(
        (place) => suits(place.kind) && groundOf(place.kind) === groundOf(block.place),
      ) ?? lesson.water.places.find((place) => suits(place.kind));
    return [
      {
        ...at,
        id: `place-missing/${block.id}`,
        level: 'must-fix',
        facts: {
          place: 'none',
          block: block.title,
          kind: block.place,
          water: lesson.water.name,
          places: lesson.water.places.map(({ name }) => name),
        },
        fixes: instead
          ? [
              {
                does: { place: instead.name },
                change: {
                  kind: 'edit',
                  edit: { kind: 'change', blockId: block.id, change: { place: instead.kind } },
                },
              },
            ]
          : [],
      },
    ];
  });
