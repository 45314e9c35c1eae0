import { ALONE, type PlanBody, type Staff } from '../plan';
import { faultsWith, taskFor } from '../schedule';
import type { PlanFix, PlanChange, PlanProblem, PlanRule } from './rule';

const RULES = ['supervision', 'minors'] as const;
const MOST_STAFF = 8;

/**
 * Somebody must be free to watch, by the same rules by which plans are made: eyes-on drills one group an instructor, so
 * many within call of an adult, no minor out of sight. Where nobody said who teaches it is a thing to check and no stop.
 */
export const watched: PlanRule = (plan, lesson, curriculum) => {
  if (!lesson || lesson.students.length === 0) return [];
  const staff = plan.staff ?? ALONE;
  const task = taskFor(plan, { use: 'for-group' }, { curriculum, lesson, closed: [] });
  // Only its own drills are looked at.
  const find = faultsWith({ ...task, drillIds: [], lockedIds: [] });
  const faults = find(plan.blocks, staff);
  return RULES.flatMap((rule): PlanProblem[] => {
    const own = faults.filter((fault) => fault.rule === rule);
    if (own.length === 0) return [];
    const isMended = (by: Staff): boolean => !find(plan.blocks, by).some((fault) => fault.rule === rule);
    return [
      {
        ...{ id: `watched/${rule}`, rule: 'watched', level: plan.staff ? 'must-fix' : 'check' },
        facts: {
          what: rule,
          moments: [...new Set(own.map(({ atMin }) => atMin))].map((atMin) => ({
            atMs: lesson.startMs + atMin * 60_000,
            blocks: titlesAt(plan, atMin),
          })),
          ...{ staff, timeZone: lesson.water.timeZone },
        },
        blockIds: [...new Set(own.flatMap(({ act }) => act?.blockIds ?? []))],
        studentId: null,
        fixes: (['assistant', 'instructor'] as const).flatMap((comes) => fixBy(staff, comes, isMended)),
      },
    ];
  });
};

function fixBy(
  staff: Staff,
  comes: 'assistant' | 'instructor',
  isMended: (staff: Staff) => boolean,
): { does: PlanFix; change: PlanChange }[] {
  const more = { ...staff, [`${comes}s`]: Math.min(MOST_STAFF, staff[`${comes}s`] + 1) };
  if (!isMended(more)) return [];
  return [{ does: { comes }, change: { kind: 'edit', edit: { kind: 'set', change: { staff: more } } } }];
}

function titlesAt({ blocks }: PlanBody, atMin: number): string[] {
  const on = blocks.filter(
    ({ drillId, startMin, durationMin }) =>
      drillId !== null && startMin <= atMin && atMin < startMin + durationMin,
  );
  return [...new Set(on.map(({ title }) => title))];
}
