import { type Rig, type RigProblem, rigProblems } from '../../rig';
import type { Water } from '../../water';
import type { PlanProblem, PlanRule } from './rule';

/** What was found of a rig at a water: a rig is an unchanging value, and most checks of a plan change none. */
const FOUND = new WeakMap<Rig, { water: Water | null; problems: RigProblem[] }>();

/** What is found of a rig at a water, the same list every time; null for no water. */
export function rigProblemsAt(rig: Rig, water: Water | null): RigProblem[] {
  const known = FOUND.get(rig);
  if (known && known.water === water) return known.problems;
  const problems = rigProblems(rig, { water });
  FOUND.set(rig, { water, problems });
  return problems;
}

/** What the check of rigs finds in the rigs that blocks fish; hooks over the card's limit have a rule of their own. */
export const rigOfBlocks: PlanRule = (plan, lesson) =>
  plan.rigs.flatMap((carried) => {
    const blockIds = plan.blocks.flatMap(({ id, rigId }) => (rigId === carried.id ? id : []));
    if (blockIds.length === 0) return [];
    return rigProblemsAt(carried.rig, lesson?.water ?? null)
      .filter(({ level, rule }) => level !== 'tip' && rule !== 'hooks-over-limit')
      .map((problem): PlanProblem => ({
        ...{ id: `rig/${carried.id}/${problem.id}`, rule: 'rig', level: problem.level, studentId: null },
        ...{ facts: { name: carried.name, problem }, blockIds },
        fixes: problem.fixes.map(({ does, change }) => ({
          does: { mends: does },
          change: {
            kind: 'edit',
            edit: {
              kind: 'set',
              change: {
                rigs: plan.rigs.map((other) => (other.id === carried.id ? { ...other, rig: change } : other)),
              },
            },
          },
        })),
      }));
  });
