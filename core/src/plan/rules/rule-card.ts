import { inSeason, lastSeasonEnd } from '../../water';
import type { PlanRule } from './rule';

/** The rule card must have been read by a person since the last season ended, and the day must lie in the season. */
export const ruleCard: PlanRule = (_plan, lesson) => {
  if (!lesson) return [];
  const { name, rules } = lesson.water;
  const snags: ReturnType<PlanRule> = [];
  const since = lastSeasonEnd(lesson.date, rules.seasonTo);
  const fixes = [{ label: 'Open the card', change: { kind: 'open', what: 'rule-card', id: null } } as const];
  const at = { blockIds: [], studentId: null, fixes };
  if (rules.checkedOn === null || rules.checkedOn <= since) {
    snags.push({
      ...at,
      id: 'rule-card',
      rule: 'rule-card',
      level: 'stop',
      title: 'Rule card not read this season',
      reason: `${name}: somebody must read it at the source and tick it. Doceo does not know the law.`,
      evidence: [
        { label: 'last read', text: rules.checkedOn ?? 'never' },
        { label: 'wanted after', text: since },
      ],
    });
  }
  if (!inSeason(lesson.date, rules.seasonFrom, rules.seasonTo)) {
    snags.push({
      ...at,
      id: 'closed-season',
      rule: 'rule-card',
      level: 'stop',
      title: 'Outside the season on the card',
      reason: `The card of ${name} says ${rules.seasonFrom} to ${rules.seasonTo}. Grass only, or another day.`,
      evidence: [{ label: 'lesson', text: lesson.date }],
    });
  }
  return snags;
};
