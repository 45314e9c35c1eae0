import { planEnd } from '../timing';
import { applyEdit } from '../edits';
import type { PlanRule } from './rule';

/** The blocks run past the length of the lesson. */
export const overTime: PlanRule = (plan) => {
  const over = planEnd(plan) - plan.lengthMin;
  if (over <= 0) return [];
  const shortened = planEnd(applyEdit(plan, { kind: 'fit' }));
  return [
    {
      id: 'over-time',
      rule: 'over-time',
      level: over > 15 ? 'stop' : 'mind',
      blockIds: [],
      studentId: null,
      title: `${over} min over time`,
      reason: `The blocks end ${over} minutes after the lesson does.`,
      evidence: [
        { label: 'blocks end at', text: `${planEnd(plan)} min` },
        { label: 'lesson', text: `${plan.lengthMin} min` },
      ],
      fixes: [
        ...(shortened <= plan.lengthMin
          ? [{ label: 'Shorten drills to fit', change: { kind: 'edit', edit: { kind: 'fit' } } } as const]
          : []),
        {
          label: `Make it ${planEnd(plan)} min`,
          change: { kind: 'edit', edit: { kind: 'set', change: { lengthMin: planEnd(plan) } } },
        },
      ],
    },
  ];
};
