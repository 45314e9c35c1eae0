import { sunTimes } from '../../sun';
import { planEnd } from '../timing';
import type { PlanRule } from './rule';

const MS_PER_MIN = 60_000;

/** The lesson must start and end in usable light: from first to last light, with sunset as the warning. */
export const darkBeforeEnd: PlanRule = (plan, lesson) => {
  if (!lesson) return [];
  const { latitude, longitude, timeZone } = lesson.water;
  if (latitude === null || longitude === null) return [];
  const sun = sunTimes(latitude, longitude, Date.parse(`${lesson.date}T12:00:00Z`));
  const endMs = lesson.startMs + Math.max(planEnd(plan), plan.lengthMin) * MS_PER_MIN;
  const at = { rule: 'dark-before-end', blockIds: [], studentId: null } as const;
  const problems: ReturnType<PlanRule> = [];
  if (sun.dawnMs !== null && lesson.startMs < sun.dawnMs) {
    problems.push({
      ...at,
      id: 'dark-at-start',
      level: 'must-fix',
      facts: { dark: 'start', startMs: lesson.startMs, dawnMs: sun.dawnMs, timeZone },
      fixes: [],
    });
  }
  if (sun.sunsetMs !== null && sun.duskMs !== null && endMs > sun.sunsetMs) {
    const byMin = Math.ceil((endMs - sun.sunsetMs) / MS_PER_MIN / 15) * 15;
    const startsLight = sun.sunriseMs === null || lesson.startMs - byMin * MS_PER_MIN >= sun.sunriseMs;
    problems.push({
      ...at,
      id: 'dark-before-end',
      level: endMs > sun.duskMs ? 'must-fix' : 'check',
      facts: { dark: 'end', endMs, sunsetMs: sun.sunsetMs, duskMs: sun.duskMs, timeZone },
      fixes: startsLight ? [{ does: { earlierMin: byMin }, change: { kind: 'start', byMin: -byMin } }] : [],
    });
  }
  return problems;
};
