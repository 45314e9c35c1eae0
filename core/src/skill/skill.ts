import type { Strand } from './strand';

/** Ways in which a skill can be shown, the surest first. A school may leave some of them out for a skill. */
export const SHOWN_BY = ['measured', 'drill', 'bench', 'answer', 'passing'] as const;
export type ShownBy = (typeof SHOWN_BY)[number];

export interface Skill {
  /** Stable: strand, a dot, a name. */
  id: string;
  strand: Strand;
  name: string;
  /** One sentence a student understands. */
  sentence: string;
  /** What good looks like. */
  good: string;
  /** Ids of the skills it rests on. */
  needs: string[];
  /** Ids of the faults that belong to it. */
  faults: string[];
  /** How it can be shown. */
  shownBy: ShownBy[];
  /** Days away after which a third of it is left; a rule of thumb. */
  forgetDays: number;
}

/** What is forgotten as fast as most is, days. A prior; records may refine it. */
export const FORGET_DAYS = 180;
