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
      level: 'stop',
      blockIds: first ? [first.id] : [],
      studentId: null,
      title: 'No safety talk first',
      reason: later
        ? 'The safety talk comes after other blocks, or not for everybody.'
        : 'Hats, glasses and hook distance come before any rod.',
      evidence: [{ label: 'first block', text: first?.title ?? '' }],
      fixes: [
        later
          ? {
              label: 'Move it to the start',
              change: { kind: 'edit', edit: { kind: 'move', blockId: later.id, startMin: 0, lane: null } },
            }
          : {
              label: 'Put a safety talk first',
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
