import type { PlanRule } from './rule';
import { wadesIn } from '../wades';

/** Blocks in the water where the card forbids to wade. */
export const noWading: PlanRule = (plan, lesson, curriculum) => {
  if (!lesson?.water.rules.forbidden?.includes('wading')) return [];
  const blocks = plan.blocks.filter((block) => wadesIn(curriculum, block));
  if (blocks.length === 0) return [];
  return [
    {
      ...{ id: 'no-wading', rule: 'no-wading', level: 'must-fix', studentId: null },
      facts: { water: lesson.water.name, blocks: [...new Set(blocks.map(({ title }) => title))] },
      blockIds: blocks.map(({ id }) => id),
      fixes: [
        {
          does: 'off',
          change: {
            kind: 'edit',
            edit: { kind: 'all', edits: blocks.map(({ id }) => ({ kind: 'remove', blockId: id })) },
          },
        },
      ],
    },
  ];
};
