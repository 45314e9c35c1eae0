import type { Curriculum } from '../curriculum';
import { READY, type Skill, type SkillState } from '../skill';

/** Where a student stands with a skill: has it, could learn it now, or lacks something it rests on. */
export type Readiness = 'has' | 'ready' | 'lacks';

export interface ReadinessCell {
  readiness: Readiness;
  mastery: number;
  attempts: number;
  /** Skills it rests on that are not there yet. */
  lacks: Skill[];
}

export interface ReadinessRow {
  skill: Skill;
  /** One for each student, in the order given. */
  cells: ReadinessCell[];
  /** How many could learn it now. */
  ready: number;
}

/** Who of a group is ready for what: every skill with where each student stands, in the order skills are taught. */
export function groupReadiness({ skills }: Curriculum, states: readonly SkillState[]): ReadinessRow[] {
  return skills.all.map((skill) => {
    const cells = states.map((state) => cellOf(skills, skill, state));
    return { skill, cells, ready: cells.filter(({ readiness }) => readiness === 'ready').length };
  });
}

function cellOf(skills: Curriculum['skills'], skill: Skill, state: SkillState): ReadinessCell {
  const has = (id: string): boolean => (state[id]?.mastery ?? 0) >= READY;
  const lacks = skill.needs.filter((need) => !has(need)).map(skills.get);
  const estimate = state[skill.id];
  return {
    readiness: has(skill.id) ? 'has' : lacks.length === 0 ? 'ready' : 'lacks',
    mastery: estimate?.mastery ?? 0,
    attempts: estimate?.attempts ?? 0,
    lacks,
  };
}
