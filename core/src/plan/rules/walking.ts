import { blocksOfLane } from '../timing';
import { metresBetween } from '../walk';
import type { PlanProblem, PlanRule } from './rule';

/** A group may go so often from place to place, and so far, before it costs a drill. Rules of thumb; metres. */
const WALKS = 3;
const FAR_M = 250;

/** How often and how far each goes between the places of his blocks. Who walks alike is told once. */
export const walking: PlanRule = (plan, lesson) => {
  if (!lesson) return [];
  const found = new Map<string, { names: string[]; walks: number; metres: number; blockIds: string[] }>();
  lesson.students.slice(0, plan.groupSize).forEach(({ name }, lane) => {
    const stops = blocksOfLane(plan, lane).filter(({ place }) => place !== 'anywhere');
    const moves = stops.slice(1).flatMap((stop, i) => {
      const from = stops[i]?.place ?? stop.place;
      return from === stop.place
        ? []
        : { id: stop.id, metres: metresBetween(lesson.water, from, stop.place) ?? 0 };
    });
    const metres = moves.reduce((sum, move) => sum + move.metres, 0);
    if (moves.length <= WALKS && metres <= FAR_M) return;
    const key = `${moves.length}/${Math.round(metres)}`;
    const alike = found.get(key) ?? { names: [], walks: moves.length, metres, blockIds: [] };
    found.set(key, {
      ...alike,
      names: [...alike.names, name],
      blockIds: [...new Set([...alike.blockIds, ...moves.map(({ id }) => id)])],
    });
  });
  return [...found.entries()].map(([key, { names, walks, metres, blockIds }]): PlanProblem => ({
    ...{ id: `walking/${key}`, rule: 'walking', level: 'tip', studentId: null, fixes: [] },
    facts: { names, walks, metres: Math.round(metres) },
    blockIds,
  }));
};
