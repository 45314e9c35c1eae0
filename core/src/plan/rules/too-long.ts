import { drillOf } from '../carried';
import { type Block, STEP_MIN } from '../plan';
import type { PlanRule } from './rule';

/** A block may be longer than its drill is meant for by so much, minutes. */
const SLACK_MIN = 5;

/** Drills that last longer than they are meant to: who listens or casts the same for so long learns no more by it. */
export const tooLong: PlanRule = (plan, _lesson, curriculum) => {
  const long = plan.blocks.flatMap((block): { block: Block; mostMin: number }[] => {
    const mostMin = drillOf(curriculum, block)?.minutes.max ?? Infinity;
    return block.durationMin > mostMin + SLACK_MIN ? [{ block, mostMin }] : [];
  });
  if (long.length === 0) return [];
  const told = new Map(
    long.map(({ block, mostMin }) => [
      `${block.title}/${block.durationMin}`,
      { block: block.title, minutes: block.durationMin, mostMin },
    ]),
  );
  return [
    {
      ...{ id: 'too-long', rule: 'too-long', level: 'check', studentId: null },
      facts: { blocks: [...told.values()] },
      blockIds: long.map(({ block }) => block.id),
      fixes: [
        {
          does: 'as-meant',
          change: {
            kind: 'edit',
            edit: {
              kind: 'all',
              edits: long.map(({ block, mostMin }) => ({
                kind: 'resize',
                blockId: block.id,
                durationMin: Math.ceil(mostMin / STEP_MIN) * STEP_MIN,
              })),
            },
          },
        },
      ],
    },
  ];
};
