import type { RigUse } from '../rig';
import type { PlanBody } from './plan';
import { blocksOfLane } from './timing';

/**
 * Who fishes which rig of a plan, and for how long.
 *
 * @param students in the order of the lanes; lanes without one count as a student without a record
 * @returns a use for each rig that a block asks for; hours are the mean of those who fish it
 */
export function rigUses(plan: PlanBody, students: RigUse['students']): RigUse[] {
  const lanes = Array.from({ length: Math.max(plan.groupSize, students.length) }, (_, lane) => ({
    student: students[lane] ?? { name: `Student ${lane + 1}`, tanglesPerHour: null },
    blocks: blocksOfLane(plan, lane),
  }));
  return plan.rigs.flatMap(({ id, name, rig }) => {
    const users = lanes.flatMap(({ student, blocks }) => {
      const minutes = blocks
        .filter(({ rigId }) => rigId === id)
        .reduce((sum, { durationMin }) => sum + durationMin, 0);
      return minutes > 0 ? [{ student, minutes }] : [];
    });
    if (users.length === 0) return [];
    const hours = users.reduce((sum, { minutes }) => sum + minutes, 0) / users.length / 60;
    return [{ rig, name, hours, students: users.map(({ student }) => student) }];
  });
}
