import { sunTimes } from '../../sun';
import { planEnd } from '../timing';
import { clockTime, type PlanRule } from './rule';

const MS_PER_MIN = 60_000;

/** The lesson must start and end in usable light: from first to last light, with sunset as the warning. */
export const darkBeforeEnd: PlanRule = (plan, lesson) => {
  if (!lesson) return [];
  const { latitude, longitude, timeZone } = lesson.water;
  const sun = sunTimes(latitude, longitude, Date.parse(`${lesson.date}T12:00:00Z`));
  const endMs = lesson.startMs + Math.max(planEnd(plan), plan.lengthMin) * MS_PER_MIN;
  const time = (ms: number): string => clockTime(ms, timeZone);
  const at = { rule: 'dark-before-end', blockIds: [], studentId: null } as const;
  const snags: ReturnType<PlanRule> = [];
  if (sun.dawnMs !== null && lesson.startMs < sun.dawnMs) {
    snags.push({
      ...at,
      id: 'dark-at-start',
      level: 'stop',
      title: 'Starts in the dark',
      reason: `First light is at ${time(sun.dawnMs)}.`,
      evidence: [{ label: 'start', text: time(lesson.startMs) }],
      fixes: [],
    });
  }
  if (sun.sunsetMs !== null && sun.duskMs !== null && endMs > sun.sunsetMs) {
    const byMin = Math.ceil((endMs - sun.sunsetMs) / MS_PER_MIN / 15) * 15;
    const startsLight = sun.sunriseMs === null || lesson.startMs - byMin * MS_PER_MIN >= sun.sunriseMs;
    snags.push({
      ...at,
      id: 'dark-before-end',
      level: endMs > sun.duskMs ? 'stop' : 'mind',
      title: endMs > sun.duskMs ? 'Dark before the end' : 'Sun down before the end',
      reason: `The lesson ends at ${time(endMs)}; the sun sets at ${time(sun.sunsetMs)} and light is gone at ${time(sun.duskMs)}.`,
      evidence: [
        { label: 'end', text: time(endMs) },
        { label: 'sunset', text: time(sun.sunsetMs) },
      ],
      fixes: startsLight
        ? [{ label: `Start ${byMin} min earlier`, change: { kind: 'start-earlier', byMin } }]
        : [],
    });
  }
  return snags;
};
