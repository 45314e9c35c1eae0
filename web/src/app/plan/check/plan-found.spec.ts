import { signal } from '@angular/core';
import { emptyPlan, type PlanProblem, type UnitSystem } from '@doceo/core';
import { SHIPPED_CURRICULUM } from '@doceo/core/shipped';
import { planFound } from './plan-found';

describe('what the check of a plan finds', () => {
  const problem = (id: string, level: PlanProblem['level']): PlanProblem => ({
    ...{ id, level, rule: 'no-break', studentId: null, blockIds: [], fixes: [] },
    facts: { minutes: 95, names: [] },
  });
  const countsOf = (found: PlanProblem[]) =>
    planFound({
      shown: signal(emptyPlan()),
      found: signal(found),
      curriculum: signal(SHIPPED_CURRICULUM),
      units: signal<UnitSystem>('metric'),
    })
      .counts()
      .map(({ count, word }) => `${count} ${word}`);

  it('is counted by what must be done and what is to be checked, and none is not told', () => {
    expect(countsOf([])).toEqual([]);
    expect(countsOf([problem('a', 'tip')])).toEqual([]);
    expect(countsOf([problem('a', 'check'), problem('b', 'check'), problem('c', 'tip')])).toEqual([
      '2 check',
    ]);
    expect(countsOf([problem('a', 'check'), problem('b', 'must-fix')])).toEqual(['1 must fix', '1 check']);
  });
});
