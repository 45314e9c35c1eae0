import { inSeason, lastSeasonEnd } from '../../water';
import type { PlanRule } from './rule';

/** The rule card must have been read by a person since the last season ended, and the day must lie in the season. */
export const ruleCard: PlanRule = (_plan, lesson) => {
  if (!lesson) return [];
  const { name, rules } = lesson.water;
  const snags: ReturnType<PlanRule> = [];
  const since = lastSeasonEnd(lesson.date, rules.seasonTo);
  const fixes = [{ does: 'open-card', change: { kind: 'open', what: 'rule-card', id: null } } as const];
  const at = { blockIds: [], studentId: null, fixes };
  if (rules.checkedOn === null || rules.checkedOn <= since) {
    snags.push({
      ...at,
      id: 'rule-card',
      rule: 'rule-card',
      level: 'stop',
      facts: { season: 'not-read', water: name, checkedOn: rules.checkedOn, wantedAfter: since },
    });
  }
  if (!inSeason(lesson.date, rules.seasonFrom, rules.seasonTo)) {
    snags.push({
      ...at,
      id: 'closed-season',
      rule: 'rule-card',
      level: 'stop',
      facts: {
        season: 'closed',
        water: name,
        from: rules.seasonFrom,
        to: rules.seasonTo,
        date: lesson.date,
      },
    });
  }
  return snags;
};
