/** How bad it is: do not go on, think about it, good to know. */
export type ProblemLevel = 'must-fix' | 'check' | 'tip';

/** Something a check found wrong, by the rule that found it: facts that say why, fixes with what each changes. */
export type Problem<Facts, Fix, Change> = {
  [Rule in keyof Facts]: {
    /** Stable within one check: rule and place. */
    id: string;
    rule: Rule;
    level: ProblemLevel;
    facts: Facts[Rule];
    fixes: { does: Fix; change: Change }[];
  };
}[keyof Facts];

const ORDER: Record<ProblemLevel, number> = { 'must-fix': 0, check: 1, tip: 2 };

/** Worst first; within a level in the order the rules gave them. */
export function bySeverity<T extends { level: ProblemLevel }>(problems: readonly T[]): T[] {
  return [...problems].sort((a, b) => ORDER[a.level] - ORDER[b.level]);
}
