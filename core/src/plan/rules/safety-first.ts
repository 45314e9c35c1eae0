import { deterministicId } from '../../random';
import type { Curriculum } from '../../curriculum';
import { blockFromDrill, plainBlock } from '../edits';
import type { Block, PlanBody } from '../plan';
import type { PlanRule } from './rule';

/** Nothing starts before the safety talk. */
export const safetyFirst: PlanRule = (plan, _lesson, curriculum) => {
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
                  block: safetyTalk(curriculum, plan),
                },
              },
            },
      ],
    },
  ];
};

const TALK_MIN = 10;

/** The school's own safety talk, or a plain block where it has none. */
function safetyTalk({ drills }: Curriculum, plan: PlanBody): Block {
  const id = deterministicId(`safety:${plan.blocks.map((block) => block.id).join()}`);
  const talk = drills.all.find(({ strand }) => strand === 'safety');
  return talk ? blockFromDrill(talk, id, 0) : plainBlock('safety', 'Safety talk', id, 0, TALK_MIN);
}
