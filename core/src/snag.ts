/** How bad it is: do not go on, think about it, good to know. */
export type SnagLevel = 'stop' | 'mind' | 'note';

/** One line of the evidence behind a snag. */
export interface Evidence {
  label: string;
  text: string;
}

/** Something the check found wrong. `Change` is what a one-click fix applies. */
export interface Snag<Change> {
  /** Stable within one check: rule and place. */
  id: string;
  rule: string;
  level: SnagLevel;
  title: string;
  reason: string;
  evidence: Evidence[];
  fixes: { label: string; change: Change }[];
}

const ORDER: Record<SnagLevel, number> = { stop: 0, mind: 1, note: 2 };

/** Worst first; within a level in the order the rules gave them. */
export function bySeverity<T extends { level: SnagLevel }>(snags: readonly T[]): T[] {
  return [...snags].sort((a, b) => ORDER[a.level] - ORDER[b.level]);
}
