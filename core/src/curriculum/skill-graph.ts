import { CoreError } from '../error';
import { FORGET_DAYS, type Skill, type Strand, STRANDS } from '../skill';
import { type Shelf, shelf, wordsOfId } from './shelf';

/** A checked set of skills: every prerequisite exists and none leads back to itself. */
export interface SkillGraph extends Shelf<Skill> {
  /** All skills a skill rests on, nearest first, itself not included. */
  ancestors(id: string): Skill[];
  /** Skills that rest directly on this one. */
  opens(id: string): Skill[];
}

/**
 * Builds and checks a graph; the order of the result is topological (prerequisites first, else as given).
 *
 * @param retired skills that are read by name only
 * @throws CoreError 'unknown-id' for a prerequisite that does not exist, 'cycle' naming a skill on the cycle
 */
export function skillGraph(skills: readonly Skill[], retired: readonly Skill[] = []): SkillGraph {
  const byId = new Map(skills.map((skill) => [skill.id, skill]));
  const needed = (id: string): Skill => {
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
    skill.needs.forEach((need) => visit(needed(need)));
    state.set(skill.id, 'done');
    sorted.push(skill);
  };
  skills.forEach(visit);
  const shelved = shelf(sorted, retired, unknownSkill);
  return {
    ...shelved,
    ancestors: (id) => {
      const found = new Set<Skill>();
      let front = shelved.get(id).needs.map(shelved.get);
      while (front.length > 0) {
        front.forEach((skill) => found.add(skill));
        front = front.flatMap((skill) => skill.needs.map(shelved.get)).filter((skill) => !found.has(skill));
      }
      return [...found];
    },
    opens: (id) => sorted.filter((skill) => skill.needs.includes(id)),
  };
}

/**
 * The first circle of needs: ids in the order in which one needs the next, the last one the first again; null when there
 * is none. Needs that no skill has are passed over.
 */
export function circleOfNeeds(skills: readonly Pick<Skill, 'id' | 'needs'>[]): string[] | null {
  const needsOf = new Map(skills.map(({ id, needs }) => [id, needs]));
  const done = new Set<string>();
  const search = (id: string, path: readonly string[]): string[] | null => {
    if (path.includes(id)) return [...path.slice(path.indexOf(id)), id];
    if (done.has(id)) return null;
    for (const need of needsOf.get(id) ?? []) {
      const found = search(need, [...path, id]);
      if (found) return found;
    }
    done.add(id);
    return null;
  };
  for (const { id } of skills) {
    const found = search(id, []);
    if (found) return found;
  }
  return null;
}

/** A skill of which only the id is known. */
function unknownSkill(id: string): Skill {
  const strand = STRANDS.find((one): one is Strand => id.startsWith(`${one}.`)) ?? 'casting';
  return {
    id,
    strand,
    name: wordsOfId(id),
    sentence: '',
    good: '',
    needs: [],
    faults: [],
    shownBy: [],
    forgetDays: FORGET_DAYS,
  };
}

/** Faults that belong to the skills of a strand, those of most skills first. */
export function faultsOfStrand(skills: readonly Skill[], strand: Strand): string[] {
  const times = new Map<string, number>();
  for (const skill of skills)
    if (skill.strand === strand) for (const id of skill.faults) times.set(id, (times.get(id) ?? 0) + 1);
  return [...times].sort((a, b) => b[1] - a[1]).map(([id]) => id);
}
