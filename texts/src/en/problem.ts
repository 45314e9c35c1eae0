import type { Problem, ProblemLevel, UnitSystem } from '@doceo/core';

/** One line of the evidence behind a problem. */
export interface Evidence {
  label: string;
  text: string;
}

/** What a rule says, in words. */
export interface ProblemWords {
  title: string;
  reason: string;
  evidence: Evidence[];
}

/** Words for the facts of every rule. */
export type Worded<Facts> = {
  [Rule in keyof Facts]: (facts: Facts[Rule], units: UnitSystem) => ProblemWords;
};

/** A problem in words, with its fixes. */
export interface ProblemInWords<Change> extends ProblemWords {
  id: string;
  rule: string;
  level: ProblemLevel;
  fixes: { label: string; change: Change }[];
}

/** Puts a problem into the words of its rule. */
export function inWords<Facts, Fix, Change>(
  { id, rule, level, facts, fixes }: Problem<Facts, Fix, Change>,
  words: Worded<Facts>,
  fixText: (fix: Fix, units: UnitSystem) => string,
  units: UnitSystem,
): ProblemInWords<Change> {
  return {
    id,
    rule: String(rule),
    level,
    ...words[rule](facts, units),
    fixes: fixes.map(({ does, change }) => ({ label: fixText(does, units), change })),
  };
}
