import { findDrill } from '../../drill';
import { groundOf } from '../../water';
import type { PlanRule, PlanSnag } from './rule';
import { drillSuits } from '../edits';

/** A block whose place does not exist at this water, or whose drill cannot be done on it. */
export const placeMissing: PlanRule = (plan, lesson) =>
  plan.blocks.flatMap((block): PlanSnag[] => {
    const drill = findDrill(block.drillId ?? '');
    const at = { rule: 'place-missing', blockIds: [block.id], studentId: null } as const;
    const suits = (kind: (typeof block)['place']): boolean => !drill || drillSuits(drill, kind);
    if (!suits(block.place)) {
      const other = lesson?.water.places.find((place) => suits(place.kind));
      return [
        {
          ...at,
          id: `place-wrong/${block.id}`,
          level: 'mind',
          title: 'Wrong ground for the drill',
          reason: `“${block.title}” needs ${drill?.ground}; the block is at ${block.place}.`,
          evidence: [{ label: 'place', text: `${block.place} (${groundOf(block.place)})` }],
          fixes: other
            ? [
                {
                  label: `At ${other.name}`,
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
    if (
      !lesson ||
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
        level: 'stop',
        title: `No ${block.place} here`,
        reason: `${lesson.water.name} has no ${block.place} for “${block.title}”.`,
        evidence: [
          { label: 'places here', text: lesson.water.places.map((place) => place.name).join(', ') || 'none' },
        ],
        fixes: instead
          ? [
              {
                label: `At ${instead.name}`,
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
