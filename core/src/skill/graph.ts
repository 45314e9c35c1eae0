import { CoreError } from '../error';
import { CASTING_SKILLS } from './casting';
import { HOOK_SETTING_SKILLS } from './hook-setting';
import { RIGGING_SKILLS } from './rigging';
import { SAFETY_CARE_SKILLS } from './safety-care';
import type { Skill } from './skill';
import { WATER_SKILLS } from './water-choice';

/** A checked set of skills: every prerequisite exists and none leads back to itself. */
export interface SkillGraph {
  skills: readonly Skill[];
  /** @throws CoreError 'unknown-id' */
  get(id: string): Skill;
  has(id: string): boolean;
  /** All skills a skill rests on, nearest first, itself not included. */
  ancestors(id: string): Skill[];
  /** Skills that rest directly on this one. */
  opens(id: string): Skill[];
}

/**
 * Builds and checks a graph; the order of `skills` in the result is topological (prerequisites first, else as given).
 *
 * @throws CoreError 'unknown-id' for a prerequisite that does not exist, 'cycle' naming a skill on the cycle
 */
export function skillGraph(skills: readonly Skill[]): SkillGraph {
  const byId = new Map(skills.map((skill) => [skill.id, skill]));
  const get = (id: string): Skill => {
    const found = byId.get(id);
    if (!found) throw new CoreError('unknown-id', { name: 'skill', value: id });
    return found;
  };
  const state = new Map<string, 'open' | 'done'>();
  const sorted: Skill[] = [];
  const visit = (skill: Skill): void => {
    if (state.get(skill.id) === 'done') return;
    if (state.get(skill.id) === 'open') throw new CoreError('cycle', { name: 'skill', value: skill.id });
    state.set(skill.id, 'open');
    skill.needs.forEach((need) => visit(get(need)));
    state.set(skill.id, 'done');
    sorted.push(skill);
  };
  skills.forEach(visit);
  return {
    skills: sorted,
    get,
    has: (id) => byId.has(id),
    ancestors: (id) => {
      const found = new Set<Skill>();
      let front = get(id).needs.map(get);
      while (front.length > 0) {
        front.forEach((skill) => found.add(skill));
        front = front.flatMap((skill) => skill.needs.map(get)).filter((skill) => !found.has(skill));
      }
      return [...found];
    },
    opens: (id) => sorted.filter((skill) => skill.needs.includes(id)),
  };
}

/** The graph that ships. */
export const SKILLS: SkillGraph = skillGraph([
  ...CASTING_SKILLS,
  ...RIGGING_SKILLS,
  ...HOOK_SETTING_SKILLS,
  ...WATER_SKILLS,
  ...SAFETY_CARE_SKILLS,
]);

/** Faults that belong to the skills of a strand, those of most skills first. */
export function faultsOfStrand(strand: Skill['strand']): string[] {
  const times = new Map<string, number>();
  for (const skill of SKILLS.skills)
    if (skill.strand === strand) for (const id of skill.faults) times.set(id, (times.get(id) ?? 0) + 1);
  return [...times].sort((a, b) => b[1] - a[1]).map(([id]) => id);
}

/** The name of a skill; of one that is gone from the graph what its id says, so that old records still read. */
export function skillName(id: string): string {
  return SKILLS.has(id) ? SKILLS.get(id).name : (id.split('.').at(-1) ?? id).replaceAll('-', ' ');
}
