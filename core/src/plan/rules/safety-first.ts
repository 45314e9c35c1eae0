import { deterministicId } from '../../random';
import { blockFromDrill } from '../edits';
import type { PlanRule } from './rule';

/** Nothing starts before the safety talk. */
export const safetyFirst: PlanRule = (plan) => {
  if (plan.blocks.length === 0) return [];
  const first = [...plan.blocks].sort((a, b) => a.startMin - b.startMin)[0];
  if (first?.kind === 'safety' && first.lane === null) return [];
  const later = plan.blocks.find((block) => block.kind === 'safety');
  return [
    {
      id: 'safety-first',
      rule: 'safety-first',
      level: 'must-fix',
      blockIds: first ? [first.id] : [],
      studentId: null,
      facts: { firstBlock: first?.title ?? '', later: later !== undefined },
      fixes: [
        later
          ? {
              does: 'safety-to-start',
              change: { kind: 'edit', edit: { kind: 'move', blockId: later.id, startMin: 0, lane: null } },
            }
          : {
              does: 'add-safety',
              change: {
                kind: 'edit',
                edit: {
                  kind: 'add',
                  block: blockFromDrill(
                    'hats-and-glasses',
                    deterministicId(`safety:${plan.blocks.map((block) => block.id).join()}`),
                    0,
                  ),
                },
              },
            },
      ],
    },
  ];
};
