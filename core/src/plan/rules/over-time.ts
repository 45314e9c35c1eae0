import { planEnd } from '../timing';
import { applyEdit } from '../edits';
import type { PlanRule } from './rule';

/** The blocks run past the length of the lesson. */
export const overTime: PlanRule = (plan, _lesson, curriculum) => {
  const over = planEnd(plan) - plan.lengthMin;
  if (over <= 0) return [];
  const shortened = planEnd(applyEdit(curriculum, plan, { kind: 'fit' }));
  return [
    {
      id: 'over-time',
      rule: 'over-time',
      level: over > 15 ? 'must-fix' : 'check',
      blockIds: [],
      studentId: null,
      facts: { overMin: over, endMin: planEnd(plan), lengthMin: plan.lengthMin },
      fixes: [
        ...(shortened <= plan.lengthMin
          ? [{ does: 'shorten', change: { kind: 'edit', edit: { kind: 'fit' } } } as const]
          : []),
        {
          does: { lengthenToMin: planEnd(plan) },
          change: { kind: 'edit', edit: { kind: 'set', change: { lengthMin: planEnd(plan) } } },
        },
      ],
    },
  ];
};
