import { isCardRead, isClosed, readAfter } from '../../water';
import type { PlanRule } from './rule';

/** The rule card must have been read by a person since the last season ended, and the day must lie in the season. */
export const ruleCard: PlanRule = (_plan, lesson) => {
  if (!lesson) return [];
  const { name, rules } = lesson.water;
  const problems: ReturnType<PlanRule> = [];
  const fixes = [{ does: 'open-card', change: { kind: 'open', what: 'rule-card', id: null } } as const];
  const at = { blockIds: [], studentId: null, fixes, rule: 'rule-card', level: 'must-fix' } as const;
  if (!isCardRead(rules, lesson.date)) {
    problems.push({
      ...at,
      id: 'rule-card',
      facts: {
        season: 'not-read',
        water: name,
        checkedOn: rules.checkedOn,
        wantedAfter: readAfter(rules.seasonTo, lesson.date),
      },
    });
  }
  if (isClosed(rules, lesson.date)) {
    problems.push({
      ...at,
      id: 'closed-season',
      facts: {
        season: 'closed',
        water: name,
        from: rules.seasonFrom ?? '',
        to: rules.seasonTo ?? '',
        date: lesson.date,
      },
    });
  }
  return problems;
};
