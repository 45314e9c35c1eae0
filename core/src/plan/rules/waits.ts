import { blocksOfLane, endOf } from '../timing';
import type { PlanProblem, PlanRule } from './rule';

/** A student stands idle so long without harm, minutes. A rule of thumb. */
const LIMIT_MIN = 10;

/** Nobody stands about for long between two things. Students who wait alike are one problem. */
export const waits: PlanRule = (plan, lesson) => {
  if (!lesson) return [];
  const found = new Map<string, { fromMin: number; toMin: number; names: string[]; blockId: string }>();
  lesson.students.slice(0, plan.groupSize).forEach(({ name }, lane) => {
    let busyMin = 0;
    for (const block of blocksOfLane(plan, lane)) {
      const { startMin, id } = block;
      if (startMin - busyMin > LIMIT_MIN) {
        const key = `${busyMin}/${startMin}`;
        const had = found.get(key);
        found.set(key, {
          fromMin: busyMin,
          toMin: startMin,
          names: [...(had?.names ?? []), name],
          blockId: had?.blockId ?? id,
        });
      }
      busyMin = Math.max(busyMin, endOf(block));
    }
  });
  return [...found.values()].map(({ fromMin, toMin, names, blockId }): PlanProblem => ({
    ...{ id: `waits/${fromMin}/${toMin}`, rule: 'waits', level: 'check', studentId: null, fixes: [] },
    facts: {
      names,
      minutes: toMin - fromMin,
      fromMs: lesson.startMs + fromMin * 60_000,
      timeZone: lesson.water.timeZone,
    },
    blockIds: [blockId],
  }));
};
